/** The way back to a whole project as a kit has it: what is in the kit stands as it did, what is not goes out of use. */
import { arrangedKeys } from './fields/order';
import { creation, fieldsTowards, type Held } from './held';
import type { ChangePart } from './judge';
import type { Kit } from './kit';
import { KINDS, treeOf, type AnyDocument, type Space } from './kinds';
import { arrivalsOf, type Coming } from './merge';
import { newUuid } from './uuid';

/**
 * The one change that makes a project what a kit says it was. `held`: all that the project has, what is out of use as well. A document comes
 * back under its id; where that id is by now another kind's, the one that has it goes out of use and nothing takes its place.
 */
export function partsReturning(kit: Kit, held: readonly Held[]): ChangePart[] {
	const spaces = new Map<Space, Coming[]>();
	for (const one of arrivalsOf(kit)) {
		const { space } = KINDS[one.kind];
		spaces.set(space, [...(spaces.get(space) ?? []), one]);
	}
	const wanted = new Set<Held>();
	const parts = [...spaces].flatMap(([space, list]) => {
		const here = new Map(held.filter(({ kind }) => KINDS[kind].space === space).map((one) => [one.id, one]));
		const ids = list.map(({ document }) => document.id);
		const inUse = [...here].filter(([, { retired }]) => !retired).map(([id, { order }]) => [id, order] as const);
		const orders = arrangedKeys(ids, new Map(inUse));
		return list.flatMap(({ kind, document }): ChangePart[] => {
			const found = here.get(document.id);
			const order = orders.get(document.id)!;
			if (!found) return [{ document: newUuid(), fields: [creation(kind, document, order, true)] }];
			if (found.kind !== kind) return [];
			wanted.add(found);
			return partOf(found, document, order);
		});
	});
	const leaving = held.filter((one) => !one.retired && !wanted.has(one));
	return [
		...parts,
		...leaving.map(({ uuid, version }) => ({
			document: uuid,
			on: version,
			fields: [{ path: ['retired'], to: true }]
		}))
	];
}

function partOf(held: Held, document: AnyDocument, order: string): ChangePart[] {
	const fields = held.retired
		? [
				{ path: ['body'], to: treeOf(held.kind, document) },
				{ path: ['retired'], to: false }
			]
		: fieldsTowards(held, document);
	if (held.order !== order) fields.push({ path: ['order'], to: order });
	return fields.length > 0 ? [{ document: held.uuid, on: held.version, fields }] : [];
}
