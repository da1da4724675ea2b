import { describe, expect, it } from 'vitest';
import { checkOf, moveIn, rowsOf } from './check-tree';

const groups = [
	{
		id: 'g',
		label: 'Shakes',
		entries: [
			{ id: 'a', label: 'Thud' },
			{ id: 'b', label: 'Bell' }
		]
	},
	{
		id: 'h',
		label: 'Cues',
		entries: [
			{ id: 'c', label: 'Bang' },
			{ id: 'd', label: 'Same', fixed: true }
		]
	}
];
const none: ReadonlySet<string> = new Set();
const rows = rowsOf(groups, none);
const to = (at: number, key: string, closed = none) => moveIn(rowsOf(groups, closed), at, key, closed);

describe('a tree of what may be chosen', () => {
	it('has a row for each group and each entry of an open one, with its place among its like', () => {
		expect(rows.map(({ id, level, place, of }) => [id, level, place, of])).toEqual([
			['g', 1, 1, 2],
			['a', 2, 1, 2],
			['b', 2, 2, 2],
			['h', 1, 2, 2],
			['c', 2, 1, 2],
			['d', 2, 2, 2]
		]);
		expect(rowsOf(groups, new Set(['g'])).map(({ id }) => id)).toEqual(['g', 'h', 'c', 'd']);
	});

	it('a group is chosen, not chosen, or partly; what cannot be chosen does not count', () => {
		const of = (...ids: string[]) => [rows[0]!, rows[3]!].map((row) => checkOf(row, new Set(ids)));
		expect([of(), of('a'), of('a', 'b', 'c')]).toEqual([
			['false', 'false'],
			['mixed', 'false'],
			['true', 'true']
		]);
	});

	it('arrows go up and down and stay at the ends; Home and End go there', () => {
		expect(['ArrowDown', 'ArrowUp', 'Home', 'End'].map((key) => to(1, key)!.to)).toEqual([2, 0, 0, 5]);
		expect([to(5, 'ArrowDown')!.to, to(0, 'ArrowUp')!.to]).toEqual([5, 0]);
	});

	it('right opens, then goes in; left goes out, then closes', () => {
		const shut = new Set(['g']);
		expect([to(0, 'ArrowRight', shut), to(0, 'ArrowRight'), to(1, 'ArrowRight')]).toEqual([
			{ to: 0, fold: false },
			{ to: 1 },
			{ to: 1 }
		]);
		expect([to(4, 'ArrowLeft'), to(3, 'ArrowLeft'), to(0, 'ArrowLeft', shut)]).toEqual([
			{ to: 3 },
			{ to: 3, fold: true },
			{ to: 0 }
		]);
		expect(to(0, 'F4')).toBeNull();
	});
});
