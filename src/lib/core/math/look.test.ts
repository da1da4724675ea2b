import { describe, expect, it } from 'vitest';
import { putLook } from './look';

describe('a look', () => {
	it.each([
		[0, 0],
		[90, 30],
		[-170, -60],
		[33, 88]
	])('of yaw %d° and pitch %d° turns −z to where it points: left by the one, then up by the other', (yaw, pitch) => {
		const q = new Float64Array(4);
		putLook(yaw, pitch, q, 0);
		const [x, y, z, w] = q as unknown as [number, number, number, number];
		const rad = Math.PI / 180;
		// Minus the third column of the rotation's matrix.
		expect(-2 * (x * z + w * y)).toBeCloseTo(-Math.sin(yaw * rad) * Math.cos(pitch * rad), 12);
		expect(-2 * (y * z - w * x)).toBeCloseTo(Math.sin(pitch * rad), 12);
		expect(-(1 - 2 * (x * x + y * y))).toBeCloseTo(-Math.cos(yaw * rad) * Math.cos(pitch * rad), 12);
		expect(x * x + y * y + z * z + w * w).toBeCloseTo(1, 12);
	});
});
