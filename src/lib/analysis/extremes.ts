/** The farthest that a preset goes over many plays: what is held against limits, not what is felt. */
import type { ShakePreset } from 'dinesis-runtime';
import { CHANNELS, CHANNEL_COUNT, Player, sin, toRadians, type Degrees, type Seconds } from 'dinesis-runtime/tools';
import { pictureMovement } from './picture';
import { naturalLength, SAMPLE_SOURCE } from './sample';
import { stretchesOf } from './windows';

export interface Extremes {
	/** The farthest picture movement, in percent of the picture's height. */
	readonly size: number;
	/** The farthest roll. */
	readonly roll: Degrees;
	/** The quickest turning of the camera about whatever axis, in degrees a second. */
	readonly turning: number;
	/** After the end, or its fade once it is stopped, every play stands at exactly 0. */
	readonly rests: boolean;
}

export interface ExtremesOptions {
	/** The first of the seeds, and how many. */
	readonly seed?: number;
	readonly seeds?: number;
	readonly strength?: number;
}

const FPS = 120;
const DT: Seconds = 1 / FPS;
const [PITCH, YAW, ROLL] = (['pitch', 'yaw', 'roll'] as const).map((c) => CHANNELS.indexOf(c)) as [
	number,
	number,
	number
];

/**
 * How fast a look turns, in degrees a second, between two offsets `dt` apart. With yaw, pitch and roll one after the other in the
 * turned axes: ω² = ẏ² + ṗ² + ṙ² − 2·ẏ·ṙ·sin p.
 */
export function turningSpeed(before: ArrayLike<number>, after: ArrayLike<number>, dt: Seconds): number {
	const pitch = (after[PITCH]! - before[PITCH]!) / dt;
	const yaw = (after[YAW]! - before[YAW]!) / dt;
	const roll = (after[ROLL]! - before[ROLL]!) / dt;
	const tilt = sin(toRadians((after[PITCH]! + before[PITCH]!) / 2));
	return Math.sqrt(Math.max(0, pitch * pitch + yaw * yaw + roll * roll - 2 * yaw * roll * tilt));
}

/** The extremes over the seeds `seed` … `seed + seeds − 1`, at 120 samples a second. */
export function extremesOf(
	preset: ShakePreset,
	{ seed = 1, seeds = 32, strength = 1 }: ExtremesOptions = {}
): Extremes {
	let [size, roll, turning] = [0, 0, 0];
	let rests = true;
	const before = new Float64Array(CHANNEL_COUNT);
	const burst = preset.timing.mode === 'burst';
	for (let own = seed; own < seed + seeds; own++) {
		const player = new Player([preset], { seed: own, distance: false });
		const play = player.fire(preset.id, { at: SAMPLE_SOURCE, strength })!;
		let time = 0;
		for (const { from, to } of stretchesOf(preset)) {
			before.set(player.advanceTo(from));
			for (let i = 1; from + i * DT <= to + 1e-9; i++) {
				const now = player.advanceTo((time = from + i * DT));
				size = Math.max(size, pictureMovement(now, 0, preset.view));
				roll = Math.max(roll, Math.abs(now[ROLL]!));
				turning = Math.max(turning, turningSpeed(before, now, DT));
				before.set(now);
			}
		}
		if (!burst) play.stop(time);
		const end = burst ? naturalLength(preset) : time + preset.timing.fadeOut.time;
		rests &&= player.advanceTo(end + DT).every((value) => value === 0);
	}
	return { size, roll, turning, rests };
}
