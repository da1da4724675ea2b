/** A few seconds of a preset as a little picture can show them: how far the middle of the picture goes, and how it turns. */
import type { ShakePreset } from 'dinesis-runtime';
import { CHANNEL_COUNT, sin, cos, toRadians } from 'dinesis-runtime/tools';
import { REFERENCE } from './picture';
import { naturalLength, sampleShake } from './sample';

export const GLIMPSE_FPS = 20;
const LONGEST_S = 3;

/** Three numbers a step: right and down in thousandths of the picture's height, turned clockwise in hundredths of a degree. */
export type Glimpse = readonly number[];

/** For things 5 m away in a view 60° high; a flat view is 1080 px high. Empty when nothing moves. */
export function glimpseOf(preset: ShakePreset): Glimpse {
	const whole = preset.timing.mode === 'continuous' ? LONGEST_S : naturalLength(preset);
	const seconds = Math.min(LONGEST_S, whole);
	if (!(seconds > 0)) return [];
	const { values, count } = sampleShake(preset, { seconds, fps: GLIMPSE_FPS, seed: 3 });
	const half = toRadians(REFERENCE.fov / 2);
	const high = (2 * sin(half)) / cos(half);
	const steps: number[] = [];
	let moves = false;
	for (let i = 0; i < count; i++) {
		const at = i * CHANNEL_COUNT;
		const [x, y, , pitch, yaw, roll] = [...values.subarray(at, at + CHANNEL_COUNT)] as [
			number,
			number,
			number,
			number,
			number,
			number
		];
		// The camera to the right moves things to the left; turned to the left it moves them to the right.
		const [right, down] =
			preset.view === 'flat'
				? [-x / REFERENCE.flatHeight, y / REFERENCE.flatHeight]
				: [(toRadians(yaw) - x / REFERENCE.distance) / high, (toRadians(pitch) + y / REFERENCE.distance) / high];
		const step = [right * 1000, down * 1000, roll * 100].map((v) => Math.round(v) + 0);
		moves ||= step.some((v) => v !== 0);
		steps.push(...step);
	}
	return moves ? steps : [];
}
