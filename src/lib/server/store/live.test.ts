import { randomUUID } from 'node:crypto';
import { afterAll, beforeAll, describe, expect, it, vi } from 'vitest';
import { Sequelize } from 'sequelize';
import { newPreset, NO_LINKS } from 'dinesis-runtime/tools';
import { wholeKit } from '../../documents';
import { connect, migrate } from '../db/connect';
import { addProject } from '../repositories/projects';
import { makeChange } from './change';
import { findDocument } from './documents';
import { Live, type Told } from './live';

let sequelize: Sequelize;
let url: string;
let project: string;
const listening: (() => void)[] = [];

beforeAll(async () => {
	const admin = new Sequelize(process.env.TEST_DATABASE_URL!, { logging: false });
	await admin.query('DROP DATABASE IF EXISTS live_under_test');
	await admin.query('CREATE DATABASE live_under_test');
	await admin.close();
	url = process.env.TEST_DATABASE_URL!.replace(/[^/]*$/, 'live_under_test');
	sequelize = connect(url);
	await migrate(sequelize);
	const wiring = { events: [], parameters: [], cues: [], rigs: [], world: NO_LINKS };
	project = (await addProject(sequelize, wholeKit('Yard', [newPreset('thud', 'Thud')], wiring, []))).id;
});
afterAll(async () => {
	for (const stop of listening) stop();
	await sequelize.close();
});

/** A server that listens, once its line stands. */
async function server(): Promise<Told[]> {
	const heard: Told[] = [];
	listening.push(new Live(url).listen((told) => heard.push(told)));
	await vi.waitFor(() => expect(heard).toEqual([null]));
	return heard;
}

async function change(amount: number): Promise<number> {
	const { uuid, version } = (await findDocument(project, 'preset', 'thud'))!;
	const fields = [{ path: ['body', 'amount'], to: amount }];
	const made = await makeChange(sequelize, project, {
		change: randomUUID(),
		note: '',
		window: 'w',
		who: '',
		seen: 0,
		parts: [{ document: uuid, on: version, fields }]
	});
	if (made?.state !== 'made') throw new Error('it was refused');
	return made.number;
}

describe('what is live', () => {
	it('every server of the database hears the number of every change, and nothing of one that was refused', async () => {
		const [one, two] = [await server(), await server()];
		const number = await change(2);
		const told = { project, number };
		await vi.waitFor(() => expect([one.at(-1), two.at(-1)]).toEqual([told, told]));
		await expect(change(-1e12)).rejects.toThrow('refused');
		const next = await change(3);
		await vi.waitFor(() => expect(one.at(-1)).toEqual({ project, number: next }));
		expect(one).toHaveLength(3);
	});

	it('a line that was cut is made again, and everybody is asked to catch up', async () => {
		const heard = await server();
		await sequelize.query(
			`SELECT pg_terminate_backend(pid) FROM pg_stat_activity
			 WHERE datname = 'live_under_test' AND query LIKE 'LISTEN%' AND pid <> pg_backend_pid()`
		);
		await vi.waitFor(() => expect(heard).toEqual([null, null]), { timeout: 8000 });
		const number = await change(4);
		await vi.waitFor(() => expect(heard.at(-1)).toEqual({ project, number }));
	});

	it('who listens no more hears no more, and the last one closes the line', async () => {
		const heard: Told[] = [];
		const live = new Live(url);
		const stop = live.listen((told) => heard.push(told));
		await vi.waitFor(() => expect(heard).toEqual([null]));
		stop();
		await change(5);
		expect(heard).toEqual([null]);
	});
});
