/** Projects: made, listed on the shelf, read whole, renamed, retired and brought back. */
import { randomUUID } from 'node:crypto';
import { Op, QueryTypes, UniqueConstraintError, type Sequelize } from 'sequelize';
import type { AnyPreset, ShakePreset } from 'dinesis-runtime';
import { KIT_FORMAT, KIT_VERSION } from 'dinesis-runtime/tools';
import { glimpseOf, outlineOf, type Glimpse, type OutlineLine } from '../../analysis';
import {
	arrivalsOf,
	documentOf,
	isPlain,
	partsBringing,
	wiringOf,
	woken,
	type Course,
	type Kit,
	type KindName,
	type ProjectFacts
} from '../../documents';
import { ProjectRow } from '../db/models';
import { freeSlug } from '../names';
import { changeWithin } from '../store/change';
import { listDocuments } from '../store/documents';

export interface Project {
	readonly id: string;
	readonly slug: string;
	readonly name: string;
	readonly retired: boolean;
	/** Of its last change. */
	readonly number: number;
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
	/** Of its last change. */
	readonly number: number;
	/** Its first shakes: a little drawing of each, and how each moves a little picture. */
	readonly drawings: readonly Drawing[];
}

export interface Drawing {
	readonly lines: readonly OutlineLine[];
	readonly glimpse: Glimpse;
}

const plain = (row: ProjectRow): Project => ({
	id: row.id,
	slug: row.slug,
	name: row.name,
	retired: row.retiredAt !== null,
	number: row.changeNumber
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
const drawn = new Map<string, Drawing>();
const MOST_DRAWN = 5000;

function drawingOf({ id, version, format, body }: DrawnRow): Drawing {
	const key = `${id} ${version}`;
	const known = drawn.get(key);
	if (known) return known;
	const preset = documentOf<ShakePreset>('shake', woken('shake', format, body));
	const made = { lines: outlineOf(preset), glimpse: glimpseOf(preset) };
	if (drawn.size >= MOST_DRAWN) drawn.clear();
	drawn.set(key, made);
	return made;
}

interface ShelfRow {
	id: string;
	slug: string;
	name: string;
	changed_at: Date;
	number: number;
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
	format: number;
	body: unknown;
}

/** All projects in use, or those that were retired; the last changed first. */
export async function listShelf(sequelize: Sequelize, retired = false): Promise<ShelfEntry[]> {
	const type = QueryTypes.SELECT;
	const rows = await sequelize.query<ShelfRow>(
		`SELECT p.id, p.slug, p.name, p.change_number AS number,
		        coalesce(d.shakes, 0)::int AS shakes, coalesce(d.others, 0)::int AS "bobsAndLags",
		        coalesce(d.cues, 0)::int AS cues, coalesce(d.events, 0)::int AS events,
		        coalesce(d.rigs, 0)::int AS rigs, coalesce(d.courses, 0)::int AS courses,
		        greatest(p.created_at, d.at) AS changed_at
		 FROM projects p
		 LEFT JOIN (SELECT project_id, max(saved_at) AS at,
		                   count(*) FILTER (WHERE kind = 'shake' AND retired_at IS NULL) AS shakes,
		                   count(*) FILTER (WHERE kind IN ('bob', 'lag') AND retired_at IS NULL) AS others,
		                   count(*) FILTER (WHERE kind = 'cue' AND retired_at IS NULL) AS cues,
		                   count(*) FILTER (WHERE kind = 'event' AND retired_at IS NULL) AS events,
		                   count(*) FILTER (WHERE kind = 'rig' AND retired_at IS NULL) AS rigs,
		                   count(*) FILTER (WHERE kind = 'course' AND retired_at IS NULL) AS courses
		            FROM documents GROUP BY project_id) d ON d.project_id = p.id
		 WHERE (p.retired_at IS NULL) <> $1
		 ORDER BY changed_at DESC, p.slug`,
		{ bind: [retired], type }
	);
	const firsts = await sequelize.query<DrawnRow>(
		`SELECT id, project_id, version, format, body FROM (
		   SELECT *, row_number() OVER (PARTITION BY project_id ORDER BY place COLLATE "C", key COLLATE "C") AS rank
		   FROM documents WHERE kind = 'shake' AND retired_at IS NULL AND project_id IN (
		     SELECT id FROM projects WHERE (retired_at IS NULL) <> $1)) firsts
		 WHERE rank <= $2 ORDER BY rank`,
		{ bind: [retired, DRAWN], type }
	);
	return rows.map(({ id, slug, name, changed_at, number, ...counts }) => ({
		slug,
		name,
		number,
		changedAt: changed_at.toISOString(),
		counts,
		drawings: firsts
			.filter((row) => row.project_id === id)
			.map((row) => drawingOf(row))
			.filter(({ lines }) => lines.length > 0)
	}));
}

/** Everything of a project that is in use, as a kit; null when there is no such project. */
export async function readWholeKit(sequelize: Sequelize, projectId: string): Promise<Kit | null> {
	const row = await ProjectRow.findByPk(projectId);
	if (!row) return null;
	const held = await listDocuments(sequelize, projectId);
	const of = <T>(...kinds: readonly KindName[]): T[] =>
		held.filter(({ kind }) => kinds.includes(kind)).map(({ kind, body }) => documentOf(kind, body) as T);
	const { events, parameters, cues, rigs, world } = wiringOf(held);
	const facts = of<ProjectFacts>('project')[0];
	return {
		format: KIT_FORMAT,
		version: KIT_VERSION,
		name: row.name,
		events,
		parameters,
		presets: of<AnyPreset>('shake', 'bob', 'lag'),
		cues,
		rigs,
		courses: of<Course>('course'),
		world,
		...(facts && facts.players.length > 0 && { players: facts.players }),
		...(facts && !isPlain(facts.settings) && { settings: facts.settings }),
		...facts?.carried
	};
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

/** A project is an empty one that a kit comes into, by the change that brings any kit into any project. */
async function insert(sequelize: Sequelize, kit: Kit, now: Date): Promise<Project> {
	return sequelize.transaction(async (transaction) => {
		const taken = (await ProjectRow.findAll({ attributes: ['slug'], transaction })).map((row) => row.slug);
		const project = await ProjectRow.create(
			{ slug: freeSlug(kit.name, taken), name: kit.name, changeNumber: 0, createdAt: now },
			{ transaction }
		);
		// Its facts are there from the beginning, also where the kit says nothing of them.
		const coming = arrivalsOf(kit).map((one) => ({ ...one, standing: 'new' as const, pointsAt: [] }));
		const parts = partsBringing(
			coming.map((arrival) => ({ arrival, choice: 'both' as const })),
			[],
			null
		);
		const request = { change: randomUUID(), note: 'as it came', window: '', who: '', seen: 0, parts };
		const made = await changeWithin(sequelize, project.id, request, now, transaction);
		if (made?.state !== 'made') throw new Error(`A sound kit was refused: ${JSON.stringify(made)}`);
		await project.reload({ transaction });
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
