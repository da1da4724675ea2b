import { describe, expect, it } from 'vitest';
import { newPreset, type ShakePreset } from '$lib/core';
import type { ProjectSession } from '$lib/session/session.svelte';
import { BenchState, paperLength } from './bench.svelte';
import { FRESH_KEYS, freshPattern, patternPath, withPattern } from './pattern-drawing';

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
	const session = {
		presets,
		preset: (key: string) => presets.find((p) => p.id === key),
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
	return { state, run, said, change: (p: ShakePreset) => listeners.forEach((tell) => tell(p)) };
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
		expect(state.saidOf('thud')).toBe('ignored: it plays already');
		run(2);
		expect(state.saidOf('thud')).toBe('');
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
});
