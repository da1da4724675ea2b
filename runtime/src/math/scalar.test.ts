import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { acos, cos, cosTurns, exp, exp2, log2, sin, sinTurns } from './scalar';

// The built-in functions serve as the outside reference here: within their own error they are exact.
describe('sinTurns', () => {
	it('has exact values at the eighths', () => {
		expect(sinTurns(0)).toBe(0);
		expect(sinTurns(0.25)).toBeCloseTo(1, 15);
		expect(sinTurns(0.5)).toBeCloseTo(0, 15);
		expect(sinTurns(0.125)).toBeCloseTo(Math.SQRT1_2, 15);
		expect(sinTurns(-0.25)).toBeCloseTo(-1, 15);
	});

	it('is the sine everywhere, within 1e-14', () => {
		fc.assert(
			fc.property(fc.double({ min: -50, max: 50, noNaN: true }), (turns) => {
				expect(Math.abs(sinTurns(turns) - Math.sin(2 * Math.PI * (turns - Math.round(turns))))).toBeLessThan(1e-14);
			}),
			{ seed: 41 }
		);
	});

	it('repeats without loss after an hour of 20 Hz', () => {
		expect(sinTurns(72000.3125)).toBe(sinTurns(0.3125));
	});

	it('agrees with its relatives', () => {
		for (const angle of [-3, -1, 0.2, 1.5, 2.9]) {
			expect(sin(angle)).toBeCloseTo(Math.sin(angle), 14);
			expect(cos(angle)).toBeCloseTo(Math.cos(angle), 14);
		}
		expect(cosTurns(0.5)).toBeCloseTo(-1, 15);
	});
});

describe('exponentials', () => {
	it('are exact at whole powers of two', () => {
		for (const power of [-1022, -10, -1, 0, 1, 10, 52, 1000]) expect(exp2(power)).toBe(2 ** power);
	});

	it('are within 1e-14 of the exponential, relatively', () => {
		fc.assert(
			fc.property(fc.double({ min: -40, max: 40, noNaN: true }), (x) => {
				expect(Math.abs(exp(x) / Math.exp(x) - 1)).toBeLessThan(3e-14);
				expect(Math.abs(exp2(x) / 2 ** x - 1)).toBeLessThan(1e-14);
			}),
			{ seed: 42 }
		);
	});

	it('run out quietly', () => {
		expect(exp2(-5000)).toBe(0);
		expect(exp2(5000)).toBe(Infinity);
	});
});

describe('acos', () => {
	it('is the arc cosine on all of [−1, 1]', () => {
		for (let v = -1; v <= 1; v += 1 / 64) expect(acos(v)).toBeCloseTo(Math.acos(v), 13);
		expect(acos(2)).toBe(0);
	});
});

describe('log2', () => {
	it('is exact for powers of two, undoes exp2, and is the logarithm within 1e-14', () => {
		for (const n of [-1074, -30, -1, 0, 1, 10, 1023]) expect(log2(2 ** n)).toBe(n);
		fc.assert(
			fc.property(fc.double({ min: 1e-300, max: 1e300, noNaN: true }), (x) => {
				expect(Math.abs(log2(x) - Math.log2(x))).toBeLessThan(1e-14 * (1 + Math.abs(Math.log2(x))));
			}),
			{ seed: 43 }
		);
		expect([log2(0), log2(-1), log2(Infinity)]).toEqual([-Infinity, NaN, Infinity]);
	});
});
