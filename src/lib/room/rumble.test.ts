import { describe, expect, it } from 'vitest';
import { Felt } from './rumble';

describe('what is felt in the hands', () => {
	it('is how fast the camera moves and turns, whatever the frame rate', () => {
		const felt = (dt: number): number[] => {
			const got: number[] = [];
			const one = new Felt({ rumble: (strong, weak) => void got.push(strong, weak) });
			// 0.5 m/s to the side and 45 °/s of yaw: half of what is full.
			one.take(new Float64Array([0.5 * dt, 0, 0, 45 * dt, 0, 0, 0]), 'space', dt, 0);
			return got;
		};
		for (const dt of [1 / 30, 1 / 144]) {
			expect(felt(dt)[0]).toBeCloseTo(0.5, 12);
			expect(felt(dt)[1]).toBeCloseTo(0.5, 12);
		}
	});

	it('in a flat view a pixel is not a metre; what stands still is not felt', () => {
		const got: number[] = [];
		const felt = new Felt({ rumble: (strong) => void got.push(strong) });
		const offset = new Float64Array([9, 0, 0, 0, 0, 0, 0]);
		felt.take(offset, 'flat', 0.01, 0);
		felt.take(offset, 'flat', 0.01, 10);
		expect(got[0]).toBeCloseTo(1, 12);
		expect(got[1]).toBe(0);
	});
});
