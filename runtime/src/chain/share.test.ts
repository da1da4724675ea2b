import { describe, expect, it } from 'vitest';
import { clockOf } from '../units/clock';
import { ShareRun, WHOLE, type Share } from './share';

const run = (share: Partial<Share>): ShareRun => {
	const made = new ShareRun();
	made.set({ ...WHOLE, ...share });
	return made;
};
const offset = (): Float64Array => Float64Array.of(1, 2, 3, 4, 5, 6, 7);
const applied = (share: Partial<Share>): number[] => {
	const out = offset();
	run(share).apply(clockOf(1 / 60), out);
	return [...out];
};

describe('a player’s share', () => {
	it('is all of it to the bit, unless something is turned down', () => {
		expect(applied({})).toEqual([1, 2, 3, 4, 5, 6, 7]);
		expect(applied({ intensity: 0.5 })).toEqual([0.5, 1, 1.5, 2, 2.5, 3, 3.5]);
		expect(applied({ rotation: false })).toEqual([1, 2, 3, 0, 0, 0, 7]);
		expect(applied({ roll: false })).toEqual([1, 2, 3, 4, 5, 0, 7]);
		expect(applied({ lens: false, intensity: 2 })).toEqual([2, 4, 6, 8, 10, 12, 0]);
	});

	/** Two low-passes of 0.08 s behind each other, from rest, for what jumps to 1 … */
	const ramped = (steps: number, seconds: number, up: (t: number) => number): number => {
		const share = run({ gentle: true });
		const out = new Float64Array(7);
		for (let i = 1; i <= steps; i++) {
			out.fill(0);
			out[1] = up((i * seconds) / steps);
			share.apply(clockOf(seconds / steps), out);
		}
		return out[1]!;
	};

	it('gentle follows a ramp as its formula says, however many frames it takes', () => {
		const tau = 0.08;
		// u = t: z = t − 2τ + (2τ + t)·e^(−t/τ).
		const wanted = 0.5 - 2 * tau + (2 * tau + 0.5) * Math.exp(-0.5 / tau);
		for (const steps of [1, 7, 60, 600]) expect(ramped(steps, 0.5, (t) => t)).toBeCloseTo(wanted, 12);
	});

	it('gentle halves a swing of 1 ÷ (2πτ) = 2 Hz, and takes nearly all of one of 12', () => {
		const peak = (hertz: number): number => {
			const share = run({ gentle: true });
			let most = 0;
			for (let i = 0; i <= 4800; i++) {
				const out = new Float64Array(7);
				out[0] = Math.sin((2 * Math.PI * hertz * i) / 1200);
				share.apply(clockOf(1 / 1200), out);
				if (i > 2400) most = Math.max(most, Math.abs(out[0]!));
			}
			return most;
		};
		// |H| = 1 ÷ (1 + (ωτ)²).
		for (const hertz of [1 / (2 * Math.PI * 0.08), 12])
			expect(peak(hertz)).toBeCloseTo(1 / (1 + (2 * Math.PI * hertz * 0.08) ** 2), 4);
	});

	it('gentle comes to rest to the last digit, and begins where the picture stands', () => {
		const share = run({});
		const out = offset();
		share.apply(clockOf(1 / 60), out);
		share.set({ ...WHOLE, gentle: true });
		const next = offset();
		share.apply(clockOf(1 / 60), next);
		next.forEach((value, c) => expect(value).toBeCloseTo(offset()[c]!, 12));
		for (let i = 0; i < 180; i++) {
			out.fill(0);
			share.apply(clockOf(1 / 60), out);
		}
		expect([...out]).toEqual([0, 0, 0, 0, 0, 0, 0]);
	});

	it('a copy goes its own way', () => {
		const share = run({ gentle: true });
		share.apply(clockOf(1 / 60), offset());
		const copy = share.fork();
		const [a, b] = [offset(), offset()];
		share.apply(clockOf(1 / 60), a);
		copy.apply(clockOf(1 / 60), b);
		expect([...b]).toEqual([...a]);
		copy.set(WHOLE);
		expect([share.goesOn, copy.goesOn]).toEqual([true, false]);
	});
});
