import { randomUUID } from 'node:crypto';
import { generateNKeysBetween } from 'fractional-indexing';
import { DataTypes } from 'sequelize';
import type { Step } from '../step';

export const name = '0007-documents';

interface OldProject {
	id: string;
	events: unknown;
	parameters: unknown;
	cues: unknown;
	rigs: unknown;
	world: unknown;
	carried: Record<string, unknown>;
	created_at: Date;
}
interface OldWiring {
	document: Record<string, unknown>;
	note: string;
	saved_at: Date;
}
type Item = Record<string, unknown>;

const LISTS = [
	{ list: 'events', kind: 'event' },
	{ list: 'parameters', kind: 'value' },
	{ list: 'cues', kind: 'cue' },
	{ list: 'rigs', kind: 'rig' }
] as const;
/** What a project carried that has its own place by now. */
const MOVED = ['format', 'version', 'name', 'events', 'parameters', 'presets', 'cues', 'rigs', 'courses', 'world'];

/**
 * Every document gets a row in one table, whatever its kind, and every version a row in the table of changes. Bodies are moved as they were
 * (format 0) and brought up to date when they are read.
 */
export async function up(step: Step): Promise<void> {
	const needed = { allowNull: false };
	const project = {
		type: DataTypes.UUID,
		...needed,
		references: { model: 'projects', key: 'id' },
		onDelete: 'CASCADE'
	};
	await step.addColumn('projects', 'change_number', { type: DataTypes.INTEGER, ...needed, defaultValue: 0 });
	await step.createTable('documents', {
		id: { type: DataTypes.UUID, primaryKey: true },
		project_id: project,
		kind: { type: DataTypes.TEXT, ...needed },
		space: { type: DataTypes.TEXT, ...needed },
		key: { type: DataTypes.TEXT, ...needed },
		place: { type: DataTypes.TEXT, ...needed },
		format: { type: DataTypes.INTEGER, ...needed },
		version: { type: DataTypes.INTEGER, ...needed },
		body: { type: DataTypes.JSON, ...needed },
		retired_at: DataTypes.DATE,
		saved_at: { type: DataTypes.DATE, ...needed }
	});
	await step.addUnique('documents', { fields: ['project_id', 'space', 'key'], name: 'documents_key' });
	await step.createTable('changes', {
		project_id: { ...project, primaryKey: true },
		number: { type: DataTypes.INTEGER, primaryKey: true },
		document_id: {
			type: DataTypes.UUID,
			primaryKey: true,
			references: { model: 'documents', key: 'id' },
			onDelete: 'CASCADE'
		},
		version: { type: DataTypes.INTEGER, ...needed },
		format: { type: DataTypes.INTEGER, ...needed },
		fields: { type: DataTypes.JSON, ...needed },
		change: { type: DataTypes.UUID, ...needed },
		window: { type: DataTypes.TEXT, ...needed, defaultValue: '' },
		who: { type: DataTypes.TEXT, ...needed, defaultValue: '' },
		gesture: { type: DataTypes.TEXT, ...needed, defaultValue: '' },
		note: { type: DataTypes.TEXT, ...needed, defaultValue: '' },
		saved_at: { type: DataTypes.DATE, ...needed }
	});
	await step.addUnique('changes', { fields: ['document_id', 'version'], name: 'changes_version' });
	await step.run('CREATE INDEX IF NOT EXISTS changes_change ON changes (project_id, change)');
	await step.run(
		'CREATE INDEX IF NOT EXISTS documents_place ON documents (project_id, place COLLATE "C", key COLLATE "C")'
	);
	const [old] = await step.select<{ there: string | null }>("SELECT to_regclass('presets')::text AS there");
	if (old!.there) {
		// What an earlier start left half moved is moved anew.
		await step.run('DELETE FROM changes');
		await step.run('DELETE FROM documents');
		await moveTable(step, 'presets', 'preset_versions', 'preset_id', 'family', 'preset');
		await moveTable(step, 'courses', 'course_versions', 'course_id', "'course'", 'course');
		await moveWirings(step);
		await step.run(
			'UPDATE projects SET change_number = coalesce((SELECT max(number) FROM changes WHERE project_id = projects.id), 0)'
		);
		await step.run('DROP TABLE preset_versions, presets, course_versions, courses, wiring_versions');
	}
	for (const column of ['events', 'parameters', 'cues', 'rigs', 'world', 'wiring_version', 'carried'])
		await step.run(`ALTER TABLE projects DROP COLUMN IF EXISTS ${column}`);
}

/** A table of documents with its table of versions. */
async function moveTable(
	step: Step,
	table: string,
	versions: string,
	owner: string,
	kind: string,
	space: string
): Promise<void> {
	await step.run(
		`INSERT INTO documents (id, project_id, kind, space, key, place, format, version, body, retired_at, saved_at)
		 SELECT id, project_id, ${kind}, $1, key, '', 0, version, document, retired_at, saved_at FROM ${table}`,
		[space]
	);
	const rows = await step.select<{ id: string; project_id: string }>(
		`SELECT id, project_id FROM ${table} ORDER BY project_id, position, key`
	);
	const byProject = new Map<string, string[]>();
	for (const { id, project_id } of rows)
		(byProject.get(project_id) ?? byProject.set(project_id, []).get(project_id)!).push(id);
	for (const ids of byProject.values())
		await step.run(
			`UPDATE documents SET place = given.place
			 FROM unnest($1::uuid[], $2::text[]) AS given (id, place) WHERE documents.id = given.id`,
			[ids, generateNKeysBetween(null, null, ids.length)]
		);
	await step.run(
		`INSERT INTO changes (project_id, number, document_id, version, format, fields, change, note, saved_at)
		 SELECT d.project_id,
		        coalesce((SELECT max(number) FROM changes WHERE project_id = d.project_id), 0)
		          + row_number() OVER (PARTITION BY d.project_id ORDER BY v.saved_at, d.key, v.version),
		        d.id, v.version, 0,
		        json_build_array(json_build_object('path', json_build_array('body'), 'to', v.document)),
		        gen_random_uuid(), v.note, v.saved_at
		 FROM ${versions} v JOIN documents d ON d.id = v.${owner}`
	);
}

interface Moving {
	id: string;
	kind: string;
	key: string;
	version: number;
	body: unknown;
	retired: Date | null;
	savedAt: Date;
}

/** Events, game values, cues and rigs, which were one document, become one each, with what every version of the whole did to them. */
async function moveWirings(step: Step): Promise<void> {
	const projects = await step.select<OldProject>(
		'SELECT id, events, parameters, cues, rigs, world, carried, created_at FROM projects'
	);
	for (const project of projects) {
		const versions = await step.select<OldWiring>(
			'SELECT document, note, saved_at FROM wiring_versions WHERE project_id = $1 ORDER BY version',
			[project.id]
		);
		const { events, parameters, cues, rigs, world } = project;
		const present = { events, parameters, cues, rigs, world };
		const last = versions.at(-1);
		if (!last || LISTS.some(({ list }) => !same(last.document[list] ?? [], present[list] ?? [])))
			versions.push({ document: present, note: 'as it came', saved_at: last?.saved_at ?? project.created_at });
		const carried = Object.fromEntries(Object.entries(project.carried ?? {}).filter(([key]) => !MOVED.includes(key)));
		await moveWiring(step, project.id, versions, carried);
	}
}

const same = (a: unknown, b: unknown): boolean => JSON.stringify(a) === JSON.stringify(b);

async function moveWiring(
	step: Step,
	projectId: string,
	versions: readonly OldWiring[],
	carried: Record<string, unknown>
): Promise<void> {
	const [{ most }] = (await step.select<{ most: number }>(
		'SELECT coalesce(max(number), 0) AS most FROM changes WHERE project_id = $1',
		[projectId]
	)) as [{ most: number }];
	const moving = new Map<string, Moving>();
	const changes: object[] = [];
	versions.forEach(({ document, note, saved_at: savedAt }, i) => {
		const there = itemsOf(document, carried);
		const change = randomUUID();
		const tell = (doc: Moving, fields: object[]): void => {
			doc.savedAt = savedAt;
			changes.push({
				project_id: projectId,
				number: most + i + 1,
				document_id: doc.id,
				version: doc.version,
				format: 0,
				fields: JSON.stringify(fields),
				change,
				note,
				saved_at: savedAt
			});
		};
		for (const [name, { kind, key, body }] of there) {
			const known = moving.get(name);
			if (!known) {
				const made = { id: randomUUID(), kind, key, version: 1, body, retired: null, savedAt };
				moving.set(name, made);
				tell(made, [{ path: ['body'], to: body }]);
			} else if (known.retired || !same(known.body, body)) {
				const back = known.retired ? [{ path: ['retired'], to: false }] : [];
				Object.assign(known, { version: known.version + 1, body, retired: null });
				tell(known, [{ path: ['body'], to: body }, ...back]);
			}
		}
		for (const [name, known] of moving)
			if (!there.has(name) && !known.retired) {
				Object.assign(known, { version: known.version + 1, retired: savedAt });
				tell(known, [{ path: ['retired'], to: true }]);
			}
	});
	const final = [...itemsOf(versions.at(-1)!.document, carried).keys()];
	const names = [...final, ...[...moving.keys()].filter((name) => !final.includes(name))];
	const places = generateNKeysBetween(null, null, names.length);
	await step.insert(
		'documents',
		names.map((name, i) => {
			const { id, kind, key, version, body, retired, savedAt } = moving.get(name)!;
			return {
				id,
				project_id: projectId,
				kind,
				space: kind,
				key,
				place: places[i],
				format: 0,
				version,
				body: JSON.stringify(body),
				retired_at: retired,
				saved_at: savedAt
			};
		})
	);
	await step.insert('changes', changes);
}

/** Everything of a wiring by kind and id, in its order. */
function itemsOf(
	document: Record<string, unknown>,
	carried: Record<string, unknown>
): Map<string, { kind: string; key: string; body: unknown }> {
	const items = new Map<string, { kind: string; key: string; body: unknown }>();
	for (const { list, kind } of LISTS) {
		const given = Array.isArray(document[list]) ? (document[list] as Item[]) : [];
		for (const item of given) {
			// Nothing checked what a kit carried along before there was a room for it.
			const wanted = typeof item?.id === 'string' && /^[a-z0-9-]{1,64}$/.test(item.id) ? item.id : kind;
			let key = wanted;
			for (let n = 2; items.has(`${kind} ${key}`); n++) key = `${wanted.slice(0, 58)}-${n}`;
			items.set(`${kind} ${key}`, { kind, key, body: item?.id === key ? item : { ...item, id: key } });
		}
	}
	const world = document.world ?? { events: [], values: [] };
	items.set('project project', { kind: 'project', key: 'project', body: { id: 'project', world, carried } });
	return items;
}
