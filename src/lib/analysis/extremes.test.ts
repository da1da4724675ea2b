import { describe, expect, it } from 'vitest';
import { newPreset } from 'dinesis-runtime/tools';
import type { ShakePreset } from 'dinesis-runtime';
import { extremesOf, turningSpeed } from './extremes';

const waving = (channels: object, fadeOut = 0): ShakePreset =>
	({
		...newPreset('wave', 'Wave'),
		timing: {
			...newPreset('w', 'W').timing,
			mode: 'continuous',
			fadeIn: { time: 0, ease: 'linear' },
			fadeOut: { time: fadeOut, ease: 'linear' },
			growth: null
		},
		layers: [
			{ id: 'one', amount: 1, rate: 1, delay: 0, mute: false, pattern: { kind: 'wave', shape: 'sine' }, channels }
		]
	}) as ShakePreset;

describe('the extremes of a preset', () => {
	it('a sine rolls to its amplitude and turns at 2πfA where it passes its middle', () => {
		const preset = waving({ roll: { amplitude: 3, frequency: 2, start: 'zero' } });
		const { roll, turning } = extremesOf(preset, { seeds: 2 });
		expect(roll).toBeCloseTo(3, 2);
		expect(turning / (2 * Math.PI * 2 * 3)).toBeCloseTo(1, 2);
		expect(extremesOf(preset, { seeds: 1, strength: 2 }).roll).toBeCloseTo(6, 2);
	});

	it('turns about three axes add up as the turns they are', () => {
		const speed = (before: number[], after: number[]) =>
			turningSpeed([0, 0, 0, ...before, 0], [0, 0, 0, ...after, 0], 0.5);
		expect(speed([0, 0, 0], [3, 4, 0])).toBeCloseTo(10, 12);
		// Looking straight down, yaw and roll turn about one axis: against each other they cancel, with each other they add.
		expect(speed([-90, 0, 0], [-90, 1, -1])).toBeCloseTo(0, 6);
		expect(speed([-90, 0, 0], [-90, 1, 1])).toBeCloseTo(4, 9);
	});

	it('a position alone does not turn; it rests once its fade is over', () => {
		const { roll, turning, size, rests } = extremesOf(
			waving({ y: { amplitude: 0.1, frequency: 3, start: 'zero' } }, 0.4)
		);
		expect([roll, turning, rests]).toEqual([0, 0, true]);
		// 0.1 m at 5 m in a view 60° high: 0.1 / (2 · 5 · tan 30°).
		expect(size).toBeCloseTo((0.1 / (10 * Math.tan(Math.PI / 6))) * 100, 2);
	});
});
