/** ./dinesis start: database, migrations, demo, build, server; Ctrl+C ends them all. */
import { join } from 'node:path';
import { readArguments } from './lib/arguments';
import { builtApplication, STAND_IN, useBuild } from './lib/build';
import { Cluster } from './lib/cluster';
import { keepAlive } from './lib/keep-alive';
import { keepBackups } from './lib/keep-backups';
import { DATA } from './lib/paths';
import { prepareDatabase } from './lib/prepare';
import { beforeRunning, findRunning, forgetRunning, noteRunning, type Running } from './lib/running';
import { fail, say, tell } from './lib/say';
import { serve, type Serving } from './lib/serve';
import { serveStandIn } from './lib/stand-in';

const args = readArguments(process.argv.slice(2), { switches: ['no-demo'] });
const host = process.env.HOST || '127.0.0.1';
const isLoopback = (name: string): boolean => /^(127(\.\d+){3}|localhost|::1)$/.test(name);

if (!isLoopback(host) && (process.env.ACCESS_KEY ?? '').length < 12)
	fail(
		`HOST is ${host}, which others can reach. Set ACCESS_KEY to a secret of at least 12 characters as well; it is asked for once in each browser.`
	);
const portText = process.env.PORT || undefined;
const port = portText === undefined ? 5170 : Number(portText);
if (!Number.isInteger(port) || port < 0 || port > 65535)
	fail(`PORT is "${portText}"; a whole number up to 65535 is needed.`);

/** Whether the one that runs is well, as a sentence and an exit code. */
async function askHealth({ address, pid }: Running): Promise<never> {
	if (address === '') return fail('already starting in another terminal', 0);
	try {
		const answer = await fetch(`${address}/api/health`, { signal: AbortSignal.timeout(12_000) });
		if (answer.ok || answer.status === 401) return fail(`already running at ${address}`, 0);
		const { message = '' } = (await answer.json()) as { message?: string };
		return fail(`it runs at ${address} (process ${pid}), but is not well: ${message}`, 1);
	} catch {
		return fail(`it runs (process ${pid}), but does not answer at ${address}. ./dinesis stop ends it.`, 1);
	}
}
const running = findRunning();
if (running) await askHealth(running);

let opening: Promise<Cluster> | null = null;
let server: Serving | null = null;
let standIn: { close(): void } | null = null;
let ending = false;

async function end(code: number): Promise<void> {
	if (ending) return;
	ending = true;
	standIn?.close();
	await server?.close();
	// Also one that is only just being started.
	const cluster = await opening?.catch(() => null);
	await cluster?.close();
	forgetRunning();
	process.exit(code);
}
for (const signal of ['SIGINT', 'SIGTERM', 'SIGHUP'] as const)
	process.on(signal, () => {
		if (!ending) say('ending');
		void end(0);
	});

/** A connection that broke ends nobody; what else nobody expected is told in a sentence, and all is ended in order. */
process.on('uncaughtException', (error: NodeJS.ErrnoException) => {
	if (/^E(CONN|PIPE|TIMEDOUT|HOST)/.test(error.code ?? '') || /connection|terminat/i.test(error.message))
		return say(`a connection broke (${error.message})`);
	say(`ending, after a fault of its own: ${error.message}`);
	void end(1);
});

async function step<T>(name: string, work: () => Promise<T> | T): Promise<T> {
	try {
		return await work();
	} catch (error) {
		if (!ending) say(`${name} failed. ${error instanceof Error ? error.message : String(error)}`);
		await end(1);
		// While a signal ends us nothing goes on from here.
		return new Promise<never>(() => undefined);
	}
}

await step('Starting', () =>
	beforeRunning(async () => {
		// Of two that begin at the same moment the second finds the first.
		const other = findRunning();
		if (other) await askHealth(other);
		noteRunning('');
	})
);
let url = process.env.DATABASE_URL;
if (!url) {
	opening = Cluster.open({ folder: join(DATA, 'postgres'), say });
	const cluster = await step('Starting the database', () => opening!);
	say('database started');
	url = process.env.DATABASE_URL = cluster.url;
	process.env.DINESIS_FOLDER = cluster.folder;
	keepAlive(cluster, { say, isEnding: () => ending });
}
const demo = !args.flags.has('no-demo');
await step('Preparing the database', () => prepareDatabase(url, { demo, say, backUp: true }));
keepBackups(url, say);
const folder = await step('Building', () => builtApplication(say));
await step('Building', () => useBuild(folder));
if (!isLoopback(host)) process.env.DINESIS_OPEN = 'yes';
const serving = await step('Starting the server', () =>
	serve({
		folder,
		host,
		port,
		exact: portText !== undefined,
		key: isLoopback(host) ? undefined : process.env.ACCESS_KEY
	})
);
server = serving;
// A game of its own, on a port of its own: what stands in for yours.
const game = await step('Starting the stand-in game', () =>
	serveStandIn(join(folder, STAND_IN), host, Number(new URL(serving.address).port) + 1)
);
standIn = game;
process.env.DINESIS_STAND_IN = game.address;
await step('Starting the server', () => noteRunning(serving.address));
tell(`Dinesis is at ${serving.address} (Ctrl+C ends it)`);
say(`the stand-in game is at ${game.address}`);
