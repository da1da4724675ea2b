import { describe, expect, it } from 'vitest';
import { areaPath, clockOf, columnsShown, packed, paceOf, ticks, valueLine } from './lanes';

const play = (at: number, until: number) => ({ at, until, preset: 'p', cue: 'c', strength: 1, who: 0 });

describe('the timeline', () => {
	it('marks even steps that leave room for their numbers', () => {
		expect(ticks({ from: 0, to: 60 }, 1000)).toEqual({
			step: 5,
			at: [0, 5, 10, 15, 20, 25, 30, 35, 40, 45, 50, 55, 60]
		});
		const near = ticks({ from: 12.03, to: 13 }, 1000);
		expect(near.step).toBe(0.1);
		expect(near.at[0]).toBeCloseTo(12.1, 9);
		expect(near.at.at(-1)).toBeCloseTo(13, 9);
	});

	it('writes times as a clock does', () => {
		expect([clockOf(7, 1), clockOf(7.25, 0.05), clockOf(90, 10), clockOf(61.5, 0.5)]).toEqual([
			'7',
			'7.25',
			'1:30',
			'1:01.5'
		]);
	});

	it('shows speed and gaits: walking, standing, running', () => {
		const point = (x: number, speed: number, pause = 0) => ({ x, y: 0, z: 0, speed, pause });
		const { speeds, gaits } = paceOf(
			{ path: [point(0, 1.5), point(6, 3, 4), point(18, 3)], trace: null },
			{ from: 0, to: 12 },
			241
		);
		expect(speeds[40]).toBeCloseTo(1.5, 6);
		expect(speeds[120]).toBe(0);
		expect(speeds[200]).toBeCloseTo(3, 6);
		const long = gaits.filter((g) => g.to - g.from > 1);
		expect(long.map((g) => g.gait)).toEqual(['walk', 'stand', 'run']);
		expect(long[1]!.from).toBeCloseTo(4, 0);
		expect(long[1]!.to).toBeCloseTo(8, 0);
	});

	it('takes the largest of the columns that fall on a point', () => {
		const columns = Float32Array.from([0, 1, 0, 5, 0, 0, 2, 0]);
		expect([...columnsShown(columns, 8, { from: 0, to: 8 }, 4)]).toEqual([1, 5, 0, 2]);
		expect([...columnsShown(columns, 8, { from: 3, to: 4 }, 2)]).toEqual([5, 5]);
	});

	it('draws an area from the lower edge, and a value where it stands', () => {
		expect(areaPath([0, 1, 2], 2, 100, 20)).toBe('M0 20L0.0 20.0L50.0 10.0L100.0 0.0L100 20Z');
		const points = [
			{ at: 0, value: 1 },
			{ at: 10, value: 1 }
		];
		expect(valueLine({ parameter: 'p', points }, { from: 0, to: 10 }, 6, (v) => 10 - v)).toBe(
			'0.0,9.0 3.0,9.0 6.0,9.0'
		);
	});

	it('packs plays into rows without overlap while there is room', () => {
		const rows = packed([play(0, 5), play(1, 2), play(2, 3), play(2.5, 9), play(2.6, 4)], 3);
		expect(rows.map((r) => r.row)).toEqual([0, 1, 1, 2, 2]);
	});
});
