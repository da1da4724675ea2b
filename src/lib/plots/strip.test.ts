import { describe, expect, it } from 'vitest';
import { layBands, MARGIN, niceAbove, reachOf, rulerStep, timeAt, xAt } from './strip';

const frame = { width: 1000, height: 200, from: 0, to: 2 };

describe('the strip’s geometry', () => {
	it('goes from time to place and back', () => {
		expect(xAt(frame, 0)).toBe(MARGIN.left);
		expect(xAt(frame, 2)).toBe(1000 - MARGIN.right);
		for (const t of [0.1, 0.7, 1.9]) expect(timeAt(frame, xAt(frame, t))).toBeCloseTo(t, 12);
	});

	it('has a band for each family in use, scaled to what it holds', () => {
		const bands = layBands(['x', 'roll', 'fov'], Float64Array.from([0.11, 0, 0, 0, 0, 1.4, 2]), 'space', 200);
		expect(bands.map((b) => [b.family, b.unit, b.scale])).toEqual([
			['position', 'm', expect.closeTo(0.15, 12)],
			['rotation', '°', 1.5],
			['lens', '°', 2]
		]);
		expect(bands[0]!.top).toBe(MARGIN.top);
		expect(bands[2]!.bottom).toBe(200 - MARGIN.bottom);
		expect(layBands(['x'], new Float64Array(7).fill(3), 'flat', 200)[0]!.unit).toBe('px');
	});

	it('chooses round scales and ruler steps', () => {
		expect([0.0042, 0.11, 1, 1.01, 7, 9.5].map(niceAbove)).toEqual(
			[0.005, 0.15, 1, 1.5, 8, 10].map((v) => expect.closeTo(v, 9))
		);
		expect(rulerStep(1.8, 1000)).toBeCloseTo(0.1, 12);
		expect(rulerStep(60, 1000)).toBe(5);
	});

	it('finds the largest size of each channel', () => {
		const reach = reachOf({
			fps: 1,
			count: 2,
			values: Float64Array.from([1, -2, 0, 0, 0, 0, 0, -3, 1, 0, 0, 0, 0, 0.5])
		});
		expect([...reach]).toEqual([3, 2, 0, 0, 0, 0, 0.5]);
	});
});
