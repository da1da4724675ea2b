import { randomUUID } from 'node:crypto';
import { createServer, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { createRuntime, openKit, type Runtime } from 'dinesis-runtime';
import { connect as joinWire, type ToGame, type Wire } from 'dinesis-runtime/wire';
import { WebSocket } from 'ws';
import { type Kit } from '../../documents';
import { demoKit } from '../../documents/testing/demo';
import { Sequelize } from 'sequelize';
import { database, migrate } from '../db/connect';
import { Door } from '../door';
import { addProject, type Project } from '../repositories/projects';
import { shareKeyOf } from '../repositories/share-key';
import { makeChange } from '../store/change';
import { findDocument } from '../store/documents';
import { openWire, type OpenWire } from './sockets';
import type { ToPage } from '../../wire/pages';

const demo = demoKit();
let server: Server;
let wire: OpenWire;
let project: Project;
let at = '';
const listen = async (given: Server): Promise<string> => {
	await new Promise<void>((done) => given.listen(0, '127.0.0.1', done));
	return `127.0.0.1:${(given.address() as AddressInfo).port}`;
};

beforeAll(async () => {
	const admin = new Sequelize(process.env.TEST_DATABASE_URL!, { logging: false });
	await admin.query('DROP DATABASE IF EXISTS wire_under_test');
	await admin.query('CREATE DATABASE wire_under_test');
	await admin.close();
	process.env.DATABASE_URL = process.env.TEST_DATABASE_URL!.replace(/[^/]*$/, 'wire_under_test');
	await migrate(database());
	project = await addProject(database(), { ...demo, name: `Wire ${process.pid}` });
	server = createServer();
	wire = openWire(server, { door: new Door({ key: null }), url: process.env.DATABASE_URL! });
	at = await listen(server);
});
afterAll(async () => {
	wire.close();
	server.close();
	await database().close();
	delete process.env.DATABASE_URL;
});

/** A line, and what came of it. */
function dial(path: string, headers: Record<string, string> = {}, host = at) {
	const socket = new WebSocket(`ws://${host}${path}`, { headers });
	const got: (ToGame | ToPage)[] = [];
	const waiting: (() => void)[] = [];
	const stir = (): void => waiting.splice(0).forEach((wake) => wake());
	let end: string | null = null;
	socket.on('message', (data: Buffer) => {
		got.push(JSON.parse(data.toString()) as ToGame);
		stir();
	});
	socket.on('error', (error) => ((end ??= error.message), stir()));
	socket.on('close', (code, reason) => ((end ??= `${code} ${reason.toString()}`), stir()));
	return {
		socket,
		got,
		/** Waits for the first that is meant, or for the end. */
		async until<T>(find: () => T | undefined | null | false): Promise<T> {
			for (;;) {
				const found = find();
				if (found) return found;
				if (end !== null) throw new Error(`ended: ${end}`);
				await new Promise<void>((wake) => waiting.push(wake));
			}
		},
		async ended(): Promise<string> {
			while (end === null) await new Promise<void>((wake) => waiting.push(wake));
			return end;
		},
		send: (message: unknown) => socket.send(typeof message === 'string' ? message : JSON.stringify(message))
	};
}
const hello = {
	type: 'hello',
	wire: 1,
	game: 'T',
	kit: 'K',
	version: null,
	seed: 1,
	rig: null,
	viewers: 1,
	takes: false
};
const open = async (line: ReturnType<typeof dial>): Promise<void> => {
	await new Promise<void>((done, failed) => {
		line.socket.once('open', () => done());
		line.socket.once('error', failed);
	});
};
const greet = async (headers: Record<string, string> = {}, part: object = {}) => {
	const line = dial(`/wire/${project.slug}`, headers);
	await open(line);
	line.send({ ...hello, ...part });
	return line;
};

describe('who comes in', () => {
	it('a game without a page, on this machine, gets the project’s kit without what only the tool knows', async () => {
		const line = await greet();
		const kit = await line.until(() => line.got.find((m) => m.type === 'kit'));
		expect((kit as unknown as { kit: Kit }).kit.presets).toHaveLength(demo.presets.length);
		expect(kit).not.toHaveProperty('kit.courses');
		expect(openKit((kit as unknown as { kit: unknown }).kit).ok).toBe(true);
		line.socket.close();
	});

	it('a page of another origin needs the project’s key', async () => {
		const origin = { origin: 'http://127.0.0.1:1' };
		expect(await (await greet(origin)).ended()).toBe('4001 The project’s key is needed. Its page shows the key.');
		expect(await (await greet(origin, { key: 'guess' })).ended()).toContain('4001');
		const line = await greet(origin, { key: await shareKeyOf(project.id) });
		await line.until(() => line.got.find((m) => m.type === 'kit'));
		line.socket.close();
	});

	it('only the tool’s own pages speak as the tool; another name of this machine is not ours', async () => {
		expect(await dial(`/wire/${project.slug}?tool`).ended()).toContain('403');
		expect(await dial(`/wire/${project.slug}?tool`, { origin: 'http://evil.example' }).ended()).toContain('403');
		expect(await dial(`/wire/${project.slug}`, { host: 'evil.example' }).ended()).toContain('403');
		expect(await dial('/other').ended()).toContain('404');
		const page = dial(`/wire/${project.slug}?tool`, { origin: `http://${at}` });
		await page.until(() => page.got.find((m) => m.type === 'games'));
		page.socket.close();
		expect(await dial('/wire/not-there?tool', { origin: `http://${at}` }).ended()).toContain('4004');
	});

	it('where an access key is set a game shows its project’s key, page or not', async () => {
		const guarded = createServer();
		const theirs = openWire(guarded, { door: new Door({ key: 'a long secret' }), url: process.env.DATABASE_URL! });
		const host = await listen(guarded);
		const line = dial(`/wire/${project.slug}`, {}, host);
		await open(line);
		line.send(hello);
		expect(await line.ended()).toContain('4001');
		const known = dial(`/wire/${project.slug}`, {}, host);
		await open(known);
		known.send({ ...hello, key: await shareKeyOf(project.id) });
		await known.until(() => known.got.find((m) => m.type === 'kit'));
		known.socket.close();
		theirs.close();
		guarded.close();
	});

	it('what is no message, too much or too long ends the connection with its reason, and nobody else’s', async () => {
		const well = await greet();
		await well.until(() => well.got.find((m) => m.type === 'kit'));
		expect(await (await greet({}, { wire: 2 })).ended()).toContain('4002');
		const first = dial(`/wire/${project.slug}`);
		await open(first);
		first.send({ type: 'beat' });
		expect(await first.ended()).toBe('4003 a game says hello first');
		const broken = await greet();
		await broken.until(() => broken.got.find((m) => m.type === 'kit'));
		broken.send('{"type":"frames"}');
		expect(await broken.ended()).toContain('4003');
		const long = await greet();
		await long.until(() => long.got.find((m) => m.type === 'kit'));
		long.send({ type: 'lost', why: 'x', pad: 'x'.repeat(600_000) });
		expect(await long.ended()).toContain('1009');
		const fast = await greet();
		await fast.until(() => fast.got.find((m) => m.type === 'kit'));
		for (let i = 0; i < 2000; i++) fast.send({ type: 'beat' });
		expect(await fast.ended()).toContain('4008');
		well.send({ type: 'lost', why: 'still here' });
		await well.until(() => well.got.filter((m) => m.type === 'kit').length === 2);
		well.socket.close();
	});
});

describe('the client, on a real line', () => {
	const body = { pose: [0, 0, 0, 0, 0], speed: 0, grounded: true };
	const game = (kit = demo) => {
		const runtime = createRuntime(kit, { seed: 1 });
		let wake = (): void => undefined;
		const states: string[] = [];
		const joined: Wire = joinWire(runtime, `ws://${at}/wire/${project.slug}`, {
			game: 'Real',
			WebSocket: WebSocket as never,
			onState: ({ state }) => {
				states.push(state);
				wake();
			}
		});
		const until = async (state: string): Promise<void> => {
			while (!states.includes(state)) await new Promise<void>((done) => (wake = done));
		};
		return { runtime, wire: joined, until, states };
	};

	it('a change of a page is in the game’s motion with its next frame, and the page is told', async () => {
		const page = dial(`/wire/${project.slug}?tool`, { origin: `http://${at}` });
		const { runtime, wire: joined, until } = game();
		await until('open');
		runtime.advance(0, body);
		await page.until(() => page.got.some((m) => m.type === 'games' && m.games.length > 0));
		const kit = (): Kit => (runtime as unknown as { kit: Kit }).kit;
		const playOn = async (done: () => boolean): Promise<void> => {
			for (let i = 0; i < 100_000 && !done(); i++) {
				runtime.advance(1 / 60, body);
				await new Promise((next) => setImmediate(next));
			}
		};
		const amount = () => kit().presets.find((p) => p.id === 'standing-watch') as { amount?: number };
		// The project's kit has come in the place of the one that it began with.
		await playOn(() => kit() !== demo);
		page.send({ type: 'change', sets: [[['presets', 'standing-watch', 'amount'], 0.25]], stamp: 'now' });
		await playOn(() => amount().amount === 0.25);
		expect(amount().amount).toBe(0.25);
		await page.until(() => page.got.some((m) => m.type === 'game' && m.said.type === 'took' && m.said.stamp === 'now'));
		joined.close();
		page.socket.close();
	});
});

describe('a server that is killed', () => {
	it('the game goes on as it was, comes back by itself, and what was changed meanwhile is in it without a jump', async () => {
		const mortal = createServer();
		let theirs = openWire(mortal, { door: new Door({ key: null }), url: process.env.DATABASE_URL! });
		const host = await listen(mortal);
		const port = Number(host.split(':')[1]);
		const start = () => createRuntime(demo, { seed: 5, rig: 'keepers-eyes' });
		const [runtime, alone] = [start(), start()];
		let wake = (): void => undefined;
		const joined = joinWire(runtime, `ws://${host}/wire/${project.slug}`, {
			WebSocket: WebSocket as never,
			later: (work, ms) => {
				const timer = setTimeout(work, ms / 25);
				return () => clearTimeout(timer);
			},
			onState: () => wake()
		});
		const until = async (state: string): Promise<void> => {
			while (joined.state !== state) await new Promise<void>((done) => (wake = done));
		};
		await until('open');
		let count = 0;
		const go = (which: Runtime): number[] => {
			const { camera, offset } = which.advance(1 / 60, { pose: [0, 0, -count / 60, 0, 0], speed: 1.4, grounded: true });
			return [...camera, ...offset];
		};
		const both = (): void => {
			for (const one of [runtime, alone]) {
				if (count % 40 === 3) one.raise('wave-breaks', { values: { height: 5 }, place: [2, 0, -4] });
				if (count === 0) one.play('standing-watch');
			}
			expect(go(runtime)).toEqual(go(alone));
			count++;
		};
		for (let i = 0; i < 30; i++) both();

		// Killed in the middle: every line broken, nobody there.
		theirs.close();
		mortal.closeAllConnections();
		await new Promise((done) => mortal.close(done));
		await until('away');
		for (let i = 0; i < 90; i++) both();

		// Changed meanwhile.
		const found = await findDocument(project.id, 'preset', 'standing-watch');
		const made = await makeChange(database(), project.id, {
			change: randomUUID(),
			note: '',
			window: 'w',
			who: '',
			gesture: '',
			seen: 0,
			parts: [{ document: found!.uuid, on: found!.version, fields: [{ path: ['body', 'amount'], to: 0.5 }] }]
		});
		expect(made?.state).toBe('made');
		const again = createServer();
		theirs = openWire(again, { door: new Door({ key: null }), url: process.env.DATABASE_URL! });
		await new Promise<void>((done) => again.listen(port, '127.0.0.1', done));
		await until('open');
		const kit = (): Kit => (runtime as unknown as { kit: Kit }).kit;
		const amount = () => (kit().presets.find((p) => p.id === 'standing-watch') as { amount: number }).amount;
		const body = { pose: [0, 0, -count / 60, 0, 0], speed: 1.4, grounded: true };
		const before = [...runtime.frameOf(0).offset];
		for (let i = 0; i < 100_000 && amount() !== 0.5; i++) {
			// Frames in which no time goes by: whatever comes in, nothing moves.
			runtime.advance(0, body);
			await new Promise((next) => setImmediate(next));
		}
		expect(amount()).toBe(0.5);
		expect([...runtime.frameOf(0).offset]).toEqual(before);
		joined.close();
		theirs.close();
		again.close();
	});
});

it('a game at one server is seen and changed by a page at another one of the same database', async () => {
	const other = createServer();
	const theirs = openWire(other, { door: new Door({ key: null }), url: process.env.DATABASE_URL! });
	const host = await listen(other);
	const page = dial(`/wire/${project.slug}?tool`, { origin: `http://${host}` }, host);
	await page.until(() => page.got.find((m) => m.type === 'games'));
	const game = await greet({}, { game: 'Far away' });
	await game.until(() => game.got.find((m) => m.type === 'kit'));
	const there = await page.until(() =>
		page.got.flatMap((m) => (m.type === 'games' ? [...m.games] : [])).find((g) => g.game === 'Far away')
	);
	page.send({ type: 'want', game: there.id, frames: true, moment: 'm1' });
	await game.until(() => game.got.find((m) => m.type === 'want' && m.moment === 'm1'));
	page.send({ type: 'change', sets: [[['presets', 'standing-watch', 'rate'], 2]], stamp: 'far' });
	await game.until(() => game.got.find((m) => m.type === 'change' && m.stamp === 'far'));
	// What is longer than a notification comes whole.
	const rows = Array.from({ length: 40 }, (_, i) => [1 / 60, ...Array.from({ length: 15 }, (_, c) => Math.sin(i + c))]);
	game.send({ type: 'frames', first: 0, clock: 0, frames: rows, calls: [], played: [], lost: [0, 0] });
	const said = await page.until(() =>
		page.got.find((m) => m.type === 'game' && m.said.type === 'frames' && m.said.frames.length > 0)
	);
	expect((said as { said: { frames: unknown } }).said.frames).toEqual(rows);
	game.socket.close();
	page.socket.close();
	theirs.close();
	other.close();
}, 30_000);
