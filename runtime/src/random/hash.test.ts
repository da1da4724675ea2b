import { describe, expect, it } from 'vitest';
import { combine, hashText, mix, signedUnit, unit } from './hash';

describe('hashes', () => {
	it('flip about half of the output bits for each input bit', () => {
		for (let bit = 0; bit < 32; bit++) {
			let flips = 0;
			for (let i = 0; i < 400; i++) {
				let changed = mix(i * 7919) ^ mix((i * 7919) ^ (1 << bit));
				for (; changed !== 0; changed &= changed - 1) flips++;
			}
			expect(flips / 400).toBeGreaterThan(14);
			expect(flips / 400).toBeLessThan(18);
		}
	});

	it('tell order, neighbours and names apart', () => {
		expect(combine(1, 2)).not.toBe(combine(2, 1));
		const seen = new Set<number>();
		for (let a = 0; a < 200; a++) for (let b = 0; b < 50; b++) seen.add(combine(a, b));
		expect(seen.size).toBeGreaterThan(9995);
		expect(new Set(['x', 'y', 'z', 'pitch', 'yaw', 'roll', 'fov'].map(hashText)).size).toBe(7);
	});

	it('spread evenly', () => {
		const bins = new Array<number>(16).fill(0);
		for (let i = 0; i < 16000; i++) bins[Math.floor(unit(mix(i)) * 16)]!++;
		for (const bin of bins) expect(Math.abs(bin - 1000)).toBeLessThan(150);
		expect(signedUnit(-2147483648)).toBe(-1);
		expect(signedUnit(0)).toBe(0);
	});
});
