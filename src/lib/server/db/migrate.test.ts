import { afterEach, describe, expect, it } from 'vitest';
import { QueryTypes, Sequelize } from 'sequelize';
import { openKit } from '../../documents';
import { readWholeKit } from '../repositories/projects';
import { presetStore } from '../testing/whole';
import { findWiring, findWiringVersion, listWiringVersions } from '../testing/wiring';
import { connect, migrate } from './connect';
import { MIGRATIONS } from './migrations';
import { Step } from './step';

const open: Sequelize[] = [];
afterEach(async () => {
	for (const each of open.splice(0)) await each.close();
});

async function emptyDatabase(name = 'migrations_under_test', template = ''): Promise<Sequelize> {
	const admin = new Sequelize(process.env.TEST_DATABASE_URL!, { logging: false });
	await admin.query(`DROP DATABASE IF EXISTS ${name}`);
	await admin.query(`CREATE DATABASE ${name}${template && ` TEMPLATE ${template}`}`);
	await admin.close();
	const made = new Sequelize(process.env.TEST_DATABASE_URL!.replace(/[^/]*$/, name), { logging: false });
	open.push(made);
	return made;
}

const prepared = new Set<number>();

/** A database that stands before migration `i`, with a project that carries what later ones move; made once and copied from then on. */
async function before(i: number): Promise<Sequelize> {
	const template = `migrations_before_${i}`;
	if (!prepared.has(i)) await prepare(i, await emptyDatabase(template));
	prepared.add(i);
	return emptyDatabase(undefined, template);
}

async function prepare(i: number, made: Sequelize): Promise<void> {
	await migrate(made, MIGRATIONS.slice(0, i));
	const carried = JSON.stringify({
		cues: [{ id: 'c' }],
		rigs: [{ id: 'r' }],
		presets: [{ id: 'stair', family: 'bob', name: 'Stair' }],
		courses: [
			{ id: 'walk', name: 'Walk' },
			{ id: 'row', name: 'Row' }
		]
	});
	if (i > 0)
		await made.query(
			`INSERT INTO projects (id, slug, name, events, parameters, carried, created_at)
			 VALUES ('00000000-0000-4000-8000-000000000001', 'old', 'Old', '[]', '[]', $1, now())`,
			{ bind: [carried] }
		);
	await made.close();
	open.splice(open.indexOf(made), 1);
}

/** Makes the connection fail at its nth statement from now on, as a process that is ended there would. */
function failAt(sequelize: Sequelize, n: number): () => void {
	const real = sequelize.query;
	let left = n;
	sequelize.query = function (this: Sequelize, ...args: unknown[]) {
		if (left-- <= 0) throw new Error('cut off');
		return Reflect.apply(real, this, args);
	} as typeof real;
	return () => void (sequelize.query = real);
}

/** What must be there in the end, however it was reached. */
async function content(sequelize: Sequelize): Promise<unknown> {
	const read = (sql: string): Promise<object[]> => sequelize.query(sql, { type: QueryTypes.SELECT });
	return {
		marks: (await read('SELECT name FROM migrations ORDER BY name')).length,
		projects: await read('SELECT slug, change_number, retired_at FROM projects'),
		documents: await read(
			'SELECT kind, space, key, place, format, version, body, retired_at FROM documents ORDER BY kind, place, key'
		),
		changes: await read(
			`SELECT d.kind, d.key, c.number, c.version, c.format, c.fields, c.note
			 FROM changes c JOIN documents d ON d.id = c.document_id ORDER BY c.number, d.kind, d.key`
		)
	};
}

/** The migrations that change something of a project which is there already. */
const MOVING = [1, 2, 3, 4, 5, 6];

describe('a migration and its mark are one', () => {
	it.each(MOVING)(
		'cut off at any statement of number %i, nothing of it is there and the next start goes on',
		async (i) => {
			const whole = await before(i);
			await migrate(whole);
			const wanted = await content(whole);
			await whole.close();
			open.pop();
			for (let n = 0; ; n++) {
				const cut = await before(i);
				const mend = failAt(cut, n);
				const ended = await migrate(cut, MIGRATIONS.slice(0, i + 1)).then(
					() => true,
					() => false
				);
				mend();
				const marks = await cut.query('SELECT name FROM migrations', { type: QueryTypes.SELECT });
				if (!ended) expect(marks).toHaveLength(i);
				await migrate(cut);
				expect(await content(cut)).toEqual(wanted);
				await cut.close();
				open.pop();
				if (ended) return expect(n).toBeGreaterThan(2);
			}
		}
	);

	it.each(MOVING)('a folder that an earlier build left half migrated in number %i is healed', async (i) => {
		const whole = await before(i);
		await migrate(whole);
		const wanted = await content(whole);
		await whole.close();
		open.pop();
		for (let n = 0; ; n++) {
			// As it was before: every statement for itself, and no mark.
			const bricked = await before(i);
			const mend = failAt(bricked, n);
			const ended = await MIGRATIONS[i]!.up(new Step(bricked.getQueryInterface())).then(
				() => true,
				() => false
			);
			mend();
			await migrate(bricked);
			expect(await content(bricked)).toEqual(wanted);
			await bricked.close();
			open.pop();
			if (ended) return;
		}
	});

	it('two that start at once take each step once', async () => {
		const one = await emptyDatabase();
		const two = new Sequelize(process.env.TEST_DATABASE_URL!.replace(/[^/]*$/, 'migrations_under_test'), {
			logging: false
		});
		open.push(two);
		await Promise.all([migrate(one), migrate(two)]);
		const marks = await one.query('SELECT name FROM migrations', { type: QueryTypes.SELECT });
		expect(marks).toHaveLength(MIGRATIONS.length);
	});
});

describe('what was kept in tables of its own comes over into the one table of documents', () => {
	/** A database as the build before made it, with a project whose parts have been changed, taken out and put back. */
	async function lived(): Promise<Sequelize> {
		const made = await emptyDatabase();
		await migrate(made, MIGRATIONS.slice(0, 6));
		const run = (sql: string, bind: unknown[] = []): Promise<unknown> => made.query(sql, { bind });
		const event = (id: string, name = id) => ({ id, name });
		const wiring = (events: object[], cues: object[] = []) =>
			JSON.stringify({ events, parameters: [], cues, world: { events: [], values: [] }, rigs: [] });
		await run(
			`INSERT INTO projects (id, slug, name, events, parameters, cues, world, rigs, wiring_version, carried, created_at)
			 VALUES ($1, 'yard', 'Yard', $2, '[]', $3, '{"events":[],"values":[]}', '[]', 3, $4, '2026-01-01T08:00:00Z')`,
			[
				PROJECT,
				JSON.stringify([event('hit', 'Hit, hard'), event('fall')]),
				JSON.stringify([{ id: 'c', event: 'hit', actions: [] }]),
				JSON.stringify({ 'yard-note': 7, events: ['told already'] })
			]
		);
		const versions = [
			[1, wiring([event('hit'), event('old')]), 'as it came'],
			[2, wiring([event('fall'), event('hit')], [{ id: 'c', event: 'hit', actions: [] }]), ''],
			[3, wiring([event('hit', 'Hit, hard'), event('fall')], [{ id: 'c', event: 'hit', actions: [] }]), 'renamed']
		] as const;
		for (const [version, document, note] of versions)
			await run(
				`INSERT INTO wiring_versions (project_id, version, document, note, saved_at)
				 VALUES ($1, $2, $3, $4, '2026-01-0${version}T09:00:00Z')`,
				[PROJECT, version, document, note]
			);
		const preset = async (n: number, family: string, key: string, bodies: object[], retired: string | null) => {
			const id = `00000000-0000-4000-8000-0000000001${String(n).padStart(2, '0')}`;
			await run(
				`INSERT INTO presets (id, project_id, key, family, name, version, document, position, retired_at, saved_at)
				 VALUES ($1, $2, $3, $4, $3, $5, $6, $7, $8, '2026-01-02T08:00:00Z')`,
				[id, PROJECT, key, family, bodies.length, JSON.stringify(bodies.at(-1)), 10 - n, retired]
			);
			for (const [i, body] of bodies.entries())
				await run(
					`INSERT INTO preset_versions (preset_id, version, document, note, saved_at)
					 VALUES ($1, $2, $3, $4, '2026-01-02T0${i}:00:00Z')`,
					[id, i + 1, JSON.stringify(body), i === 0 ? 'made new' : '']
				);
		};
		const timing = { mode: 'burst', duration: 1 };
		const thud = (amount: number) => ({ id: 'thud', family: 'shake', name: 'Thud', zeal: 'kept', amount, timing });
		await preset(1, 'shake', 'thud', [thud(1), thud(2), thud(3)], null);
		await preset(2, 'bob', 'stair', [{ id: 'stair', family: 'bob', name: 'Stair' }], null);
		await preset(3, 'shake', 'gone', [{ id: 'gone', family: 'shake', name: 'Gone', timing }], '2026-01-03T08:00:00Z');
		await migrate(made);
		await made.close();
		open.pop();
		const url = process.env.TEST_DATABASE_URL!.replace(/[^/]*$/, 'migrations_under_test');
		const again = connect(url);
		open.push(again);
		return again;
	}
	const PROJECT = '00000000-0000-4000-8000-000000000001';

	it('presets with their order, their versions, and those that were retired', async () => {
		const made = await lived();
		const list = await presetStore.list(made, PROJECT);
		expect(list.map((p) => [p.key, p.version, p.document.family])).toEqual([
			['stair', 1, 'bob'],
			['thud', 3, 'shake']
		]);
		expect(list[1]!.document).toMatchObject({ amount: 3, zeal: 'kept', layers: [] });
		expect((await presetStore.list(made, PROJECT, { retired: true })).map((p) => p.key)).toEqual(['gone']);
		expect((await presetStore.listVersions(PROJECT, 'thud'))!.map((v) => [v.version, v.note])).toEqual([
			[3, ''],
			[2, ''],
			[1, 'made new']
		]);
		expect(await presetStore.findVersion(PROJECT, 'thud', 2)).toMatchObject({ amount: 2, zeal: 'kept' });
		expect(await presetStore.findVersion(PROJECT, 'thud', 4)).toBeNull();
	});

	it('a change after it goes on from there, and earlier versions stay what they were', async () => {
		const made = await lived();
		const { document } = (await presetStore.find(PROJECT, 'thud'))!;
		expect(await presetStore.save(made, PROJECT, 'thud', 3, { ...document, name: 'Thump' } as never)).toMatchObject({
			state: 'saved',
			version: 4
		});
		const at = async (version: number) => {
			const { name, amount } = (await presetStore.findVersion(PROJECT, 'thud', version)) as never;
			return [name, amount];
		};
		expect([await at(1), await at(3), await at(4)]).toEqual([
			['Thud', 1],
			['Thud', 3],
			['Thump', 3]
		]);
	});

	it('events and cues, each with what every version of the whole did to it', async () => {
		const made = await lived();
		const { document, version } = await findWiring(made, PROJECT);
		expect(document.events.map((e) => e.name)).toEqual(['Hit, hard', 'fall']);
		expect(document.cues.map((c) => [c.id, c.on])).toEqual([['c', true]]);
		expect(version).toBe(3);
		expect((await listWiringVersions(made, PROJECT)).map((v) => [v.version, v.note])).toEqual([
			[3, 'renamed'],
			[2, ''],
			[1, 'as it came']
		]);
		const first = await findWiringVersion(made, PROJECT, 1);
		expect(first!.events.map((e) => e.name).sort()).toEqual(['hit', 'old']);
		expect(first!.cues).toEqual([]);
		const second = await findWiringVersion(made, PROJECT, 2);
		expect(second!.events.map((e) => e.name).sort()).toEqual(['fall', 'hit']);
	});

	it('what the kit carried for no room, once', async () => {
		const made = await lived();
		const kit = await readWholeKit(made, PROJECT);
		expect(kit).toMatchObject({ name: 'Yard', 'yard-note': 7 });
		expect(kit!.events).toHaveLength(2);
		expect(openKit(structuredClone(kit)).ok).toBe(true);
	});
});
