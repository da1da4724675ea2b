/**
 * How much of a motion there is at each frequency: Welch's estimate (Welch 1967), segments that overlap by half under a Hann window, each
 * without its mean; of a motion that begins and ends at rest the whole at once. And what a slower display makes of it: what lies above half its rate is folded down.
 */
import { Spectrum } from '$lib/analysis';

export interface Density {
	/** Hertz from one bin to the next; bin k is at k times that. */
	readonly step: number;
	/** The channel's unit squared for each hertz. Its sum times `step` is the variance of the motion. */
	readonly values: Float64Array;
}

/** The longest segment; a shorter signal is one segment, filled up with rest. */
const LONGEST = 2048;

export interface DensityOptions {
	/** Samples of a segment, a power of two. */
	readonly longest?: number;
	/** It begins and ends at rest: it is one segment, whole and with its mean, as a window would take away what it begins with. */
	readonly once?: boolean;
}

export function densityOf(
	signal: ArrayLike<number>,
	fps: number,
	{ longest = LONGEST, once = false }: DensityOptions = {}
): Density {
	let size = 16;
	while ((once || size < longest) && size < signal.length) size *= 2;
	const spectrum = new Spectrum(size);
	const window = Float64Array.from({ length: size }, (_, i) =>
		once ? 1 : 0.5 - 0.5 * Math.cos((2 * Math.PI * i) / size)
	);
	const weight = window.reduce((sum, w) => sum + w * w, 0);
	const values = new Float64Array(size / 2 + 1);
	const power = new Float64Array(size / 2);
	const part = new Float64Array(size);
	let segments = 0;
	for (let from = 0; from === 0 || (!once && from + size <= signal.length); from += size / 2) {
		const count = Math.min(size, signal.length - from);
		let mean = 0;
		for (let i = 0; i < count && !once; i++) mean += signal[from + i]! / count;
		part.fill(0);
		for (let i = 0; i < count; i++) {
			const off = signal[from + i]! - mean;
			// What is left of a mean is rounding, no motion.
			part[i] = Math.abs(off) < 1e-12 * Math.abs(mean) ? 0 : off * window[i]!;
		}
		spectrum.power(part, power);
		// One side holds what both do, but for the mean.
		for (let k = 0; k < size / 2; k++) values[k]! += ((k === 0 ? 1 : 2) * power[k]!) / (weight * fps);
		segments++;
	}
	for (let k = 0; k < values.length; k++) values[k]! /= segments;
	return { step: fps / size, values };
}

/** The share of a motion's energy from one frequency to another. */
export function shareBetween({ step, values }: Density, from: number, to: number): number {
	let [inside, all] = [0, 0];
	for (let k = 0; k < values.length; k++) {
		all += values[k]!;
		if (k * step >= from && k * step < to) inside += values[k]!;
	}
	return all > 0 ? inside / all : 0;
}

/** How much there is within an octave around each bin (root mean square, in the channel's unit): √(density · f · ln 2). */
export const octaves = ({ step, values }: Density): Float64Array =>
	Float64Array.from(values, (value, k) => Math.sqrt(value * k * step * Math.LN2));

/** The octave with the most of it, in hertz, as a parabola through the highest bin's power and its neighbours' has it; 0: it stands still. */
export function mainFrequency(density: Density): number {
	const { step } = density;
	const power = octaves(density).map((value) => value * value);
	let at = 0;
	for (let k = 1; k < power.length - 1; k++) if (power[k]! > power[at]!) at = k;
	if (at === 0 || !(power[at]! > 0)) return 0;
	const [a, b, c] = [power[at - 1]!, power[at]!, power[at + 1]!];
	const bend = a - 2 * b + c;
	return (at + (bend < 0 ? (0.5 * (a - c)) / bend : 0)) * step;
}

export { seenFrequency } from '$lib/documents/checks/folded-frequency';
