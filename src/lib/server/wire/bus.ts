/**
 * What servers of one database say to each other, through the database's notifications. Those are short: what is longer goes in pieces. A
 * server alone sends nothing but that it is there.
 */
import { randomUUID } from 'node:crypto';
import pg from 'pg';
import type { Said } from './hub';

const CHANNEL = 'dinesis_wire';
/** Characters of a piece: with its head, and each written in up to three bytes, less than what a notification may hold. */
const PIECE = 2400;
const AGAIN_MS = 500;
const LONGEST_MS = 10_000;
const HERE_MS = 5000;
const GONE_MS = 16_000;
/** What a server has said in pieces and has not ended is forgotten after that many others. */
const MOST_OPEN = 200;

/** A text in pieces that each say whose they are, and which. */
export function piecesOf(server: string, id: string, text: string): string[] {
	const count = Math.max(1, Math.ceil(text.length / PIECE));
	return Array.from(
		{ length: count },
		(_, i) => `${server} ${id} ${i} ${count} ${text.slice(i * PIECE, (i + 1) * PIECE)}`
	);
}

/** Puts pieces together; null: there are more to come. */
export class Pieces {
	private readonly open = new Map<string, string[]>();

	add(piece: string): { readonly server: string; readonly text: string } | null {
		const found = /^(\S+) (\S+) (\d+) (\d+) ([\s\S]*)$/.exec(piece);
		if (!found) return null;
		const [, server = '', id = '', index, count, text = ''] = found;
		if (Number(count) === 1) return { server, text };
		const key = `${server} ${id}`;
		const parts = this.open.get(key) ?? [];
		parts[Number(index)] = text;
		this.open.set(key, parts);
		if (this.open.size > MOST_OPEN) this.open.delete(this.open.keys().next().value!);
		if (parts.length < Number(count) || parts.includes(undefined as never)) return null;
		this.open.delete(key);
		return { server, text: parts.join('') };
	}
}

export class Bus {
	private client: pg.Client | null = null;
	private ready = false;
	/** One after the other. */
	private sending: Promise<unknown> = Promise.resolve();
	private wait = AGAIN_MS;
	private timer: ReturnType<typeof setTimeout> | null = null;
	private readonly beat: ReturnType<typeof setInterval>;
	private readonly pieces = new Pieces();
	/** Other servers, and when they were heard of last. */
	private readonly others = new Map<string, number>();
	private closed = false;

	constructor(
		private readonly url: string,
		readonly server: string,
		private readonly hear: (said: Said) => void,
		/** Another server is there that was not: all is said again. */
		private readonly met: () => void
	) {
		void this.connect();
		this.beat = setInterval(() => this.sayHere(), HERE_MS);
		this.beat.unref();
	}

	/** Says something to the others. */
	pass(said: Said): void {
		if (this.others.size > 0) this.send(JSON.stringify(said));
	}

	private sayHere(): void {
		const since = Date.now() - GONE_MS;
		for (const [server, at] of this.others) if (at < since) this.others.delete(server);
		this.send('here');
	}

	private send(text: string): void {
		const { client } = this;
		if (!client || !this.ready) return;
		for (const piece of piecesOf(this.server, randomUUID().slice(0, 8), text))
			this.sending = this.sending
				.then(() => client.query('SELECT pg_notify($1, $2)', [CHANNEL, piece]))
				.catch(() => undefined);
	}

	private take(payload: string): void {
		const whole = this.pieces.add(payload);
		if (!whole || whole.server === this.server) return;
		const isNew = !this.others.has(whole.server);
		this.others.set(whole.server, Date.now());
		if (isNew) {
			this.send('here');
			this.met();
		}
		if (whole.text === 'here') return;
		try {
			this.hear(JSON.parse(whole.text) as Said);
		} catch {
			// Of another version, or no message: it is nobody's.
		}
	}

	private async connect(): Promise<void> {
		const client = new pg.Client({ connectionString: this.url, connectionTimeoutMillis: 4000, keepAlive: true });
		this.client = client;
		client.on('error', () => this.lost(client));
		client.on('end', () => this.lost(client));
		client.on('notification', ({ payload }) => this.take(payload ?? ''));
		try {
			await client.connect();
			await client.query(`LISTEN ${CHANNEL}`);
			this.ready = true;
			this.wait = AGAIN_MS;
			this.sayHere();
		} catch {
			this.lost(client);
		}
	}

	private lost(client: pg.Client): void {
		if (this.client !== client) return;
		this.client = null;
		this.ready = false;
		void client.end().catch(() => undefined);
		if (this.closed) return;
		this.timer = setTimeout(() => void this.connect(), this.wait);
		this.timer.unref();
		this.wait = Math.min(LONGEST_MS, this.wait * 2);
	}

	close(): void {
		this.closed = true;
		clearInterval(this.beat);
		if (this.timer) clearTimeout(this.timer);
		void this.client?.end().catch(() => undefined);
	}
}
