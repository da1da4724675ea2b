import { newPreset } from 'dinesis-runtime/tools';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { heightOf, landed, movePoint, pointsOf, strengthAt } from './life-points';

const points = [
	{ at: 0, value: 1 },
	{ at: 0.5, value: 2, out: 3 },
	{ at: 1, value: 0 }
];
/** Its middle is at 60; its half is 50 high, of which 4 are free. */
const band = { top: 10, bottom: 110 };

describe('strength over life on the strip', () => {
	it('stands in the band: nothing in the middle, the strongest four pixels below the top', () => {
		expect([0, 1, 2].map((value) => heightOf(value, points, band))).toEqual([60, 37, 14]);
		// One that never comes up to 1 is drawn against 1.
		expect(heightOf(0.5, [{ at: 0, value: 0.5 }], band)).toBe(37);
	});

	it('is read where it was drawn', () => {
		fc.assert(
			fc.property(fc.double({ min: 0, max: 2, noNaN: true }), (value) => {
				expect(strengthAt(heightOf(value, points, band), points, band)).toBeCloseTo(value, 9);
			}),
			{ seed: 2 }
		);
		expect(strengthAt(-500, points, band)).toBe(2);
	});

	it('a point stays between its neighbours and within a kit’s bounds; what else it has goes along', () => {
		expect(movePoint(points, 1, 0.7, 1.5)[1]).toEqual({ at: 0.7, value: 1.5, out: 3 });
		expect(movePoint(points, 1, 2, 99)[1]).toEqual({ at: 0.996, value: 10, out: 3 });
		expect(movePoint(points, 1, -1, -1)[1]).toEqual({ at: 0.004, value: 0, out: 3 });
		expect(movePoint(points, 0, -1, 1)[0]!.at).toBe(0);
		expect(movePoint(points, 2, 5, 1)[2]!.at).toBe(1);
		expect(movePoint(points, 1, 0.7, 1)[0]).toBe(points[0]);
	});

	it('what a hand drags on the strip lands on round numbers and reaches 1', () => {
		expect(landed(points, 0.337, 0.985, false)).toEqual({ at: 0.34, value: 1 });
		expect(landed(points, 0.337, 1.0125, false).value).toBe(1);
		expect(landed(points, 0.337, 0.985, true)).toEqual({ at: 0.337, value: 0.985 });
	});

	it('is there where the life is made of points', () => {
		const preset = newPreset('a', 'A');
		expect(pointsOf(preset)).toBeNull();
		expect(pointsOf({ ...preset, timing: { ...preset.timing, life: { decayHalfLife: 1 } } })).toBeNull();
		expect(pointsOf({ ...preset, timing: { ...preset.timing, life: { points } } })).toBe(points);
	});
});
