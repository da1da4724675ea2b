import { describe, expect, it } from 'vitest';
import {
	anglesIn,
	AXES,
	fromTarget,
	ORDERS,
	OWN_WORLD,
	times,
	toTarget,
	turnedTo,
	turnFromTarget,
	turnOfAngles,
	turnOfLook,
	turnToTarget,
	worldTrouble,
	type TargetWorld
} from './axes';

const worlds: TargetWorld[] = AXES.flatMap((up) =>
	AXES.filter((ahead) => ahead.slice(-1) !== up.slice(-1)).flatMap((ahead) =>
		(['right', 'left'] as const).map((hand): TargetWorld => ({ ...OWN_WORLD, up, ahead, hand }))
	)
);
type Q = readonly [number, number, number, number];
/** Turns a way by a quaternion, by hand: q·v·q⁻¹. */
const turn = (q: Q, [x, y, z]: readonly [number, number, number]): number[] =>
	times(times(q, [x, y, z, 0]), [-q[0], -q[1], -q[2], q[3]]).slice(0, 3);
const close = (a: readonly number[], b: readonly number[]): void =>
	b.forEach((value, i) => expect(a[i]).toBeCloseTo(value, 12));

describe('another world', () => {
	it('there are forty-eight of them, and the own one changes nothing', () => {
		expect(worlds).toHaveLength(48);
		expect(toTarget(turnedTo(OWN_WORLD), [1, 2, 3])).toEqual([1, 2, 3]);
		expect(turnToTarget(turnedTo(OWN_WORLD), [0.1, 0.2, 0.3, 0.9])).toEqual([0.1, 0.2, 0.3, 0.9]);
	});

	it('with z up and x ahead, right-handed: ahead is x, right is −y, up is z', () => {
		const world = turnedTo({ ...OWN_WORLD, up: 'z', ahead: 'x' });
		expect(toTarget(world, [0, 0, -1])).toEqual([1, 0, 0]);
		expect(toTarget(world, [1, 0, 0])).toEqual([0, -1, 0]);
		expect(toTarget(world, [0, 1, 0])).toEqual([0, 0, 1]);
	});

	it('with y up and z ahead, left-handed: x stays right, and a look to the left turns about y the other way', () => {
		const world = turnedTo({ ...OWN_WORLD, ahead: 'z', hand: 'left' });
		expect(toTarget(world, [1, 2, 3])).toEqual([1, 2, -3]);
		const [x, y, z] = turnToTarget(world, turnOfLook(30, 0, 0));
		close([x, y, z], [0, -Math.sin(Math.PI / 12), 0]);
	});

	it.each(worlds)(
		'$up up, $ahead ahead, $hand-handed: there and back is the same, and what is turned looks there',
		(world) => {
			const turned = turnedTo(world);
			const look = turnOfLook(37, -21, 12);
			for (const way of [
				[1, 0, 0],
				[0.3, -2, 5]
			] as const) {
				expect(fromTarget(turned, toTarget(turned, way))).toEqual([...way]);
				// First turned, then taken over; or first taken over, then turned.
				close(
					toTarget(turned, turn(look, way) as [number, number, number]),
					turn(turnToTarget(turned, look), toTarget(turned, way))
				);
			}
			expect(turnFromTarget(turned, turnToTarget(turned, look))).toEqual(look);
		}
	);

	it('up and ahead along one axis are none', () => {
		const bad: TargetWorld = { ...OWN_WORLD, ahead: '-y' };
		expect(worldTrouble(bad)).toContain('square');
		expect(() => turnedTo(bad)).toThrow(RangeError);
		expect(worldTrouble(OWN_WORLD)).toBe('');
	});
});

describe('angles', () => {
	it.each(ORDERS)('in the order %s make the turn that they came from', (order) => {
		for (const angles of [
			[10, 20, 30],
			[-170, 60, 95],
			[0, 0, 0],
			[5, -89, 140]
		] as const) {
			const from = turnOfAngles(angles, order);
			const again = turnOfAngles(anglesIn(from, order), order);
			// A turn and its opposite are one.
			const sign = Math.sign(from.reduce((sum, v, i) => sum + v * again[i]!, 0));
			close(
				again.map((v) => v * sign),
				from
			);
		}
	});

	it('where the middle one is a right angle the turn is still the same', () => {
		for (const order of ORDERS)
			for (const right of [90, -90]) {
				const angles: [number, number, number] = [25, 25, 25];
				angles['xyz'.indexOf(order[1]!)] = right;
				const from = turnOfAngles(angles, order);
				const again = turnOfAngles(anglesIn(from, order), order);
				expect(Math.abs(from.reduce((sum, v, i) => sum + v * again[i]!, 0))).toBeCloseTo(1, 9);
			}
	});

	it('a look is a turn about y, then x, then z', () => {
		close(turnOfAngles([-21, 37, 12], 'yxz'), turnOfLook(37, -21, 12));
		close(anglesIn(turnOfLook(37, -21, 12), 'yxz'), [-21, 37, 12]);
	});
});
