import { afterAll, beforeAll, beforeEach, describe, expect, it } from 'vitest';
import type { Sequelize } from 'sequelize';
import { newCue, newPreset, type Kit } from '../../core';
import { connect, migrate } from '../db/connect';
import { MIGRATIONS } from '../db/migrations';
import {
	addPreset,
	findPreset,
	findVersion,
	listPresets,
	listVersions,
	retirePresets,
	savePreset,
	addPresets,
	countPresets
} from './presets';
import { findWiring, saveWiring } from './wiring';
import { addProject, findProject, listProjects, readFact, writeFact } from './projects';

const kit = (name: string, presets: Kit['presets'] = []): Kit => ({
	format: 'dinesis-kit',
	version: 1,
	name,
	events: [],
	parameters: [],
	presets,
	cues: [newCue('c', 'e', 'thud')],
	rigs: [],
	courses: []
});
const thud = newPreset('thud', 'Thud');

let sequelize: Sequelize;
let projectId: string;

beforeAll(async () => {
	const admin = connect(process.env.TEST_DATABASE_URL!);
	await admin.query('DROP DATABASE IF EXISTS repositories');
	await admin.query('CREATE DATABASE repositories');
	await admin.close();
	sequelize = connect(process.env.TEST_DATABASE_URL!.replace(/[^/]*$/, 'repositories'));
	await migrate(sequelize);
});
afterAll(() => sequelize.close());
beforeEach(async () => {
	projectId = (await addProject(sequelize, kit('Harbour', [thud, { id: 'b', family: 'bob', name: 'B' }]))).id;
});

describe('migrations', () => {
	it('run once, and again do nothing', async () => {
		expect(await migrate(sequelize)).toEqual([]);
	});

	it('make the tables from an empty database', async () => {
		const tables = await sequelize.getQueryInterface().showAllTables();
		expect(tables).toEqual(expect.arrayContaining(['projects', 'presets', 'preset_versions', 'facts']));
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

	it('facts are kept and overwritten', async () => {
		expect(await readFact(sequelize, 'demo')).toBeNull();
		await writeFact(sequelize, 'demo', 'a');
		await writeFact(sequelize, 'demo', 'b');
		expect(await readFact(sequelize, 'demo')).toBe('b');
	});
});

describe('presets', () => {
	it('come back as they were, fields in their order', async () => {
		const [stored] = await listPresets(projectId);
		expect(JSON.stringify(stored!.document)).toBe(JSON.stringify(thud));
		expect(stored!.version).toBe(1);
	});

	it('a save is a new version; every earlier one is kept', async () => {
		const saved = await savePreset(sequelize, projectId, 'thud', 1, { ...thud, amount: 2, name: '<img onerror=x>' });
		expect(saved).toMatchObject({ state: 'saved', version: 2 });
		expect((await findPreset(projectId, 'thud'))!.document).toMatchObject({ amount: 2, name: '<img onerror=x>' });
		expect((await findVersion(projectId, 'thud', 1))!.amount).toBe(1);
		expect((await listVersions(projectId, 'thud'))!.map((v) => v.version)).toEqual([2, 1]);
		expect(await findVersion(projectId, 'thud', 9)).toBeNull();
		expect(await listVersions(projectId, 'nobody')).toBeNull();
	});

	it('a stale save changes nothing and brings the newest back', async () => {
		await savePreset(sequelize, projectId, 'thud', 1, { ...thud, amount: 2 });
		const stale = await savePreset(sequelize, projectId, 'thud', 1, { ...thud, amount: 3 });
		expect(stale).toMatchObject({ state: 'stale', theirs: { version: 2, document: { amount: 2 } } });
		expect((await findPreset(projectId, 'thud'))!.document.amount).toBe(2);
		expect(await savePreset(sequelize, projectId, 'nobody', 1, thud)).toEqual({ state: 'unknown' });
	});

	it('of ten saves at once one wins', async () => {
		const all = await Promise.all(
			Array.from({ length: 10 }, (_, i) => savePreset(sequelize, projectId, 'thud', 1, { ...thud, amount: i }))
		);
		expect(all.filter((r) => r.state === 'saved')).toHaveLength(1);
		expect((await listVersions(projectId, 'thud'))!).toHaveLength(2);
	});

	it('the id within the kit cannot be changed by a save', async () => {
		await savePreset(sequelize, projectId, 'thud', 1, { ...thud, id: 'other' });
		expect((await findPreset(projectId, 'thud'))!.document.id).toBe('thud');
	});

	it('added ones get a free id and stand at the end, also when many come at once', async () => {
		const made = await Promise.all(Array.from({ length: 4 }, () => addPreset(sequelize, projectId, thud)));
		expect(new Set(made.map((p) => p.key)).size).toBe(4);
		expect(made.every((p) => p.document.id === p.key && p.key !== 'thud')).toBe(true);
		expect((await listPresets(projectId))[0]!.key).toBe('thud');
	});

	it('retire and come back with all their versions', async () => {
		expect(await retirePresets(projectId, ['thud'], true)).toBe(1);
		expect(await retirePresets(projectId, ['thud'], true)).toBe(0);
		expect(await listPresets(projectId)).toEqual([]);
		expect(await retirePresets(projectId, ['thud'], false)).toBe(1);
		expect(await listPresets(projectId)).toHaveLength(1);
	});

	it('many at once, all with ids of their own, in order and read back in parts', async () => {
		const made = await addPresets(
			sequelize,
			projectId,
			[thud, { ...thud, name: 'Other' }, newPreset('x', 'X')],
			'from a kit'
		);
		expect(made.map((p) => p.key)).toEqual(['thud-2', 'thud-3', 'x']);
		expect(await countPresets(projectId)).toBe(4);
		const [first, ...rest] = await listPresets(projectId, { limit: 2 });
		expect([first!.key, rest[0]!.key]).toEqual(['thud', 'thud-2']);
		const behind = await listPresets(projectId, { after: rest[0]!.position });
		expect(behind.map((p) => p.key)).toEqual(['thud-3', 'x']);
		expect((await listVersions(projectId, 'x'))![0]!.note).toBe('from a kit');
		expect(await retirePresets(projectId, ['x', 'thud-3', 'gone'], true)).toBe(2);
		expect((await listPresets(projectId, { retired: true })).map((p) => p.key)).toEqual(['thud-3', 'x']);
	});
});

describe('the wiring', () => {
	it('comes with its kit, is saved as ever new versions, and a stale save is refused with the newest', async () => {
		const first = (await findWiring(projectId))!;
		expect([first.version, first.document.cues.map((c) => c.id)]).toEqual([1, ['c']]);
		const changed = { ...first.document, cues: [newCue('d', 'e', 'thud'), ...first.document.cues] };
		const saved = await saveWiring(sequelize, projectId, 1, changed, 'one more');
		expect(saved).toMatchObject({ state: 'saved', version: 2 });
		const stale = await saveWiring(sequelize, projectId, 1, first.document);
		expect(stale).toMatchObject({ state: 'stale', theirs: { version: 2, document: changed } });
		expect((await findWiring(projectId))!.document).toEqual(changed);
	});

	it('of a database from before there were cues: what was carried along takes its place', async () => {
		const admin = connect(process.env.TEST_DATABASE_URL!);
		await admin.query('DROP DATABASE IF EXISTS before_cues');
		await admin.query('CREATE DATABASE before_cues');
		await admin.close();
		const old = connect(process.env.TEST_DATABASE_URL!.replace(/[^/]*$/, 'before_cues'));
		try {
			await MIGRATIONS[0]!.up(old.getQueryInterface());
			const carried = JSON.stringify({ cues: [newCue('c', 'e', 'thud')], rigs: [] });
			await old.query(
				`INSERT INTO projects (id, slug, name, events, parameters, carried, created_at)
				 VALUES ('00000000-0000-4000-8000-000000000001', 'old', 'Old', '[]', '[]', $1, now()),
				        ('00000000-0000-4000-8000-000000000002', 'bare', 'Bare', '[]', '[]', '{}', now())`,
				{ bind: [carried] }
			);
			await MIGRATIONS[1]!.up(old.getQueryInterface());
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
