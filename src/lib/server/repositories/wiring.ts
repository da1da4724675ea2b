/** A project's wiring: its events, game values and cues, saved as ever new versions. */
import type { Sequelize } from 'sequelize';
import { openWiring, type Wiring } from '../../documents';
import { ProjectRow, WiringVersionRow } from '../db/models';
import { MOST_VERSIONS, type VersionEntry } from './documents';

export interface StoredWiring {
	readonly version: number;
	readonly savedAt: string;
	readonly document: Wiring;
}

export type WiringSaved =
	| { readonly state: 'saved'; readonly version: number; readonly savedAt: string }
	| { readonly state: 'stale'; readonly theirs: StoredWiring };

/** Null when there is no such project. */
export async function findWiring(projectId: string): Promise<StoredWiring | null> {
	const row = await ProjectRow.findByPk(projectId);
	if (!row) return null;
	const { wiringVersion: version, events, parameters, cues, world, rigs } = row;
	const saved = await WiringVersionRow.findOne({ where: { projectId, version } });
	return {
		version,
		savedAt: (saved?.savedAt ?? row.createdAt).toISOString(),
		document: filledIn({ events, parameters, cues, world, rigs })
	};
}

/** What was saved before a field came about has it filled in. */
function filledIn(document: Wiring): Wiring {
	const opened = openWiring(structuredClone(document));
	return opened.ok ? opened.value : document;
}

/** All versions, newest first. */
export async function listWiringVersions(projectId: string): Promise<VersionEntry[]> {
	const rows = await WiringVersionRow.findAll({
		where: { projectId },
		attributes: ['version', 'note', 'savedAt'],
		order: [['version', 'DESC']],
		limit: MOST_VERSIONS
	});
	return rows.map(({ version, note, savedAt }) => ({ version, note, savedAt: savedAt.toISOString() }));
}

export async function findWiringVersion(projectId: string, version: number): Promise<Wiring | null> {
	const found = await WiringVersionRow.findOne({ where: { projectId, version } });
	return found && filledIn(found.document);
}

/** Saves a new version if `base` is the newest; otherwise nothing changes and the newest comes back. */
export async function saveWiring(
	sequelize: Sequelize,
	projectId: string,
	base: number,
	document: Wiring,
	note = '',
	now = new Date()
): Promise<WiringSaved> {
	const version = base + 1;
	const saved = await sequelize.transaction(async (transaction) => {
		const [count] = await ProjectRow.update(
			{
				events: [...document.events],
				parameters: [...document.parameters],
				cues: [...document.cues],
				world: document.world,
				rigs: [...document.rigs],
				wiringVersion: version
			},
			{ where: { id: projectId, wiringVersion: base }, transaction }
		);
		if (count === 0) return false;
		await WiringVersionRow.create({ projectId, version, document, note, savedAt: now }, { transaction });
		return true;
	});
	if (saved) return { state: 'saved', version, savedAt: now.toISOString() };
	return { state: 'stale', theirs: (await findWiring(projectId))! };
}
