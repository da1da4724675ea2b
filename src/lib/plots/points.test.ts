import { describe, expect, it } from 'vitest';
import { compileCurve, runCurve } from 'dinesis-runtime/tools';
import {
	added,
	addedBehind,
	CURVE,
	moved,
	pointsOfSheet,
	POSES,
	readSheet,
	removed,
	roundStep,
	scaled,
	sloped,
	snapTo,
	stepped,
	stretched,
	writeSheet,
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

describe('rows of a sheet', () => {
	it.each([
		[
			'0\t1\n10\t0,5',
			[
				[0, 1],
				[10, 0.5]
			]
		],
		[
			'frame;value\n0;1\n5;2',
			[
				[0, 1],
				[5, 2]
			]
		],
		[
			'0, 1\n5, 2\n',
			[
				[0, 1],
				[5, 2]
			]
		],
		[
			'0 1\r\n5 -2',
			[
				[0, 1],
				[5, -2]
			]
		],
		[
			'1\n0.5\n0',
			[
				[0, 1],
				[1, 0.5],
				[2, 0]
			]
		],
		[
			'5 2\n0 1',
			[
				[0, 1],
				[5, 2]
			]
		]
	] as const)('%j', (text, rows) => {
		expect(readSheet(text)).toEqual(rows.map(([place, value]) => ({ place, value })));
	});

	it.each([
		['', /no row/],
		['0 1\nfive 2', /^Row 2/],
		['0 1 2', /^Row 1 has 3/],
		['0 1\n0 2', /two rows for 0/]
	])('%j is not understood, and that is said', (text, says) => {
		expect(readSheet(text)).toMatch(says);
	});

	it('become points at their frames; too long is pressed together, too high made flatter, and both are said', () => {
		const rows = readSheet('0 0\n15 1\n30 0') as never;
		// Two seconds of 30 frames each: frame 30 is half of the way.
		expect(pointsOfSheet(rows, (frame) => frame / 60, CURVE)).toEqual({
			points: [
				{ at: 0, value: 0 },
				{ at: 0.25, value: 1 },
				{ at: 0.5, value: 0 }
			],
			said: ''
		});
		const long = pointsOfSheet(readSheet('0 0\n60 -4\n120 2') as never, (frame) => frame / 60, POSES);
		expect(long.points).toEqual([
			{ at: 0, value: 0 },
			{ at: 0.5, value: -1 },
			{ at: 1, value: 0.5 }
		]);
		expect(long.said).toMatch(/pressed together to 50 %.*flatter, to 25 %/);
	});

	it('go out and come back the same', () => {
		const text = writeSheet(life, (at) => at * 48);
		expect(text).toBe('0\t1\n24\t2\n48\t0');
		expect(pointsOfSheet(readSheet(text) as never, (frame) => frame / 48, CURVE).points).toEqual(
			life.map(({ at, value }) => ({ at, value }))
		);
	});

	it('of very many keep those that tell the shape', () => {
		const rows = Array.from({ length: 200 }, (_, i) => ({ place: i, value: i === 100 ? 1 : 0 }));
		const { points, said } = pointsOfSheet(rows, (place) => place / 199, CURVE);
		expect(points.length).toBe(64);
		expect(Math.max(...points.map(({ value }) => value))).toBe(1);
		expect(said).toMatch(/64 of 200/);
	});
});
