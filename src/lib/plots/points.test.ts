import { describe, expect, it } from 'vitest';
import { compileCurve, runCurve } from 'dinesis-runtime/tools';
import {
	added,
	addedBehind,
	CURVE,
	moved,
	POSES,
	removed,
	roundStep,
	scaled,
	sloped,
	snapTo,
	stepped,
	stretched,
	type Point
} from './points';

const life: readonly Point[] = [
	{ at: 0, value: 1 },
	{ at: 0.5, value: 2, in: 4, out: -2 },
	{ at: 1, value: 0 }
];

describe('steps', () => {
	it.each([
		[2, 0.05],
		[1.5, 0.05],
		[1, 0.02],
		[3, 0.1],
		[10, 0.2],
		[0.5, 0.01]
	])('of a range of %d are %d: round, and 1 is one of their multiples', (range, step) => {
		expect(roundStep(range)).toBe(step);
		expect(snapTo(0.985, step) === 1 || step <= 0.02).toBe(true);
		expect(snapTo(1 + step / 3, step)).toBe(1);
	});

	it('lead from a crooked number to the next round one, and on from there', () => {
		expect(stepped(0.97, 0.05, 1)).toBe(1);
		expect(stepped(1, 0.05, 1)).toBe(1.05);
		expect(stepped(0.97, 0.05, -1)).toBe(0.95);
		expect(stepped(1.0125, 0.05, -1)).toBe(1);
		expect(stepped(0.3, 0.1, 5)).toBe(0.8);
	});
});

describe('points', () => {
	it('are moved between their neighbours and within what is allowed', () => {
		expect(moved(life, 1, { at: 2 }, CURVE)[1]).toEqual({ at: 0.996, value: 2, in: 4, out: -2 });
		expect(moved(life, 1, { value: 11 }, CURVE)[1]!.value).toBe(10);
		expect(moved(life, 0, { at: -1, value: -1 }, CURVE)[0]).toEqual({ at: 0, value: 0 });
		expect(moved([{ at: 0.2, value: 0.5 }], 0, { at: 1, value: -3 }, POSES)).toEqual([{ at: 1, value: -1 }]);
	});

	it('are added in their place, and behind another on the curve as it is, which stays what it was there', () => {
		expect(added(life, 0.25, 1.5, CURVE)!.map(({ at }) => at)).toEqual([0, 0.25, 0.5, 1]);
		expect(added(life, 0.501, 1, CURVE)).toBeNull();
		expect(added(life, 1.1, 1, CURVE)).toBeNull();
		const behind = addedBehind(life, 1, CURVE)!;
		expect(behind[2]!.at).toBe(0.75);
		expect(behind[2]!.value).toBeCloseTo(runCurve(compileCurve(life), 0.75), 4);
		// Behind one that stands at the end there is no room.
		expect(addedBehind(life, 2, CURVE)!.map(({ at }) => at)).toEqual([0, 0.5, 0.75, 1]);
		expect(removed(life, 1)!.map(({ at }) => at)).toEqual([0, 1]);
		expect(removed(life.slice(0, 1), 0)).toBeNull();
	});

	it('have slopes on each side, or the curve’s own', () => {
		expect(sloped(life, 1, 'in', 3, CURVE)[1]).toMatchObject({ in: 3, out: -2 });
		expect(sloped(life, 1, 'both', 100, CURVE)[1]).toMatchObject({ in: 60, out: 60 });
		expect(sloped(life, 1, 'out', null, CURVE)[1]).toEqual({ at: 0.5, value: 2, in: 4 });
	});

	it('scaled as a whole give the curve so many times as high everywhere', () => {
		const half = compileCurve(scaled(life, 0.5, CURVE));
		for (const x of [0, 0.2, 0.5, 0.77, 1])
			expect(runCurve(half, x)).toBeCloseTo(runCurve(compileCurve(life), x) / 2, 4);
	});

	it('stretched as a whole give the same curve slower; what comes behind the end falls away', () => {
		const long = compileCurve(stretched(life, 0.5, CURVE));
		for (const x of [0, 0.1, 0.25, 0.4, 0.5])
			expect(runCurve(long, x)).toBeCloseTo(runCurve(compileCurve(life), 2 * x), 4);
		const cut = stretched(life, 1.6, CURVE);
		expect(cut.map(({ at }) => at)).toEqual([0, 0.8, 1]);
		expect(cut[2]!.value).toBeCloseTo(runCurve(compileCurve(life), 1 / 1.6), 3);
	});
});
