import { afterEach, describe, expect, it } from 'vitest';
import { QueryTypes, Sequelize } from 'sequelize';
import { migrate } from './connect';
import { MIGRATIONS } from './migrations';
import { Step } from './step';

const open: Sequelize[] = [];
afterEach(async () => {
	for (const each of open.splice(0)) await each.close();
});

async function emptyDatabase(): Promise<Sequelize> {
	const name = 'migrations_under_test';
	const admin = new Sequelize(process.env.TEST_DATABASE_URL!, { logging: false });
	await admin.query(`DROP DATABASE IF EXISTS ${name}`);
	await admin.query(`CREATE DATABASE ${name}`);
	await admin.close();
	const made = new Sequelize(process.env.TEST_DATABASE_URL!.replace(/[^/]*$/, name), { logging: false });
	open.push(made);
	return made;
}

/** A database that stands before migration `i`, with a project that carries what later ones move. */
async function before(i: number): Promise<Sequelize> {
	const made = await emptyDatabase();
	await migrate(made, MIGRATIONS.slice(0, i));
	if (i === 0) return made;
	const carried = JSON.stringify({
		cues: [{ id: 'c' }],
		rigs: [{ id: 'r' }],
		presets: [{ id: 'stair', family: 'bob', name: 'Stair' }],
		courses: [
			{ id: 'walk', name: 'Walk' },
			{ id: 'row', name: 'Row' }
		]
	});
	await made.query(
		`INSERT INTO projects (id, slug, name, events, parameters, carried, created_at)
		 VALUES ('00000000-0000-4000-8000-000000000001', 'old', 'Old', '[]', '[]', $1, now())`,
		{ bind: [carried] }
	);
	return made;
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
		projects: await read('SELECT slug, cues, rigs, world, wiring_version, retired_at FROM projects'),
		presets: await read(
			'SELECT p.key, p.family, p.position, v.version, v.note FROM presets p JOIN preset_versions v ON v.preset_id = p.id'
		),
		courses: await read(
			'SELECT c.key, c.position, v.version, v.note FROM courses c JOIN course_versions v ON v.course_id = c.id ORDER BY c.position'
		)
	};
}

/** The migrations that change something of a project which is there already. */
const MOVING = [1, 2, 3, 4, 5];

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
