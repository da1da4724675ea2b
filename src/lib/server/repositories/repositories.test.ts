import { afterAll, beforeAll, beforeEach, describe, expect, it } from 'vitest';
import { Sequelize } from 'sequelize';
import { newBob, newCue, newPreset } from 'dinesis-runtime/tools';
import { newCourse, openAnyPreset, openCourse, type Kit } from '../../documents';
import { connect, migrate } from '../db/connect';
import { MIGRATIONS } from '../db/migrations';
import { Step } from '../db/step';
import { courseStore, presetStore } from '../testing/whole';
import { findWiring, findWiringVersion, listWiringVersions, saveWiring } from '../testing/wiring';
import {
	addProject,
	findProject,
	listProjects,
	listShelf,
	readFact,
	readWholeKit,
	renameProject,
	retireProject,
	writeFact
} from './projects';

const kit = (name: string, presets: Kit['presets'] = []): Kit => ({
	format: 'dinesis-kit',
	version: 1,
	name,
	events: [],
	parameters: [],
	presets,
	cues: [newCue('c', 'e', 'thud')],
	rigs: [],
	courses: [],
	world: { events: [], values: [] }
});
const thud = newPreset('thud', 'Thud');

let sequelize: Sequelize;
let projectId: string;

/** A connection that the models are not tied to. */
async function emptyDatabase(name: string): Promise<Sequelize> {
	const admin = new Sequelize(process.env.TEST_DATABASE_URL!, { logging: false });
	await admin.query(`DROP DATABASE IF EXISTS ${name}`);
	await admin.query(`CREATE DATABASE ${name}`);
	await admin.close();
	return new Sequelize(process.env.TEST_DATABASE_URL!.replace(/[^/]*$/, name), { logging: false });
}

beforeAll(async () => {
	await (await emptyDatabase('repositories')).close();
	sequelize = connect(process.env.TEST_DATABASE_URL!.replace(/[^/]*$/, 'repositories'));
	await migrate(sequelize);
});
afterAll(() => sequelize.close());
beforeEach(async () => {
	projectId = (await addProject(sequelize, kit('Harbour', [thud]))).id;
});

describe('migrations', () => {
	it('run once, and again do nothing', async () => {
		expect(await migrate(sequelize)).toEqual([]);
	});

	it('make the tables from an empty database', async () => {
		const tables = await sequelize.getQueryInterface().showAllTables();
		expect(tables).toEqual(expect.arrayContaining(['projects', 'documents', 'changes', 'facts']));
	});
});

describe('projects', () => {
	it('get addresses of their own', async () => {
		const again = await addProject(sequelize, kit('Harbour'));
		expect(again.slug).toMatch(/^harbour-\d+$/);
		expect((await findProject(again.slug))!.id).toBe(again.id);
		expect(await findProject("x' OR 1=1 --")).toBeNull();
		expect((await listProjects()).length).toBeGreaterThan(1);
	});

	it('stand on the shelf with their counts, the last changed first', async () => {
		const walk = newCourse('walk', 'Walk');
		const made = await addProject(
			sequelize,
			{ ...kit('Counted', [thud, newPreset('other', 'Other'), newBob('b', 'B')]), courses: [walk] },
			new Date('2026-01-01T10:00:00Z')
		);
		const mine = async () => (await listShelf(sequelize)).find((entry) => entry.slug === made.slug);
		expect(await mine()).toMatchObject({
			name: 'Counted',
			changedAt: '2026-01-01T10:00:00.000Z',
			counts: { shakes: 2, bobsAndLags: 1, cues: 1, events: 0, rigs: 0, courses: 1 }
		});
		expect((await mine())!.drawings).toHaveLength(2);
		await presetStore.retire(sequelize, made.id, ['other'], true);
		await courseStore.save(sequelize, made.id, 'walk', 1, walk, '', new Date('2090-01-01T10:00:00Z'));
		expect(await mine()).toMatchObject({ changedAt: '2090-01-01T10:00:00.000Z', counts: { shakes: 1 } });
		expect((await listShelf(sequelize))[0]!.slug).toBe(made.slug);
	});

	it('are sent out and made again, document for document', async () => {
		const source = {
			...kit('Whole', [thud, newBob('b', 'B')]),
			courses: [newCourse('walk', 'Walk')],
			events: [{ id: 'e', name: 'E', kind: 'moment' as const, placed: true, tags: [], values: [] }],
			'studio-note': { kept: true }
		};
		const made = await addProject(sequelize, source);
		const out = (await readWholeKit(sequelize, made.id))!;
		expect(out).toEqual(source);
		const again = await addProject(sequelize, { ...out, name: 'Under another name' });
		expect(await readWholeKit(sequelize, again.id)).toEqual({ ...source, name: 'Under another name' });
	});

	it('are renamed at the same address, retired, and brought back', async () => {
		const made = await addProject(sequelize, kit('Маяк'));
		expect(made.slug).toMatch(/^маяк/);
		await renameProject(made.id, 'Lighthouse');
		expect(await findProject(made.slug)).toMatchObject({ name: 'Lighthouse', retired: false });
		expect(await retireProject(made.id, true)).toBe(true);
		expect(await retireProject(made.id, true)).toBe(false);
		expect((await listShelf(sequelize)).some((entry) => entry.slug === made.slug)).toBe(false);
		expect((await listShelf(sequelize, true)).some((entry) => entry.slug === made.slug)).toBe(true);
		expect((await listProjects()).some((project) => project.slug === made.slug)).toBe(false);
		expect(await retireProject(made.id, false)).toBe(true);
		expect((await listProjects()).some((project) => project.slug === made.slug)).toBe(true);
	});

	it('made at once under one name get addresses of their own', async () => {
		const made = await Promise.all(Array.from({ length: 4 }, () => addProject(sequelize, kit('Quay'))));
		expect(new Set(made.map((project) => project.slug)).size).toBe(4);
	});

	it('facts are kept and overwritten', async () => {
		expect(await readFact(sequelize, 'demo')).toBeNull();
		await writeFact(sequelize, 'demo', 'a');
		await writeFact(sequelize, 'demo', 'b');
		expect(await readFact(sequelize, 'demo')).toBe('b');
	});
});

describe('presets', () => {
	it('come back as they were, fields in their order', async () => {
		const [stored] = await presetStore.list(sequelize, projectId);
		expect(JSON.stringify(stored!.document)).toBe(JSON.stringify(thud));
		expect(stored!.version).toBe(1);
	});

	it('a save is a new version; every earlier one is kept', async () => {
		const saved = await presetStore.save(sequelize, projectId, 'thud', 1, {
			...thud,
			amount: 2,
			name: '<img onerror=x>'
		});
		expect(saved).toMatchObject({ state: 'saved', version: 2 });
		expect((await presetStore.find(projectId, 'thud'))!.document).toMatchObject({ amount: 2, name: '<img onerror=x>' });
		expect(await presetStore.findVersion(projectId, 'thud', 1)).toMatchObject({ amount: 1 });
		expect((await presetStore.listVersions(projectId, 'thud'))!.map((v) => v.version)).toEqual([2, 1]);
		expect(await presetStore.findVersion(projectId, 'thud', 9)).toBeNull();
		expect(await presetStore.listVersions(projectId, 'nobody')).toBeNull();
	});

	it('a stale save changes nothing and brings the newest back', async () => {
		await presetStore.save(sequelize, projectId, 'thud', 1, { ...thud, amount: 2 });
		const stale = await presetStore.save(sequelize, projectId, 'thud', 1, { ...thud, amount: 3 });
		expect(stale).toMatchObject({ state: 'stale', theirs: { version: 2, document: { amount: 2 } } });
		expect((await presetStore.find(projectId, 'thud'))!.document).toMatchObject({ amount: 2 });
		expect(await presetStore.save(sequelize, projectId, 'nobody', 1, thud)).toEqual({ state: 'unknown' });
	});

	it('of ten saves at once one wins', async () => {
		const all = await Promise.all(
			Array.from({ length: 10 }, (_, i) => presetStore.save(sequelize, projectId, 'thud', 1, { ...thud, amount: i }))
		);
		expect(all.filter((r) => r.state === 'saved')).toHaveLength(1);
		expect((await presetStore.listVersions(projectId, 'thud'))!).toHaveLength(2);
	});

	it('the id within the kit cannot be changed by a save', async () => {
		await presetStore.save(sequelize, projectId, 'thud', 1, { ...thud, id: 'other' });
		expect((await presetStore.find(projectId, 'thud'))!.document.id).toBe('thud');
	});

	it('added ones get a free id and stand at the end, also when many come at once', async () => {
		const made = await Promise.all(Array.from({ length: 4 }, () => presetStore.add(sequelize, projectId, thud)));
		expect(new Set(made.map((p) => p.key)).size).toBe(4);
		expect(made.every((p) => p.document.id === p.key && p.key !== 'thud')).toBe(true);
		expect((await presetStore.list(sequelize, projectId))[0]!.key).toBe('thud');
	});

	it('retire and come back with all their versions', async () => {
		expect(await presetStore.retire(sequelize, projectId, ['thud'], true)).toBe(1);
		expect(await presetStore.retire(sequelize, projectId, ['thud'], true)).toBe(0);
		expect(await presetStore.list(sequelize, projectId)).toEqual([]);
		expect(await presetStore.retire(sequelize, projectId, ['thud'], false)).toBe(1);
		expect(await presetStore.list(sequelize, projectId)).toHaveLength(1);
	});

	it('many at once, all with ids of their own, in order and read back in parts', async () => {
		const made = await presetStore.addMany(
			sequelize,
			projectId,
			[thud, { ...thud, name: 'Other' }, newPreset('x', 'X')],
			'from a kit'
		);
		expect(made.map((p) => p.key)).toEqual(['thud-2', 'thud-3', 'x']);
		expect(await presetStore.count(projectId)).toBe(4);
		const [first, ...rest] = await presetStore.list(sequelize, projectId, { limit: 2 });
		expect([first!.key, rest[0]!.key]).toEqual(['thud', 'thud-2']);
		const behind = await presetStore.list(sequelize, projectId, {
			after: { order: rest[0]!.position, id: rest[0]!.key }
		});
		expect(behind.map((p) => p.key)).toEqual(['thud-3', 'x']);
		expect((await presetStore.listVersions(projectId, 'x'))![0]!.note).toBe('from a kit');
		expect(await presetStore.retire(sequelize, projectId, ['x', 'thud-3', 'gone'], true)).toBe(2);
		expect((await presetStore.list(sequelize, projectId, { retired: true })).map((p) => p.key)).toEqual([
			'thud-3',
			'x'
		]);
	});
});

describe('the wiring', () => {
	it('comes with its kit, is saved as ever new versions, and a stale save is refused with the newest', async () => {
		const first = (await findWiring(sequelize, projectId))!;
		expect([first.version, first.document.cues.map((c) => c.id)]).toEqual([1, ['c']]);
		const changed = { ...first.document, cues: [newCue('d', 'e', 'thud'), ...first.document.cues] };
		const saved = await saveWiring(sequelize, projectId, 1, changed, 'one more');
		expect(saved).toMatchObject({ state: 'saved', version: 2 });
		const stale = await saveWiring(sequelize, projectId, 1, first.document);
		expect(stale).toMatchObject({ state: 'stale', theirs: { version: 2, document: changed } });
		expect((await findWiring(sequelize, projectId))!.document).toEqual(changed);
		expect((await listWiringVersions(sequelize, projectId)).map((v) => [v.version, v.note])).toEqual([
			[2, 'one more'],
			[1, expect.any(String)]
		]);
		expect((await findWiringVersion(sequelize, projectId, 1))!.cues.map((c) => c.id)).toEqual(['c']);
		expect(await findWiringVersion(sequelize, projectId, 9)).toBeNull();
	});

	it('of a database from before there were cues: what was carried along takes its place', async () => {
		const old = await emptyDatabase('before_cues');
		try {
			await MIGRATIONS[0]!.up(new Step(old.getQueryInterface()));
			const carried = JSON.stringify({ cues: [newCue('c', 'e', 'thud')], rigs: [] });
			await old.query(
				`INSERT INTO projects (id, slug, name, events, parameters, carried, created_at)
				 VALUES ('00000000-0000-4000-8000-000000000001', 'old', 'Old', '[]', '[]', $1, now()),
				        ('00000000-0000-4000-8000-000000000002', 'bare', 'Bare', '[]', '[]', '{}', now())`,
				{ bind: [carried] }
			);
			await MIGRATIONS[1]!.up(new Step(old.getQueryInterface()));
			const [rows] = await old.query('SELECT slug, cues, wiring_version FROM projects ORDER BY slug DESC');
			expect(rows).toEqual([
				{ slug: 'old', cues: [newCue('c', 'e', 'thud')], wiring_version: 1 },
				{ slug: 'bare', cues: [], wiring_version: 1 }
			]);
		} finally {
			await old.close();
		}
	});
});

describe('presets of other families', () => {
	it('stand beside the shakes', async () => {
		const own = await addProject(sequelize, kit('Stairs', [thud, newBob('b', 'B')]));
		const list = await presetStore.list(sequelize, own.id);
		expect(list.map((p) => [p.key, p.document.family])).toEqual([
			['thud', 'shake'],
			['b', 'bob']
		]);
	});

	it('of a database from when they were carried along take their place behind the shakes', async () => {
		const old = await emptyDatabase('before_families');
		try {
			for (const { up } of MIGRATIONS.slice(0, 3)) await up(new Step(old.getQueryInterface()));
			const id = '00000000-0000-4000-8000-000000000001';
			const carried = JSON.stringify({ presets: [{ id: 'stair', family: 'bob', name: 'Stair' }] });
			await old.query(
				`INSERT INTO projects (id, slug, name, events, parameters, carried, created_at)
				 VALUES ($1, 'old', 'Old', '[]', '[]', $2, now())`,
				{ bind: [id, carried] }
			);
			await MIGRATIONS[3]!.up(new Step(old.getQueryInterface()));
			await MIGRATIONS[3]!.up(new Step(old.getQueryInterface()));
			const [rows] = await old.query('SELECT key, family, position, document FROM presets');
			expect(rows).toHaveLength(1);
			expect(rows[0]).toMatchObject({ key: 'stair', family: 'bob', position: 0 });
			expect(openAnyPreset((rows[0] as { document: unknown }).document)).toMatchObject({ ok: true });
		} finally {
			await old.close();
		}
	});
});

describe('courses', () => {
	const walk = { ...newCourse('walk', 'Walk'), seconds: 12 };

	it('come with a kit, are saved as new versions and retired, never lost', async () => {
		const own = await addProject(sequelize, { ...kit('With a course'), courses: [walk] });
		expect(await courseStore.list(sequelize, own.id)).toMatchObject([{ key: 'walk', version: 1, document: walk }]);
		const longer = { ...walk, seconds: 30 };
		expect(await courseStore.save(sequelize, own.id, 'walk', 1, longer)).toMatchObject({ version: 2 });
		expect(await courseStore.save(sequelize, own.id, 'walk', 1, walk)).toMatchObject({
			state: 'stale',
			theirs: { version: 2, document: longer }
		});
		expect(await courseStore.findVersion(own.id, 'walk', 1)).toEqual(walk);
		expect((await courseStore.add(sequelize, own.id, walk)).key).toBe('walk-2');
		expect(await courseStore.retire(sequelize, own.id, ['walk'], true)).toBe(1);
		expect((await courseStore.list(sequelize, own.id)).map((c) => c.key)).toEqual(['walk-2']);
		expect((await courseStore.list(sequelize, own.id, { retired: true })).map((c) => c.key)).toEqual(['walk']);
	});

	it('of a database from before they had a table are moved there and opened as of today', async () => {
		const old = await emptyDatabase('before_courses');
		try {
			for (const { up } of MIGRATIONS.slice(0, 2)) await up(new Step(old.getQueryInterface()));
			const id = '00000000-0000-4000-8000-000000000001';
			const carried = JSON.stringify({ courses: [{ id: 'walk', name: 'Walk', seconds: 12, path: [] }] });
			await old.query(
				`INSERT INTO projects (id, slug, name, events, parameters, carried, created_at)
				 VALUES ($1, 'old', 'Old', '[]', '[]', $2, now())`,
				{ bind: [id, carried] }
			);
			await MIGRATIONS[2]!.up(new Step(old.getQueryInterface()));
			const [rows] = await old.query('SELECT key, name, version, document FROM courses');
			const [row] = rows as { key: string; name: string; version: number; document: unknown }[];
			expect(row).toMatchObject({ key: 'walk', name: 'Walk', version: 1 });
			expect(openCourse(row!.document)).toMatchObject({ ok: true, value: { steps: false, second: null, trace: null } });
			const [versions] = await old.query('SELECT version, note FROM course_versions');
			expect(versions).toEqual([{ version: 1, note: 'as it came' }]);
			const [[project]] = (await old.query('SELECT world FROM projects')) as unknown as [[{ world: unknown }]];
			expect(project.world).toEqual({ events: [], values: [] });
		} finally {
			await old.close();
		}
	});
});
