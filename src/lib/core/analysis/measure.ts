/** A preset in three numbers: how strong, how fast, how long. */
import type { ShakePreset } from '../kit/types';
import { CHANNEL_COUNT } from '../units/channels';
import type { Hertz, Seconds } from '../units/quantities';
import { pictureMovement } from './picture';
import { naturalLength, sampleShake } from './sample';

export interface Measure {
	/** Median over all seeds of the farthest picture movement, in percent of the picture's height. */
	readonly strength: number;
	/** The largest of them. */
	readonly worst: number;
	/** Zero crossings a second ÷ 2, each channel weighted by the picture movement it makes. */
	readonly pace: Hertz;
	/** Length of a burst with its delay; null for a continuous motion. */
	readonly length: Seconds | null;
}

const FPS = 120;

/** Measures over the fixed seeds 1 … `seeds` at strength 1. A continuous motion is measured over six seconds after its fade in. */
export function measureShake(preset: ShakePreset, seeds = 32): Measure {
	const continuous = preset.timing.mode === 'continuous';
	const { growth } = preset.timing;
	const lead = preset.timing.delay + preset.timing.fadeIn.time + Math.min(growth?.over ?? 0, 60);
	const seconds = continuous ? lead + 6 : naturalLength(preset);
	const peaks: number[] = [];
	let crossings = 0;
	let weights = 0;
	for (let seed = 1; seed <= seeds; seed++) {
		const track = sampleShake(preset, { seed, fps: FPS, seconds });
		let peak = 0;
		for (let i = 0; i < track.count; i++) {
			const movement = pictureMovement(track.values, i * CHANNEL_COUNT, preset.view);
			if (movement > peak) peak = movement;
		}
		peaks.push(peak);
		const single = new Float64Array(CHANNEL_COUNT);
		for (let channel = 0; channel < CHANNEL_COUNT; channel++) {
			const seen = crossingsOf(track.values, channel, track.count);
			if (seen.largest === 0) continue;
			single.fill(0);
			single[channel] = seen.largest;
			const weight = pictureMovement(single, 0, preset.view);
			crossings += (weight * seen.crossings) / 2 / Math.max(seen.seconds, 1 / FPS);
			weights += weight;
		}
	}
	peaks.sort((a, b) => a - b);
	const middle = peaks.length >> 1;
	return {
		strength: peaks.length % 2 ? peaks[middle]! : (peaks[middle - 1]! + peaks[middle]!) / 2,
		worst: peaks[peaks.length - 1] ?? 0,
		pace: weights > 0 ? crossings / weights : 0,
		length: continuous ? null : naturalLength(preset)
	};
}

/** Sign changes of one channel while it moves (above a fiftieth of its largest value), and for how long that is. */
function crossingsOf(values: Float64Array, channel: number, count: number) {
	let largest = 0;
	for (let i = 0; i < count; i++) {
		const size = Math.abs(values[i * CHANNEL_COUNT + channel]!);
		if (size > largest) largest = size;
	}
	let crossings = 0;
	let sign = 0;
	let first = -1;
	let last = 0;
	for (let i = 0; i < count; i++) {
		const value = values[i * CHANNEL_COUNT + channel]!;
		if (Math.abs(value) >= largest / 50 && largest > 0) {
			if (first < 0) first = i;
			last = i;
		}
		if (value === 0) continue;
		if (sign !== 0 && value > 0 !== sign > 0 && Math.abs(value) >= largest / 1000) crossings++;
		if (Math.abs(value) >= largest / 1000) sign = value > 0 ? 1 : -1;
	}
	return { largest, crossings, seconds: first < 0 ? 0 : (last - first) / FPS };
}
