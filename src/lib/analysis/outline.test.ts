import { describe, expect, it } from 'vitest';
import { newLayer, newPreset, type Layer } from 'dinesis-runtime/tools';
import type { ShakePreset } from 'dinesis-runtime';
import { OUTLINE_POINTS, outlineOf } from './outline';
import { correlation } from './correlation';
import { stretchesOf } from './windows';

const none = { time: 0, ease: 'linear' } as const;
const still = newPreset('p', 'P');
const sine = (channels: Layer['channels'], duration = 1): ShakePreset => ({
	...still,
	timing: { ...still.timing, duration, fadeIn: none, fadeOut: none },
	layers: [{ ...newLayer('a'), pattern: { kind: 'wave', shape: 'sine' }, channels }]
});
const one = (amplitude: number) => ({ amplitude, frequency: 1, start: 'zero' as const });

describe('the little drawing', () => {
	it('shows the two channels that move the picture most, sized by how much', () => {
		// 5 m away, 5.77 m fill the height: 0.1 m is 1.73 %, 1° about 1.5 %, 0.02 m is a fifth of the first.
		const lines = outlineOf(sine({ x: one(0.1), y: one(0.02), pitch: one(0.01) }));
		expect(lines.map((line) => line.channel)).toEqual(['x', 'y']);
		expect(lines[0]!.values).toHaveLength(OUTLINE_POINTS);
		expect(Math.max(...lines[0]!.values)).toBeCloseTo(1, 2);
		expect(Math.max(...lines[1]!.values)).toBeCloseTo(0.2, 2);
		expect(lines[0]!.values[Math.round((OUTLINE_POINTS - 1) / 4)]).toBeCloseTo(1, 2);
	});

	it('of what does not move or lasts no time is empty', () => {
		expect(outlineOf({ ...still, layers: [] })).toEqual([]);
		expect(outlineOf(sine({ x: one(1) }, 0))).toEqual([]);
	});
});

describe('what is looked at', () => {
	it('a burst as a whole, a long one in pieces to its end, a continuous one once it has come up', () => {
		expect(stretchesOf({ ...still, timing: { ...still.timing, duration: 2, delay: 1 } })).toEqual([{ from: 0, to: 3 }]);
		const long = stretchesOf({ ...still, timing: { ...still.timing, duration: 600 } });
		expect(long).toHaveLength(6);
		expect(long[5]).toEqual({ from: 595, to: 600 });
		const storm = { ...still.timing, mode: 'continuous' as const, growth: { from: 0, to: 1, over: 20 } };
		expect(stretchesOf({ ...still, timing: { ...storm, fadeIn: { ...none, time: 2 } } })).toEqual([
			{ from: 22, to: 28 }
		]);
	});
});

describe('correlation', () => {
	it('is 1 on a straight diagonal, 0 on a circle, −1 where one goes against the other', () => {
		const rows = (f: (t: number) => [number, number]) =>
			Float64Array.from({ length: 400 }, (_, i) => f((i >> 1) / 200)[i & 1]!);
		const of = (v: Float64Array) => correlation(v, 200, 2, 0, 1);
		const sin = (t: number) => Math.sin(2 * Math.PI * t);
		const cos = (t: number) => Math.cos(2 * Math.PI * t);
		expect(of(rows((t) => [sin(t), 3 * sin(t)]))).toBeCloseTo(1, 12);
		expect(of(rows((t) => [sin(t), -sin(t)]))).toBeCloseTo(-1, 12);
		expect(of(rows((t) => [sin(t), cos(t)]))).toBeCloseTo(0, 12);
		expect(of(rows(() => [0, 1]))).toBe(0);
	});
});
