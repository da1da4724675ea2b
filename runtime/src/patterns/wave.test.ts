import { describe, expect, it } from 'vitest';
import { waveAt, WAVE_SHAPES } from './wave';

describe('waves', () => {
	it('have the values of their formulas at the eighths', () => {
		const eighths = [0, 1, 2, 3, 4, 5, 6, 7];
		const values = (shape: (typeof WAVE_SHAPES)[number]) => eighths.map((n) => waveAt(shape, n / 8));
		const h = Math.SQRT1_2;
		values('sine').forEach((v, i) => expect(v).toBeCloseTo([0, h, 1, h, 0, -h, -1, -h][i]!, 14));
		expect(values('triangle')).toEqual([0, 0.5, 1, 0.5, 0, -0.5, -1, -0.5]);
		expect(values('square')).toEqual([1, 1, 1, 1, -1, -1, -1, -1]);
		expect(values('sawtooth')).toEqual([0, 0.25, 0.5, 0.75, -1, -0.75, -0.5, -0.25]);
	});

	it.each([...WAVE_SHAPES])('%s repeats every cycle, backwards too', (shape) => {
		for (const phase of [0.1, 0.3, 0.6, 0.9])
			for (const cycles of [-3, 1, 1000]) expect(waveAt(shape, phase + cycles)).toBeCloseTo(waveAt(shape, phase), 9);
	});
});
