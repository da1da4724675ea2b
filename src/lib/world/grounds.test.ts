import { describe, expect, it } from 'vitest';
import { flight, groundAt, ramp } from './grounds';

describe('the grounds', () => {
	it('know how high the ground is, on the level one is on', () => {
		expect(groundAt(0, 0, 0.3)).toBeCloseTo(0, 9);
		expect(groundAt(16, 2, -2.5)).toBeCloseTo(-3, 9);
		expect(groundAt(16.6, 6.2, -2.4)).toBeCloseTo(-2.2, 9);
		expect(groundAt(12, -8, -5)).toBeCloseTo(-6, 9);
		// Halfway down the slipway; and over the sea nothing is known.
		expect(groundAt(-8.5, 3.5, -1.2)).toBeCloseTo(-1.5, 2);
		expect(groundAt(-60, -90, -8.9)).toBe(-8.9);
	});

	it('a flight goes from edge to edge in even steps', () => {
		const steps = flight('stone', [0, 0, 0], [4, -2, 0], 1, 8);
		const tops = steps.map(({ at, size }) => at[1] + size[1] / 2);
		tops.forEach((top, i) => expect(top).toBeCloseTo(-0.25 * (i + 1), 9));
		expect(steps[0]!.at[0]).toBeCloseTo(0.25, 9);
		expect(steps.every((s) => Math.abs(s.size[0] - 0.5) < 1e-9)).toBe(true);
	});

	it('a ramp’s upper face runs through both edges', () => {
		const { at, size, tip } = ramp('pale', [0, 0, 0], [-9, -3, 0], 2);
		expect(Math.cos(tip!)).toBeGreaterThan(0);
		for (const along of [-0.5, 0.5]) {
			const x = at[0] + Math.cos(tip!) * along * size[0] - (Math.sin(tip!) * size[1]) / 2;
			const y = at[1] + Math.sin(tip!) * along * size[0] + (Math.cos(tip!) * size[1]) / 2;
			// One of its ends is the upper edge, the other the lower one.
			expect([0, -9].some((edge) => Math.abs(x - edge) < 1e-6)).toBe(true);
			expect([0, -3].some((edge) => Math.abs(y - edge) < 1e-6)).toBe(true);
		}
	});
});
