import { describe, expect, it } from 'vitest';
import { POSES } from '$lib/plots/points';
import { added, led, moved, scaled, sloped, smoothed, snapped } from './key-poses';

const keys = [
	{ at: 0, value: 0 },
	{ at: 0.5, value: 0.8 },
	{ at: 1, value: -0.4 }
];

describe('poses on a cycle', () => {
	it('one is moved between its neighbours, and within its height', () => {
		expect(moved(keys, 1, 0.25, 0.3)[1]).toEqual({ at: 0.25, value: 0.3 });
		expect(moved(keys, 1, 2, 3)[1]).toEqual({ at: 1 - POSES.gap, value: 1 });
		expect(moved(keys, 0, -1, -3)[0]).toEqual({ at: 0, value: -1 });
		expect(moved(keys, 1, 0.25, 0.3)[0]).toBe(keys[0]);
	});

	it('a new one stands in its place; none where one is, beyond the ends, or past the sixty-fourth', () => {
		expect(added(keys, 0.25, 2)!.map(({ at, value }) => [at, value])).toEqual([
			[0, 0],
			[0.25, 1],
			[0.5, 0.8],
			[1, -0.4]
		]);
		expect([added(keys, 0.5, 0), added(keys, -0.1, 0), added(keys, 1.1, 0)]).toEqual([null, null, null]);
		const many = Array.from({ length: 64 }, (_, i) => ({ at: i / 64, value: 0 }));
		expect(added(many, 0.99, 0)).toBeNull();
	});

	it('a slope of its own, no steeper than can be drawn; smooth again it has none', () => {
		expect(sloped(keys, 1, 3)[1]).toMatchObject({ in: 3, out: 3 });
		expect(sloped(keys, 1, -500)[1]).toMatchObject({ in: -80, out: -80 });
		expect(smoothed(sloped(keys, 1, 3), 1)).toEqual(keys);
	});

	it('the way to the next is an ease, or the curve again', () => {
		const eased = led(keys, 0, 'smooth');
		expect(eased[0]).toEqual({ at: 0, value: 0, ease: 'smooth' });
		expect('ease' in led(eased, 0, undefined)[0]!).toBe(false);
	});

	it('all of them higher, flatter, turned; none leaves its height', () => {
		expect(scaled(keys, 0.5).map(({ value }) => value)).toEqual([0, 0.4, -0.2]);
		expect(scaled(keys, 2).map(({ value }) => value)).toEqual([0, 1, -0.8]);
		expect(scaled(keys, -1)[1]!.value).toBe(-0.8);
	});

	it('what a hand puts down lands on round numbers, or where it is', () => {
		expect(snapped(0.26, 0.33, false)).toEqual({ at: 0.25, value: 0.35 });
		expect(snapped(0.985, 0.985, false)).toEqual({ at: 0.975, value: 1 });
		expect(snapped(0.12, -0.99, false)).toEqual({ at: 0.125, value: -1 });
		expect(snapped(0.26, 0.33, true)).toEqual({ at: 0.26, value: 0.33 });
	});
});
