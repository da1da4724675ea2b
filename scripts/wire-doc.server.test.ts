import { execFileSync, spawn } from 'node:child_process';
import { copyFileSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { createServer, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, beforeAll, expect, it } from 'vitest';
import { Sequelize } from 'sequelize';
import { WebSocket } from 'ws';
import { readKit, type Kit } from '../src/lib/documents';
import { database, migrate } from '../src/lib/server/db/connect';
import { Door } from '../src/lib/server/door';
import { addProject } from '../src/lib/server/repositories/projects';
import { fromGame, fromPage } from '../src/lib/server/wire/check';
import { openWire, type OpenWire } from '../src/lib/server/wire/sockets';
import { listing } from './lib/listings';
import { ROOT } from './lib/paths';

const DEMO = join(ROOT, 'demo/lamp-at-morrowskerry.kit.json');
let folder = '';
let server: Server;
let wire: OpenWire;
let at = '';
beforeAll(async () => {
	const admin = new Sequelize(process.env.TEST_DATABASE_URL!, { logging: false });
	await admin.query('DROP DATABASE IF EXISTS wire_doc_under_test');
	await admin.query('CREATE DATABASE wire_doc_under_test');
	await admin.close();
	process.env.DATABASE_URL = process.env.TEST_DATABASE_URL!.replace(/[^/]*$/, 'wire_doc_under_test');
	await migrate(database());
	const demo = readKit(readFileSync(DEMO)) as { value: Kit };
	const project = await addProject(database(), { ...demo.value, name: 'Quay' });
	server = createServer();
	wire = openWire(server, { door: new Door({ key: null }), url: process.env.DATABASE_URL });
	await new Promise<void>((done) => server.listen(0, '127.0.0.1', done));
	at = `127.0.0.1:${(server.address() as AddressInfo).port}/wire/${project.slug}`;
	folder = mkdtempSync(join(tmpdir(), 'dinesis-wire-doc-'));
});
afterAll(async () => {
	wire.close();
	server.close();
	await database().close();
	delete process.env.DATABASE_URL;
	rmSync(folder, { recursive: true, force: true });
});

it('the game of docs/wire.md, with the installed package, is on the wire and sends what happens', async () => {
	const loader = `file://${join(ROOT, 'node_modules/tsx/dist/loader.mjs')}`;
	const packed = execFileSync(
		process.execPath,
		['--import', loader, join(ROOT, 'scripts/pack.ts'), '--to', join(folder, 'packed')],
		{
			encoding: 'utf8',
			stdio: ['ignore', 'pipe', 'pipe']
		}
	).trim();
	writeFileSync(join(folder, 'package.json'), '{ "name": "a-game", "private": true, "type": "module" }');
	const npm = (...args: string[]) => execFileSync('npm', args, { cwd: folder, stdio: 'ignore' });
	npm('install', '--no-audit', '--no-fund', '--offline', packed);
	// What an older Node has no WebSocket without.
	npm('install', '--no-audit', '--no-fund', '--offline', '--install-links=false', join(ROOT, 'node_modules/ws'));
	copyFileSync(DEMO, join(folder, 'motion.kit.json'));
	writeFileSync(join(folder, 'game.js'), listing('docs/wire.md', 'game.js'));

	const page = new WebSocket(`ws://${at}?tool`, { headers: { origin: `http://${at.split('/')[0]}` } });
	const events: string[] = [];
	let looked = false;
	let frames = 0;
	page.on('message', (data: Buffer) => {
		const message = JSON.parse(data.toString()) as any;
		const [game] = message.type === 'games' ? message.games : [];
		if (game && !looked) {
			looked = true;
			expect(game).toMatchObject({ game: 'My game', takes: true });
			page.send(JSON.stringify({ type: 'want', game: game.id, frames: true }));
		}
		if (message.type !== 'game' || message.said.type !== 'frames') return;
		frames += message.said.frames.length;
		for (const [, called] of message.said.calls) events.push(called.event);
	});
	await new Promise<void>((done) => page.once('open', () => done()));
	const said = await new Promise<string>((done) => {
		let text = '';
		const game = spawn(process.execPath, ['--no-warnings', 'game.js'], {
			cwd: folder,
			env: { ...process.env, WIRE: `ws://${at}`, FRAMES: '150' }
		});
		game.stdout.on('data', (part: Buffer) => (text += part.toString()));
		game.once('exit', () => done(text));
	});
	expect(said.trim().split('\n')).toEqual(['wire: open', 'wire: closed']);
	expect(events).toEqual(['landing', 'landing']);
	expect(frames).toBeGreaterThan(60);
	page.close();
}, 120_000);

it('each message that the page shows is one', () => {
	const text = readFileSync(join(ROOT, 'docs/wire.md'), 'utf8');
	const section = (from: string, to: string): string => text.slice(text.indexOf(from), text.indexOf(to));
	const fromGames = [...section('### From the game', '### From the tool').matchAll(/^\| `(\{.*?\})` /gm)].map(
		(m) => m[1]!
	);
	expect(fromGames.length).toBe(7);
	for (const shown of fromGames) {
		const message = shown.replace('{ … }', '{}').replaceAll('[…]', '[]');
		const read = fromGame(message);
		expect(read).toMatchObject({ ok: true, value: { type: (JSON.parse(message) as { type: string }).type } });
	}
	const calls = [...section('### From the game', '### From the tool').matchAll(/```json\n(.*)\n```/g)].map(
		(m) => m[1]!
	);
	const frames = {
		type: 'frames',
		first: 0,
		clock: 0,
		frames: [],
		calls: calls.map((c) => JSON.parse(c) as unknown),
		played: [],
		lost: [0, 0]
	};
	expect(fromGame(JSON.stringify(frames))).toEqual({ ok: true, value: frames });
	expect(
		fromPage(JSON.stringify({ type: 'change', stamp: '17', sets: [[['presets', 'thud', 'timing', 'duration'], 1.2]] }))
			.ok
	).toBe(true);
});
