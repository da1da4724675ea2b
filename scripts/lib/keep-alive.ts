/** Watches the cluster and brings it back when its server was killed: so often, and then it says so and leaves it. */
import type { Cluster } from './cluster';

export interface KeepAliveOptions {
	readonly say: (message: string) => void;
	readonly isEnding: () => boolean;
	/** Milliseconds between two looks. */
	readonly every?: number;
	/** So many times within so many milliseconds. */
	readonly most?: number;
	readonly within?: number;
	readonly now?: () => number;
}

/** What the server tells its pages is wrong with the database; empty: nothing. Read by the health route in this same process. */
export const TROUBLE = 'DINESIS_TROUBLE';

export function keepAlive(cluster: Pick<Cluster, 'lives' | 'revive'>, options: KeepAliveOptions): () => Promise<void> {
	const { say, isEnding, every = 1000, most = 5, within = 600_000, now = Date.now } = options;
	const revived: number[] = [];
	let busy = false;
	const look = async (): Promise<void> => {
		if (busy || isEnding() || cluster.lives) return;
		busy = true;
		const recent = revived.filter((at) => now() - at < within).length;
		if (recent >= most) {
			if (!process.env[TROUBLE]?.includes('given up'))
				say(
					`the database died ${recent} times within ten minutes and is left alone now; end Dinesis and start it again`
				);
			process.env[TROUBLE] = 'The database died again and again and was given up. Start Dinesis again.';
			busy = false;
			return;
		}
		revived.push(now());
		process.env[TROUBLE] = 'The database died and is being brought back.';
		try {
			say('the database died; bringing it back');
			await cluster.revive();
			process.env[TROUBLE] = '';
			say('the database is back');
		} catch (error) {
			say(`it could not be brought back. ${(error as Error).message}`);
		} finally {
			busy = false;
		}
	};
	setInterval(() => void look(), every).unref();
	return look;
}
