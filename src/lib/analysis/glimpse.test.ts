import { describe, expect, it } from 'vitest';
import type { ShakePreset } from 'dinesis-runtime';
import { newLayer, newPreset } from 'dinesis-runtime/tools';
import { GLIMPSE_FPS, glimpseOf } from './glimpse';

/** Pushed to one side for a second, on one channel. */
function pushed(
	channel: 'x' | 'y' | 'yaw' | 'pitch' | 'roll',
	amplitude: number,
	view: 'space' | 'flat' = 'space'
): ShakePreset {
	const preset = newPreset('a', 'A');
	const level = [
		{ at: 0, value: 1 },
		{ at: 1, value: 1 }
	];
	return {
		...preset,
		view,
		timing: {
			...preset.timing,
			mode: 'burst',
			delay: 0,
			duration: 1,
			fadeIn: { ...preset.timing.fadeIn, time: 0 },
			fadeOut: { ...preset.timing.fadeOut, time: 0 }
		},
		layers: [
			{
				...newLayer('l'),
				pattern: { kind: 'keys', cycle: 1, loop: true },
				channels: { [channel]: { amplitude, frequency: 1, start: 'zero', keys: level } }
			}
		]
	} as ShakePreset;
}
/** The step in the middle. */
const middle = (preset: ShakePreset): number[] => glimpseOf(preset).slice(30, 33);

describe('a glimpse of a preset', () => {
	it.each([
		// 0.1 m at 5 m is 0.02 of a view that is 2 tan 30° = 1.1547 high: 17.3 thousandths.
		['to the right: things go left', pushed('x', 0.1), [-17, 0, 0]],
		['up: things go down', pushed('y', 0.1), [0, 17, 0]],
		// 1° is 0.01745: 15.1 thousandths.
		['turned to the left: things go right', pushed('yaw', 1), [15, 0, 0]],
		['turned up: things go down', pushed('pitch', 1), [0, 15, 0]],
		['rolled', pushed('roll', 2), [0, 0, 200]],
		['flat, 54 of 1080 px', pushed('x', 54, 'flat'), [-50, 0, 0]]
	])('%s', (_, preset, step) => {
		expect(middle(preset)).toEqual(step);
	});

	it('is three seconds at most, and nothing where nothing moves', () => {
		const long = pushed('x', 0.1);
		const steps = glimpseOf({ ...long, timing: { ...long.timing, duration: 60 } });
		expect(steps.length / 3).toBeLessThanOrEqual(3 * GLIMPSE_FPS + 1);
		expect(glimpseOf(pushed('x', 0))).toEqual([]);
	});
});
