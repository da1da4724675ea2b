/**
 * The page's end of the wire: which games of this project run just now, what they send, and what is changed here, told to them before the
 * server has kept it.
 */
import { documentOf, type AnyDocument, type Held, type KindName } from '$lib/documents';
import type { FromPage, GameSaid, GameThere, ToPage } from '$lib/wire/pages';
import { fieldsBetween, type FieldSet, type FromGame, type PlayedRow, type Recording } from 'dinesis-runtime/wire';

export type FramesSaid = Extract<FromGame, { type: 'frames' }>;
export type MomentSaid = Extract<FromGame, { type: 'moment' }>;

/** Something that happened in a game. */
export interface Came {
	readonly event: string;
	readonly phase: 'happens' | 'starts' | 'ends';
	readonly at: number;
	readonly game: string;
	readonly values: Readonly<Record<string, number>>;
	readonly tags: readonly string[];
	readonly placed: boolean;
}
/** What is known of an event that came: how often, and between what its numbers were. */
export interface Counted {
	readonly times: number;
	readonly phase: Came['phase'];
	readonly placed: boolean;
	readonly values: Readonly<Record<string, readonly [least: number, most: number]>>;
	readonly tags: readonly string[];
}

export interface WireListener {
	frames?(game: string, said: FramesSaid): void;
	moment?(game: string, said: MomentSaid): void;
	take?(game: string, state: 'begun' | 'done' | 'refused', why: string): void;
	/** The game is not there any more. */
	gone?(game: string): void;
}

const LISTS: Readonly<Partial<Record<KindName, string>>> = {
	shake: 'presets',
	bob: 'presets',
	lag: 'presets',
	event: 'events',
	value: 'parameters',
	cue: 'cues',
	rig: 'rigs'
};
const AGAIN_MS = 700;
const LONGEST_MS = 8000;
const BEAT_MS = 5000;
/** No more than a change a picture. */
const EVERY_MS = 16;
const LAST_CAME = 12;
/** Of what nobody takes the newest are kept. */
const MOST_FIRED = 60;
const MOST_EVENTS = 500;
/** How many of the last changes the time is told of. */
const TIMED = 12;

export class Wire {
	games = $state.raw<readonly GameThere[]>([]);
	/** The game that the Course room is to look at, once it is open; empty: none. */
	lookAt = $state('');
	/** Whether what happens in games is fired on the Bench too. */
	firesHere = $state(false);
	/** Milliseconds from a change here to the word that it is in a game's motion; null: none was made yet. */
	delay = $state<number | null>(null);
	/** Frames that this page was too slow for. */
	skipped = $state(0);
	/** By event, since the page was opened. */
	counted = $state.raw<Readonly<Record<string, Counted>>>({});
	/** What came last, the newest first. */
	came = $state.raw<readonly Came[]>([]);
	/** What the game played last, the newest first. */
	played = $state.raw<readonly (PlayedRow & { readonly game: string })[]>([]);
	private fired: Came[] = [];
	private socket: WebSocket | null = null;
	private wait = AGAIN_MS;
	private timer: ReturnType<typeof setTimeout> | null = null;
	private beat: ReturnType<typeof setInterval> | null = null;
	private ended = false;
	private readonly listeners = new Set<WireListener>();
	/** As they were before what has not been told yet. */
	private readonly before = new Map<string, Held | undefined>();
	private readonly after = new Map<string, Held>();
	private telling: ReturnType<typeof setTimeout> | null = null;
	private stamp = 0;
	private readonly told = new Map<string, number>();
	private delays: number[] = [];

	constructor(private readonly slug: string) {}

	/** Returns what ends it. */
	open(): () => void {
		this.connect();
		this.beat = setInterval(() => this.send({ type: 'beat' }), BEAT_MS);
		return () => {
			this.ended = true;
			if (this.timer) clearTimeout(this.timer);
			if (this.beat) clearInterval(this.beat);
			if (this.telling) clearTimeout(this.telling);
			this.socket?.close();
		};
	}

	listen(listener: WireListener): () => void {
		this.listeners.add(listener);
		return () => this.listeners.delete(listener);
	}

	/** A document is shown differently because of what was done here. */
	changed(held: Held, before: Held | undefined): void {
		if (this.games.length === 0 || (!LISTS[held.kind] && held.kind !== 'project')) return;
		if (!this.before.has(held.uuid)) this.before.set(held.uuid, before);
		this.after.set(held.uuid, held);
		this.telling ??= setTimeout(() => this.tell(), EVERY_MS);
	}

	private tell(): void {
		this.telling = null;
		const sets: FieldSet[] = [];
		for (const [uuid, held] of this.after) setsOf(this.before.get(uuid), held, sets);
		this.before.clear();
		this.after.clear();
		if (sets.length === 0) return;
		const stamp = `${++this.stamp}`;
		this.told.set(stamp, performance.now());
		this.send({ type: 'change', sets, stamp });
	}

	/** What happened since this was asked last, where it is to be fired here. */
	takeFired(): readonly Came[] {
		const { fired } = this;
		if (fired.length > 0) this.fired = [];
		return fired;
	}

	/** Looks at a game's frames, or does not any more; `moment`: asks for one, under this name. */
	look(game: string, frames: boolean, moment?: string): void {
		this.send({ type: 'want', game, frames, ...(moment !== undefined && { moment }) });
	}

	/** Asks a game to play a take again. */
	playTake(game: string, recording: Recording): void {
		this.send({ type: 'take', game, recording });
	}

	private send(message: FromPage): void {
		if (this.socket?.readyState === WebSocket.OPEN) this.socket.send(JSON.stringify(message));
	}

	private connect(): void {
		const { protocol, host } = location;
		const socket = new WebSocket(
			`${protocol === 'https:' ? 'wss' : 'ws'}://${host}/wire/${encodeURIComponent(this.slug)}?tool`
		);
		this.socket = socket;
		socket.onmessage = ({ data }) => this.hear(String(data));
		socket.onopen = () => (this.wait = AGAIN_MS);
		socket.onclose = () => {
			if (this.socket !== socket || this.ended) return;
			this.setGames([]);
			// Of what was not taken by then nobody will tell.
			this.told.clear();
			this.timer = setTimeout(() => this.connect(), this.wait);
			this.wait = Math.min(LONGEST_MS, this.wait * 2);
		};
	}

	private hear(text: string): void {
		const message = JSON.parse(text) as ToPage;
		if (message.type === 'games') this.setGames(message.games);
		else if (message.type === 'skipped') this.skipped += message.frames;
		else if (message.type === 'game') this.hearGame(message.game, message.said);
	}

	private setGames(games: readonly GameThere[]): void {
		const left = this.games.filter((game) => !games.some(({ id }) => id === game.id));
		this.games = games;
		for (const { id } of left) for (const listener of this.listeners) listener.gone?.(id);
	}

	private hearGame(game: string, said: GameSaid): void {
		switch (said.type) {
			case 'took':
				return this.time(said.stamp);
			case 'moment':
				for (const listener of this.listeners) listener.moment?.(game, said);
				return;
			case 'take':
				for (const listener of this.listeners) listener.take?.(game, said.state, said.why ?? '');
				return;
			case 'frames':
				this.count(game, said);
				for (const listener of this.listeners) listener.frames?.(game, said);
		}
	}

	private time(stamp: string): void {
		const from = this.told.get(stamp);
		if (from === undefined) return;
		this.told.delete(stamp);
		this.delays = [...this.delays, performance.now() - from].slice(-TIMED);
		this.delay = [...this.delays].sort((a, b) => a - b)[Math.floor(this.delays.length / 2)]!;
	}

	private count(game: string, said: FramesSaid): void {
		const came: Came[] = [];
		const counted: Record<string, Counted> = { ...this.counted };
		for (const [, call] of said.calls) {
			if (call.call !== 'event') continue;
			const { event, phase, at, options } = call;
			const { values = {}, tags = [], place } = options;
			came.push({ event, phase, at, game, values, tags, placed: place !== undefined });
			if (phase === 'ends' || (!(event in counted) && Object.keys(counted).length >= MOST_EVENTS)) continue;
			counted[event] = countedOf(counted[event], { phase, values, tags, placed: place !== undefined });
		}
		if (this.firesHere) this.fired = [...this.fired, ...came].slice(-MOST_FIRED);
		if (came.length > 0) {
			this.came = [...came.reverse(), ...this.came].slice(0, LAST_CAME);
			this.counted = counted;
		}
		if (said.played.length > 0)
			this.played = [...said.played.map((row) => ({ ...row, game })).reverse(), ...this.played].slice(0, LAST_CAME);
	}
}

/** What is known of an event once it has come again. */
export function countedOf(
	before: Counted | undefined,
	{ phase, values, tags, placed }: Pick<Came, 'phase' | 'values' | 'tags' | 'placed'>
): Counted {
	const ranges: Record<string, readonly [number, number]> = { ...before?.values };
	for (const [id, value] of Object.entries(values)) {
		const [least, most] = ranges[id] ?? [value, value];
		ranges[id] = [Math.min(least, value), Math.max(most, value)];
	}
	return {
		times: (before?.times ?? 0) + 1,
		phase,
		placed: placed || (before?.placed ?? false),
		values: ranges,
		tags: [...new Set([...(before?.tags ?? []), ...tags])]
	};
}

/** What games are told of a document that is shown differently. */
export function setsOf(before: Held | undefined, held: Held, out: FieldSet[]): void {
	const shown = (one: Held | undefined): AnyDocument | undefined =>
		one && !one.retired ? documentOf(one.kind, one.body) : undefined;
	const [was, is] = [shown(before), shown(held)];
	if (held.kind === 'project') {
		type Told = { readonly world?: unknown; readonly players?: readonly unknown[] };
		const [then, now] = [was as Told | undefined, is as Told | undefined];
		if (!now) return;
		fieldsBetween(['world'], then?.world, now.world, out);
		// A kit without any says nothing of them.
		const some = (players: readonly unknown[] | undefined): unknown => (players?.length ? players : undefined);
		fieldsBetween(['players'], some(then?.players), some(now.players), out);
		return;
	}
	const list = LISTS[held.kind];
	if (!list) return;
	if (was && was.id !== is?.id) out.push([[list, was.id]]);
	if (is) fieldsBetween([list, is.id], was?.id === is.id ? was : undefined, is, out);
}
