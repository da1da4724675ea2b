import { describe, expect, it } from 'vitest';
import { Recorder } from './recorder';

const frame = (n: number): Float64Array => Float64Array.from({ length: 7 }, (_, c) => n * 10 + c);

describe('the recorder', () => {
	it('gives back the frames since a moment, oldest first, over the ring’s seam', () => {
		const recorder = new Recorder(5);
		for (let n = 0; n < 8; n++) recorder.push(n / 10, frame(n));
		const { values, times, count } = recorder.since(0.45);
		expect(count).toBe(3);
		expect([...times.slice(0, 3)]).toEqual([0.5, 0.6, 0.7]);
		expect([...values.slice(7, 14)]).toEqual([...frame(6)]);
		// Only the last five are held.
		expect(recorder.since(-1).count).toBe(5);
	});

	it('of nothing is empty', () => {
		expect(new Recorder(4).since(0).count).toBe(0);
	});
});
