/** ./dinesis start: database, migrations, demo, build, server; Ctrl+C ends them all. */
import { join } from 'node:path';
import { readArguments } from './lib/arguments';
import { builtApplication, useBuild } from './lib/build';
import { startCluster, type Cluster } from './lib/cluster';
import { DATA } from './lib/paths';
import { prepareDatabase } from './lib/prepare';
import { findRunning, forgetRunning, noteRunning } from './lib/running';
import { fail, say } from './lib/say';
import { serve, type Serving } from './lib/serve';

const args = readArguments(process.argv.slice(2), { switches: ['no-demo'] });
const host = process.env.HOST ?? '127.0.0.1';
const isLoopback = (name: string): boolean => /^(127(\.\d+){3}|localhost|::1)$/.test(name);

if (!isLoopback(host) && (process.env.ACCESS_KEY ?? '').length < 12)
	fail(
		`HOST is ${host}, which others can reach. Set ACCESS_KEY to a secret of at least 12 characters as well; it is asked for once in each browser.`
	);
const portText = process.env.PORT;
const port = portText === undefined ? 5170 : Number(portText);
if (!Number.isInteger(port) || port < 0 || port > 65535)
	fail(`PORT is "${portText}"; a whole number up to 65535 is needed.`);

const running = findRunning();
if (running) {
	say(running.address ? `already running at ${running.address}` : 'already starting in another terminal');
	process.exit(0);
}
noteRunning('');

let cluster: Cluster | null = null;
let server: Serving | null = null;
let ending = false;

async function end(code: number): Promise<void> {
	if (ending) return;
	ending = true;
	await server?.close();
	cluster?.stop();
	forgetRunning();
	process.exit(code);
}
for (const signal of ['SIGINT', 'SIGTERM', 'SIGHUP'] as const)
	process.on(signal, () => {
		say('ending');
		void end(0);
	});

async function step<T>(name: string, work: () => Promise<T> | T): Promise<T> {
	try {
		return await work();
	} catch (error) {
		say(`${name} failed. ${error instanceof Error ? error.message : String(error)}`);
		await end(1);
		throw error;
	}
}

let url = process.env.DATABASE_URL;
if (!url) {
	const own = await step('Starting the database', () => startCluster({ folder: join(DATA, 'postgres'), say }));
	cluster = own;
	say(own.started ? 'database started' : 'database was still running; going on with it');
	url = process.env.DATABASE_URL = own.url;
}
await step('Preparing the database', () => prepareDatabase(url, { demo: !args.flags.has('no-demo'), say }));
const folder = await step('Building', () => builtApplication(say));
useBuild(folder);
if (!isLoopback(host)) process.env.DINESIS_OPEN = 'yes';
server = await step('Starting the server', () => serve({ folder, host, port, exact: portText !== undefined }));
noteRunning(server.address);
process.stdout.write(`Dinesis is at ${server.address} (Ctrl+C ends it)\n`);
