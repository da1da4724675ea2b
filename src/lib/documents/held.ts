/** Documents as a project holds them, of every kind, and what makes one wiring into another. */
import type { Cue, GameEvent, GameParameter, Rig } from 'dinesis-runtime';
import { NO_LINKS } from 'dinesis-runtime/tools';
import { compare, type FieldChange } from './fields/changes';
import { arrangedKeys } from './fields/order';
import type { ChangePart, Envelope } from './judge';
import {
	DEFAULT_SETTINGS,
	documentOf,
	planOfKind,
	PROJECT_ID,
	treeOf,
	type AnyDocument,
	type KindName,
	type ProjectFacts
} from './kinds';
import type { Wiring } from './read-wiring';
import { newUuid } from './uuid';

/** A document as it is held: its envelope, and where it stands with the server. */
export interface Held extends Envelope {
	readonly uuid: string;
	readonly version: number;
	readonly savedAt: string;
}

/** What is known of one that is out of use, without its body. */
export type Stub = Pick<Held, 'uuid' | 'kind' | 'id' | 'version'>;

export const shownOfHeld = <T extends AnyDocument>({ kind, body }: Pick<Held, 'kind' | 'body'>): T =>
	documentOf<T>(kind, body);

/** The kinds of a wiring, in the order in which a kit has them. */
export const WIRING_KINDS = ['event', 'value', 'cue', 'rig', 'project'] as const satisfies readonly KindName[];

/** What makes a held document show another one of its kind. */
export function fieldsTowards(held: Pick<Held, 'kind' | 'id' | 'body'>, document: AnyDocument): FieldChange[] {
	const shown = documentOf(held.kind, held.body);
	if (shown === document) return [];
	const next = document.id === held.id ? document : { ...document, id: held.id };
	return compare(planOfKind(held.kind), held.body, shown, next).map(({ path, ...rest }) => ({
		path: ['body', ...path],
		...rest
	}));
}

/** The one field that makes a new document. `settled`: something outside knows its id. */
export function creation(kind: KindName, document: AnyDocument, order: string, settled = false): FieldChange {
	const to: Envelope = { kind, id: document.id, order, retired: false, settled, body: treeOf(kind, document) };
	return { path: [], to };
}

/** The wiring that documents in their order make up. */
export function wiringOf(documents: readonly Held[]): Wiring {
	const of = <T>(kind: KindName): T[] =>
		documents.filter((held) => held.kind === kind).map((held) => shownOfHeld(held) as T);
	return {
		events: of<GameEvent>('event'),
		parameters: of<GameParameter>('value'),
		cues: of<Cue>('cue'),
		rigs: of<Rig>('rig'),
		world: of<ProjectFacts>('project')[0]?.world ?? NO_LINKS
	};
}

/**
 * What makes the documents of a wiring into those of another one. What is not in it any more goes out of use; what is in it again, by its id,
 * comes back. `inUse` in their order.
 */
export function partsTowards(inUse: readonly Held[], retired: readonly Stub[], wiring: Wiring): ChangePart[] {
	const facts = inUse.find((held) => held.kind === 'project');
	const here: ProjectFacts = facts
		? shownOfHeld<ProjectFacts>(facts)
		: { id: PROJECT_ID, world: NO_LINKS, settings: DEFAULT_SETTINGS, players: [], carried: {} };
	const standing = facts && here.world === wiring.world;
	const wanted: [KindName, readonly AnyDocument[]][] = [
		['event', wiring.events],
		['value', wiring.parameters],
		['cue', wiring.cues],
		['rig', wiring.rigs]
	];
	if (!standing) wanted.push(['project', [{ ...here, world: wiring.world } as AnyDocument]]);
	return wanted.flatMap(([kind, list]) => {
		const here = inUse.filter((held) => held.kind === kind);
		return partsOfKind(kind, here, new Map(retired.filter((stub) => stub.kind === kind).map((s) => [s.id, s])), list);
	});
}

function partsOfKind(
	kind: KindName,
	here: readonly Held[],
	retired: ReadonlyMap<string, Stub>,
	list: readonly AnyDocument[]
): ChangePart[] {
	if (here.length === list.length && here.every((held, i) => shownOfHeld(held) === list[i])) return [];
	const known = new Map(here.map((held) => [held.id, held]));
	const orders = arrangedKeys(
		list.map(({ id }) => id),
		new Map(here.map(({ id, order }) => [id, order]))
	);
	const parts: ChangePart[] = [];
	for (const document of list) {
		const order = orders.get(document.id)!;
		const held = known.get(document.id);
		const stub = retired.get(document.id);
		if (held) {
			const fields = fieldsTowards(held, document);
			if (held.order !== order) fields.push({ path: ['order'], to: order });
			if (fields.length > 0) parts.push({ document: held.uuid, on: held.version, fields });
		} else if (stub) {
			const fields = [
				{ path: ['body'], to: treeOf(kind, document) },
				{ path: ['order'], to: order },
				{ path: ['retired'], to: false }
			];
			parts.push({ document: stub.uuid, on: stub.version, fields });
		} else parts.push({ document: newUuid(), fields: [creation(kind, document, order)] });
	}
	const staying = new Set(list.map(({ id }) => id));
	for (const held of here)
		if (!staying.has(held.id))
			parts.push({ document: held.uuid, on: held.version, fields: [{ path: ['retired'], to: true }] });
	return parts;
}
