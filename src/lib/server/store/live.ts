/**
 * Tells who listens that a project has changed, whichever server of this database did it: the database passes numbers on, nothing else. A
 * connection that was lost is made again; what was missed meanwhile is told by asking everybody to catch up.
 */
import pg from 'pg';
import { CHANNEL } from './change';

/** A project that changed, with its last number, or in which somebody came, went or turned to something else; null: something may have been missed. */
export type Told =
	{ readonly project: string; readonly number: number } | { readonly project: string; readonly here: true } | null;
export type Listener = (told: Told) => void;

const AGAIN_MS = 500;
const LONGEST_MS = 10_000;

export class Live {
	private readonly listeners = new Set<Listener>();
	private client: pg.Client | null = null;
	private wait = AGAIN_MS;
	private timer: ReturnType<typeof setTimeout> | null = null;

	constructor(private readonly url: string) {}

	/** Calls back with every change from now on; returns what ends it. */
	listen(listener: Listener): () => void {
		this.listeners.add(listener);
		if (this.listeners.size === 1) void this.connect();
		return () => {
			this.listeners.delete(listener);
			if (this.listeners.size === 0) this.close();
		};
	}

	private tell(told: Told): void {
		for (const listener of this.listeners) listener(told);
	}

	private async connect(): Promise<void> {
		const client = new pg.Client({ connectionString: this.url, connectionTimeoutMillis: 4000, keepAlive: true });
		this.client = client;
		client.on('error', () => this.lost(client));
		client.on('end', () => this.lost(client));
		client.on('notification', ({ payload }) => {
			const [project, number] = (payload ?? '').split(' ');
			if (project) this.tell(number === 'here' ? { project, here: true } : { project, number: Number(number) });
		});
		try {
			await client.connect();
			await client.query(`LISTEN ${CHANNEL}`);
			this.wait = AGAIN_MS;
			this.tell(null);
		} catch {
			this.lost(client);
		}
	}

	private lost(client: pg.Client): void {
		if (this.client !== client) return;
		this.client = null;
		void client.end().catch(() => undefined);
		if (this.listeners.size === 0) return;
		this.timer = setTimeout(() => void this.connect(), this.wait);
		this.wait = Math.min(LONGEST_MS, this.wait * 2);
	}

	private close(): void {
		if (this.timer) clearTimeout(this.timer);
		this.timer = null;
		const { client } = this;
		this.client = null;
		void client?.end().catch(() => undefined);
	}
}

let shared: Live | null = null;

/** The server's own. */
export function live(): Live {
	const url = process.env.DATABASE_URL;
	if (!url) throw new Error('DATABASE_URL is not set; ./dinesis start sets it.');
	return (shared ??= new Live(url));
}
