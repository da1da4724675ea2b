/** ./dinesis dev: the application from its sources, on the same database that start uses. */
import { spawn } from 'node:child_process';
import { join } from 'node:path';
import { startCluster } from './lib/cluster';
import { DATA, ROOT } from './lib/paths';
import { prepareDatabase } from './lib/prepare';
import { say } from './lib/say';

const cluster = process.env.DATABASE_URL ? null : await startCluster({ folder: join(DATA, 'postgres'), say });
const url = process.env.DATABASE_URL ?? cluster!.url;
await prepareDatabase(url, { demo: true, say });
const vite = spawn('npx', ['vite', 'dev', '--host', '127.0.0.1', '--port', process.env.PORT ?? '5173'], {
	cwd: ROOT,
	stdio: 'inherit',
	env: { ...process.env, DATABASE_URL: url }
});
process.on('SIGINT', () => vite.kill('SIGINT'));
vite.on('exit', (code) => {
	if (cluster?.started) cluster.stop();
	process.exit(code ?? 0);
});
