/** Presets: kept, saved as ever new versions, retired, never lost. */
import { Op, UniqueConstraintError, type Sequelize } from 'sequelize';
import { freeId, type ShakePreset } from '../../core';
import { PresetRow, PresetVersionRow } from '../db/models';

export interface StoredPreset {
	readonly key: string;
	readonly version: number;
	readonly savedAt: string;
	/** Its place in the project's order; rising, with gaps. */
	readonly position: number;
	readonly document: ShakePreset;
}

export type SaveResult =
	| { readonly state: 'saved'; readonly version: number; readonly savedAt: string }
	| { readonly state: 'stale'; readonly theirs: StoredPreset }
	| { readonly state: 'unknown' };

export interface VersionEntry {
	readonly version: number;
	readonly savedAt: string;
	readonly note: string;
}

const stored = (row: PresetRow): StoredPreset => ({
	key: row.key,
	version: row.version,
	savedAt: row.savedAt.toISOString(),
	position: row.position,
	document: row.document
});

const rowOf = (projectId: string, key: string): Promise<PresetRow | null> =>
	PresetRow.findOne({ where: { projectId, key } });

/** A part of a project's presets, in its order. */
export interface Part {
	/** Only those behind this place; left out: from the first on. */
	readonly after?: number;
	readonly limit?: number;
	/** Those that were retired instead of those in use. */
	readonly retired?: boolean;
}

export async function listPresets(projectId: string, part: Part = {}): Promise<StoredPreset[]> {
	const rows = await PresetRow.findAll({
		where: {
			projectId,
			retiredAt: part.retired ? { [Op.ne]: null } : null,
			...(part.after === undefined ? {} : { position: { [Op.gt]: part.after } })
		},
		order: [['position', 'ASC']],
		limit: part.limit
	});
	return rows.map(stored);
}

/** How many presets are in use. */
export const countPresets = (projectId: string): Promise<number> =>
	PresetRow.count({ where: { projectId, retiredAt: null } });

export async function findPreset(projectId: string, key: string): Promise<StoredPreset | null> {
	const row = await rowOf(projectId, key);
	return row && stored(row);
}

/** Adds a preset at the end of the project; when its id is taken it gets the next free one. */
export async function addPreset(
	sequelize: Sequelize,
	projectId: string,
	document: ShakePreset,
	note = '',
	now = new Date()
): Promise<StoredPreset> {
	for (let attempt = 0; ; attempt++) {
		const taken = await PresetRow.findAll({ where: { projectId }, attributes: ['key', 'position'] });
		const key = freeId(
			document.id,
			taken.map((row) => row.key)
		);
		const own = { ...document, id: key };
		const position = taken.reduce((most, row) => Math.max(most, row.position + 1), 0);
		try {
			return await sequelize.transaction(async (transaction) => {
				const row = await PresetRow.create(
					{ projectId, key, family: own.family, name: own.name, version: 1, document: own, position, savedAt: now },
					{ transaction }
				);
				await PresetVersionRow.create(
					{ presetId: row.id, version: 1, document: own, note, savedAt: now },
					{ transaction }
				);
				return stored(row);
			});
		} catch (error) {
			// Somebody took the id in between: choose again.
			if (!(error instanceof UniqueConstraintError) || attempt > 5) throw error;
		}
	}
}

/**
 * Adds many presets at the end of the project, all or none. Ids that are taken are changed to free ones; the answer is in
 * the order of the documents.
 */
export async function addPresets(
	sequelize: Sequelize,
	projectId: string,
	documents: readonly ShakePreset[],
	note = '',
	now = new Date()
): Promise<StoredPreset[]> {
	return sequelize.transaction(async (transaction) => {
		const rows = await PresetRow.findAll({ where: { projectId }, attributes: ['key', 'position'], transaction });
		const taken = new Set(rows.map((row) => row.key));
		let position = rows.reduce((most, row) => Math.max(most, row.position + 1), 0);
		const own = documents.map((document) => {
			const key = freeId(document.id, taken);
			taken.add(key);
			return { ...document, id: key };
		});
		const made = await PresetRow.bulkCreate(
			own.map((document) => ({
				projectId,
				key: document.id,
				family: document.family,
				name: document.name,
				version: 1,
				document,
				position: position++,
				savedAt: now
			})),
			{ transaction, returning: true }
		);
		await PresetVersionRow.bulkCreate(
			made.map((row) => ({ presetId: row.id, version: 1, document: row.document, note, savedAt: now })),
			{ transaction }
		);
		return made.map(stored);
	});
}

/**
 * Saves a preset as a new version, if `base` is the newest one; otherwise nothing changes and the newest comes back.
 * The version is counted up by the statement that checks it, so that of two saves at once one is stale.
 */
export async function savePreset(
	sequelize: Sequelize,
	projectId: string,
	key: string,
	base: number,
	document: ShakePreset,
	note = '',
	now = new Date()
): Promise<SaveResult> {
	const own = { ...document, id: key };
	return sequelize.transaction(async (transaction) => {
		const [count, rows] = await PresetRow.update(
			{ document: own, name: own.name, family: own.family, version: base + 1, savedAt: now },
			{ where: { projectId, key, version: base }, returning: true, transaction }
		);
		if (count === 0) {
			const newest = await PresetRow.findOne({ where: { projectId, key }, transaction });
			return newest ? { state: 'stale' as const, theirs: stored(newest) } : { state: 'unknown' as const };
		}
		await PresetVersionRow.create(
			{ presetId: rows[0]!.id, version: base + 1, document: own, note, savedAt: now },
			{ transaction }
		);
		return { state: 'saved' as const, version: base + 1, savedAt: now.toISOString() };
	});
}

/** All versions, newest first; null when there is no such preset. */
export async function listVersions(projectId: string, key: string): Promise<VersionEntry[] | null> {
	const row = await rowOf(projectId, key);
	if (!row) return null;
	const rows = await PresetVersionRow.findAll({
		where: { presetId: row.id },
		attributes: ['version', 'note', 'savedAt'],
		order: [['version', 'DESC']],
		limit: 500
	});
	return rows.map((v) => ({ version: v.version, note: v.note, savedAt: v.savedAt.toISOString() }));
}

export async function findVersion(projectId: string, key: string, version: number): Promise<ShakePreset | null> {
	const row = await rowOf(projectId, key);
	const found = row && (await PresetVersionRow.findOne({ where: { presetId: row.id, version } }));
	return found ? found.document : null;
}

/** Takes presets out of use, or brings them back; nothing is deleted. Returns how many changed. */
export async function retirePresets(
	projectId: string,
	keys: readonly string[],
	retired: boolean,
	now = new Date()
): Promise<number> {
	const [count] = await PresetRow.update(
		{ retiredAt: retired ? now : null },
		{ where: { projectId, key: [...keys], retiredAt: retired ? null : { [Op.ne]: null } } }
	);
	return count;
}
