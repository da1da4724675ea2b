/** Projects: made, listed on the shelf, read whole, renamed, retired and brought back. */
import { Op, QueryTypes, UniqueConstraintError, type Sequelize } from 'sequelize';
import type { ShakePreset } from 'dinesis-runtime';
import { KIT_FORMAT, KIT_VERSION } from 'dinesis-runtime/tools';
import { outlineOf, type OutlineLine } from '../../analysis';
import { type Kit } from '../../documents';
import { CourseRow, CourseVersionRow, PresetRow, PresetVersionRow, ProjectRow, WiringVersionRow } from '../db/models';
import { freeSlug } from '../names';
import { courseStore } from './courses';
import { presetStore } from './presets';
import { findWiring } from './wiring';

export interface Project {
	readonly id: string;
	readonly slug: string;
	readonly name: string;
	readonly retired: boolean;
}

/** A project as the shelf shows it. */
export interface ShelfEntry {
	readonly slug: string;
	readonly name: string;
	readonly changedAt: string;
	readonly counts: {
		readonly shakes: number;
		readonly bobsAndLags: number;
		readonly cues: number;
		readonly events: number;
		readonly rigs: number;
		readonly courses: number;
	};
	/** Little drawings of its first shakes. */
	readonly drawings: readonly (readonly OutlineLine[])[];
}

const plain = (row: ProjectRow): Project => ({
	id: row.id,
	slug: row.slug,
	name: row.name,
	retired: row.retiredAt !== null
});

/** Those in use, in the order in which they were made. */
export async function listProjects(): Promise<Project[]> {
	return (await ProjectRow.findAll({ where: { retiredAt: null }, order: [['createdAt', 'ASC']] })).map(plain);
}

/** A project by its address, also one that is retired. */
export async function findProject(slug: string): Promise<Project | null> {
	const row = await ProjectRow.findOne({ where: { slug: slug.normalize('NFC') } });
	return row && plain(row);
}

/** How many shakes of a project the shelf draws. */
const DRAWN = 5;
/** Drawings by preset and version: a version never changes. */
const drawn = new Map<string, readonly OutlineLine[]>();
const MOST_DRAWN = 5000;

function drawingOf(id: string, version: number, document: ShakePreset): readonly OutlineLine[] {
	const key = `${id} ${version}`;
	const known = drawn.get(key);
	if (known) return known;
	const lines = outlineOf(document);
	if (drawn.size >= MOST_DRAWN) drawn.clear();
	drawn.set(key, lines);
	return lines;
}

interface ShelfRow {
	id: string;
	slug: string;
	name: string;
	changed_at: Date;
	shakes: number;
	bobsAndLags: number;
	cues: number;
	events: number;
	rigs: number;
	courses: number;
}
interface DrawnRow {
	id: string;
	project_id: string;
	version: number;
	document: ShakePreset;
}

/** All projects in use, or those that were retired; the last changed first. */
export async function listShelf(sequelize: Sequelize, retired = false): Promise<ShelfEntry[]> {
	const type = QueryTypes.SELECT;
	const rows = await sequelize.query<ShelfRow>(
		`SELECT p.id, p.slug, p.name,
		        json_array_length(p.cues) AS cues, json_array_length(p.events) AS events, json_array_length(p.rigs) AS rigs,
		        coalesce(s.shakes, 0)::int AS shakes, coalesce(s.others, 0)::int AS "bobsAndLags", coalesce(c.courses, 0)::int AS courses,
		        greatest(p.created_at, s.at, c.at, w.at) AS changed_at
		 FROM projects p
		 LEFT JOIN (SELECT project_id, max(saved_at) AS at,
		                   count(*) FILTER (WHERE family = 'shake' AND retired_at IS NULL) AS shakes,
		                   count(*) FILTER (WHERE family <> 'shake' AND retired_at IS NULL) AS others
		            FROM presets GROUP BY project_id) s ON s.project_id = p.id
		 LEFT JOIN (SELECT project_id, max(saved_at) AS at, count(*) FILTER (WHERE retired_at IS NULL) AS courses
		            FROM courses GROUP BY project_id) c ON c.project_id = p.id
		 LEFT JOIN (SELECT project_id, max(saved_at) AS at FROM wiring_versions GROUP BY project_id) w ON w.project_id = p.id
		 WHERE (p.retired_at IS NULL) <> $1
		 ORDER BY changed_at DESC, p.slug`,
		{ bind: [retired], type }
	);
	const firsts = await sequelize.query<DrawnRow>(
		`SELECT id, project_id, version, document FROM (
		   SELECT *, row_number() OVER (PARTITION BY project_id ORDER BY position) AS place
		   FROM presets WHERE family = 'shake' AND retired_at IS NULL AND project_id IN (
		     SELECT id FROM projects WHERE (retired_at IS NULL) <> $1)) firsts
		 WHERE place <= $2 ORDER BY place`,
		{ bind: [retired, DRAWN], type }
	);
	return rows.map(({ id, slug, name, changed_at, ...counts }) => ({
		slug,
		name,
		changedAt: changed_at.toISOString(),
		counts,
		drawings: firsts
			.filter((row) => row.project_id === id)
			.map((row) => drawingOf(row.id, row.version, row.document))
			.filter((lines) => lines.length > 0)
	}));
}

/** Everything of a project that is in use, as a kit; null when there is no such project. */
export async function readWholeKit(projectId: string): Promise<Kit | null> {
	const row = await ProjectRow.findByPk(projectId);
	const wiring = await findWiring(projectId);
	if (!row || !wiring) return null;
	const { events, parameters, cues, rigs, world } = wiring.document;
	const documents = async <T>(list: Promise<{ document: T }[]>): Promise<T[]> => (await list).map((d) => d.document);
	return {
		format: KIT_FORMAT,
		version: KIT_VERSION,
		name: row.name,
		events,
		parameters,
		presets: await documents(presetStore.list(projectId)),
		cues,
		rigs,
		courses: await documents(courseStore.list(projectId)),
		world,
		...withoutMoved(row.carried)
	};
}

/** What rooms have taken over since it was carried is not told twice. */
function withoutMoved(carried: Record<string, unknown>): Record<string, unknown> {
	const { format, version, name, events, parameters, presets, cues, rigs, courses, world, ...rest } = carried;
	void [format, version, name, events, parameters, presets, cues, rigs, courses, world];
	return rest;
}

/** Makes a project out of a kit, with everything the kit carries, in one transaction. */
export async function addProject(sequelize: Sequelize, kit: Kit, now = new Date()): Promise<Project> {
	for (let attempt = 0; ; attempt++) {
		try {
			return await insert(sequelize, kit, now);
		} catch (error) {
			// Somebody took the address in between: choose again.
			if (!(error instanceof UniqueConstraintError) || attempt > 5) throw error;
		}
	}
}

async function insert(sequelize: Sequelize, kit: Kit, now: Date): Promise<Project> {
	const { format, version, name, events, parameters, presets, cues, world, rigs, courses, ...carried } = kit;
	void format;
	void version;
	return sequelize.transaction(async (transaction) => {
		const taken = (await ProjectRow.findAll({ attributes: ['slug'], transaction })).map((row) => row.slug);
		const project = await ProjectRow.create(
			{
				slug: freeSlug(name, taken),
				name,
				events: [...events],
				parameters: [...parameters],
				cues: [...cues],
				world,
				rigs: [...rigs],
				carried,
				createdAt: now
			},
			{ transaction }
		);
		const row = (document: { readonly id: string; readonly name: string }, position: number) => ({
			projectId: project.id,
			key: document.id,
			name: document.name,
			version: 1,
			position,
			savedAt: now
		});
		const first = <T>(made: { id: string; document: T }) => ({
			ownerId: made.id,
			version: 1,
			document: made.document,
			note: 'as it came',
			savedAt: now
		});
		const motions = await PresetRow.bulkCreate(
			presets.map((document, i) => ({ ...row(document, i), family: document.family, document })),
			{ transaction, returning: true }
		);
		await PresetVersionRow.bulkCreate(motions.map(first), { transaction });
		const ways = await CourseRow.bulkCreate(
			courses.map((document, i) => ({ ...row(document, i), document })),
			{ transaction, returning: true }
		);
		await CourseVersionRow.bulkCreate(ways.map(first), { transaction });
		await WiringVersionRow.create(
			{
				projectId: project.id,
				version: 1,
				document: { events, parameters, cues, world, rigs },
				note: 'as it came',
				savedAt: now
			},
			{ transaction }
		);
		return plain(project);
	});
}

/** Gives a project another name; its address stays, so that what leads there still does. False when there is none. */
export async function renameProject(id: string, name: string): Promise<boolean> {
	const [count] = await ProjectRow.update({ name }, { where: { id } });
	return count > 0;
}

/** Takes a project off the shelf, or brings it back; nothing is deleted. False when it stood so already. */
export async function retireProject(id: string, retired: boolean, now = new Date()): Promise<boolean> {
	const [count] = await ProjectRow.update(
		{ retiredAt: retired ? now : null },
		{ where: { id, retiredAt: retired ? null : { [Op.ne]: null } } }
	);
	return count > 0;
}

/** A fact about the whole database, such as that the demo was loaded once. */
export async function readFact(sequelize: Sequelize, name: string): Promise<string | null> {
	const rows = await sequelize.query<{ value: string }>('SELECT value FROM facts WHERE name = $1', {
		bind: [name],
		type: QueryTypes.SELECT
	});
	return rows[0]?.value ?? null;
}

export async function writeFact(sequelize: Sequelize, name: string, value: string): Promise<void> {
	await sequelize.query(
		'INSERT INTO facts (name, value) VALUES ($1, $2) ON CONFLICT (name) DO UPDATE SET value = EXCLUDED.value',
		{ bind: [name, value] }
	);
}
