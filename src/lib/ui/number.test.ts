import { describe, expect, it } from 'vitest';
import { formatNumber, readTyped, stepAt, tidy } from './number';

describe('numbers as typed', () => {
	it.each<[string, number | null]>([
		['1.5', 1.5],
		['1,5', 1.5],
		[' -0.2 ', -0.2],
		['−3', -3],
		['.5', 0.5],
		['2 s', 2],
		['1.4°', 1.4],
		['*2', 8],
		['/4', 1],
		['+0.5', 4.5],
		['-=1', 3],
		['50%', 2],
		['1e-3', 0.001],
		['', null],
		['two', null],
		['1.2.3', null],
		['/0', null]
	])('%s from 4 is %s', (typed, wanted) => {
		expect(readTyped(typed, 4)).toBe(wanted);
	});
});

describe('numbers as shown', () => {
	it('have the digits a hand can set', () => {
		expect([0, 0.0624, 1.255, 12.34, 140.2, -0.05].map((v) => formatNumber(v))).toEqual([
			'0',
			'0.062',
			'1.25',
			'12.3',
			'140',
			'-0.050'
		]);
		expect(formatNumber(0.0001)).toBe('0.00010');
		expect(formatNumber(2.4, 0)).toBe('2');
	});

	it('are tidied to three digits while dragging', () => {
		expect([1.23456, 0.0123456, 123.456, 0, NaN].map(tidy)).toEqual([1.23, 0.0123, 123, 0, 0]);
	});

	it('step by a hundredth of themselves', () => {
		expect(stepAt(5, 0.01)).toBe(0.05);
		expect(stepAt(0, 0.01)).toBe(0.01);
	});
});
