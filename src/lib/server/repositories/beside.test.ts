import { Sequelize } from 'sequelize';
import { afterAll, beforeAll, beforeEach, describe, expect, it } from 'vitest';
import { newPreset } from 'dinesis-runtime/tools';
import { readKit, type Kit } from '../../documents';
import { connect, migrate } from '../db/connect';
import { BackupRow } from '../db/models';
import { findDocument, listDocuments } from '../store/documents';
import { makeChange } from '../store/change';
import { workersOf } from '../store/people';
import { settleIds } from '../store/settle';
import { listBackups, makeBackup, MOST_BACKUPS, readBackup } from './backups';
import { addProject, findProject, type Project } from './projects';
import { opensProject, renewShareKey, shareKeyOf } from './share-key';

const kit: Kit = {
	format: 'dinesis-kit',
	version: 1,
	name: 'Harbour',
	events: [],
	parameters: [],
	presets: [newPreset('thud', 'Thud')],
	cues: [],
	rigs: [],
	courses: [],
	world: { events: [], values: [] },
	settings: {
		frameRate: 30,
		length: 'cm',
		keys: [{ id: '1', kind: 'preset', of: 'thud' }],
		people: [],
		limits: {},
		silenced: []
	}
};
let sequelize: Sequelize;
let project: Project;
let count = 0;
const uuid = (): string => `00000000-0000-4000-8000-${String(++count).padStart(12, '0')}`;
/** Changes a field of the one preset. */
async function change(path: string[], to: unknown, who = ''): Promise<void> {
	const held = (await findDocument(project.id, 'preset', 'thud'))!;
	const parts = [{ document: held.uuid, on: held.version, fields: [{ path, to }] }];
	const seen = (await findProject(project.slug))!.number;
	const request = { change: uuid(), note: '', window: '', who, seen, parts };
	expect(await makeChange(sequelize, project.id, request)).toMatchObject({ state: 'made' });
}

beforeAll(async () => {
	const admin = new Sequelize(process.env.TEST_DATABASE_URL!, { logging: false });
	await admin.query('DROP DATABASE IF EXISTS beside');
	await admin.query('CREATE DATABASE beside');
	await admin.close();
	sequelize = connect(process.env.TEST_DATABASE_URL!.replace(/[^/]*$/, 'beside'));
	await migrate(sequelize);
});
afterAll(() => sequelize.close());
beforeEach(async () => {
	project = await addProject(sequelize, kit);
});

describe('backups', () => {
	it('hold the whole project as it was, whatever is done to it later; the newest first', async () => {
		await makeBackup(sequelize, project, { name: 'before the storm', who: 'Ada' }, new Date(1000));
		await change(['body', 'name'], 'Thud, softer');
		const now = (await findProject(project.slug))!;
		await makeBackup(sequelize, now, { name: '', who: '' }, new Date(2000));
		const [second, first] = await listBackups(project.id);
		expect([first, second]).toMatchObject([
			{ name: 'before the storm', who: 'Ada', number: project.number, savedAt: new Date(1000).toISOString() },
			{ name: '', number: project.number + 1 }
		]);
		const read = readKit((await readBackup(project.id, first!.id))!.kit);
		expect(read).toMatchObject({ ok: true, value: { presets: [{ name: 'Thud' }], settings: kit.settings } });
		expect(first!.bytes).toBe(Buffer.byteLength((await readBackup(project.id, first!.id))!.kit));
	});

	it('are the project’s own, and the oldest of very many makes room', async () => {
		const other = await addProject(sequelize, kit);
		const made = (await makeBackup(sequelize, project, { name: '', who: '' }, new Date(0)))!;
		expect(await readBackup(other.id, made.id)).toBeNull();
		expect(await listBackups(other.id)).toEqual([]);
		const rows = Array.from({ length: MOST_BACKUPS - 1 }, (_, i) => ({
			projectId: project.id,
			number: 1,
			name: `${i}`,
			who: '',
			bytes: 2,
			kit: '{}',
			savedAt: new Date(i + 1)
		}));
		await BackupRow.bulkCreate(rows);
		await makeBackup(sequelize, project, { name: 'last', who: '' }, new Date(1e6));
		const list = await listBackups(project.id);
		expect([list.length, list[0]!.name, list.at(-1)!.name]).toEqual([MOST_BACKUPS, 'last', '0']);
		expect(await readBackup(project.id, made.id)).toBeNull();
	});
});

describe('the key of a project', () => {
	it('is one, whoever asks first, and opens this project only', async () => {
		expect(await opensProject(project.id, '')).toBe(false);
		const [one, two] = await Promise.all([shareKeyOf(project.id), shareKeyOf(project.id)]);
		expect(one).toBe(two);
		expect(one).toMatch(/^[\w-]{27}$/);
		const other = await addProject(sequelize, kit);
		await shareKeyOf(other.id);
		expect([await opensProject(project.id, one), await opensProject(other.id, one)]).toEqual([true, false]);
	});

	it('makes way for a new one, and opens nothing any more', async () => {
		const before = await shareKeyOf(project.id);
		const after = await renewShareKey(project.id);
		expect(await opensProject(project.id, before)).toBe(false);
		expect(await opensProject(project.id, after)).toBe(true);
		expect(await shareKeyOf(project.id)).toBe(after);
	});
});

it('who worked on it is told by the names of the changes, the last who did first', async () => {
	await change(['body', 'name'], 'A', 'Ada');
	await change(['body', 'name'], 'B', 'Ben');
	await change(['body', 'name'], 'C', 'Ada');
	const list = await workersOf(sequelize, project.id);
	expect(list.map(({ who, changes }) => [who, changes])).toEqual([
		['Ada', 2],
		['Ben', 1],
		['', 1]
	]);
	expect((await workersOf(sequelize, project.id, 3)).map(({ who }) => who)).toEqual(['Ada']);
});

it('documents are read by their uuids whether they are in use or not', async () => {
	const { uuid: thud } = (await findDocument(project.id, 'preset', 'thud'))!;
	await change(['retired'], true);
	const ask = async (retired?: boolean | 'either') =>
		(await listDocuments(sequelize, project.id, { uuids: [thud, uuid()], retired })).map(({ id }) => id);
	expect([await ask(), await ask(true), await ask('either')]).toEqual([[], ['thud'], ['thud']]);
	await change(['retired'], false);
	expect(await ask('either')).toEqual(['thud']);
});

it('what was sent out does not follow its name any more: one change, and none where that is so already', async () => {
	await change(['settled'], false);
	const before = (await findProject(project.slug))!.number;
	await settleIds(sequelize, project.id, before);
	expect((await listDocuments(sequelize, project.id)).every(({ settled }) => settled)).toBe(true);
	await settleIds(sequelize, project.id, before + 1);
	expect((await findProject(project.slug))!.number).toBe(before + 1);
});
