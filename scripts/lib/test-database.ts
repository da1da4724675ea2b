/** A throwaway cluster for the server tests, unless TEST_DATABASE_URL names one. */
import { mkdtempSync, chmodSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { Cluster } from './cluster';

export default async function setup(): Promise<() => Promise<void>> {
	if (process.env.TEST_DATABASE_URL) return async () => undefined;
	const folder = mkdtempSync(join(tmpdir(), 'dinesis-test-'));
	chmodSync(folder, 0o755);
	const cluster = await Cluster.open({ folder, throwaway: true, say: () => undefined });
	process.env.TEST_DATABASE_URL = cluster.url;
	return async () => {
		await cluster.close();
		rmSync(folder, { recursive: true, force: true });
		if (cluster.folder !== folder) rmSync(cluster.folder, { recursive: true, force: true });
	};
}
