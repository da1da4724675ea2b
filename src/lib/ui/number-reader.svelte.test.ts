import { describe, expect, it } from 'vitest';
import { numberReader } from './number-reader.svelte';

describe('what reads numbers', () => {
	it('reads plain ones before units and sums are here, says so of others, and reads all afterwards', async () => {
		const read = (typed: string) => numberReader.read(typed, { present: 4, unit: 'm' });
		expect(['1.5', ' 2,5 ', '−3', '.5', '+1'].map(read)).toEqual([1.5, 2.5, -3, 0.5, 1].map((value) => ({ value })));
		expect([read('5cm'), read('1/2')]).toEqual(
			Array(2).fill({ trouble: 'Only plain numbers are understood just now.' })
		);
		expect(read(' ')).toEqual({ trouble: 'A number is needed.' });
		await numberReader.fetch();
		expect([read('5cm'), read('1/2')]).toEqual([{ value: 0.05 }, { value: 0.5 }]);
	});
});
