/** A preset in three numbers: how strong, how fast, how long. */
import type { ShakePreset } from 'dinesis-runtime';
import { Player, CHANNEL_COUNT, type Hertz, type Seconds } from 'dinesis-runtime/tools';
import { pictureMovement } from './picture';
import { naturalLength, SAMPLE_SOURCE } from './sample';
import { stretchesOf, type Stretch } from './windows';

export interface Measure {
	/** Median over all seeds of the farthest picture movement, in percent of the picture's height. */
	readonly size: number;
	/** The largest of them. */
	readonly worst: number;
	/** Zero crossings a second ÷ 2, each channel weighted by the picture movement it makes. */
	readonly pace: Hertz;
	/** Length of a burst with its delay; null for a continuous motion. */
	readonly length: Seconds | null;
}

const FPS = 120;

/** Samples of one play over some stretches, a stretch after the other. */
function samplesOf(preset: ShakePreset, seed: number, stretches: readonly Stretch[], into: Float64Array[]): void {
	const player = new Player([preset], { seed, distance: false });
	player.fire(preset.id, { at: SAMPLE_SOURCE });
	stretches.forEach(({ from }, s) => {
		const values = into[s]!;
		const count = values.length / CHANNEL_COUNT;
		for (let i = 0; i < count; i++) values.set(player.advanceTo(from + i / FPS), i * CHANNEL_COUNT);
	});
}

/** Measures over the fixed seeds 1 … `seeds` at strength 1, at 120 samples a second. */
export function measureShake(preset: ShakePreset, seeds = 32): Measure {
	const stretches = stretchesOf(preset);
	const samples = stretches.map(
		({ from, to }) => new Float64Array(CHANNEL_COUNT * (Math.floor((to - from) * FPS + 1e-9) + 1))
	);
	const single = new Float64Array(CHANNEL_COUNT);
	const peaks: number[] = [];
	let crossings = 0;
	let weights = 0;
	for (let seed = 1; seed <= seeds; seed++) {
		samplesOf(preset, seed, stretches, samples);
		let peak = 0;
		for (const values of samples) {
			for (let at = 0; at < values.length; at += CHANNEL_COUNT) {
				const movement = pictureMovement(values, at, preset.view);
				if (movement > peak) peak = movement;
			}
			for (let channel = 0; channel < CHANNEL_COUNT; channel++) {
				const seen = crossingsOf(values, channel, values.length / CHANNEL_COUNT);
				if (seen.largest === 0) continue;
				single.fill(0);
				single[channel] = seen.largest;
				const weight = pictureMovement(single, 0, preset.view);
				crossings += (weight * seen.crossings) / 2 / Math.max(seen.seconds, 1 / FPS);
				weights += weight;
			}
		}
		peaks.push(peak);
	}
	peaks.sort((a, b) => a - b);
	const middle = peaks.length >> 1;
	return {
		size: peaks.length % 2 ? peaks[middle]! : (peaks[middle - 1]! + peaks[middle]!) / 2,
		worst: peaks[peaks.length - 1] ?? 0,
		pace: weights > 0 ? crossings / weights : 0,
		length: preset.timing.mode === 'continuous' ? null : naturalLength(preset)
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
