import 'fake-indexeddb/auto';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import { createRuntime, type Runtime } from 'dinesis-runtime';
import { connect, type FromGame, type Recording, type ToGame } from 'dinesis-runtime/wire';
import { isAsRecorded } from '$lib/course';
import { type Course, type Kit } from '$lib/documents';
import { demoKit } from '$lib/documents/testing/demo';
import type { WireListener } from '$lib/session/wire.svelte';
import type { GameThere } from '$lib/wire/pages';
import { LivePlay } from './live.svelte';

const demo = demoKit();

/** A game and the page that looks at it, without a network between: what the one sends the other hears at once. */
class Between {
	listener: WireListener | null = null;
	socket: any;
	/** Messages that are lost on the way. */
	drop: (said: FromGame) => boolean = () => false;
	readonly asked: string[] = [];
	readonly runtime: Runtime;
	private frame = 0;

	constructor(readonly viewers: 1 | 2 = 1) {
		this.runtime = createRuntime(demo, { seed: 4, rig: 'keepers-eyes', viewers });
		const hear = (said: FromGame): void => {
			if (said.type === 'hello' || this.drop(said)) return;
			if (said.type === 'frames') this.listener?.frames?.('g', said);
			if (said.type === 'moment') this.listener?.moment?.('g', said);
		};
		const open = (socket: unknown): void => (this.socket = socket as never);
		class Line {
			bufferedAmount = 0;
			readyState = 1;
			constructor() {
				open(this);
			}
			send(text: string): void {
				hear(JSON.parse(text) as FromGame);
			}
			close(): void {}
		}
		connect(this.runtime, 'ws://here', { WebSocket: Line as never, later: () => () => undefined });
		this.socket.onopen();
		this.tell({ type: 'welcome', wire: 1, project: 'Quay' });
	}
	tell(message: ToGame): void {
		this.socket.onmessage({ data: JSON.stringify(message) });
	}
	readonly wire = {
		delay: null,
		listen: (listener: WireListener) => {
			this.listener = listener;
			return () => (this.listener = null);
		},
		look: (_: string, frames: boolean, moment?: string) => {
			if (moment) this.asked.push(moment);
			this.tell({ type: 'want', frames, felt: frames, ...(moment && { moment }) });
		}
	};
	/** The game goes on so many frames. */
	play(count: number): void {
		for (let i = 0; i < count; i++, this.frame++) {
			const { frame, runtime } = this;
			if (frame % 50 === 10) runtime.raise('wave-breaks', { values: { height: 5 }, place: [3, 0, -5] });
			const body = { pose: [frame / 90, 0, -frame / 60, frame / 3, 0], speed: 1.4, grounded: true };
			runtime.advance(1 / 60, this.viewers === 2 ? [body, { ...body, pose: [0, 0, 0, 0, 0] }] : body);
		}
	}
}

let between: Between;
let live: LivePlay;
let ended: { take: Course | null; why: string }[];
let played: Kit;
const there: GameThere = {
	id: 'g',
	game: 'Trial',
	kit: 'K',
	version: null,
	seed: 4,
	rig: 'keepers-eyes',
	viewers: 1,
	takes: true,
	since: 0
};
const start = (viewers: 1 | 2 = 1): void => {
	between = new Between(viewers);
	played = demo;
	ended = [];
	const session = {
		wire: between.wire,
		get played() {
			return played;
		},
		get wiring() {
			return played;
		}
	};
	live = new LivePlay(session as never, (take, why) => ended.push({ take, why }));
	between.play(30);
	live.begin({ ...there, viewers });
};
/** The game goes on, and the page draws what came. */
const both = (frames: number): void => {
	for (let i = 0; i < frames; i += 6) {
		between.play(6);
		live.frame(0.1);
	}
};
beforeEach(() => start());

describe('a running game that is looked on', () => {
	it('moves here as there, to the bit, and so do its plays', () => {
		both(300);
		expect(live.alike).toBeGreaterThan(250);
		expect(live.other).toBe(0);
		expect(live.eyes()).toHaveLength(1);
		expect(live.compared.length).toBeGreaterThan(0);
		for (const { there, here } of live.compared) expect(here).toBe(there);
	});

	it('for two players is seen by both', () => {
		start(2);
		both(120);
		expect(live.eyes()).toHaveLength(2);
		expect([live.other, live.alike > 80]).toEqual([0, true]);
	});

	it('that has another kit is told apart, and begun anew once it has the same', () => {
		both(60);
		const presets = demo.presets.map((p) => (p.id === 'wave-on-tower' ? { ...p, amount: 3 } : p)) as Kit['presets'];
		played = { ...demo, presets };
		live.rewire();
		both(120);
		expect(live.other).toBeGreaterThan(0);
		between.runtime.replaceKit(played);
		both(300);
		const before = live.other;
		both(120);
		expect(live.other).toBe(before);
	});

	it('a call that comes before its frame, with a change between, is played all the same', () => {
		both(60);
		between.runtime.raise('cask-set-down', { values: { impact: 6 }, place: [1, 0, -2] });
		// Whatever comes in sends off what was gathered before it.
		between.tell({ type: 'change', sets: [], stamp: 's' });
		both(120);
		expect([live.other, between.asked.length]).toEqual([0, 1]);
	});

	it('frames that were lost are counted, and it is begun anew behind them', () => {
		both(60);
		let lost = 0;
		between.drop = (said) => said.type === 'frames' && said.frames.length > 0 && lost++ < 2;
		both(60);
		between.drop = () => false;
		both(120);
		expect(between.asked.length).toBe(2);
		expect(live.other).toBe(0);
	});
});

describe('a recording of it', () => {
	it('is a take that plays what it was', () => {
		both(30);
		live.record();
		both(200);
		const take = live.take()!;
		expect(take.seconds).toBeGreaterThan(2.5);
		expect(take.recording!.frames.every((row) => row.length === 9)).toBe(true);
		expect(isAsRecorded(demo, take)).toBe(true);
		expect(take.events.map((e) => e.event)).toContain('wave-breaks');
		expect(live.recording).toBe(null);
	});

	it('of a few frames is none', () => {
		both(30);
		live.record();
		between.play(6);
		expect(live.take()).toBe(null);
	});

	it('ends where frames were lost, and where the game goes, and keeps what there was', () => {
		both(30);
		live.record();
		both(60);
		let lost = 0;
		between.drop = (said) => said.type === 'frames' && said.frames.length > 0 && lost++ < 1;
		both(30);
		expect(ended.map(({ why }) => why)).toEqual(['Frames were lost on the way: the take ends there.']);
		between.drop = () => false;
		both(30);
		live.record();
		both(60);
		between.listener!.gone!('g');
		expect(ended[1]!.why).toBe('“Trial” is gone.');
		for (const { take } of ended) expect((take!.recording as Recording).frames.length).toBeGreaterThan(30);
		expect(live.phase).toBe('idle');
		vi.restoreAllMocks();
	});
});
