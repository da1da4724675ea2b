import { describe, expect, it } from 'vitest';
import { clearInGrounds, clearOf, withinGrounds, withinOf } from './clear';
import { SEA_LEVEL, SOLIDS, type Solid } from './grounds';

const P = (x: number, y: number, z: number): Float64Array => Float64Array.of(x, y, z);
const box = (part: Partial<Solid>): Solid => ({ at: [0, 0, 0], size: [2, 2, 2], look: 'stone', ...part });

describe('how far it is free', () => {
	it('is the way to the nearest face, and without end where nothing stands between', () => {
		const clear = clearOf([box({}), box({ at: [-8, 0, 0] })]);
		expect(clear(P(5, 0, 0), P(-20, 0, 0), 0)).toBeCloseTo(4, 12);
		expect(clear(P(5, 0, 0), P(2, 0, 0), 0)).toBe(Infinity);
		expect(clear(P(5, 1.5, 0), P(-20, 1.5, 0), 0)).toBe(Infinity);
		expect(clear(P(5, 0, 0), P(9, 0, 0), 0)).toBe(Infinity);
	});

	it('a box that is turned or tipped by an eighth stands there with its edge', () => {
		for (const part of [{ turn: Math.PI / 4 }, { tip: Math.PI / 4 }])
			expect(clearOf([box(part)])(P(5, 0, 0), P(-5, 0, 0), 0)).toBeCloseTo(5 - Math.SQRT2, 9);
	});

	it('one that one stands in, a rail, and no way at all stop nothing', () => {
		expect(clearOf([box({})])(P(0, 0, 0), P(9, 0, 0), 0)).toBe(Infinity);
		expect(clearOf([box({ size: [0.08, 2, 2] })])(P(5, 0, 0), P(-5, 0, 0), 0)).toBe(Infinity);
		expect(clearOf([box({})])(P(3, 0, 0), P(3, 0, 0), 0)).not.toBeLessThan(0);
	});

	it('in the grounds: the lamp room’s wall stands behind whoever looks out of its door', () => {
		// Its outer face is at z = 9.6, its inner one at 9.4.
		expect(clearInGrounds(P(0, 1, 8), P(0, 1, 13), 0)).toBeCloseTo(1.4, 9);
		expect(clearInGrounds(P(0, 1, 3), P(0, 1, 8), 0)).toBe(Infinity);
		expect(SOLIDS.length).toBeGreaterThan(40);
	});
});

describe('whether a place is within something', () => {
	it('is so up to its faces, turned as it is; in what is thin nothing can be', () => {
		const within = withinOf([box({}), box({ at: [10, 0, 0], turn: Math.PI / 4 })]);
		expect([within(0.99, 0.99, -0.99), within(1.01, 0, 0)]).toEqual([true, false]);
		// Its edge stands out by √2, its old corner is outside.
		expect([within(11.4, 0, 0), within(10.9, 0, 0.9)]).toEqual([true, false]);
		expect(withinOf([box({ size: [0.08, 2, 2] })])(0, 0, 0)).toBe(false);
	});

	it('in the grounds: the lamp room’s wall, not the room; under the sea', () => {
		expect([withinGrounds(0, 1, 9.5), withinGrounds(0, 1, 8)]).toEqual([true, false]);
		expect([withinGrounds(40, SEA_LEVEL - 0.1, -40), withinGrounds(40, SEA_LEVEL + 2, -40)]).toEqual([true, false]);
	});
});
