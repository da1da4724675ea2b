/** Another state of the project held against what is here: a kit, or the project as it was. What differs, document by document. */
import {
	documentOf,
	kitOfDocuments,
	shownOfHeld,
	nameOfArrival,
	treeOf,
	wantedBy,
	type AnyDocument,
	type Arrival,
	type Chosen,
	type Difference,
	type Envelope,
	type Held,
	type Kit,
	type KindName
} from '$lib/documents';
import type { Then } from './api';
import { sinceThen, wayBack } from './histories';

/** A document there and here. */
export interface Pair {
	readonly key: string;
	readonly kind: KindName;
	readonly id: string;
	readonly name: string;
	/** As it is here, in use or not; undefined: it never was. */
	readonly held: Held | undefined;
	/** As it is there; null: it is not there. */
	readonly was: Envelope | null;
	/** What of a kit it is. */
	readonly arrival?: Arrival;
}

/** `there`, `here`: only there, only here. */
export type Apart = 'changed' | 'there' | 'here';

export interface Parted extends Pair {
	readonly apart: Apart;
}

const titleOf = (kind: KindName, document: AnyDocument): string => nameOfArrival({ kind, document });

/** A kit's documents, each with what stands here under its kind and id; and what stands here and is not in the kit. */
export function pairsOfKit(arrivals: readonly Arrival[], held: readonly Held[]): Pair[] {
	const here = new Map(held.map((one) => [`${one.kind} ${one.id}`, one]));
	const pairs = arrivals.map((arrival): Pair => {
		const { kind, document } = arrival;
		const key = `${kind} ${document.id}`;
		const found = here.get(key);
		here.delete(key);
		const order = found?.order ?? '';
		const was = { kind, id: document.id, order, retired: false, body: treeOf(kind, document) };
		return { key, kind, id: document.id, name: titleOf(kind, document), held: found, was, arrival };
	});
	// A kit that says nothing of the project's settings takes none away.
	const left = [...here.values()].filter(({ kind, retired }) => !retired && kind !== 'project');
	return [...pairs, ...left.map((one) => pairOf(one, null))];
}

export const pairsOfVersion = (list: readonly Then[]): Pair[] => list.map(({ now, was }) => pairOf(now, was));

const pairOf = (held: Held, was: Envelope | null): Pair => ({
	key: held.uuid,
	kind: held.kind,
	id: held.id,
	name: titleOf(held.kind, documentOf(held.kind, held.body)),
	held,
	was
});

/** How two stand apart; null: they do not. */
export function apartOf({ held, was }: Pick<Pair, 'held' | 'was'>): Apart | null {
	const [here, there] = [held !== undefined && !held.retired, was !== null && !was.retired];
	if (here !== there) return here ? 'here' : 'there';
	return held && here && wayBack(held, was).length > 0 ? 'changed' : null;
}

/** Field by field, from there to here; nothing where only one of them is. */
export const linesOf = ({ held, was, apart }: Parted): Difference[] =>
	apart === 'changed' && held && was ? sinceThen(held, was) : [];

/** What comes when one that is only in a kit is taken: it, and what it points at and is not here either. */
export function comingWith(pair: Pair, arrivals: readonly Arrival[], held: readonly Held[]): Chosen[] {
	if (!pair.arrival) return [];
	const all = [pair.arrival, ...wantedBy([pair.arrival], arrivals, held)];
	return all.map((arrival) => ({ arrival, choice: 'both' }));
}

/** A project as it was, from what stands here and what of it was otherwise then. */
export function kitThen(name: string, here: readonly Held[], list: readonly Then[]): Kit {
	const then = new Map(list.map(({ now, was }) => [now.uuid, was]));
	const rows = here.flatMap((held) => {
		const was = then.get(held.uuid);
		const as = was === undefined ? held : was;
		return as && !as.retired ? [{ kind: held.kind, id: as.id, order: as.order, body: as.body }] : [];
	});
	rows.sort((a, b) => (a.order < b.order ? -1 : a.order > b.order ? 1 : 0));
	return kitOfDocuments(
		name,
		rows.map(({ kind, id, body }) => ({ kind, document: { ...shownOfHeld<AnyDocument>({ kind, body }), id } }))
	);
}
