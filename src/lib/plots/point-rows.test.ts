import { describe, expect, it } from 'vitest';
import { pointsOfSheet, readSheet, writeSheet } from './point-rows';
import { CURVE, POSES, type Point } from './points';

const life: readonly Point[] = [
	{ at: 0, value: 1 },
	{ at: 0.5, value: 2, in: 4, out: -2 },
	{ at: 1, value: 0 }
];

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
