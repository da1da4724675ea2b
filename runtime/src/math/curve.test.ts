import { describe, expect, it } from 'vitest';
import { compileCurve, runCurve } from './curve';

describe('curve', () => {
	it('passes its points and is level outside', () => {
		const curve = compileCurve([
			{ at: 0.1, value: 2 },
			{ at: 0.5, value: 0.5 },
			{ at: 0.9, value: 1 }
		]);
		expect(runCurve(curve, 0)).toBe(2);
		expect(runCurve(curve, 0.5)).toBeCloseTo(0.5, 15);
		expect(runCurve(curve, 2)).toBe(1);
	});

	it('is the cubic of its slopes: value 0 → 1, slopes 0 and 3 over a width of 1 give −t² + 2t³ … by hand 0.125 at ½', () => {
		const curve = compileCurve([
			{ at: 0, value: 0, out: 0 },
			{ at: 1, value: 1, in: 3 }
		]);
		// h01(½)·1 + h11(½)·3 = ½ − 3/8
		expect(runCurve(curve, 0.5)).toBeCloseTo(0.125, 15);
	});

	it('does not overshoot where no slope is given', () => {
		const curve = compileCurve([
			{ at: 0, value: 0 },
			{ at: 0.2, value: 1 },
			{ at: 0.3, value: 1 },
			{ at: 1, value: 0 }
		]);
		for (let i = 0; i <= 400; i++) {
			expect(runCurve(curve, i / 400)).toBeLessThanOrEqual(1 + 1e-12);
			expect(runCurve(curve, i / 400)).toBeGreaterThanOrEqual(-1e-12);
		}
	});

	it('refuses points that do not rise', () => {
		expect(() =>
			compileCurve([
				{ at: 0.5, value: 1 },
				{ at: 0.5, value: 2 }
			])
		).toThrow(/rise/);
	});
});
