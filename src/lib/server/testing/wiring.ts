/** Events, game values, cues, rigs and what the stand-in game raises, read and saved as one, for tests of what is kept. */
import { QueryTypes, type Sequelize } from 'sequelize';
import { partsTowards, WIRING_KINDS, wiringOf, type Wiring } from '../../documents';
import { makeChange } from '../store/change';
import { changesOf, listDocuments, type StoredDocument } from '../store/documents';
import { pastOf } from '../store/past';
import { atOnce, MOST_VERSIONS, type VersionEntry } from './whole';

export interface StoredWiring {
	readonly version: number;
	readonly savedAt: string;
	readonly document: Wiring;
}

export type WiringSaved =
	| { readonly state: 'saved'; readonly version: number; readonly savedAt: string }
	| { readonly state: 'stale'; readonly theirs: StoredWiring };

interface VersionRow {
	number: number;
	saved_at: Date;
	note: string;
	who: string;
}

/** What was done to any of them, by its number, the oldest first; the place in this list, counted from 1, is the version of the whole. */
const versionsOf = (sequelize: Sequelize, projectId: string): Promise<VersionRow[]> =>
	sequelize.query<VersionRow>(
		`SELECT c.number, max(c.saved_at) AS saved_at, max(c.note) AS note, max(c.who) AS who
		 FROM changes c JOIN documents d ON d.id = c.document_id
		 WHERE c.project_id = $1 AND d.kind = ANY($2::text[]) GROUP BY c.number ORDER BY c.number`,
		{ bind: [projectId, [...WIRING_KINDS]], type: QueryTypes.SELECT }
	);

const read = (sequelize: Sequelize, projectId: string): Promise<StoredDocument[]> =>
	listDocuments(sequelize, projectId, { kinds: WIRING_KINDS });

export async function findWiring(sequelize: Sequelize, projectId: string): Promise<StoredWiring> {
	return {
		...(await changesOf(sequelize, projectId, WIRING_KINDS)),
		document: wiringOf(await read(sequelize, projectId))
	};
}

/** All versions, newest first. */
export async function listWiringVersions(sequelize: Sequelize, projectId: string): Promise<VersionEntry[]> {
	const versions = await versionsOf(sequelize, projectId);
	return versions
		.map(({ saved_at, note, who }, i) => ({ version: i + 1, savedAt: saved_at.toISOString(), note, who }))
		.reverse()
		.slice(0, MOST_VERSIONS);
}

/** All of them as they were at a version; null when there is none such. */
export async function findWiringVersion(
	sequelize: Sequelize,
	projectId: string,
	version: number
): Promise<Wiring | null> {
	const at = (await versionsOf(sequelize, projectId))[version - 1];
	if (!at) return null;
	const kinds = WIRING_KINDS;
	const all = [
		...(await listDocuments(sequelize, projectId, { kinds })),
		...(await listDocuments(sequelize, projectId, { kinds, retired: true }))
	];
	const then: StoredDocument[] = [];
	for (const document of all) {
		const past = await pastOf(document, at.number);
		if (past && !past.retired) then.push({ ...document, ...past });
	}
	then.sort((a, b) => (a.order < b.order ? -1 : a.order > b.order ? 1 : 0));
	return wiringOf(then);
}

/** Saves a new version if `base` is the newest; otherwise nothing changes and the newest comes back. */
export async function saveWiring(
	sequelize: Sequelize,
	projectId: string,
	base: number,
	wiring: Wiring,
	note = '',
	now = new Date()
): Promise<WiringSaved> {
	const standing = await findWiring(sequelize, projectId);
	if (standing.version !== base) return { state: 'stale', theirs: standing };
	const inUse = await read(sequelize, projectId);
	const retired = await listDocuments(sequelize, projectId, { kinds: WIRING_KINDS, retired: true });
	// The facts are told each time, so that every save is a version.
	const parts = partsTowards(inUse, retired, { ...wiring, world: { ...wiring.world } }).map((part) => ({
		...part,
		alone: part.on !== undefined
	}));
	const facts = inUse.find((held) => held.kind === 'project');
	if (facts && !parts.some((part) => part.document === facts.uuid))
		parts.push({ document: facts.uuid, on: facts.version, fields: [], alone: true });
	const made = await makeChange(sequelize, projectId, atOnce(note, parts), now);
	if (made?.state === 'made') return { state: 'saved', version: base + 1, savedAt: made.savedAt };
	return { state: 'stale', theirs: await findWiring(sequelize, projectId) };
}
