import { describe, expect, it } from 'vitest';
import { numberReader } from './number-reader.svelte';

describe('what reads numbers', () => {
	it('reads plain ones before units and sums are here, says so of others, and reads all afterwards', async () => {
		const read = (typed: string) => numberReader.read(typed, { present: 4, unit: 'm' });
		expect(['1.5', ' 2,5 ', '−3', '.5'].map(read)).toEqual([1.5, 2.5, -3, 0.5].map((value) => ({ value })));
		// A plus in front changes what stands there: that is no plain number.
		const others = ['5cm', '1/2', '+1'];
		const trouble = 'Only plain numbers are understood just now.';
		expect(others.map(read)).toEqual(others.map(() => ({ trouble })));
		expect(read(' ')).toEqual({ trouble: 'A number is needed.' });
		await numberReader.fetch();
		expect(others.map(read)).toEqual([0.05, 0.5, 5].map((value) => ({ value })));
	});
});
