import { describe, expect, it } from 'vitest';
import type { ShakePreset } from 'dinesis-runtime';
import { newPreset } from 'dinesis-runtime/tools';
import { type Measure } from '$lib/analysis';
import { dotsOf, MOST_DOTS, thinned } from './feel';
import { between, NO_FILTER, passes, sorted, tagCounts, type Column } from './list';

const make = (
	id: string,
	part: Partial<ShakePreset> = {},
	timing: Partial<ShakePreset['timing']> = {}
): ShakePreset => {
	const base = newPreset(id, id);
	return { ...base, ...part, timing: { ...base.timing, ...timing } };
};
const thud = make('Thud 10', { tags: ['sea', 'heavy'] }, { duration: 2 });
const hum = make('hum', { tags: ['machine'], view: 'flat' }, { mode: 'continuous' });
const tick = make('Thud 9', { tags: ['sea'] }, { duration: 0.2, delay: 0.1 });
const all = [thud, hum, tick];
const measures: Record<string, number> = { 'Thud 10': 3, 'Thud 9': 1 };
const measureOf = (p: ShakePreset): Measure | undefined =>
	p.id in measures ? { size: measures[p.id]!, worst: 9, pace: 4, length: 1 } : undefined;
const ids = (by: Column, down = false): string[] => sorted(all, { by, down }, measureOf).map((p) => p.id);

describe('the list', () => {
	it('is sorted by words, numbers in them counted; by figures, what is not measured last', () => {
		expect(ids('order')).toEqual(['Thud 10', 'hum', 'Thud 9']);
		expect(ids('name')).toEqual(['hum', 'Thud 9', 'Thud 10']);
		expect(ids('name', true)).toEqual(['Thud 10', 'Thud 9', 'hum']);
		expect(ids('size')).toEqual(['Thud 9', 'Thud 10', 'hum']);
		expect(ids('size', true)).toEqual(['Thud 10', 'Thud 9', 'hum']);
		expect(ids('pace')).toEqual(['Thud 10', 'Thud 9', 'hum']);
	});

	it('by length: the delay counts, what runs until it is stopped is the longest', () => {
		expect(ids('length')).toEqual(['Thud 9', 'Thud 10', 'hum']);
		expect(ids('length', true)).toEqual(['hum', 'Thud 10', 'Thud 9']);
	});

	it('is filtered by all of the tags, by kind and by view', () => {
		const pass = (filter: Partial<typeof NO_FILTER>): string[] =>
			all.filter((p) => passes(p, { ...NO_FILTER, ...filter })).map((p) => p.id);
		expect(pass({})).toHaveLength(3);
		expect(pass({ tags: new Set(['sea', 'heavy']) })).toEqual(['Thud 10']);
		expect(pass({ suits: 'continuous' })).toEqual(['hum']);
		expect(pass({ view: 'space', tags: new Set(['sea']) })).toEqual(['Thud 10', 'Thud 9']);
	});

	it('counts tags, and selects from row to row', () => {
		expect(tagCounts(all)).toEqual([
			['sea', 2],
			['heavy', 1],
			['machine', 1]
		]);
		expect(between(all, 'Thud 9', 'hum')).toEqual(['hum', 'Thud 9']);
		expect(between(all, 'gone', 'hum')).toEqual(['hum']);
		expect(between(all, 'hum', 'gone')).toEqual([]);
	});
});

describe('the chart’s dots', () => {
	const measure: Measure = { size: 3, worst: 4, pace: 5, length: 1 };
	it('stand at its edge where they would lie outside', () => {
		const dots = dotsOf([
			{ preset: thud, measure },
			{ preset: hum, measure: { ...measure, size: 900, pace: 0 } }
		]);
		expect(dots.map(({ x, y, continuous }) => [x, y, continuous])).toEqual([
			[5, 3, false],
			[0.15, 30, true]
		]);
	});

	it('are thinned in a large project; the pointed one stays', () => {
		const many = Array.from({ length: 5000 }, (_, i) => ({ preset: make(`p-${i}`), measure }));
		const drawn = thinned(many, 'p-7');
		expect(drawn.length).toBeLessThanOrEqual(MOST_DOTS + 1);
		expect(drawn.some((d) => d.preset.id === 'p-7')).toBe(true);
		expect(thinned(many.slice(0, 9), '')).toHaveLength(9);
	});
});
