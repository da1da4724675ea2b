/**
 * Sends what a working copy has to send, one change after the other, and hears what others made. While the server does not answer everything
 * waits, here and in the browser's own store, and goes on by itself when it answers again.
 */
import { newUuid, type ChangePart, type Held, type MadeChange, type Refusal } from '$lib/documents';
import type { Answer } from './api';
import type { Pending } from './pending';
import type { Kept, WorkingCopy } from './working-copy.svelte';

export interface ChangeSent {
	readonly change: string;
	readonly note: string;
	readonly window: string;
	readonly who: string;
	readonly gesture: string;
	readonly seen: number;
	readonly parts: readonly ChangePart[];
}

export interface Heard {
	readonly number?: number;
	readonly changes: readonly MadeChange[];
}

export interface Line {
	send(change: ChangeSent): Promise<Answer<Heard>>;
	since(number: number): Promise<Answer<Heard>>;
	/** Documents by their uuids, in use or not. */
	named(uuids: readonly string[]): Promise<Answer<readonly Held[]>>;
}

/** What an unsent window left, and keeps; see `shelter.ts`. */
export interface Shelter {
	keep(kept: Kept): Promise<void>;
	/** Keeps it at once: the page goes away. */
	leave(kept: Kept): void;
	load(): Promise<Kept | null>;
	/** Changes of windows that are gone, for this one to send. */
	orphans(): Promise<{ pending: readonly Pending[]; done: () => Promise<void> }>;
	close(): void;
}

export interface OutboxHost {
	who(): string;
	say(text: string): void;
	/** What a sentence calls a document. */
	nameOf(held: Held): string;
}

/** A drag sends at most four changes a second. */
const GOES_ON_MS = 250;
/** What is done within so long is one change, and one version. */
const TOGETHER_MS = 700;
const RETRY_MS = 3000;
const KEEP_MS = 150;
/** So many changes at most come with one answer. */
const MOST_MISSED = 500;

export class Outbox {
	/** The server does not answer. */
	away = $state(false);
	sending = $state(false);
	private readonly waiting: ((all: boolean) => void)[] = [];
	private timer: ReturnType<typeof setTimeout> | null = null;
	private keepTimer: ReturnType<typeof setTimeout> | null = null;
	private lastSent = -Infinity;
	private due = 0;
	private shelter: Shelter | null = null;
	private closed = false;
	private catching: Promise<void> | null = null;
	private fetching: Promise<void> | null = null;
	private behind = 0;

	constructor(
		private readonly copy: WorkingCopy,
		private readonly line: Line,
		private readonly host: OutboxHost,
		private readonly now: () => number = () => performance.now()
	) {}

	/** Goes on with what was left in this browser, of this window and of windows that are gone. */
	async open(shelter: Shelter): Promise<void> {
		this.shelter = shelter;
		const kept = await shelter.load();
		if (kept) {
			this.copy.goOn(kept);
			await this.fetchWanted();
			// Its steps do not take back what others did while it was gone.
			if (kept.seen < this.copy.seen) await this.readMissed(kept.seen, this.copy.seen);
		}
		await this.catchUp();
		const { pending: orphans, done } = await shelter.orphans();
		if (orphans.length > 0) {
			await this.bring(orphans.flatMap(({ parts }) => parts.map(({ document }) => document)));
			this.copy.adopt(orphans);
			await shelter.keep(this.copy.kept);
		}
		await done();
		this.tellRecovered([...(kept?.pending ?? []), ...orphans]);
		this.soon();
	}

	/** Sends what somebody else left, as changes of this window. */
	takeOver(list: readonly Pending[]): void {
		if (list.length === 0) return;
		this.copy.adopt(list);
		this.tellRecovered(list);
		this.soon();
	}

	private tellRecovered(list: readonly Pending[]): void {
		const documents = new Set(list.flatMap((one) => one.parts.map(({ document }) => document)));
		for (const document of documents) {
			const held = this.copy.get(document);
			if (held)
				this.host.say(`Unsaved changes to ${this.host.nameOf(held)} were found in this browser and brought back.`);
		}
	}

	private async readMissed(from: number, to: number): Promise<void> {
		for (let after = from; after < to;) {
			const answer = await this.line.since(after);
			if (!answer.ok || answer.value.changes.length === 0) return;
			this.copy.loseTo(answer.value.changes.filter((change) => change.number <= to));
			after = answer.value.changes.at(-1)!.number;
		}
	}

	/** Something changed in the copy: it is kept, and sent. */
	stirred(): void {
		if (this.shelter && !this.keepTimer) this.keepTimer = setTimeout(() => this.keep(), KEEP_MS);
		this.soon();
	}

	private keep(): void {
		if (this.keepTimer) clearTimeout(this.keepTimer);
		this.keepTimer = null;
		void this.shelter?.keep(this.copy.kept);
	}

	private soon(): void {
		if (this.closed || this.sending || this.copy.isIdle) return;
		const { joins } = this.copy;
		const drag = Math.max(0, this.lastSent + GOES_ON_MS - this.now());
		const wait = this.away ? RETRY_MS : joins < 0 ? 0 : joins > 0 ? drag : TOGETHER_MS;
		// What is due sooner than was thought goes sooner; nothing is put off.
		const due = this.now() + wait;
		if (this.timer && due >= this.due) return;
		if (this.timer) clearTimeout(this.timer);
		this.due = due;
		this.timer = setTimeout(() => {
			this.timer = null;
			void this.send();
		}, wait);
	}

	private async send(): Promise<void> {
		const next = this.sending ? null : this.copy.next();
		if (!next) return;
		this.sending = true;
		this.lastSent = this.now();
		const { change, note, parts, gesture } = next;
		const answer = await this.line.send(this.request(change, note, parts, gesture));
		this.sending = false;
		this.answered(change, answer);
		this.tellWaiting();
		if (this.behind > this.copy.seen) void this.catchUp();
		this.soon();
	}

	private request(change: string, note: string, parts: readonly ChangePart[], gesture = ''): ChangeSent {
		const { window, seen } = this.copy;
		return { change, note, window, who: this.host.who(), gesture, seen, parts };
	}

	private answered(change: string, answer: Answer<Heard>): void {
		if (answer.ok) {
			this.returned();
			this.take(answer.value.changes);
			this.copy.acknowledge(change);
			return;
		}
		if (answer.away) {
			this.away = true;
			return;
		}
		const body = answer.body as { refusals?: readonly Refusal[]; changes?: readonly MadeChange[] } | null;
		this.returned();
		this.take(body?.changes ?? []);
		// A server that will not take it at all says so of the whole.
		const whole = (): Refusal[] =>
			this.copy
				.next()!
				.parts.flatMap(({ document, fields }) =>
					fields.map(({ path }) => ({ document, path, reason: 'unsound' as const, message: answer.message }))
				);
		this.copy.refuse(change, body?.refusals ?? whole());
	}

	private returned(): void {
		if (!this.away) return;
		this.away = false;
		this.host.say('The server answers again; your changes are kept.');
	}

	private take(changes: readonly MadeChange[]): void {
		this.copy.hear(changes);
		void this.fetchWanted();
		// An answer tells of a part only: there may be more.
		if (changes.length >= MOST_MISSED) void this.catchUp();
	}

	/** Makes documents at once and tells what came of it: they are there, under their own ids, when it is done. */
	async make(note: string, parts: readonly ChangePart[]): Promise<Answer<readonly Held[]>> {
		const answer = await this.line.send(this.request(newUuid(), note, parts));
		if (!answer.ok) return answer;
		this.take(answer.value.changes);
		await this.catching;
		const made = parts.map(({ document }) => this.copy.get(document));
		return { ok: true, value: made.filter((held) => held !== undefined) };
	}

	/** The project has come to a number: what is not known of that is asked for. */
	/** Infinity: something may have been missed. */
	heardOf(number: number): void {
		this.behind = Math.max(this.behind, number);
		// What is on its way brings along what was made since.
		if (this.behind > this.copy.seen && !this.sending) void this.catchUp();
	}

	/** Asks for all that was made since. */
	catchUp(): Promise<void> {
		return (this.catching ??= this.readOn().finally(() => {
			this.catching = null;
			if (this.behind > this.copy.seen && !this.closed && !this.away) void this.catchUp();
		}));
	}

	private async readOn(): Promise<void> {
		for (;;) {
			const before = this.copy.seen;
			const answer = await this.line.since(before);
			if (!answer.ok) return void (this.behind = 0);
			this.copy.hear(answer.value.changes);
			await this.fetchWanted();
			if (this.copy.seen === before) return void (this.behind = 0);
			if (answer.value.changes.length < MOST_MISSED) return;
		}
	}

	/** Resolves once the server has all that was changed here; to false when it does not answer. */
	settled(): Promise<boolean> {
		this.flush();
		if (this.copy.isIdle || this.away) return Promise.resolve(this.copy.isIdle);
		return new Promise((resolve) => this.waiting.push(resolve));
	}

	private tellWaiting(): void {
		if (!this.copy.isIdle && !this.away) return;
		for (const resolve of this.waiting.splice(0)) resolve(this.copy.isIdle);
	}

	/** Asks for documents that came into use and are not here. */
	private fetchWanted(): Promise<void> {
		return (this.fetching ??= this.readWanted().finally(() => (this.fetching = null)));
	}

	private async readWanted(): Promise<void> {
		for (let asked = this.copy.wanted; asked.length > 0; asked = this.copy.wanted) {
			const answer = await this.line.named(asked);
			if (!answer.ok) return;
			this.copy.bring(answer.value, asked);
		}
	}

	/** Asks for documents, as far as they are not here. False: the server did not answer. */
	async bring(uuids: readonly string[]): Promise<boolean> {
		const missing = uuids.filter((uuid) => !this.copy.get(uuid));
		const answer = missing.length > 0 ? await this.line.named(missing) : null;
		if (answer?.ok) this.copy.bring(answer.value);
		return answer?.ok ?? true;
	}

	/** Keeps at once what is not kept yet: the page goes away. */
	flush(): void {
		if (this.keepTimer) clearTimeout(this.keepTimer);
		this.keepTimer = null;
		this.shelter?.leave(this.copy.kept);
		if (this.timer) {
			clearTimeout(this.timer);
			this.timer = null;
			void this.send();
		}
	}

	close(): void {
		this.flush();
		this.closed = true;
		this.shelter?.close();
	}
}
