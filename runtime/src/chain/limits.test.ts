import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { applyLimits, compileLimits, hullOf } from './limits';

const box = { x: [-2, 3] as const, y: null, z: [0, 10] as const, area: null, soft: 1 };
const held = (limits: Parameters<typeof compileLimits>[0], x: number, y: number, z: number): number[] => {
	const pose = Float64Array.of(x, y, z);
	applyLimits(compileLimits(limits), pose);
	return [...pose];
};

describe('limits', () => {
	it('leave alone what is farther from an edge than the margin, to the last bit', () =>
		expect(held(box, 0.123456789, 99, 5.000000001)).toEqual([0.123456789, 99, 5.000000001]));

	it('hold back softly: at the edge half of the margin is left', () => {
		// u = 1 there: soft − soft/2.
		expect(held(box, 3, 0, 5)[0]).toBeCloseTo(2.5, 12);
		expect(held(box, 3, 0, 0)[2]).toBeCloseTo(0.5, 12);
		expect(held(box, 1e6, 0, 5)[0]).toBeLessThan(3);
		expect(held(box, 1e6, 0, 5)[0]).toBeGreaterThan(2.999);
	});

	it('without a margin are a clamp', () => {
		expect(held({ ...box, soft: 0 }, 7, 0, -3)).toEqual([3, 0, 0]);
		expect(held({ ...box, soft: 0 }, 2.9999, 0, 0.0001)).toEqual([2.9999, 0, 0.0001]);
	});

	it('an area has no dents and holds from all sides', () => {
		const corners: [number, number][] = [
			[0, 0],
			[4, 0],
			[2, 1],
			[4, 4],
			[0, 4]
		];
		expect(hullOf(corners)).toHaveLength(4);
		const area = { x: null, y: null, z: null, area: corners, soft: 0 };
		expect(held(area, 9, 1, 2)).toEqual([4, 1, 2]);
		expect(held(area, 2, 1, -5)).toEqual([2, 1, 0]);
		expect(held(area, 3.5, 1, 2)).toEqual([3.5, 1, 2]);
		// The diagonal edge of a triangle is met at a right angle.
		const triangle = {
			...area,
			area: [
				[0, 0],
				[4, 0],
				[0, 4]
			] as [number, number][]
		};
		const [x, , z] = held(triangle, 4, 0, 4);
		expect(x).toBeCloseTo(2, 12);
		expect(z).toBeCloseTo(2, 12);
	});

	it('never let beyond an edge, and near moves stay near', () => {
		const area = {
			x: [-5, 5] as const,
			y: null,
			z: null,
			area: [
				[-3, -3],
				[4, -2],
				[2, 5]
			] as [number, number][],
			soft: 0.7
		};
		const limits = compileLimits(area);
		const place = fc.double({ min: -30, max: 30, noNaN: true });
		// The area's edges as x, z of a corner and what is left of it.
		const corners = area.area;
		const beyond = (x: number, z: number): number =>
			Math.max(
				...corners.map(([ax, az], i) => {
					const [bx, bz] = corners[(i + 1) % 3]!;
					return -((bx - ax) * (z - az) - (bz - az) * (x - ax)) / Math.hypot(bx - ax, bz - az);
				})
			);
		fc.assert(
			fc.property(place, place, (x, z) => {
				const [a, b] = [Float64Array.of(x, 0, z), Float64Array.of(x + 1e-6, 0, z)];
				applyLimits(limits, a);
				applyLimits(limits, b);
				expect(Math.hypot(a[0]! - b[0]!, a[2]! - b[2]!)).toBeLessThan(1e-5);
				expect(beyond(a[0]!, a[2]!)).toBeLessThan(1e-9);
			}),
			{ numRuns: 1000 }
		);
	});

	it('a box and an area together are what both have in common', () => {
		const both = {
			x: [0, 1] as const,
			y: null,
			z: null,
			area: [
				[-3, 0],
				[3, 0],
				[0, 3]
			] as [number, number][],
			soft: 0
		};
		expect(held(both, 5, 0, 1)[0]).toBeCloseTo(1, 12);
		expect(held(both, -5, 0, 1)).toEqual([0, 0, 1]);
		const [x, , z] = held(both, 0.5, 0, 9);
		expect(x! + z!).toBeLessThan(3 + 1e-9);
	});
});
