/** The documents of a project, of every kind: read as they are, or as they were at any version. */
import { Op, QueryTypes, type Sequelize, type Transaction, type WhereOptions } from 'sequelize';
import { changedBy, woken, type KindName, type Space, type Tree, type Held, type Stub } from '../../documents';
import { ChangeRow, DocumentRow } from '../db/models';

/** A document as it is stored, awake: its body is a tree of today's format. */
export type StoredDocument = Held;

/** Shakes, head bobs and camera lags: the motion of a kit. */
export const PRESET_KINDS = ['shake', 'bob', 'lag'] as const satisfies readonly KindName[];

export interface Selection {
	readonly kinds?: readonly KindName[];
	readonly ids?: readonly string[];
	readonly uuids?: readonly string[];
	/** Only those behind this one, in the project's order. */
	readonly after?: { readonly order: string; readonly id: string };
	readonly limit?: number;
	/** Those that were retired instead of those in use. */
	readonly retired?: boolean;
}

export const storedOf = (row: DocumentRow): StoredDocument => ({
	uuid: row.id,
	kind: row.kind,
	id: row.key,
	order: row.place,
	version: row.version,
	savedAt: row.savedAt.toISOString(),
	retired: row.retiredAt !== null,
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
		retiredAt: retired ? { [Op.ne]: null } : null,
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

export interface VersionEntry {
	readonly version: number;
	readonly savedAt: string;
	readonly note: string;
	readonly who: string;
}

export const MOST_VERSIONS = 500;
/** The versions of a document, newest first: of one drag the last one. */
export async function listVersions(uuid: string): Promise<VersionEntry[]> {
	const rows = await ChangeRow.findAll({
		where: { documentId: uuid },
		attributes: ['version', 'note', 'who', 'gesture', 'savedAt'],
		order: [['version', 'DESC']],
		limit: 20 * MOST_VERSIONS
	});
	const entries: VersionEntry[] = [];
	rows.forEach((row, i) => {
		const later = rows[i - 1];
		const goesOn = row.gesture !== '' && row.gesture === later?.gesture && row.note === '';
		if (!goesOn)
			entries.push({ version: row.version, savedAt: row.savedAt.toISOString(), note: row.note, who: row.who });
	});
	return entries.slice(0, MOST_VERSIONS);
}

/** The last thing at or before a version that told the whole of a document, and what came after that. */
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

/** A document's body as it was at a version; null when it has no such version. */
export async function bodyAt(document: Pick<StoredDocument, 'uuid' | 'kind'>, version: number): Promise<Tree | null> {
	const rows = await leadingTo(document.uuid, version);
	if (rows.at(-1)?.version !== version) return null;
	let body: Tree = null;
	let format = 0;
	for (const row of rows) {
		for (const { path, to } of row.fields) {
			if (path.length === 0) body = (to as { body: Tree }).body;
			else if (path[0] !== 'body') continue;
			else if (path.length === 1) body = to;
			else {
				// From before there were trees: what was changed in it first was a tree already.
				if (format === 0) body = woken(document.kind, 0, body);
				format = row.format;
				body = changedBy(body, [{ path: path.slice(1), to }]) ?? body;
				continue;
			}
			format = row.format;
		}
	}
	return woken(document.kind, format, body);
}

/** Those of some kinds that are out of use, by name alone. */
export async function listStubs(projectId: string, kinds: readonly KindName[]): Promise<Stub[]> {
	const rows = await DocumentRow.findAll({
		where: { projectId, kind: [...kinds], retiredAt: { [Op.ne]: null } },
		attributes: ['id', 'kind', 'key', 'version']
	});
	return rows.map(({ id: uuid, kind, key: id, version }) => ({ uuid, kind, id, version }));
}
