/** One built application with the demo on a database of its own, for all journeys. */
import { chmodSync, mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { builtApplication } from '../scripts/lib/build';
import { Cluster } from '../scripts/lib/cluster';
import { prepareDatabase } from '../scripts/lib/prepare';
import { serve } from '../scripts/lib/serve';

export default async function setup(): Promise<() => Promise<void>> {
	const say = (message: string): void => void process.stderr.write(`${message}\n`);
	const folder = mkdtempSync(join(tmpdir(), 'dinesis-e2e-'));
	chmodSync(folder, 0o755);
	const cluster = await Cluster.open({ folder, throwaway: true, say });
	process.env.DATABASE_URL = cluster.url;
	await prepareDatabase(cluster.url, { demo: true, say });
	const server = await serve({ folder: builtApplication(say), host: '127.0.0.1', port: 0, exact: true });
	process.env.DINESIS_ADDRESS = server.address;
	return async () => {
		await server.close();
		await cluster.close();
		rmSync(folder, { recursive: true, force: true });
		if (cluster.folder !== folder) rmSync(cluster.folder, { recursive: true, force: true });
	};
}
