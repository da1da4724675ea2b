import { afterAll, beforeAll, describe, expect, it, vi } from 'vitest';
import { Sequelize } from 'sequelize';
import { NO_LINKS } from 'dinesis-runtime/tools';
import { wholeKit } from '../../documents';
import { connect, migrate } from '../db/connect';
import { addProject } from '../repositories/projects';
import { Live, type Told } from './live';
import { noteGone, noteHere, whoIsHere } from './presence';

let sequelize: Sequelize;
let url: string;
let project: string;
const at = (seconds: number): Date => new Date(Date.UTC(2026, 0, 1, 8, 0, seconds));
const ada = { window: 'w1', browser: 'b1', who: 'Ada', document: 'thud' };

beforeAll(async () => {
	const admin = new Sequelize(process.env.TEST_DATABASE_URL!, { logging: false });
	await admin.query('DROP DATABASE IF EXISTS presence_under_test');
	await admin.query('CREATE DATABASE presence_under_test');
	await admin.close();
	url = process.env.TEST_DATABASE_URL!.replace(/[^/]*$/, 'presence_under_test');
	sequelize = connect(url);
	await migrate(sequelize);
	const wiring = { events: [], parameters: [], cues: [], rigs: [], world: NO_LINKS };
	project = (await addProject(sequelize, wholeKit('Yard', [], wiring, []))).id;
});
afterAll(() => sequelize.close());

describe('who is here', () => {
	it('is who said so in the last half minute, at what was said last', async () => {
		await noteHere(sequelize, project, ada, at(0));
		await noteHere(sequelize, project, { ...ada, window: 'w2', who: 'Bea' }, at(10));
		await noteHere(sequelize, project, { ...ada, document: 'hum' }, at(12));
		expect(await whoIsHere(sequelize, project, at(20))).toEqual([
			{ ...ada, document: 'hum' },
			{ ...ada, window: 'w2', who: 'Bea' }
		]);
		expect((await whoIsHere(sequelize, project, at(41))).map((here) => here.window)).toEqual(['w1']);
		await noteGone(sequelize, project, 'w1');
		expect(await whoIsHere(sequelize, project, at(13))).toEqual([{ ...ada, window: 'w2', who: 'Bea' }]);
	});

	it('is told to everybody when it is news, and not at every beat', async () => {
		const heard: Told[] = [];
		const stop = new Live(url).listen((told) => heard.push(told));
		await vi.waitFor(() => expect(heard).toEqual([null]));
		await noteHere(sequelize, project, { ...ada, window: 'w9' });
		await noteHere(sequelize, project, { ...ada, window: 'w9' });
		await noteHere(sequelize, project, { ...ada, window: 'w9', document: 'bell' });
		await noteGone(sequelize, project, 'w9');
		const here = { project, here: true };
		await vi.waitFor(() => expect(heard).toEqual([null, here, here, here]));
		stop();
	});
});
