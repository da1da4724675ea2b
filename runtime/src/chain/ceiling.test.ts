import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { applyCeilings, compileCeilings, isBent } from './ceiling';

const bend = (value: number, most: number | null): number => {
	const values = Float64Array.of(0, value, 0, 0, 0, 0, 0);
	applyCeilings(compileCeilings({ y: most }), values);
	return values[1]!;
};

describe('the ceiling', () => {
	it('lets pass what is below 0.7 of it, and bends what is above', () => {
		expect(bend(0.7, 1)).toBe(0.7);
		// u = 1: half of the room above 0.7.
		expect(bend(1, 1)).toBeCloseTo(0.85, 12);
		expect(bend(-2, 2)).toBeCloseTo(-1.7, 12);
		// u = (4 − 1.4)/0.6.
		expect(bend(4, 2)).toBeCloseTo(1.4 + (0.6 * (2.6 / 0.6)) / (1 + 2.6 / 0.6), 12);
		expect(bend(1000, null)).toBe(1000);
		expect(bend(3, 0)).toBe(0);
	});

	it('never reaches it, keeps the order and the sign, and has no jump', () => {
		fc.assert(
			fc.property(
				fc.double({ min: 0.01, max: 100, noNaN: true }),
				fc.double({ min: 0, max: 50, noNaN: true }),
				(c, x) => {
					const v = bend(x * c, c);
					expect(v).toBeLessThanOrEqual(c);
					expect(bend(-x * c, c)).toBe(-v);
					const next = bend((x + 1e-6) * c, c);
					expect(next).toBeGreaterThanOrEqual(v);
					expect(next - v).toBeLessThanOrEqual(1.0001e-6 * c + 1e-12);
				}
			)
		);
	});

	it('says whether it bends anything, and refuses a negative one', () => {
		const ceilings = compileCeilings({ roll: 2 });
		expect(isBent(ceilings, Float64Array.of(99, 0, 0, 0, 0, 1.4, 0))).toBe(false);
		expect(isBent(ceilings, Float64Array.of(0, 0, 0, 0, 0, -1.41, 0))).toBe(true);
		expect(() => compileCeilings({ x: -1 })).toThrow(/x is -1/);
	});
});
