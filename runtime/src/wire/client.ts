/**
 * Connects a running game with the tool: what is changed there comes into the motion with the next frame, what happens here is told there.
 * Without a tool nothing happens; a connection that is lost is made again.
 *
 *     const runtime = createRuntime(kit, { seed: 1 });
 *     const wire = connect(runtime, 'ws://127.0.0.1:5170/wire/lamp-at-morrowskerry', { key, game: 'Quay' });
 */
import { momentOf } from '../frame/moment';
import type { Decision } from '../frame/director';
import type { Frame, FrameBody } from '../frame/frame';
import type { Called, Runtime, Tap } from '../game/runtime';
import { openKit } from '../kit/open';
import type { Kit } from '../kit/types';
import { fieldsBetween, withFields, type FieldSet } from './fields';
import {
	GROUNDED,
	LIMITS,
	ON_FOOT,
	WIRE,
	type CallRow,
	type FrameRow,
	type FromGame,
	type PlayedRow,
	type Recording,
	type ToGame
} from './protocol';

/** As browsers have it, and Node from 22 on. */
export interface SocketLike {
	readonly bufferedAmount: number;
	readonly readyState: number;
	onopen: ((event: never) => void) | null;
	onclose: ((event: never) => void) | null;
	onerror: ((event: never) => void) | null;
	onmessage: ((event: { data: unknown } & never) => void) | null;
	send(text: string): void;
	close(code?: number, reason?: string): void;
}

export interface WireOptions {
	/** The project's key: needed by a page of another origin. The project's page shows it. */
	readonly key?: string;
	/** What people call this game. */
	readonly game?: string;
	/** Which version of the kit it began with, as the game names them. */
	readonly version?: string;
	/** Plays a take that the tool sends, as `Replayed` does; left out: it cannot. Throws what stands in the way. */
	readonly take?: (recording: Recording) => void;
	/** Hears of each change of the connection. */
	readonly onState?: (wire: Wire) => void;
	/** Where there is none in the language itself: Node before 22. */
	readonly WebSocket?: new (url: string) => SocketLike;
	/** Calls back after milliseconds and gives what takes it back; for tests. */
	readonly later?: (work: () => void, ms: number) => () => void;
}

export interface Wire {
	/** `away`: there is no tool, or not now; `refused`: it will not have us, and says why. */
	readonly state: 'away' | 'open' | 'refused' | 'closed';
	/** Why it was refused, or closed. */
	readonly why: string;
	/** The project's name, once it is open. */
	readonly project: string;
	/** Frames that were left out because the tool was slower. */
	readonly lost: number;
	/** Tells the tool that a take is done. */
	tookTake(): void;
	close(): void;
}

/** Between two messages, in seconds of frames. */
const EVERY = 0.04;
const AGAIN_MS = 500;
const LONGEST_MS = 5000;
/** A tool that says nothing for so long is gone. */
const SILENT_MS = 15_000;
const OPEN = 1;
const LISTS = ['events', 'parameters', 'presets', 'cues', 'rigs'] as const;

type Inside = { readonly kit: Kit; readonly frame: Frame };

/** Connects a runtime with the tool at an address. Never throws; says by `state` how it stands. */
export function connect(runtime: Runtime, url: string, options: WireOptions = {}): Wire {
	return new Connection(runtime, url, options);
}

/** Every place that has a WebSocket has these; the run-time itself knows no clock. */
interface Timers {
	setTimeout(work: () => void, ms: number): unknown;
	clearTimeout(timer: unknown): void;
}
const later = (work: () => void, ms: number): (() => void) => {
	const timers = globalThis as unknown as Timers;
	const timer = timers.setTimeout(work, ms);
	// A game that is done may end.
	(timer as { unref?(): void }).unref?.();
	return () => timers.clearTimeout(timer);
};

class Connection implements Wire, Tap {
	state: Wire['state'] = 'away';
	why = '';
	project = '';
	lost = 0;
	private socket: SocketLike | null = null;
	private wait = AGAIN_MS;
	private stopWaiting: () => void = () => undefined;
	private stopListening: () => void = () => undefined;
	private readonly later: NonNullable<WireOptions['later']>;
	/** The number of the frame that comes next. */
	private next = 0;
	/** What comes with the next frame: the whole kit, and changes of it. */
	private kit: Kit | null = null;
	private changes: { readonly sets: readonly FieldSet[]; readonly stamp: string | undefined }[] = [];
	private asked: string[] = [];
	private wants = { frames: false, felt: false };
	/** Gathered since the last message. */
	private frames: FrameRow[] = [];
	private calls: CallRow[] = [];
	private played: PlayedRow[] = [];
	private first = 0;
	private clock = 0;
	/** The runtime's clock before the frame that goes on now. */
	private begins = 0;
	private gathered = 0;
	private lostFrames = 0;
	private lostCalls = 0;
	private late = false;
	private heard: Frame | null = null;

	constructor(
		private readonly runtime: Runtime,
		private readonly url: string,
		private readonly options: WireOptions
	) {
		this.later = options.later ?? later;
		runtime.tap = this;
		this.open();
	}

	private get inside(): Inside {
		return this.runtime as unknown as Inside;
	}

	// What the game does.

	called(called: Called): void {
		if (this.state === 'refused' || this.state === 'closed') return;
		this.calls.push([this.next, called]);
		if (this.calls.length <= LIMITS.kept) return;
		this.calls.shift();
		this.lostCalls++;
	}

	before(): void {
		if (this.kit !== null || this.changes.length > 0) this.takeIn();
		if (this.heard !== this.inside.frame) this.listenIn();
		if (this.asked.length > 0) this.tellMoments();
		this.begins = this.runtime.now;
	}

	after(dt: number, bodies: readonly FrameBody[]): void {
		this.next++;
		if (this.state !== 'open') return;
		this.gathered += dt > 0 ? dt : 1e-9;
		if (this.wants.frames) this.gather(dt, bodies);
		if (this.gathered >= EVERY) this.flush();
	}

	private gather(dt: number, bodies: readonly FrameBody[]): void {
		if (this.socket!.bufferedAmount > LIMITS.waiting) {
			this.lostFrames++;
			this.lost++;
			// What comes behind a gap begins anew.
			this.flush();
			return;
		}
		if (this.frames.length === 0) {
			this.first = this.next - 1;
			this.clock = this.begins;
		}
		const row: number[] = [dt];
		for (let i = 0; i < bodies.length; i++) {
			const { pose, speed, grounded, onFoot } = bodies[i]!;
			// Said with the body, or answered by the game: either way the boom has it.
			const { boom } = this.inside.frame.cameras[i]!.run as unknown as { boom: { room: Float64Array } | null };
			const room = boom ? boom.room[0]! : bodies[i]!.room;
			const flags = (grounded ? GROUNDED : 0) + (onFoot === false ? 0 : ON_FOOT);
			const free = room === undefined || room === Infinity ? -1 : room;
			row.push(pose[0]!, pose[1]!, pose[2]!, pose[3]!, pose[4]!, speed, flags, free);
		}
		if (this.wants.felt) row.push(...this.inside.frame.cameras[0]!.offset);
		this.frames.push(row);
	}

	private flush(): void {
		const { frames, calls, played } = this;
		const [first, clock] = frames.length > 0 ? [this.first, this.clock] : [this.next, this.runtime.now];
		this.gathered = 0;
		if (frames.length === 0 && calls.length === 0 && played.length === 0 && this.lostFrames + this.lostCalls === 0)
			return;
		const lost = [this.lostFrames, this.lostCalls] as const;
		this.frames = [];
		this.calls = [];
		this.played = [];
		this.lostFrames = this.lostCalls = 0;
		const late = this.late ? ({ late: true } as const) : {};
		this.late = false;
		this.send({ type: 'frames', first, clock, frames, calls, played, lost, ...late });
	}

	/** Hears what becomes of what the cues ask for. A runtime that went back to a snapshot has another frame. */
	private listenIn(): void {
		const { frame } = this.inside;
		if (this.heard !== null) {
			// It goes on from elsewhere: whoever looks on sees a gap, and begins anew.
			this.flush();
			this.next++;
		}
		this.heard = frame;
		frame.director.explain((decision) => this.decided(decision));
	}

	private decided(decision: Decision): void {
		if (!this.wants.frames || decision.kind !== 'played' || this.played.length >= LIMITS.kept) return;
		const { at, cue, preset, viewer, outcome, strength } = decision;
		this.played.push({ at, cue, preset, viewer, outcome, strength });
	}

	private tellMoments(): void {
		const { frame, kit } = this.inside;
		// What was gathered belongs before it.
		this.flush();
		for (const token of this.asked)
			this.send({ type: 'moment', token, first: this.next, clock: this.runtime.now, moment: momentOf(frame, kit) });
		this.asked = [];
	}

	// What the tool says.

	/** Changes come in between two frames. */
	private takeIn(): void {
		const { changes } = this;
		let kit = this.kit ?? this.inside.kit;
		this.kit = null;
		this.changes = [];
		try {
			for (const { sets } of changes) kit = readSets(kit, sets);
		} catch (error) {
			this.send({ type: 'lost', why: error instanceof Error ? error.message : String(error) });
			return;
		}
		// What was gathered was felt before it.
		this.flush();
		if (kit !== this.inside.kit) this.runtime.replaceKit(kit);
		for (const { stamp } of changes) if (stamp !== undefined) this.send({ type: 'took', stamp });
	}

	private hear(text: unknown): void {
		let message: ToGame;
		try {
			message = JSON.parse(String(text)) as ToGame;
		} catch {
			return;
		}
		this.listen();
		switch (message?.type) {
			case 'welcome':
				this.project = message.project;
				this.wait = AGAIN_MS;
				this.become('open', '');
				return;
			case 'kit': {
				const read = openKit(message.kit);
				if (!read.ok) return this.send({ type: 'lost', why: read.problems[0]?.message ?? 'It is no kit.' });
				// Only what differs is another: what is the same goes on as if nothing had come.
				const { kit } = this.inside;
				this.kit = withFields(kit, fieldsBetween([], kit, read.value));
				this.changes = [];
				return;
			}
			case 'change':
				this.changes.push({ sets: message.sets, stamp: message.stamp });
				return;
			case 'want':
				this.wants = { frames: message.frames === true, felt: message.felt === true };
				if (typeof message.moment === 'string' && this.asked.length < 8) this.asked.push(message.moment);
				return;
			case 'take':
				return this.takeUp(message.recording);
			case 'beat':
				this.send({ type: 'beat' });
		}
	}

	private takeUp(recording: Recording): void {
		const { take } = this.options;
		try {
			if (!take) throw new Error('This game plays no takes.');
			take(recording);
			this.send({ type: 'take', state: 'begun' });
		} catch (error) {
			this.send({ type: 'take', state: 'refused', why: error instanceof Error ? error.message : String(error) });
		}
	}

	tookTake(): void {
		this.send({ type: 'take', state: 'done' });
	}

	// The line.

	private open(): void {
		const Socket = this.options.WebSocket ?? (globalThis as { WebSocket?: new (url: string) => SocketLike }).WebSocket;
		if (!Socket) return this.become('refused', 'There is no WebSocket here; give one: { WebSocket }.');
		let socket: SocketLike;
		try {
			socket = new Socket(this.url);
		} catch (error) {
			return this.become('refused', error instanceof Error ? error.message : String(error));
		}
		this.socket = socket;
		socket.onopen = () => this.greet();
		socket.onmessage = ({ data }) => this.socket === socket && this.hear(data);
		socket.onerror = () => undefined;
		socket.onclose = ((event: { code?: number; reason?: string }) => this.gone(socket, event)) as never;
	}

	private greet(): void {
		const { key, game = 'A game', version = null, take } = this.options;
		const { seed, rig, viewers } = this.runtime.made;
		const hello: FromGame = {
			type: 'hello',
			wire: WIRE,
			game,
			...(key !== undefined && { key }),
			kit: this.inside.kit.name,
			version,
			seed,
			rig,
			viewers,
			takes: take !== undefined
		};
		this.socket!.send(JSON.stringify(hello));
		this.listen();
	}

	/** Waits for the next word. */
	private listen(): void {
		this.stopListening();
		this.stopListening = this.later(() => this.socket?.close(), SILENT_MS);
	}

	private gone(socket: SocketLike, { code, reason }: { code?: number; reason?: string }): void {
		if (this.socket !== socket) return;
		this.socket = null;
		this.stopListening();
		this.wants = { frames: false, felt: false };
		this.frames = [];
		this.late = true;
		// 4001: who we are; 4002: what we speak. Asking again would not help.
		if (code === 4001 || code === 4002) return this.become('refused', reason ?? '');
		this.become('away', reason ?? '');
		this.stopWaiting = this.later(() => this.open(), this.wait);
		this.wait = Math.min(LONGEST_MS, this.wait * 2);
	}

	private become(state: Wire['state'], why: string): void {
		if (this.state === state && this.why === why) return;
		this.state = state;
		this.why = why;
		this.options.onState?.(this);
	}

	private send(message: FromGame): void {
		if (this.state === 'open' && this.socket?.readyState === OPEN) this.socket.send(JSON.stringify(message));
	}

	close(): void {
		const { socket } = this;
		if (this.state === 'open') this.flush();
		this.stopWaiting();
		this.stopListening();
		this.socket = null;
		if (this.runtime.tap === this) this.runtime.tap = null;
		this.heard?.director.explain(null);
		socket?.close(1000, 'the game is done');
		this.become('closed', '');
	}
}

/** A kit with fields set, what they are in read again: nothing that is none comes into the motion. Throws what is wrong. */
function readSets(kit: Kit, sets: readonly FieldSet[]): Kit {
	const next = withFields(kit, sets);
	if (sets.some(([path]) => path.length < 2 || path[0] === 'world')) return whole(next);
	const touched = new Map<string, Set<string>>();
	for (const [[list, id]] of sets) touched.set(list!, (touched.get(list!) ?? new Set()).add(id!));
	const read: Record<string, unknown> = {};
	for (const list of LISTS) {
		const ids = touched.get(list);
		if (!ids) continue;
		const parts = (next[list] as readonly { id: string }[]).filter(({ id }) => ids.has(id));
		const found = whole({ format: kit.format, version: kit.version, name: kit.name, [list]: parts });
		const sound = new Map((found[list] as readonly { id: string }[]).map((one) => [one.id, one]));
		read[list] = (next[list] as readonly { id: string }[]).map((one) => sound.get(one.id) ?? one);
	}
	return { ...next, ...read };
}

function whole(kit: unknown): Kit {
	const read = openKit(kit);
	if (!read.ok) throw new RangeError(`${read.problems[0]?.place ?? ''}: ${read.problems[0]?.message ?? 'no kit'}`);
	return read.value;
}
