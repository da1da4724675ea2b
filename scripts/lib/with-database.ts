import { join } from 'node:path';
import { Cluster } from './cluster';
import { DATA } from './paths';
import { say } from './say';

/**
 * Runs `work` on the project's database. Where nothing runs its cluster is started for that long; a server that starts meanwhile keeps
 * it.
 */
export async function withDatabase(work: (url: string) => void | Promise<void>): Promise<void> {
	const given = process.env.DATABASE_URL;
	if (given) return void (await work(given));
	const cluster = await Cluster.open({ folder: join(DATA, 'postgres'), say });
	// Ended in the middle it leaves the cluster as well.
	const leave = (): void => void cluster.close().then(() => process.exit(130));
	for (const signal of ['SIGINT', 'SIGTERM', 'SIGHUP'] as const) process.once(signal, leave);
	try {
		await work(cluster.url);
	} finally {
		await cluster.close();
	}
}
