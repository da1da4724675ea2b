import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { between, reduce, type Shape } from './reduce';

/** The curve through keys at any sample, by hand: find the piece, go along it. */
const seen = (samples: number[], keys: readonly number[], i: number, shape: Shape): number => {
	const to = keys.findIndex((k) => k >= i);
	return keys[to] === i ? samples[i]! : between(samples, keys[to - 1]!, keys[to]!, i, shape);
};

describe('as few keys as keep within a tolerance', () => {
	it('of a line are its ends, of a bent line its corner too', () => {
		expect(
			reduce(
				Array.from({ length: 101 }, (_, i) => 3 * i),
				1e-9,
				'linear'
			).at
		).toEqual([0, 100]);
		const bent = Array.from({ length: 101 }, (_, i) => Math.abs(i - 40));
		expect(reduce(bent, 1e-9, 'linear').at).toEqual([0, 40, 100]);
		expect(reduce([], 1, 'linear').at).toEqual([]);
		expect(reduce([7], 1, 'cubic').at).toEqual([0]);
	});

	it('of a parabola are as many as the chord’s sagitta says: h = k·(w/2)²', () => {
		// y = x²·1e-4: a chord over w samples is off by 1e-4·(w/2)²; within 0.01 it is 20 long.
		const samples = Array.from({ length: 201 }, (_, i) => i * i * 1e-4);
		const { at, worst } = reduce(samples, 0.01 + 1e-9, 'linear');
		expect(at).toHaveLength(11);
		expect(worst).toBeCloseTo(0.01, 9);
	});

	it('a sine needs fewer cubic keys than straight ones', () => {
		const samples = Array.from({ length: 1201 }, (_, i) => Math.sin((2 * Math.PI * i) / 300));
		const [linear, cubic] = [reduce(samples, 1e-3, 'linear'), reduce(samples, 1e-3, 'cubic')];
		expect(cubic.at.length).toBeLessThan(linear.at.length / 2);
		expect(cubic.worst).toBeLessThanOrEqual(1e-3);
	});

	it.each(['linear', 'cubic'] as const)(
		'%s: whatever the curve, every sample is within, and the ends are kept',
		(shape) => {
			fc.assert(
				fc.property(
					fc.array(fc.double({ min: -5, max: 5, noNaN: true }), { minLength: 2, maxLength: 120 }),
					fc.double({ min: 0, max: 2, noNaN: true }),
					(samples, tolerance) => {
						const { at, worst } = reduce(samples, tolerance, shape);
						expect([at[0], at.at(-1)]).toEqual([0, samples.length - 1]);
						expect(at.every((k, i) => i === 0 || k > at[i - 1]!)).toBe(true);
						expect(worst).toBeLessThanOrEqual(tolerance);
						samples.forEach((value, i) =>
							expect(Math.abs(seen(samples, at, i, shape) - value)).toBeLessThanOrEqual(worst + 1e-12)
						);
					}
				),
				{ numRuns: 200 }
			);
		}
	);
});
