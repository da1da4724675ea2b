import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { easeAt } from '../math/ease';
import { newPreset } from '../kit/fresh';
import type { Timing } from './types';
import { compileGain, gainAt, stopGain } from './gain';

const timing = (part: Partial<Timing>): Timing => ({ ...newPreset('a', 'a').timing, ...part });
const burst = timing({ duration: 2, fadeIn: { time: 0.4, ease: 'quad-in' }, fadeOut: { time: 1, ease: 'linear' } });

describe('gain', () => {
	it('is the formula of a burst: fades in, holds, fades out, 0 outside', () => {
		const shape = compileGain(burst);
		expect(gainAt(shape, -0.001)).toBe(0);
		expect(gainAt(shape, 0)).toBe(0);
		expect(gainAt(shape, 0.2)).toBeCloseTo(0.25, 12);
		expect(gainAt(shape, 0.7)).toBe(1);
		expect(gainAt(shape, 1.75)).toBeCloseTo(0.25, 12);
		expect(gainAt(shape, 2)).toBe(0);
		expect(gainAt(shape, 9)).toBe(0);
	});

	it('agrees with the formula written out, for any fades that fit', () => {
		const part = fc.double({ min: 0.01, max: 1, noNaN: true });
		fc.assert(
			fc.property(part, part, fc.double({ min: 0, max: 1, noNaN: true }), (fadeIn, fadeOut, at) => {
				const duration = fadeIn + fadeOut + 0.3;
				const shape = compileGain(
					timing({
						duration,
						fadeIn: { time: fadeIn, ease: 'sine-out' },
						fadeOut: { time: fadeOut, ease: 'cubic-out' }
					})
				);
				const age = at * duration * 0.999;
				const left = 1 - easeAt('cubic-out', (age - (duration - fadeOut)) / fadeOut);
				expect(Math.abs(gainAt(shape, age) - easeAt('sine-out', age / fadeIn) * left)).toBeLessThan(1e-9);
			}),
			{ seed: 44 }
		);
	});

	it('without fades is a step, as chosen', () => {
		const shape = compileGain(
			timing({ duration: 1, fadeIn: { time: 0, ease: 'linear' }, fadeOut: { time: 0, ease: 'linear' } })
		);
		expect([0, 0.999, 1].map((age) => gainAt(shape, age))).toEqual([1, 1, 0]);
	});

	it('scales fades that are longer together than the whole', () => {
		const shape = compileGain(
			timing({ duration: 1, fadeIn: { time: 3, ease: 'linear' }, fadeOut: { time: 1, ease: 'linear' } })
		);
		expect(shape.fadeIn).toBeCloseTo(0.75, 12);
		expect(shape.fadeOut).toBeCloseTo(0.25, 12);
		expect(gainAt(shape, 0.75)).toBeCloseTo(1, 12);
	});

	it('keeps the fades in seconds under another length', () => {
		const shape = compileGain(burst, 5);
		expect(shape.fadeIn).toBe(0.4);
		expect(gainAt(shape, 4.5)).toBeCloseTo(0.5, 12);
	});

	it('halves with the half-life, follows points, never falls below 0', () => {
		const none = { time: 0, ease: 'linear' } as const;
		const decay = compileGain(timing({ duration: 4, fadeIn: none, fadeOut: none, life: { decayHalfLife: 0.5 } }));
		expect(gainAt(decay, 1.5)).toBeCloseTo(0.125, 12);
		const points = compileGain(
			timing({
				duration: 4,
				fadeIn: none,
				fadeOut: none,
				life: {
					points: [
						{ at: 0, value: 1, out: -20 },
						{ at: 1, value: 1, in: 20 }
					]
				}
			})
		);
		expect(gainAt(points, 2)).toBe(0);
		expect(gainAt(points, 0)).toBe(1);
	});

	it('grows while continuous, then holds; the half-life works there too', () => {
		const none = { time: 0, ease: 'linear' } as const;
		const shape = compileGain(
			timing({ mode: 'continuous', fadeIn: none, fadeOut: none, growth: { from: 0.5, to: 2, over: 3 } })
		);
		expect(gainAt(shape, 1)).toBeCloseTo(1, 12);
		expect(gainAt(shape, 300)).toBe(2);
		expect(shape.duration).toBe(Infinity);
	});
});

describe('a stop', () => {
	it('fades from 1 to 0 over the fade out, at once without one', () => {
		const shape = compileGain(timing({ mode: 'continuous', fadeOut: { time: 2, ease: 'quad-in' } }));
		expect(stopGain(shape, 5, 5)).toBe(1);
		expect(stopGain(shape, 6, 5)).toBeCloseTo(0.75, 12);
		expect(stopGain(shape, 7, 5)).toBe(0);
		expect(stopGain(compileGain(timing({ fadeOut: { time: 0, ease: 'linear' } })), 5, 5)).toBe(0);
	});
});
