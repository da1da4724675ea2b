/** Events, game values, cues, rigs and what the stand-in game raises, read and saved as one: as a kit's file has them side by side. */
import { randomUUID } from 'node:crypto';
import type { Cue, GameEvent, GameParameter, Rig } from 'dinesis-runtime';
import { NO_LINKS } from 'dinesis-runtime/tools';
import { QueryTypes, type Sequelize } from 'sequelize';
import {
	arrangedKeys,
	documentOf,
	PROJECT_ID,
	treeOf,
	type AnyDocument,
	type ChangePart,
	type KindName,
	type ProjectFacts,
	type Wiring
} from '../../documents';
import { ChangeRow } from '../db/models';
import { makeChange } from './change';
import { bodyAt, listDocuments, MOST_VERSIONS, type StoredDocument, type VersionEntry } from './documents';
import { atOnce, towards } from './whole';

export interface StoredWiring {
	readonly version: number;
	readonly savedAt: string;
	readonly document: Wiring;
}

export type WiringSaved =
	| { readonly state: 'saved'; readonly version: number; readonly savedAt: string }
	| { readonly state: 'stale'; readonly theirs: StoredWiring };

/** In this order they stand in a kit. */
const KINDS_OF_WIRING = ['event', 'value', 'cue', 'rig', 'project'] as const satisfies readonly KindName[];

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
		{ bind: [projectId, [...KINDS_OF_WIRING]], type: QueryTypes.SELECT }
	);

function wiringFrom(documents: readonly StoredDocument[]): Wiring {
	const of = <T extends AnyDocument>(kind: KindName): T[] =>
		documents.filter((d) => d.kind === kind).map((d) => documentOf<T>(kind, d.body));
	return {
		events: of<GameEvent & AnyDocument>('event'),
		parameters: of<GameParameter & AnyDocument>('value'),
		cues: of<Cue & AnyDocument>('cue'),
		rigs: of<Rig & AnyDocument>('rig'),
		world: of<ProjectFacts>('project')[0]?.world ?? NO_LINKS
	};
}

const read = (sequelize: Sequelize, projectId: string): Promise<StoredDocument[]> =>
	listDocuments(sequelize, projectId, { kinds: KINDS_OF_WIRING });

export async function findWiring(sequelize: Sequelize, projectId: string): Promise<StoredWiring> {
	const versions = await versionsOf(sequelize, projectId);
	return {
		version: versions.length,
		savedAt: (versions.at(-1)?.saved_at ?? new Date(0)).toISOString(),
		document: wiringFrom(await read(sequelize, projectId))
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
	const kinds = KINDS_OF_WIRING;
	const all = [
		...(await listDocuments(sequelize, projectId, { kinds })),
		...(await listDocuments(sequelize, projectId, { kinds, retired: true }))
	];
	const then: StoredDocument[] = [];
	for (const document of all) {
		const past = await pastOf(document, at.number);
		if (past && !past.retired) then.push(past);
	}
	then.sort((a, b) => (a.order < b.order ? -1 : a.order > b.order ? 1 : 0));
	return wiringFrom(then);
}

/** A document as it was when the project stood at a number; null when it was not yet. */
async function pastOf(document: StoredDocument, number: number): Promise<StoredDocument | null> {
	const rows = await ChangeRow.findAll({ where: { documentId: document.uuid }, order: [['version', 'ASC']] });
	const until = rows.filter((row) => row.number <= number);
	const last = until.at(-1);
	if (!last) return null;
	let { order } = document;
	let retired = false;
	for (const { fields } of until)
		for (const { path, to } of fields) {
			if (path.length === 0) ({ order, retired } = to as StoredDocument);
			else if (path[0] === 'order') order = to as string;
			else if (path[0] === 'retired') retired = to as boolean;
		}
	return { ...document, version: last.version, order, retired, body: await bodyAt(document, last.version) };
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
	const parts = await partsTowards(sequelize, projectId, wiring);
	const made = await makeChange(sequelize, projectId, atOnce(note, parts), now);
	if (made?.state === 'made') return { state: 'saved', version: base + 1, savedAt: made.savedAt };
	return { state: 'stale', theirs: await findWiring(sequelize, projectId) };
}

/** What makes a project's documents of these kinds into those of a wiring. */
async function partsTowards(sequelize: Sequelize, projectId: string, wiring: Wiring): Promise<ChangePart[]> {
	const kinds = KINDS_OF_WIRING;
	const present = await listDocuments(sequelize, projectId, { kinds });
	const retired = await listDocuments(sequelize, projectId, { kinds, retired: true });
	const facts = present.find((d) => d.kind === 'project');
	const { carried } = facts ? documentOf<ProjectFacts>('project', facts.body) : { carried: {} };
	const wanted: { kind: KindName; list: readonly AnyDocument[] }[] = [
		{ kind: 'event', list: wiring.events },
		{ kind: 'value', list: wiring.parameters },
		{ kind: 'cue', list: wiring.cues },
		{ kind: 'rig', list: wiring.rigs },
		{ kind: 'project', list: [{ id: PROJECT_ID, world: wiring.world, carried } as AnyDocument] }
	];
	const parts: ChangePart[] = [];
	for (const { kind, list } of wanted) {
		const known = new Map([...retired, ...present].filter((d) => d.kind === kind).map((d) => [d.id, d]));
		const inUse = present.filter((d) => d.kind === kind);
		const orders = arrangedKeys(
			list.map(({ id }) => id),
			new Map(inUse.map(({ id, order }) => [id, order]))
		);
		for (const document of list) {
			const order = orders.get(document.id)!;
			const stored = known.get(document.id);
			if (!stored) {
				const body = treeOf(kind, document);
				const to = { kind, id: document.id, order, retired: false, body };
				parts.push({ document: randomUUID(), fields: [{ path: [], to }] });
				continue;
			}
			const fields = towards(stored, document);
			if (stored.order !== order) fields.push({ path: ['order'], to: order });
			if (stored.retired) fields.push({ path: ['retired'], to: false });
			// The facts are told each time, so that every save is a version.
			if (fields.length > 0 || kind === 'project')
				parts.push({ document: stored.uuid, on: stored.version, fields, alone: true });
		}
		const staying = new Set(list.map(({ id }) => id));
		for (const stored of inUse)
			if (!staying.has(stored.id))
				parts.push({
					document: stored.uuid,
					on: stored.version,
					fields: [{ path: ['retired'], to: true }],
					alone: true
				});
	}
	return parts;
}
