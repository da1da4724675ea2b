import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { easeAt, EASE_NAMES, overshoots, type EaseHandles } from './ease';

describe('eases', () => {
	it('there are linear, smooth and six shapes in three ways', () => {
		expect(EASE_NAMES).toHaveLength(2 + 6 * 3);
	});

	it.each([...EASE_NAMES])('%s goes from 0 to 1 and is level outside', (name) => {
		expect(easeAt(name, 0)).toBe(0);
		expect(easeAt(name, 1)).toBe(1);
		expect(easeAt(name, -2)).toBe(0);
		expect(easeAt(name, 3)).toBe(1);
		expect(easeAt(name, 1e-9)).toBeCloseTo(0, 6);
		expect(easeAt(name, 1 - 1e-9)).toBeCloseTo(1, 6);
	});

	it.each(EASE_NAMES.filter((n) => !n.startsWith('back')))('%s never falls', (name) => {
		for (let i = 1; i <= 200; i++) expect(easeAt(name, i / 200)).toBeGreaterThanOrEqual(easeAt(name, (i - 1) / 200));
	});

	it('have the values of their formulas', () => {
		expect(easeAt('linear', 0.3)).toBe(0.3);
		expect(easeAt('smooth', 0.25)).toBeCloseTo(0.15625, 15);
		expect(easeAt('quad-in', 0.3)).toBeCloseTo(0.09, 15);
		expect(easeAt('cubic-out', 0.5)).toBeCloseTo(0.875, 15);
		expect(easeAt('quart-in-out', 0.25)).toBeCloseTo(0.03125, 15);
		expect(easeAt('sine-in', 1 / 3)).toBeCloseTo(1 - Math.cos(Math.PI / 6), 14);
		expect(easeAt('sine-out', 1 / 3)).toBeCloseTo(0.5, 14);
		expect(easeAt('expo-in', 0.5)).toBeCloseTo(31 / 1023, 14);
		expect(easeAt('back-in', 0.5)).toBeCloseTo(0.125 * 2.70158 - 0.25 * 1.70158, 14);
	});

	it('in and out mirror each other', () => {
		for (const shape of ['sine', 'quad', 'cubic', 'quart', 'expo', 'back'] as const)
			for (const t of [0.1, 0.37, 0.8])
				expect(easeAt(`${shape}-out`, t)).toBeCloseTo(1 - easeAt(`${shape}-in`, 1 - t), 13);
	});

	it('handles on the diagonal are linear, and solve their curve', () => {
		expect(easeAt([1 / 3, 1 / 3, 2 / 3, 2 / 3], 0.4)).toBeCloseTo(0.4, 12);
		fc.assert(
			fc.property(
				fc.double({ min: 0, max: 1, noNaN: true }),
				fc.double({ min: 0, max: 1, noNaN: true }),
				fc.double({ min: 0, max: 1, noNaN: true }),
				(x1, x2, s) => {
					const r = 1 - s;
					const x = 3 * r * r * s * x1 + 3 * r * s * s * x2 + s * s * s;
					const y = 3 * r * r * s * 0.2 + 3 * r * s * s * 0.7 + s * s * s;
					// Near a vertical tangent the curve's parameter is ill defined; what comes out must still lie on the curve.
					expect(Math.abs(easeAt([x1, 0.2, x2, 0.7], x) - y)).toBeLessThan(2e-4);
				}
			),
			{ seed: 43 }
		);
	});

	it('know which of them overshoot', () => {
		expect(overshoots('back-out')).toBe(true);
		expect(overshoots('expo-in')).toBe(false);
		expect(overshoots([0.3, -0.1, 0.6, 1] as EaseHandles)).toBe(true);
		expect(overshoots([0.3, 0, 0.6, 1] as EaseHandles)).toBe(false);
	});
});
