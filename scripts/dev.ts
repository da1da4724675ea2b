/** ./dinesis dev: the application from its sources, on the same database that start uses. */
import { spawn } from 'node:child_process';
import { join } from 'node:path';
import { Cluster } from './lib/cluster';
import { DATA, ROOT } from './lib/paths';
import { prepareDatabase } from './lib/prepare';
import { fail, say } from './lib/say';

let cluster: Cluster | null = null;
let url = process.env.DATABASE_URL ?? '';
try {
	if (url === '') {
		cluster = await Cluster.open({ folder: join(DATA, 'postgres'), say });
		url = cluster.url;
	}
	await prepareDatabase(url, { demo: true, say });
} catch (error) {
	await cluster?.close();
	fail((error as Error).message, 1);
}
// Vite itself and no shell around it, so that a signal reaches it.
const script = join(ROOT, 'node_modules/vite/bin/vite.js');
const vite = spawn(process.execPath, [script, 'dev', '--host', '127.0.0.1', '--port', process.env.PORT ?? '5173'], {
	cwd: ROOT,
	stdio: 'inherit',
	env: { ...process.env, DATABASE_URL: url }
});
for (const signal of ['SIGINT', 'SIGTERM', 'SIGHUP'] as const) process.on(signal, () => vite.kill(signal));
vite.on('exit', async (code) => {
	await cluster?.close();
	process.exit(code ?? 0);
});
