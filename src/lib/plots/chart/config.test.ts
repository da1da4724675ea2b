import { describe, expect, it } from 'vitest';
import { chartConfig, faint, levelConfig, pointsOf } from './config';
import { byKey, under } from './grips';
import type { ChartGrip, ChartSpec } from './spec';

/** Inks by their own names. */
const inks = (name: string): string => name;
const paper: ChartSpec = { x: { min: 0, max: 10, title: 's' }, y: { min: -1, max: 1 } };
const annotations = (spec: ChartSpec) =>
	chartConfig(spec, inks).options!.plugins!.annotation!.annotations as Record<string, Record<string, unknown>>;

describe('a chart from its plain data', () => {
	it('a line keeps its ends however many points it has', () => {
		const xs = Float64Array.from({ length: 10_001 }, (_, i) => i / 1000);
		const points = pointsOf({ xs, ys: xs.map((x) => x * x) });
		expect(points.length).toBeLessThan(720);
		expect(points[0]).toEqual({ x: 0, y: 0 });
		expect(points.at(-1)).toEqual({ x: 10, y: 100 });
		for (let i = 1; i < points.length; i++) expect(points[i]!.x).toBeGreaterThan(points[i - 1]!.x);
		expect(pointsOf({ xs: [0, 1, 1], ys: [0, 0, 5] })).toHaveLength(3);
	});

	it('lines in their inks against their axes, dots before them so that a press finds them', () => {
		const { data, options } = chartConfig(
			{
				...paper,
				right: { min: 0, max: 4 },
				lines: [{ label: 'steps', xs: [0, 1], ys: [0, 1], ink: '--ink-x', dash: [2, 3], right: true }],
				dots: [{ label: 'bursts', list: [{ id: 'a', name: 'A', x: 1, y: 0 }], ink: '--lamp', hollow: true, size: 4 }]
			},
			inks
		);
		expect(data.datasets.map(({ label }) => label)).toEqual(['bursts', 'steps']);
		expect(data.datasets[1]).toMatchObject({
			yAxisID: 'right',
			borderColor: '--ink-x',
			borderDash: [2, 3],
			pointRadius: 0
		});
		expect(data.datasets[0]).toMatchObject({ backgroundColor: 'transparent', borderColor: '--lamp', pointRadius: 4 });
		expect(Object.keys(options!.scales!)).toEqual(['x', 'y', 'right']);
		expect(options!.plugins!.tooltip!.enabled).toBe(true);
		expect(chartConfig(paper, inks).options!.plugins!.tooltip!.enabled).toBe(false);
	});

	it('the axes are what was said, with their own ticks where there are some', () => {
		const { scales } = chartConfig(
			{ ...paper, y: { min: 0.1, max: 10, log: true, ticks: [0.1, 1, 10] } },
			inks
		).options!;
		expect(scales!.x).toMatchObject({ type: 'linear', min: 0, max: 10, position: 'bottom' });
		expect(scales!.y).toMatchObject({ type: 'logarithmic', min: 0.1, max: 10 });
		const axis = { ticks: [] as { value: number }[] };
		(scales!.y as unknown as { afterBuildTicks(a: typeof axis): void }).afterBuildTicks(axis);
		expect(axis.ticks.map(({ value }) => value)).toEqual([0.1, 1, 10]);
	});

	it('stretches, marks and notes where they belong', () => {
		const made = annotations({
			...paper,
			areas: [{ from: 2, to: 3, ink: '#102030', strength: 0.5, label: 'turns' }],
			marks: [
				{ x: 4, ink: '--lamp' },
				{ y: 0, ink: '--rule' },
				{ from: [1, 0], to: [2, 1], ink: '--lamp' }
			],
			notes: [{ x: 1, y: 1, text: 'here', ink: '--ink', where: 'right' }]
		});
		expect(made['area 0']).toMatchObject({ type: 'box', xMin: 2, xMax: 3, backgroundColor: 'rgb(16 32 48 / 50%)' });
		expect(made['mark 0']).toMatchObject({ xMin: 4, xMax: 4 });
		expect(made['mark 1']).toMatchObject({ yMin: 0, yMax: 0 });
		expect(made['mark 2']).toMatchObject({ xMin: 1, yMin: 0, xMax: 2, yMax: 1 });
		expect(made['note 0']).toMatchObject({
			type: 'label',
			xValue: 1,
			yValue: 1,
			content: 'here',
			position: { x: 'start' }
		});
	});

	it('a colour is thinned; what is no plain colour is left as it is', () => {
		expect(faint('#ff8000', 0.25)).toBe('rgb(255 128 0 / 25%)');
		expect(faint('rebeccapurple', 0.25)).toBe('rebeccapurple');
	});

	it('level bars: what is left lies over what was there, with the ceiling above both', () => {
		const row = { label: 'roll', ink: '--ink-roll', now: 0.4, before: 0.6, farthest: 0.7, said: '2°, bent' };
		const { data, options } = levelConfig(
			[
				{ ...row, bends: 0.5, most: 0.8 },
				{ ...row, label: 'yaw', bends: null, most: null }
			],
			inks
		);
		expect(data.labels).toEqual(['roll', 'yaw']);
		expect(data.datasets.map(({ data }) => data)).toEqual([
			[0.4, 0.4],
			[0.6, 0.6]
		]);
		const marks = options!.plugins!.annotation!.annotations as Record<string, { xMin: number; yMin: number }>;
		expect(Object.keys(marks).sort()).toEqual(['bends 0', 'farthest 0', 'farthest 1', 'most 0']);
		expect(marks['most 0']!.xMin).toBe(0.8);
		expect(marks['farthest 1']!.yMin).toBeGreaterThan(0.5);
	});
});

describe('a grip on a chart', () => {
	const grip: ChartGrip = {
		id: 'g',
		x: 5,
		y: 0.5,
		label: '',
		said: '',
		along: 'both',
		step: [0.1, 0.02],
		onmove: () => undefined
	};
	/** 100 pixels across for 10, 50 down for 2. */
	const scales = {
		x: { getValueForPixel: (px: number) => px / 10 },
		y: { getValueForPixel: (py: number) => 1 - py / 25 }
	} as never;

	it('goes where the pointer is, kept on the paper, and along one axis only where it has but one', () => {
		expect(under(scales, paper, grip, 30, 25)).toEqual([3, 0]);
		expect(under(scales, paper, grip, 500, -100)).toEqual([10, 1]);
		expect(under(scales, paper, { ...grip, along: 'x' }, 30, 25)).toEqual([3, 0.5]);
	});

	it('goes by arrows, coarse and fine; other keys are none of its own', () => {
		const key = (key: string, rest = {}) => byKey({ key, shiftKey: false, altKey: false, ...rest }, paper, grip);
		expect(key('ArrowRight')).toEqual([5.1, 0.5]);
		expect(key('ArrowLeft', { shiftKey: true })).toEqual([4, 0.5]);
		expect(key('ArrowUp', { altKey: true })![1]).toBeCloseTo(0.502, 9);
		expect(key('ArrowDown', { shiftKey: true })![1]).toBeCloseTo(0.3, 9);
		expect(key('x')).toBeNull();
		const along = { ...grip, along: 'x' as const };
		expect(byKey({ key: 'ArrowUp', shiftKey: false, altKey: false }, paper, along)).toBeNull();
	});
});
