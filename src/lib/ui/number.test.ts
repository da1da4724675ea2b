import { describe, expect, it } from 'vitest';
import { formatNumber, stepAt, tidy } from './number';

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
