import { describe, expect, it } from 'vitest';
import { settleSpring, stepSpring } from './spring';

/** The closed form, from 1 and speed 0, by the platform's own functions. */
function closed(f: number, z: number, t: number): number {
	const w = 2 * Math.PI * f;
	if (z < 1) {
		const s = w * Math.sqrt(1 - z * z);
		return Math.exp(-z * w * t) * (Math.cos(s * t) + ((z * w) / s) * Math.sin(s * t));
	}
	if (z === 1) return Math.exp(-w * t) * (1 + w * t);
	const s = w * Math.sqrt(z * z - 1);
	return Math.exp((s - z * w) * t) * (0.5 + (z * w) / (2 * s)) + Math.exp(-(s + z * w) * t) * (0.5 - (z * w) / (2 * s));
}
const step = (f: number, z: number, dts: readonly number[], from: readonly [number, number] = [1, 0]): number[] => {
	const state = Float64Array.of(...from);
	for (const dt of dts) stepSpring(state, 0, f, z, dt);
	return [...state];
};

describe('a spring', () => {
	it.each([0.05, 0.5, 2, 9, 30])(
		'is where the closed form says at %s Hz, below, at and above critical damping',
		(f) => {
			for (const z of [0, 0.05, 0.4, 0.99, 1, 1.01, 1.7, 5])
				for (const t of [0.001, 0.01, 0.1, 0.5, 3]) expect(step(f, z, [t])[0]).toBeCloseTo(closed(f, z, t), 9);
		}
	);

	it('near critical damping nothing jumps', () => {
		for (const off of [1e-3, 1e-5, 1e-7, 1e-9, 1e-11, 1e-13])
			for (const t of [0.01, 0.1, 0.4]) {
				const at = closed(2, 1, t);
				for (const z of [1 - off, 1 + off]) expect(Math.abs(step(2, z, [t])[0]! - at)).toBeLessThan(2 * off + 1e-12);
			}
	});

	it('many small steps are one large step', () => {
		for (const z of [0.3, 1, 2]) {
			const many = step(
				3,
				z,
				Array.from({ length: 100 }, () => 0.007),
				[0.4, -5]
			);
			const once = step(3, z, [0.7], [0.4, -5]);
			expect(many[0]).toBeCloseTo(once[0]!, 12);
			expect(many[1]).toBeCloseTo(once[1]!, 11);
		}
	});

	it('comes to rest to the last bit', () => {
		const state = Float64Array.of(1, 3);
		let steps = 0;
		while (!settleSpring(state, 0) && steps < 10000) {
			stepSpring(state, 0, 2, 0.5, 1 / 60);
			steps++;
		}
		expect([...state]).toEqual([0, 0]);
		expect(steps).toBeLessThan(400);
	});
});
