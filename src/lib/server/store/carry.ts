/**
 * Who points at a document that gets another id goes along, also what the page that gave it did not have: what is out of use, and what it had
 * not asked for yet.
 */
import { Op, type Transaction } from 'sequelize';
import {
	fieldsTowards,
	following,
	KINDS,
	openDocument,
	shownOfHeld,
	type AnyDocument,
	type ChangePart,
	type Judged,
	type Space
} from '../../documents';
import { DocumentRow } from '../db/models';
import { storedOf } from './documents';

/** The parts that a change needs besides its own, so that nothing points where nobody is any more. */
export async function carriedAlong(
	projectId: string,
	works: readonly Judged[],
	transaction: Transaction
): Promise<ChangePart[]> {
	const ids = new Map<string, string>();
	const nameIn = (space: Space, id: string): string => `${space} ${id}`;
	for (const { before, after } of works)
		if (before && before.id !== after.id) ids.set(nameIn(KINDS[after.kind].space, before.id), after.id);
	if (ids.size === 0) return [];
	const own = works.map(({ part }) => part.document);
	const rows = await DocumentRow.findAll({ where: { projectId, id: { [Op.notIn]: own } }, transaction });
	return rows.map(storedOf).flatMap((held): ChangePart[] => {
		const shown = shownOfHeld<AnyDocument>(held);
		// Of one that is not sound nobody knows.
		if (!openDocument(held.kind, structuredClone(shown)).ok) return [];
		const next = following(held.kind, shown, (space, id) => ids.get(nameIn(space, id)) ?? id);
		if (next === shown) return [];
		return [{ document: held.uuid, on: held.version, fields: fieldsTowards(held, next) }];
	});
}
