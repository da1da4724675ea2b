/** Documents as they were: a body is the last whole of it, and what was changed in it since. */
import { Op, QueryTypes, type Transaction } from 'sequelize';
import { changedBy, woken, type Envelope, type KindName, type Tree } from '../../documents';
import { ChangeRow } from '../db/models';
import type { StoredDocument } from './documents';

/** A body on the way through its changes, and the format that it has by then. */
export interface Passing {
	readonly body: Tree;
	readonly format: number;
}
export const NOT_YET: Passing = { body: null, format: 0 };

/** A body after one more change. */
export function passed(kind: KindName, { body, format }: Passing, row: Pick<ChangeRow, 'fields' | 'format'>): Passing {
	for (const { path, to } of row.fields) {
		if (path.length === 0) body = (to as { body: Tree }).body;
		else if (path[0] !== 'body') continue;
		else if (path.length === 1) body = to;
		else {
			// From before there were trees: what was changed in it first was a tree already.
			if (format === 0) body = woken(kind, 0, body);
			body = changedBy(body, [{ path: path.slice(1), to }]) ?? body;
		}
		format = row.format;
	}
	return { body, format };
}

/** The last thing at or before a version that told the whole of a document, and what came after that up to the version. */
async function leadingTo(uuid: string, version: number, transaction?: Transaction): Promise<ChangeRow[]> {
	const [whole] = await ChangeRow.sequelize!.query<{ version: number }>(
		`SELECT version FROM changes
		 WHERE document_id = $1 AND version <= $2 AND fields->0->'path'->>1 IS NULL
		   AND (fields->0->'path'->>0 IS NULL OR fields->0->'path'->>0 = 'body')
		 ORDER BY version DESC LIMIT 1`,
		{ bind: [uuid, version], type: QueryTypes.SELECT, transaction }
	);
	if (!whole) return [];
	return ChangeRow.findAll({
		where: { documentId: uuid, version: { [Op.between]: [whole.version, version] } },
		order: [['version', 'ASC']],
		transaction
	});
}

/** A body as it stood after a version, on its way; null when the document has no such version. */
export async function passingAt(
	{ uuid, kind }: Pick<StoredDocument, 'uuid' | 'kind'>,
	version: number
): Promise<Passing | null> {
	const rows = await leadingTo(uuid, version);
	if (rows.at(-1)?.version !== version) return null;
	return rows.reduce((passing, row) => passed(kind, passing, row), NOT_YET);
}

/** A document's body as it was at a version, as a tree of today's format; null when it has no such version. */
export async function bodyAt(document: Pick<StoredDocument, 'uuid' | 'kind'>, version: number): Promise<Tree | null> {
	const passing = await passingAt(document, version);
	return passing && woken(document.kind, passing.format, passing.body);
}

/** A document as it was when the project stood at a number; null when it was not yet. */
export async function pastOf(document: StoredDocument, number: number): Promise<Envelope | null> {
	const rows = await ChangeRow.findAll({
		where: { documentId: document.uuid, number: { [Op.lte]: number } },
		attributes: ['version', 'fields'],
		order: [['version', 'ASC']]
	});
	const last = rows.at(-1);
	if (!last) return null;
	let { order } = document;
	let retired = false;
	for (const { fields } of rows)
		for (const { path, to } of fields) {
			if (path.length === 0) ({ order, retired } = to as Envelope);
			else if (path[0] === 'order') order = to as string;
			else if (path[0] === 'retired') retired = to as boolean;
		}
	return { kind: document.kind, id: document.id, order, retired, body: await bodyAt(document, last.version) };
}
