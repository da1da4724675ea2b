import { join } from 'node:path';
import { startCluster } from './cluster';
import { DATA } from './paths';
import { say } from './say';

/** Runs `work` on the project's database, starting its cluster for that long when nothing runs. */
export async function withDatabase(work: (url: string) => void | Promise<void>): Promise<void> {
	const given = process.env.DATABASE_URL;
	if (given) return void (await work(given));
	const cluster = await startCluster({ folder: join(DATA, 'postgres'), say });
	try {
		await work(cluster.url);
	} finally {
		if (cluster.started) cluster.stop();
	}
}
