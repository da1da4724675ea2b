import { describe, expect, it } from 'vitest';
import type { ShakePreset } from 'dinesis-runtime';
import { newPreset } from 'dinesis-runtime/tools';
import { handlesOf } from './strip-handles';

const base = newPreset('p', 'P');
const preset = (timing: Partial<ShakePreset['timing']>): ShakePreset => ({
	...base,
	timing: { ...base.timing, ...timing }
});
const burst = preset({
	delay: 0.5,
	duration: 2,
	fadeIn: { time: 0.2, ease: 'linear' },
	fadeOut: { time: 0.6, ease: 'linear' }
});
const held = preset({
	mode: 'continuous',
	fadeIn: { time: 0.2, ease: 'linear' },
	fadeOut: { time: 0.6, ease: 'linear' },
	growth: { from: 0, to: 1, over: 8 }
});
const at = (p: ShakePreset, letGoAt?: number) => handlesOf(p, letGoAt).map((h) => [h.id, Number(h.time.toFixed(6))]);
const move = (p: ShakePreset, id: string, time: number, letGoAt?: number) =>
	handlesOf(p, letGoAt)
		.find((h) => h.id === id)!
		.set(time)(p).timing;

describe('the marks on the strip', () => {
	it('of a burst stand where it starts, is full, begins to fade and ends', () => {
		expect(at(burst)).toEqual([
			['delay', 0.5],
			['fade-in', 0.7],
			['fade-out', 1.9],
			['length', 2.5]
		]);
		expect(move(burst, 'delay', 0.3).delay).toBe(0.3);
		expect(move(burst, 'fade-in', 0.9).fadeIn.time).toBeCloseTo(0.4, 9);
		expect(move(burst, 'fade-out', 1.5).fadeOut.time).toBeCloseTo(1, 9);
		expect(move(burst, 'length', 3.5).duration).toBeCloseTo(3, 9);
		expect(move(burst, 'length', -1).duration).toBe(0);
	});

	it('of fades that do not fit stand where they are played', () => {
		const tight = preset({ duration: 1, fadeIn: { time: 1, ease: 'linear' }, fadeOut: { time: 3, ease: 'linear' } });
		expect(at(tight).slice(1, 3)).toEqual([
			['fade-in', 0.25],
			['fade-out', 0.25]
		]);
	});

	it('of a continuous motion stand where it is full, has grown, and is gone after letting go', () => {
		expect(at(held, 10.7)).toEqual([
			['delay', 0],
			['fade-in', 0.2],
			['growth', 8],
			['fade-out', 11.3]
		]);
		expect(move(held, 'growth', 5, 10.7).growth).toEqual({ from: 0, to: 1, over: 5 });
		expect(move(held, 'fade-out', 12.7, 10.7).fadeOut.time).toBeCloseTo(2, 9);
		expect(handlesOf({ ...held, timing: { ...held.timing, growth: null } }, 3).map((h) => h.id)).toEqual([
			'delay',
			'fade-in',
			'fade-out'
		]);
	});
});
