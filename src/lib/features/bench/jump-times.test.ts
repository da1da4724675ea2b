import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { Layer } from 'dinesis-runtime/tools';
import { jumpTimesOf, withJumpTimes } from './jump-times';

const layer = (frequency: number, jitter: number | undefined, rate = 1): Layer => ({
	id: 'one',
	amount: 1,
	rate,
	delay: 0,
	mute: false,
	pattern: { kind: 'jumps', within: 'box', between: 'hold', ease: 'smooth', ...(jitter !== undefined && { jitter }) },
	channels: {
		x: { amplitude: 1, frequency, start: 'random' },
		roll: { amplitude: 2, frequency: 2 * frequency, start: 'random' }
	}
});

describe('the random time between two jumps', () => {
	it('without jitter it is even; with half of it, from a half to one and a half', () => {
		expect(jumpTimesOf(layer(4, undefined))).toEqual({ from: 0.25, to: 0.25 });
		expect(jumpTimesOf(layer(4, 0.5))).toEqual({ from: 0.125, to: 0.375 });
		// The layer's own rate is in it.
		expect(jumpTimesOf(layer(4, 0.5, 2))).toEqual({ from: 0.0625, to: 0.1875 });
	});

	it('0.2 to 0.6 s is 2.5 a second with a jitter of a half; other channels keep their proportion', () => {
		const made = withJumpTimes(layer(4, 0), { from: 0.2, to: 0.6 });
		expect(made.pattern.kind === 'jumps' && made.pattern.jitter).toBeCloseTo(0.5, 12);
		expect(made.channels.x!.frequency).toBeCloseTo(2.5, 12);
		expect(made.channels.roll!.frequency).toBeCloseTo(5, 12);
		expect(withJumpTimes(layer(4, 0), { from: 0.6, to: 0.2 })).toEqual(made);
	});

	it('what is written is read again, whatever it is', () => {
		const time = fc.double({ min: 0.01, max: 10, noNaN: true });
		fc.assert(
			fc.property(time, time, fc.double({ min: 0.1, max: 5, noNaN: true }), (a, b, rate) => {
				const read = jumpTimesOf(withJumpTimes(layer(3, 0.2, rate), { from: Math.min(a, b), to: Math.max(a, b) }))!;
				expect(read.from).toBeCloseTo(Math.min(a, b), 9);
				expect(read.to).toBeCloseTo(Math.max(a, b), 9);
			})
		);
	});

	it('what does not jump has none', () => {
		expect(jumpTimesOf({ ...layer(4, 0), channels: {} })).toBeNull();
		expect(jumpTimesOf(layer(0, 0))).toBeNull();
	});
});
