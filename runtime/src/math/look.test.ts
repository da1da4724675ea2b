import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { anglesOf, atan2, putLook, turnBy } from './look';

const angle = (most: number): fc.Arbitrary<number> => fc.double({ min: -most, max: most, noNaN: true });

describe('looks', () => {
	it('the core’s own arc tangent is the built-in one', () =>
		fc.assert(
			fc.property(angle(10), angle(10), (y, x) => {
				fc.pre(Math.hypot(x, y) > 1e-6);
				expect(Math.abs(Math.sin(atan2(y, x) - Math.atan2(y, x)))).toBeLessThan(1e-13);
			})
		));

	it('angles come back out of a quaternion', () =>
		fc.assert(
			fc.property(angle(88), angle(179), angle(179), (pitch, yaw, roll) => {
				const q = new Float64Array(4);
				const out = new Float64Array(3);
				putLook(yaw, pitch, q, 0, roll);
				anglesOf(q, 0, out, 0);
				[pitch, yaw, roll].forEach((v, i) => expect(out[i]).toBeCloseTo(v, 9));
			})
		));

	it('turns a vector: a quarter to the left takes ahead to the left, a roll to the left takes right up', () => {
		const q = new Float64Array(4);
		const v = Float64Array.of(0, 0, -1);
		putLook(90, 0, q, 0);
		turnBy(q, 0, v, 0);
		[-1, 0, 0].forEach((n, i) => expect(v[i]).toBeCloseTo(n, 12));
		putLook(0, 0, q, 0, 90);
		const right = Float64Array.of(1, 0, 0);
		turnBy(q, 0, right, 0);
		[0, 1, 0].forEach((n, i) => expect(right[i]).toBeCloseTo(n, 12));
		turnBy(q, 0, right, 0, true);
		[1, 0, 0].forEach((n, i) => expect(right[i]).toBeCloseTo(n, 12));
	});
});
