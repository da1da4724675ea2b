/** The documents of a project, of every kind: read as they are, or as they were at any version. */
import { Op, QueryTypes, type Sequelize, type Transaction, type WhereOptions } from 'sequelize';
import { woken, type KindName, type Space, type Held, type Stub } from '../../documents';
import { DocumentRow } from '../db/models';

/** A document as it is stored, awake: its body is a tree of today's format. */
export type StoredDocument = Held;

export interface Selection {
	readonly kinds?: readonly KindName[];
	readonly ids?: readonly string[];
	readonly uuids?: readonly string[];
	/** Only those behind this one, in the project's order. */
	readonly after?: { readonly order: string; readonly id: string };
	readonly limit?: number;
	/** Those that were retired instead of those in use; or both. */
	readonly retired?: boolean | 'either';
}

export const storedOf = (row: DocumentRow): StoredDocument => ({
	uuid: row.id,
	kind: row.kind,
	id: row.key,
	order: row.place,
	version: row.version,
	savedAt: row.savedAt.toISOString(),
	retired: row.retiredAt !== null,
	settled: row.settled,
	body: woken(row.kind, row.format, row.body)
});

/** In the project's order; of two at one place, by id. */
export async function listDocuments(
	sequelize: Sequelize,
	projectId: string,
	{ kinds, ids, uuids, after, limit, retired = false }: Selection = {}
): Promise<StoredDocument[]> {
	const where: WhereOptions = {
		projectId,
		...(retired !== 'either' && { retiredAt: retired ? { [Op.ne]: null } : null }),
		...(kinds && { kind: [...kinds] }),
		...(ids && { key: [...ids] }),
		...(uuids && { id: [...uuids] })
	};
	const behind = after && [
		sequelize.literal(
			`(place COLLATE "C", key COLLATE "C") > (${sequelize.escape(after.order)}, ${sequelize.escape(after.id)})`
		)
	];
	const rows = await DocumentRow.findAll({
		where: behind ? { [Op.and]: [where, ...behind] } : where,
		order: [sequelize.literal('place COLLATE "C"'), sequelize.literal('key COLLATE "C"')],
		limit
	});
	return rows.map(storedOf);
}

/** The last place that is taken in a project; null when it is empty. */
export async function lastPlace(
	sequelize: Sequelize,
	projectId: string,
	transaction?: Transaction
): Promise<string | null> {
	const [last] = await sequelize.query<{ place: string | null }>(
		'SELECT max(place COLLATE "C") AS place FROM documents WHERE project_id = $1',
		{ bind: [projectId], type: QueryTypes.SELECT, transaction }
	);
	return last?.place ?? null;
}

export const countDocuments = (projectId: string, kinds: readonly KindName[]): Promise<number> =>
	DocumentRow.count({ where: { projectId, kind: [...kinds], retiredAt: null } });

/** By its id within its space; also one that is retired. */
export async function findDocument(projectId: string, space: Space, id: string): Promise<StoredDocument | null> {
	const row = await DocumentRow.findOne({ where: { projectId, space, key: id } });
	return row && storedOf(row);
}

export async function documentByUuid(projectId: string, uuid: string): Promise<StoredDocument | null> {
	const row = await DocumentRow.findOne({ where: { projectId, id: uuid } });
	return row && storedOf(row);
}

/** How often documents of some kinds were changed, and when last. */
export async function changesOf(
	sequelize: Sequelize,
	projectId: string,
	kinds: readonly KindName[]
): Promise<{ readonly version: number; readonly savedAt: string }> {
	const [row] = await sequelize.query<{ count: number; last: Date | null }>(
		`SELECT count(DISTINCT c.number)::int AS count, max(c.saved_at) AS last
		 FROM changes c JOIN documents d ON d.id = c.document_id WHERE c.project_id = $1 AND d.kind = ANY($2::text[])`,
		{ bind: [projectId, [...kinds]], type: QueryTypes.SELECT }
	);
	return { version: row?.count ?? 0, savedAt: (row?.last ?? new Date(0)).toISOString() };
}

/** Those of some kinds that are out of use, by name alone. */
export async function listStubs(projectId: string, kinds: readonly KindName[]): Promise<Stub[]> {
	const rows = await DocumentRow.findAll({
		where: { projectId, kind: [...kinds], retiredAt: { [Op.ne]: null } },
		attributes: ['id', 'kind', 'key', 'version']
	});
	return rows.map(({ id: uuid, kind, key: id, version }) => ({ uuid, kind, id, version }));
}
