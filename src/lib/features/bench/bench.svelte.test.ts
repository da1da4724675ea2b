import { describe, expect, it } from 'vitest';
import { createPlayer, type ShakePreset } from 'dinesis-runtime';
import { newPreset } from 'dinesis-runtime/tools';
import type { ProjectSession } from '$lib/session/session.svelte';
import { BenchState } from './bench.svelte';
import { paperLength } from './paper';
import { toggled } from './channel-edits';
import { FRESH_KEYS, freshPattern, patternPath, withPattern, withView } from './pattern-drawing';
import { Wall } from './wall';

const thud: ShakePreset = newPreset('thud', 'Thud');
const hum: ShakePreset = {
	...thud,
	id: 'hum',
	name: 'Hum',
	tags: ['rest'],
	timing: {
		...thud.timing,
		mode: 'continuous',
		fadeIn: { time: 0.1, ease: 'linear' },
		fadeOut: { time: 0.5, ease: 'linear' }
	}
};

function bench(presets: ShakePreset[] = [thud, hum]) {
	const said: string[] = [];
	const listeners: ((p: ShakePreset) => void)[] = [];
	const list = [...presets];
	const tell = (p: ShakePreset): void => listeners.forEach((listener) => listener(p));
	const put = (p: ShakePreset): void => {
		list[list.findIndex((other) => other.id === p.id)] = p;
		tell(p);
	};
	const session = {
		project: { slug: 'harbour' },
		wiring: { events: [], cues: [], parameters: [{ id: 'cold', name: 'Cold', min: 0, max: 1, rest: 0 }] },
		presets: list,
		preset: (key: string) => list.find((p) => p.id === key),
		change: (key: string, _: string, recipe: (p: ShakePreset) => ShakePreset) =>
			put(recipe(list.find((p) => p.id === key)!)),
		seal: () => undefined,
		onRenamed: () => () => undefined,
		onChange: (listener: (p: ShakePreset) => void) => {
			listeners.push(listener);
			return () => undefined;
		},
		say: (text: string) => said.push(text)
	};
	const state = new BenchState(session as unknown as ProjectSession);
	const run = (seconds: number): void => {
		for (let i = 0; i < Math.round(seconds * 60); i++) state.frame(1 / 60);
	};
	return { state, run, said, change: put, of: (key: string) => list.find((p) => p.id === key)! };
}

describe('keys', () => {
	it('a burst drains its key and is gone', () => {
		const { state, run } = bench();
		state.press('thud', 0);
		run(0.5);
		expect(state.leftOf('thud')).toBeCloseTo(0.5, 2);
		expect([...state.sounding]).toEqual(['thud']);
		run(0.6);
		expect(state.leftOf('thud')).toBe(0);
		expect(state.sounding.size).toBe(0);
	});

	it('a continuous motion that is held stops when let go; tapped, it stays until the next tap', () => {
		const { state, run } = bench();
		state.press('hum', 1000);
		run(1);
		state.release('hum', 2000);
		run(0.6);
		expect(state.leftOf('hum')).toBe(0);
		state.press('hum', 3000);
		state.release('hum', 3100);
		run(5);
		expect(state.leftOf('hum')).toBe(1);
		state.press('hum', 9000);
		run(0.6);
		expect(state.leftOf('hum')).toBe(0);
	});

	it('a quiet motion is there from the start, and everything can be let go', () => {
		const { state, run } = bench();
		state.wake();
		run(0.2);
		expect(state.leftOf('hum')).toBe(1);
		state.stopAll();
		run(0.6);
		expect([...state.player.offset]).toEqual([0, 0, 0, 0, 0, 0, 0]);
	});

	it('one that ignores another press says so', () => {
		const { state, run } = bench([{ ...thud, overlap: { rule: 'ignore', limit: 1 } }]);
		state.press('thud', 0);
		run(0.1);
		state.press('thud', 100);
		expect(state.said.of('thud')).toBe('ignored: it plays already');
		run(2);
		expect(state.said.of('thud')).toBe('');
	});
});

describe('time', () => {
	it('runs slower, stands still, goes on by one frame, and never leaps after a pause of the page', () => {
		const { state, run } = bench();
		state.speed = 0.25;
		run(1);
		expect(state.player.now).toBeCloseTo(0.25, 9);
		state.paused = true;
		run(3);
		expect(state.player.now).toBeCloseTo(0.25, 9);
		state.step(1 / 60);
		expect(state.player.now).toBeCloseTo(0.25 + 1 / 60, 9);
		state.paused = false;
		state.speed = 1;
		state.frame(30);
		expect(state.player.now).toBeCloseTo(0.35 + 1 / 60, 9);
	});

	it('repeat fires the open preset every so often', () => {
		const { state, run } = bench();
		state.open = 'thud';
		state.repeatEvery = 2;
		state.toggleRepeat();
		run(7);
		expect(state.player.playsFired).toBe(4);
		state.toggleRepeat();
		run(5);
		expect(state.player.playsFired).toBe(4);
	});

	it('repeat lets a continuous motion go before the next begins', () => {
		const { state, run } = bench();
		state.open = 'hum';
		state.toggleRepeat();
		run(2.4);
		expect(state.leftOf('hum')).toBeLessThan(1);
	});
});

describe('a change while it plays', () => {
	it('is heard in the next frame', () => {
		const { state, run, change } = bench();
		state.press('hum', 0);
		run(0.5);
		const before = Math.abs(state.player.offset[1]!);
		change({ ...hum, amount: 3 });
		state.step(0);
		expect(Math.abs(state.player.offset[1]!)).toBeCloseTo(3 * before, 9);
	});
});

const close = (a: ArrayLike<number>, b: ArrayLike<number>): void =>
	Array.from(a).forEach((value, i) => expect(value).toBeCloseTo(b[i]!, 9));

describe('choosing the moment', () => {
	it('shows what playing up to there would have shown, and goes on from there', () => {
		const { state } = bench();
		state.choose('thud');
		const play = state.fire('thud')!;
		state.scrub(0.37);
		expect([state.paused, state.scrubbing]).toEqual([true, true]);
		const played = createPlayer([thud]);
		played.fire('thud', { seed: play.seed });
		close(state.offset, played.advanceTo(0.37));
		state.scrub(0.11);
		close(state.offset, played.advanceTo(0.11));
		state.goOn();
		state.step(0.2);
		close(state.offset, played.advanceTo(0.31));
	});

	it('of a continuous motion behind the point where it is let go shows its fade', () => {
		const { state } = bench();
		state.choose('hum');
		const seed = state.fire('hum')!.seed;
		const { letGoAt } = paperLength(hum);
		state.scrub(letGoAt! + 0.2);
		const played = createPlayer([hum]);
		const play = played.fire('hum', { seed })!;
		played.advanceTo(letGoAt!);
		play.stop(letGoAt!);
		close(state.offset, played.advanceTo(letGoAt! + 0.2));
		expect(Math.max(...state.offset.map(Math.abs))).toBeGreaterThan(0);
	});

	it('a part is played again and again with the same seed', () => {
		const { state, run } = bench();
		state.choose('thud');
		state.setLoop({ from: 0.2, to: 0.4 });
		const seed = state.newest!.seed;
		for (let i = 0; i < 6; i++) {
			run(0.1);
			const at = state.player.now - state.newest!.trigger;
			expect(at).toBeGreaterThanOrEqual(0.2 - 1e-9);
			expect(at).toBeLessThan(0.42);
			expect(state.newest!.seed).toBe(seed);
		}
		expect(state.player.plays.filter((p) => p.stoppedAt === null)).toHaveLength(1);
		state.stopAll();
		expect(state.loop).toBeNull();
	});

	it('what is changed while the picture stands is seen at once', () => {
		const { state, run, change } = bench();
		state.choose('thud');
		state.fire('thud');
		run(0.2);
		state.paused = true;
		const before = state.offset[1]!;
		change({ ...thud, amount: 2 });
		expect(state.offset[1]).toBeCloseTo(2 * before, 9);
	});
});

describe('what is seen', () => {
	it('at 30 pictures a second stands still between pictures', () => {
		const { state } = bench();
		state.pictureRate = 30;
		state.choose('thud');
		state.fire('thud');
		const seen: number[] = [];
		for (let i = 0; i < 60; i++) {
			state.frame(1 / 120);
			seen.push(state.offset[1]!);
		}
		const changes = seen.filter((v, i) => i > 0 && v !== seen[i - 1]).length;
		expect(changes).toBeGreaterThanOrEqual(13);
		expect(changes).toBeLessThanOrEqual(15);
	});

	it('bends under a ceiling; the player itself goes on unbent', () => {
		const { state, run } = bench();
		state.setCeilings({ y: 0.001 });
		state.fire('thud', 0, 5);
		run(0.2);
		expect(Math.abs(state.player.offset[1]!)).toBeGreaterThan(0.002);
		expect(Math.abs(state.offset[1]!)).toBeLessThan(0.001);
		state.setCeilings({});
		expect(state.offset[1]).toBe(state.player.offset[1]);
	});

	it('game values drive what is driven by them, in A and in B', () => {
		const curve = [
			{ at: 0, value: 1 },
			{ at: 1, value: 3 }
		];
		const driven = { ...hum, drives: [{ parameter: 'cold', to: 'amount' as const, curve }] };
		const { state, run } = bench([thud, driven]);
		state.choose('hum');
		state.fire('hum');
		run(0.4);
		const before = state.offset[1]!;
		state.setValue('cold', 1);
		state.step(0);
		expect(state.valueNow('cold')).toBe(1);
		expect(state.offset[1]).toBeCloseTo(3 * before, 9);
		state.hold(driven);
		expect(state.otherOffset[1]).toBeCloseTo(3 * before, 9);
		state.hold(null);
	});

	it('layers heard alone, or a neighbour in the preset’s place', () => {
		const two = { ...thud, layers: [thud.layers[0]!, { ...thud.layers[0]!, id: 'two', channels: {} }] };
		const { state, run } = bench([two]);
		state.choose('thud');
		state.fire('thud');
		run(0.2);
		state.setSolo(new Set(['two']));
		state.step(0);
		expect([...state.offset]).toEqual([0, 0, 0, 0, 0, 0, 0]);
		state.setSolo(new Set());
		state.step(0);
		const before = state.offset[1]!;
		expect(before).not.toBe(0);
		state.tryOut({ ...two, amount: 3 });
		state.step(0);
		expect(state.offset[1]).toBeCloseTo(3 * before, 9);
		state.tryOut(null);
		state.step(0);
		expect(state.offset[1]).toBeCloseTo(before, 9);
	});
});

describe('A and B', () => {
	it('play in the same moments with the same seeds, from whenever B was held', () => {
		const { state, run, change } = bench();
		state.choose('thud');
		state.wake();
		state.fire('thud');
		run(0.15);
		state.hold(thud);
		expect(state.compare).toBe('split');
		close(state.otherOffset, state.offset);
		change({ ...thud, amount: 2 });
		run(0.1);
		const hush = createPlayer([hum], { seed: 20 });
		hush.fire('hum', { seed: state.player.plays.find((p) => p.presetId === 'hum')!.seed });
		const still = hush.advanceTo(state.player.now);
		close(
			state.offset.map((v, i) => v - still[i]!),
			state.otherOffset.map((v, i) => 2 * (v - still[i]!))
		);
		state.fire('thud');
		state.press('hum', 0);
		run(0.1);
		expect(state.otherOffset.some((v) => v !== 0)).toBe(true);
	});

	it('are swapped and taken; B is kept for the next visit', () => {
		const { state, of } = bench();
		state.choose('thud');
		state.hold({ ...thud, amount: 3 });
		state.swap();
		expect([of('thud').amount, state.other!.amount]).toEqual([3, 1]);
		state.takeOther();
		expect(of('thud').amount).toBe(1);
		state.choose('hum');
		expect(state.other).toBeNull();
		state.choose('thud');
		expect(state.other!.amount).toBe(1);
		state.hold(null);
		expect([state.other, state.compare]).toEqual([null, 'a']);
	});
});

describe('the wall of neighbours', () => {
	it('plays all with one seed, again when the longest is over', () => {
		const wall = new Wall(2);
		wall.show([thud, { ...thud, amount: 2 }]);
		wall.frame(1);
		const [a, b] = wall.frame(1.2).map((o) => o[1]!);
		expect(b).toBeCloseTo(2 * a!, 9);
		expect(a).not.toBe(0);
		expect(wall.frame(2.4)[0]!.every((v) => v === 0)).toBe(true);
		wall.frame(2.6);
		expect(wall.frame(2.8)[0]![1]).toBeCloseTo(a!, 9);
	});
});

describe('paper and drawings', () => {
	it('a burst gets its length, a continuous motion its fades and a stretch between', () => {
		expect(paperLength(thud)).toEqual({ seconds: expect.closeTo(1.12, 9), letGoAt: undefined });
		const { seconds, letGoAt } = paperLength(hum);
		expect(letGoAt).toBeCloseTo(2.6, 9);
		expect(seconds).toBeGreaterThan(letGoAt! + 0.5);
	});

	it('every pattern is drawn within its box, and a switch to keys moves at once', () => {
		for (const kind of ['noise', 'wave', 'jumps', 'keys', 'kick'] as const) {
			const heights = patternPath(freshPattern(kind))
				.split('L')
				.map((point) => Number(point.split(' ')[1]));
			expect(heights).toHaveLength(101);
			expect(Math.max(...heights) - Math.min(...heights)).toBeGreaterThan(4);
			expect(heights.every((y) => y >= 0 && y <= 26)).toBe(true);
		}
		const keyed = withPattern(thud.layers[0]!, freshPattern('keys'));
		expect(keyed.channels.y!.keys).toBe(FRESH_KEYS);
	});

	it('another kind of view keeps the size of the movement, and no layer falls silent', () => {
		const flat = withView(thud, 'flat');
		// 0.05 m at 5 m are 0.87 % of the picture's height, of 1080 pixels 9.4.
		expect(flat.layers[0]!.channels.y!.amplitude).toBeCloseTo(9.4, 9);
		expect(flat.layers[0]!.channels.roll!.amplitude).toBe(0.8);
		expect(withView(flat, 'space').layers[0]!.channels.y!.amplitude).toBeCloseTo(0.05, 9);
		const nod = { ...thud, layers: [{ ...thud.layers[0]!, channels: { pitch: thud.layers[0]!.channels.roll! } }] };
		expect(Object.keys(withView(nod, 'flat').layers[0]!.channels)).toContain('y');
		// What is switched off comes back in the same unit as what is on.
		const off = { ...thud, layers: [toggled(thud.layers[0]!, 'y', 'space')] };
		const back = toggled(withView(off, 'flat').layers[0]!, 'y', 'flat');
		expect(back.channels.y!.amplitude).toBeCloseTo(9.4, 9);
		expect(withView(thud, 'space')).toBe(thud);
	});
});
