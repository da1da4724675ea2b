import { randomUUID } from 'node:crypto';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { Sequelize } from 'sequelize';
import type { ShakePreset } from 'dinesis-runtime';
import { newCue, newPreset, NO_LINKS } from 'dinesis-runtime/tools';
import { creation, documentOf, wholeKit, type ChangePart, type KindName } from '../../documents';
import { connect, migrate } from '../db/connect';
import { addProject } from '../repositories/projects';
import { makeChange } from './change';
import { findDocument } from './documents';
import { historyOf, markAt, thenAt } from './history';

let sequelize: Sequelize;
let project: string;
let thud: string;
const minute = (n: number): Date => new Date(Date.UTC(2026, 0, 5, 14, 0) + n * 60_000);

beforeAll(async () => {
	const admin = new Sequelize(process.env.TEST_DATABASE_URL!, { logging: false });
	await admin.query('DROP DATABASE IF EXISTS history_under_test');
	await admin.query('CREATE DATABASE history_under_test');
	await admin.close();
	sequelize = connect(process.env.TEST_DATABASE_URL!.replace(/[^/]*$/, 'history_under_test'));
	await migrate(sequelize);
	const wiring = {
		events: [{ id: 'hit', name: 'Hit', kind: 'moment', placed: true, tags: [], values: [] } as const],
		parameters: [],
		cues: [newCue('c', 'hit', 'thud')],
		rigs: [],
		world: NO_LINKS
	};
	const kit = wholeKit('Yard', [newPreset('thud', 'Thud'), newPreset('hum', 'Hum')], wiring, []);
	project = (await addProject(sequelize, kit, minute(0))).id;
	thud = (await findDocument(project, 'preset', 'thud'))!.uuid;
	const change = async (n: number, part: ChangePart, who: string, more: { gesture?: string; note?: string } = {}) => {
		const asked = { change: randomUUID(), note: '', window: who, seen: 1000, ...more, who, parts: [part] };
		expect(await makeChange(sequelize, project, asked, minute(n))).toMatchObject({ state: 'made' });
	};
	const set = (name: string, to: unknown, on: number): ChangePart => ({
		document: thud,
		on,
		fields: [{ path: ['body', name], to }]
	});
	// Numbers 2 to 6: a drag of two, another field, a rest, another person, taken out of use.
	await change(20, set('amount', 2, 1), 'Ada', { gesture: 'g' });
	await change(20.1, set('amount', 3, 2), 'Ada', { gesture: 'g' });
	await change(22, set('rate', 2, 3), 'Ada');
	await change(40, set('about', 'Heavy', 4), 'Bo');
	await change(41, { document: thud, on: 5, fields: [{ path: ['retired'], to: true }] }, 'Bo');
	// 7 and 8: another one is made, and tuned.
	const bell = randomUUID();
	await change(60, { document: bell, fields: [creation('shake', newPreset('bell', 'Bell'), '')] }, 'Ada');
	await change(61, { document: bell, on: 1, fields: [{ path: ['body', 'amount'], to: 4 }] }, 'Ada');
});
afterAll(() => sequelize.close());

const said = async (asked: Parameters<typeof historyOf>[2]) =>
	(await historyOf(sequelize, project, asked)).stretches.map(({ first, last, changes, who, documents }) => ({
		numbers: [first, last, changes],
		who,
		documents: documents.map(({ id, became, lines }) => [
			id,
			became,
			lines.map((line) => `${line.label} ${line.was}→${line.is}`)
		])
	}));

describe('the history of a document', () => {
	it('is told as stretches, with what came of each', async () => {
		expect(await said({ uuids: [thud] })).toEqual([
			{ numbers: [5, 6, 2], who: ['Bo'], documents: [['thud', 'retired', ['description →Heavy']]] },
			{ numbers: [2, 4, 2], who: ['Ada'], documents: [['thud', null, ['amount 1→3', 'rate 1→2']]] },
			{ numbers: [1, 1, 1], who: [], documents: [['thud', 'made', []]] }
		]);
	});

	it('can be had change by change, within a stretch; a drag is one', async () => {
		expect(await said({ uuids: [thud], after: 1, before: 5, single: true })).toEqual([
			{ numbers: [4, 4, 1], who: ['Ada'], documents: [['thud', null, ['rate 1→2']]] },
			{ numbers: [2, 3, 1], who: ['Ada'], documents: [['thud', null, ['amount 1→3']]] }
		]);
	});

	it('of the whole project tells of every kind, and of those of some kinds only of them', async () => {
		const all = await historyOf(sequelize, project, {});
		expect(all.before).toBeNull();
		expect(all.stretches.map(({ documents }) => documents.map(({ id }) => id).sort())).toEqual([
			['bell'],
			['thud'],
			['thud'],
			['c', 'hit', 'hum', 'project', 'thud']
		]);
		expect(all.stretches[0]!.documents[0]).toMatchObject({
			became: 'made',
			lines: [{ label: 'amount', was: '1', is: '4' }]
		});
		const kinds: KindName[] = ['cue', 'event'];
		expect((await said({ kinds })).map(({ documents }) => documents.map(([id]) => id))).toEqual([['hit', 'c']]);
	});

	it('goes on before a number', async () => {
		expect((await said({ uuids: [thud], before: 5 })).map(({ numbers }) => numbers)).toEqual([
			[2, 4, 2],
			[1, 1, 1]
		]);
	});
});

describe('a change of many documents', () => {
	it('tells of some of them; one that was left out there is told of rightly later', async () => {
		const many = Array.from({ length: 30 }, (_, i) => newPreset(`p-${i}`, `P ${i}`));
		const wiring = { events: [], parameters: [], cues: [], rigs: [], world: NO_LINKS };
		const own = (await addProject(sequelize, wholeKit('Many', many, wiring, []), minute(0))).id;
		const last = (await findDocument(own, 'preset', 'p-29'))!;
		const fields = [{ path: ['body', 'amount'], to: 3 }];
		const asked = {
			change: randomUUID(),
			note: '',
			window: 'w',
			who: 'Ada',
			seen: 1,
			parts: [{ document: last.uuid, on: 1, fields }]
		};
		await makeChange(sequelize, own, asked, minute(1));
		const { stretches } = await historyOf(sequelize, own, {});
		expect(stretches.map(({ documents, more }) => [documents.length, more])).toEqual([
			[1, 0],
			[12, 19]
		]);
		expect(stretches[0]!.documents[0]).toMatchObject({
			id: 'p-29',
			became: null,
			lines: [{ label: 'amount', was: '1', is: '3' }]
		});
	});
});

describe('documents as they were', () => {
	it('are those that were changed since, with what they were', async () => {
		const [then, other] = await thenAt(sequelize, project, 3, { uuids: [thud] });
		expect(other).toBeUndefined();
		expect(then!.now).toMatchObject({ uuid: thud, retired: true, version: 6 });
		expect(then!.was).toMatchObject({ id: 'thud', retired: false });
		const shown = documentOf<ShakePreset>('shake', then!.was!.body);
		expect([shown.amount, shown.rate, shown.about]).toEqual([3, 1, '']);
	});

	it('were not there before they were made; what nobody has changed is not told', async () => {
		const list = await thenAt(sequelize, project, 6, {});
		expect(list.map(({ now, was }) => [now.id, was])).toEqual([['bell', null]]);
	});
});

describe('a moment with a name', () => {
	it('ends its stretch, and is as all others without it', async () => {
		expect(await markAt(project, 3, { name: 'Feels right', starred: true, who: 'Ada' })).toBe(true);
		const named = (await historyOf(sequelize, project, { uuids: [thud] })).stretches.find(({ last }) => last === 3);
		expect(named).toMatchObject({ first: 2, name: 'Feels right', starred: true });
		expect(await markAt(project, 3, { name: '', starred: false, who: 'Ada' })).toBe(true);
		expect((await said({ uuids: [thud] }))[1]!.numbers).toEqual([2, 4, 2]);
		expect(await markAt(project, 99, { name: 'Nowhere', starred: false, who: '' })).toBe(false);
	});
});
