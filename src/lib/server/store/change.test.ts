import { randomUUID } from 'node:crypto';
import { afterAll, beforeAll, beforeEach, describe, expect, it } from 'vitest';
import { Sequelize } from 'sequelize';
import type { Cue, ShakePreset } from 'dinesis-runtime';
import { newCue, newLayer, newPreset, NO_LINKS } from 'dinesis-runtime/tools';
import {
	documentOf,
	firstKeys,
	treeOf,
	valueAt,
	wholeKit,
	type ChangePart,
	type FieldChange,
	type Path
} from '../../documents';
import { connect, migrate } from '../db/connect';
import { addProject } from '../repositories/projects';
import { changesSince, makeChange, type ChangeResult } from './change';
import { documentByUuid, findDocument } from './documents';
import { bodyAt } from './past';
import { listVersions, presetStore } from '../testing/whole';

let sequelize: Sequelize;
let project: string;
let thud: string;
const preset: ShakePreset = { ...newPreset('thud', 'Thud'), layers: [newLayer('a'), newLayer('b')] };

beforeAll(async () => {
	const admin = new Sequelize(process.env.TEST_DATABASE_URL!, { logging: false });
	await admin.query('DROP DATABASE IF EXISTS changes_under_test');
	await admin.query('CREATE DATABASE changes_under_test');
	await admin.close();
	sequelize = connect(process.env.TEST_DATABASE_URL!.replace(/[^/]*$/, 'changes_under_test'));
	await migrate(sequelize);
});
afterAll(() => sequelize.close());
beforeEach(async () => {
	const wiring = {
		events: [],
		parameters: [],
		cues: [{ ...newCue('c', 'hit', 'thud') }],
		rigs: [],
		world: NO_LINKS
	};
	const kit = wholeKit('Yard', [preset, newPreset('spare', 'Spare')], wiring, []);
	project = (await addProject(sequelize, kit)).id;
	thud = (await findDocument(project, 'preset', 'thud'))!.uuid;
});

interface Sent {
	change?: string;
	window?: string;
	seen?: number;
}
const send = (parts: readonly ChangePart[], { change = randomUUID(), window = randomUUID(), seen = 1 }: Sent = {}) =>
	makeChange(sequelize, project, { change, note: '', window, who: 'Ada', seen, parts }) as Promise<ChangeResult>;
const set = (path: Path, to?: unknown): FieldChange => ({ path: ['body', ...path], ...(to !== undefined && { to }) });
const onThud = (on: number, ...fields: FieldChange[]): ChangePart[] => [{ document: thud, on, fields }];
const shown = async (uuid = thud): Promise<ShakePreset> =>
	documentOf('shake', (await documentByUuid(project, uuid))!.body);
const versionOf = async (uuid = thud): Promise<number> => (await documentByUuid(project, uuid))!.version;
const reasons = (result: ChangeResult): string[] =>
	result.state === 'refused' ? result.refusals.map((r) => `${r.path.join('/')} ${r.reason}`) : ['made'];
const fresh = (id: string, order = 'zz'): ChangePart => {
	const to = { kind: 'shake', id, order, retired: false, body: treeOf('shake', newPreset(id, id)) };
	return { document: randomUUID(), fields: [{ path: [], to }] };
};

describe('a change', () => {
	it('is applied, numbered, and told of', async () => {
		expect(await send(onThud(1, set(['amount'], 3)), { window: 'w' })).toMatchObject({ state: 'made', number: 2 });
		expect((await shown()).amount).toBe(3);
		expect(await changesSince(project, 1)).toMatchObject([
			{
				number: 2,
				window: 'w',
				who: 'Ada',
				parts: [{ document: thud, version: 2, fields: [{ path: ['body', 'amount'], to: 3 }] }]
			}
		]);
	});

	it('of an older version holds, when nobody changed its fields since', async () => {
		await send(onThud(1, set(['amount'], 3)), { window: 'one' });
		expect(await send(onThud(1, set(['rate'], 2)), { window: 'two' })).toMatchObject({ state: 'made', number: 3 });
		expect(await shown()).toMatchObject({ amount: 3, rate: 2 });
	});

	it('of a field that somebody changed since is refused, with who and when, and changes nothing', async () => {
		await send(onThud(1, set(['amount'], 3)));
		const refused = await send(onThud(1, set(['rate'], 2), set(['amount'], 4)));
		expect(reasons(refused)).toEqual(['body/amount changed']);
		expect(refused).toMatchObject({ refusals: [{ who: 'Ada', document: thud, savedAt: expect.any(String) }] });
		expect(await shown()).toMatchObject({ amount: 3, rate: 1 });
		expect(await versionOf()).toBe(2);
	});

	it('of a window that had not heard of its own last one collides with nothing', async () => {
		await send(onThud(1, set(['amount'], 3)), { window: 'one' });
		expect((await send(onThud(1, set(['amount'], 4)), { window: 'one' })).state).toBe('made');
		await send(onThud(3, set(['amount'], 5)), { window: 'two' });
		expect(reasons(await send(onThud(3, set(['amount'], 6)), { window: 'one' }))).toEqual(['body/amount changed']);
	});

	it('that says what is there already collides with nothing', async () => {
		await send(onThud(1, set(['amount'], 3)));
		expect(await send(onThud(1, set(['amount'], 3)))).toMatchObject({ state: 'made', number: 2 });
		expect(await versionOf()).toBe(2);
	});

	it('of a layer collides with its being taken out, and the other way round', async () => {
		const before = await documentByUuid(project, thud);
		await send(onThud(1, set(['layers', 'a', 'is', 'amount'], 0.5)));
		expect(reasons(await send(onThud(1, set(['layers', 'a']))))).toEqual(['body/layers/a changed']);
		await send(onThud(2, set(['layers', 'b'])));
		expect(reasons(await send(onThud(2, set(['layers', 'b', 'is', 'amount'], 2))))).toEqual([
			'body/layers/b/is/amount changed'
		]);
		expect((await shown()).layers.map((l) => [l.id, l.amount])).toEqual([['a', 0.5]]);
		expect(valueAt(before!.body, ['layers', 'b'])).toBeDefined();
	});

	it('within what has been gone for long is refused as gone', async () => {
		await send(onThud(1, set(['layers', 'b'])));
		expect(reasons(await send(onThud(2, set(['layers', 'b', 'is', 'amount'], 2))))).toEqual([
			'body/layers/b/is/amount gone'
		]);
		expect(reasons(await send([{ document: randomUUID(), on: 1, fields: [set(['amount'], 2)] }]))).toEqual([' gone']);
	});

	it('that would leave a document unsound is refused with what would be right', async () => {
		const refused = await send(onThud(1, set(['amount'], 'much'), set(['rate'], 2)));
		expect(reasons(refused)).toEqual(['body/amount unsound', 'body/rate unsound']);
		expect(refused).toMatchObject({ refusals: [{ message: expect.stringContaining('amount is "much"') }, {}] });
		expect(reasons(await send(onThud(1, set(['id'], 'other'))))).toEqual(['body/id unsound']);
		expect(reasons(await send([{ document: thud, on: 1, fields: [{ path: ['kind'], to: 'bob' }] }]))).toEqual([
			'kind unsound'
		]);
		expect(await shown()).toEqual(preset);
	});

	it('of two that each hold alone, but not together, refuses the second', async () => {
		const floor = 'layers' as const;
		const many = Array.from({ length: 31 }, (_, i) => `x${i}`);
		const keys = firstKeys(31);
		const put = many.map((id, i) => set([floor, id], { order: keys[i], is: newLayer(id) }));
		expect(await send(onThud(1, ...put.slice(0, 30)))).toMatchObject({ state: 'made' });
		expect(reasons(await send(onThud(1, put[30]!)))).toEqual(['body/layers/x30 unsound']);
	});

	it('of several documents is made whole or not at all', async () => {
		const spare = (await findDocument(project, 'preset', 'spare'))!.uuid;
		const parts = [...onThud(1, set(['amount'], 2)), { document: spare, on: 1, fields: [set(['amount'], 'much')] }];
		expect((await send(parts)).state).toBe('refused');
		expect((await shown()).amount).toBe(1);
		const both = [...onThud(1, set(['amount'], 2)), { document: spare, on: 1, fields: [set(['amount'], 5)] }];
		expect(await send(both)).toMatchObject({ state: 'made', number: 2 });
		expect((await changesSince(project, 1))[0]!.parts).toHaveLength(2);
	});

	it('that is sent twice, because its answer was lost, is made once', async () => {
		const change = randomUUID();
		const first = await send(onThud(1, set(['amount'], 3)), { change });
		await send(onThud(2, set(['amount'], 4)));
		expect(await send(onThud(1, set(['amount'], 3)), { change })).toEqual(first);
		expect((await shown()).amount).toBe(4);
	});
});

describe('documents are made, taken out of use and put back by changes too', () => {
	it('one whose id is taken gets the next free one', async () => {
		const part = fresh('thud');
		expect(await send([part])).toMatchObject({ state: 'made' });
		expect(await documentByUuid(project, part.document)).toMatchObject({ id: 'thud-2', body: { id: 'thud-2' } });
		expect((await changesSince(project, 1))[0]!.parts[0]!.fields[0]).toMatchObject({ to: { id: 'thud-2' } });
		expect(reasons(await send([{ ...part }]))).toEqual([' changed']);
	});

	it('one that is changed in the same breath is made as it stands then', async () => {
		const part = fresh('both');
		await send([{ ...part, fields: [...part.fields, set(['amount'], 7)] }]);
		expect(await shown(part.document)).toMatchObject({ id: 'both', amount: 7 });
	});

	it('one that is not sound is not made', async () => {
		const part = fresh('x');
		(part.fields[0]!.to as { body: unknown }).body = { id: 'x', name: '' };
		expect((await send([part])).state).toBe('refused');
		expect(await findDocument(project, 'preset', 'x')).toBeNull();
	});

	it('ten at once each get a number and an id of their own', async () => {
		const made = await Promise.all(Array.from({ length: 10 }, () => send([fresh('same')])));
		expect(new Set(made.map((result) => (result as { number: number }).number)).size).toBe(10);
		const list = await presetStore.list(sequelize, project);
		expect(list.filter((p) => p.key.startsWith('same'))).toHaveLength(10);
	});

	it('what is retired keeps its fields, and comes back with its place', async () => {
		const retire = (on: number, to: boolean) => send([{ document: thud, on, fields: [{ path: ['retired'], to }] }]);
		await retire(1, true);
		expect((await presetStore.list(sequelize, project)).map((p) => p.key)).toEqual(['spare']);
		await retire(2, false);
		expect((await presetStore.list(sequelize, project)).map((p) => p.key)).toEqual(['thud', 'spare']);
	});
});

describe('a reference that two people break together', () => {
	const pointing = async (preset: string): Promise<ChangePart> => {
		const cue = (await findDocument(project, 'cue', 'c'))!;
		const [action] = documentOf<Cue>('cue', cue.body).actions;
		const path = ['actions', action!.id, 'is', 'pick', '1', 'is', 'preset'];
		return { document: cue.uuid, on: cue.version, fields: [set(path, preset)] };
	};
	const retiring = async (id: string): Promise<ChangePart> => {
		const { uuid, version } = (await findDocument(project, 'preset', id))!;
		return { document: uuid, on: version, fields: [{ path: ['retired'], to: true }] };
	};

	it('is refused to who points at what was taken out meanwhile', async () => {
		await send([await retiring('spare')]);
		const refused = await send([await pointing('spare')], { seen: 1 });
		expect(reasons(refused)).toEqual(['body/actions/1/is/pick/1/is/preset gone']);
		expect(refused).toMatchObject({ refusals: [{ message: expect.stringContaining('“spare” was taken out') }] });
	});

	it('and to who takes out what was pointed at meanwhile', async () => {
		await send([await pointing('spare')]);
		expect(reasons(await send([await retiring('spare')], { seen: 1 }))).toEqual(['retired gone']);
	});

	it('who knew may do both: the findings say what is missing', async () => {
		await send([await retiring('spare')]);
		expect((await send([await pointing('spare')], { seen: 2 })).state).toBe('made');
		expect((await send([await retiring('thud')], { seen: 3 })).state).toBe('made');
	});
});

describe('versions', () => {
	it('are told from the changes: any of them can be read', async () => {
		await send(onThud(1, set(['amount'], 2)));
		await send(onThud(2, set(['layers', 'b'])));
		await send(onThud(3, set([], treeOf('shake', { ...preset, name: 'Other' }))));
		await send(onThud(4, set(['amount'], 7)));
		const at = async (version: number) =>
			documentOf<ShakePreset>('shake', await bodyAt({ uuid: thud, kind: 'shake' }, version));
		expect(await at(1)).toEqual(preset);
		expect(await at(2)).toEqual({ ...preset, amount: 2 });
		expect((await at(3)).layers.map((l) => l.id)).toEqual(['a']);
		expect(await at(4)).toEqual({ ...preset, name: 'Other' });
		expect(await at(5)).toEqual({ ...preset, name: 'Other', amount: 7 });
		expect(await bodyAt({ uuid: thud, kind: 'shake' }, 6)).toBeNull();
	});

	it('of one drag are one in the list; what stands by itself, or has a reason, is one of its own', async () => {
		const make = (on: number, amount: number, gesture = '', note = '') =>
			makeChange(sequelize, project, {
				change: randomUUID(),
				note,
				window: 'w',
				who: 'Ada',
				gesture,
				seen: 99,
				parts: onThud(on, set(['amount'], amount))
			});
		await make(1, 2, 'drag');
		await make(2, 3, 'drag');
		await make(3, 4, 'drag');
		await make(4, 5, 'another');
		await make(5, 6, '', 'restored version 1');
		await make(6, 7);
		await make(7, 8);
		expect((await listVersions(thud)).map((v) => v.version)).toEqual([8, 7, 6, 5, 4, 1]);
	});
});

describe('another id', () => {
	const cue = async () => (await findDocument(project, 'cue', 'c'))!;
	const rename = (id: string, on = 1): ChangePart => ({
		document: thud,
		on,
		fields: [{ path: ['id'], to: id }, set(['id'], id), { path: ['settled'], to: true }]
	});

	it('is found by, alone, with its versions, and what points at it may go with it', async () => {
		const { uuid, body } = await cue();
		const [action] = documentOf<Cue>('cue', body).actions;
		const made = await send([
			rename('boom'),
			{ document: uuid, on: 1, fields: [set(['actions', action!.id, 'is', 'pick'], [{ preset: 'boom', weight: 1 }])] }
		]);
		expect(made.state).toBe('made');
		expect(await findDocument(project, 'preset', 'thud')).toBeNull();
		expect(await findDocument(project, 'preset', 'boom')).toMatchObject({ uuid: thud, version: 2, settled: true });
		expect((await shown()).id).toBe('boom');
		expect(valueAt((await bodyAt({ uuid: thud, kind: 'shake' }, 1))!, ['id'])).toBe('thud');
		expect((await listVersions(thud)).length).toBe(2);
	});

	it.each([
		['of another', false, /is the id of another shake\.$/],
		['of one out of use', true, /out of use\.$/]
	])('that is the id %s is refused, and all that was to go with it', async (_, away, why) => {
		const spare = (await findDocument(project, 'preset', 'spare'))!;
		if (away) await send([{ document: spare.uuid, on: 1, fields: [{ path: ['retired'], to: true }] }]);
		const { uuid } = await cue();
		const made = await send([rename('spare'), { document: uuid, on: 1, fields: [set(['on'], false)] }], { seen: 2 });
		if (made.state !== 'refused') throw new Error('It was made.');
		expect(made.refusals.find(({ path }) => path[0] === 'id')!.message).toMatch(why);
		expect(made.refusals.map(({ document }) => document)).toContain(uuid);
		expect((await cue()).version).toBe(1);
		expect((await shown()).id).toBe('thud');
	});

	it('takes along what points at it and the page did not have: what is in use, and what is out of use', async () => {
		const { uuid } = await cue();
		await send([{ document: uuid, on: 1, fields: [{ path: ['retired'], to: true }] }]);
		const made = await send([rename('boom')], { seen: 9 });
		expect(made.state).toBe('made');
		const after = await cue();
		expect(after).toMatchObject({ retired: true, version: 3 });
		const [action] = documentOf<Cue>('cue', after.body).actions;
		expect(action).toMatchObject({ pick: [{ preset: 'boom' }] });
		// It is one change: who hears of the one hears of the other.
		const [last] = (await changesSince(project, 0)).slice(-1);
		expect(last!.parts.map(({ document }) => document).sort()).toEqual([thud, uuid].sort());
	});

	it('within the body alone, or outside it alone, is none', async () => {
		for (const field of [set(['id'], 'boom'), { path: ['id'], to: 'boom' }])
			expect((await send(onThud(1, field))).state).toBe('refused');
		expect((await shown()).id).toBe('thud');
	});

	it('may be given to a new one once nobody has it', async () => {
		await send([rename('boom')]);
		const to = { kind: 'shake', id: 'thud', order: '', retired: false, body: treeOf('shake', preset) };
		const made = await send([{ document: randomUUID(), fields: [{ path: [], to }] }]);
		expect(made.state).toBe('made');
		expect((await findDocument(project, 'preset', 'thud'))!.uuid).not.toBe(thud);
	});
});
