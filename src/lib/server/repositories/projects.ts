import { QueryTypes, type Sequelize } from 'sequelize';
import { freeId, type Kit } from '../../core';
import { CourseRow, CourseVersionRow, PresetRow, PresetVersionRow, ProjectRow, WiringVersionRow } from '../db/models';

export interface Project {
	readonly id: string;
	readonly slug: string;
	readonly name: string;
}

const plain = (row: ProjectRow): Project => ({ id: row.id, slug: row.slug, name: row.name });

export async function listProjects(): Promise<Project[]> {
	return (await ProjectRow.findAll({ order: [['createdAt', 'ASC']] })).map(plain);
}

export async function findProject(slug: string): Promise<Project | null> {
	const row = await ProjectRow.findOne({ where: { slug } });
	return row && plain(row);
}

/** Makes a project out of a kit, with everything the kit carries, in one transaction. */
export async function addProject(sequelize: Sequelize, kit: Kit, now = new Date()): Promise<Project> {
	const taken = (await ProjectRow.findAll({ attributes: ['slug'] })).map((row) => row.slug);
	const { format, version, name, events, parameters, presets, cues, world, rigs, courses, ...carried } = kit;
	void format;
	void version;
	return sequelize.transaction(async (transaction) => {
		const project = await ProjectRow.create(
			{
				slug: freeId(name, taken),
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
		const rows = await PresetRow.bulkCreate(
			presets.map((document, position) => ({
				projectId: project.id,
				key: document.id,
				family: document.family,
				name: document.name,
				version: 1,
				document,
				position,
				savedAt: now
			})),
			{ transaction, returning: true }
		);
		await PresetVersionRow.bulkCreate(
			rows.map((row) => ({ ownerId: row.id, version: 1, document: row.document, note: 'as it came', savedAt: now })),
			{ transaction }
		);
		const ways = await CourseRow.bulkCreate(
			courses.map((document, position) => ({
				projectId: project.id,
				key: document.id,
				name: document.name,
				version: 1,
				document,
				position,
				savedAt: now
			})),
			{ transaction, returning: true }
		);
		await CourseVersionRow.bulkCreate(
			ways.map((row) => ({ ownerId: row.id, version: 1, document: row.document, note: 'as it came', savedAt: now })),
			{ transaction }
		);
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
