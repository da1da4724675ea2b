/** What of a sound can set motion off: when something begins in it, and how loud it is. */
import { cos, log2, type CurvePoint, type Seconds } from 'dinesis-runtime/tools';
import { Spectrum } from './fft';

export interface Onset {
	readonly at: Seconds;
	/** Of the loudest 50 ms after it, 0 (−60 dB of full scale) … 1 (full scale). */
	readonly loudness: number;
}

export interface Onsets {
	readonly seconds: Seconds;
	readonly onsets: readonly Onset[];
	/** Loudness over time, 0 … 1, straight between its points. */
	readonly loudness: readonly CurvePoint[];
}

/** About 23 ms: short enough to tell when, long enough to tell what. */
const WINDOW_S: Seconds = 0.023;
const LOUDNESS_HZ = 20;
const QUIET_DB = -60;
/** Two onsets closer together are one. */
const LEAST_APART: Seconds = 0.06;
/** The change is compared with its mean over so long before and after. */
const AROUND: Seconds = 0.15;
/** What is noted of the loudness: changes of this much. */
const LOUDNESS_STEP = 0.02;

/** Mean square → 0 … 1 over 60 dB. 10·log10 x = 3.0103·log2 x. */
const loudnessOf = (meanSquare: number): number => {
	if (!(meanSquare > 0)) return 0;
	const db = 3.010299956639812 * log2(meanSquare);
	return Math.min(1, Math.max(0, 1 - db / QUIET_DB));
};

/**
 * Onsets where the spectrum grows (half-wave rectified difference of the compressed magnitudes from one window to the next,
 * "spectral flux") by more than around them. `sensitivity` 0 … 1: how little growth is enough.
 */
export function detectOnsets(samples: Float32Array, rate: number, sensitivity = 0.5): Onsets {
	const seconds = samples.length / rate;
	const loudness = loudnessCurve(samples, rate);
	const { flux, hop } = fluxOf(samples, rate);
	const around = Math.max(1, Math.round((AROUND * rate) / hop));
	const apart = Math.max(1, Math.round((LEAST_APART * rate) / hop));
	let most = 0;
	for (const value of flux) if (value > most) most = value;
	const least = most * (0.5 - 0.45 * Math.min(1, Math.max(0, sensitivity)));
	const onsets: Onset[] = [];
	let last = -Infinity;
	for (let i = 0; i < flux.length; i++) {
		const value = flux[i]!;
		if (value < least || value <= 0 || i - last < apart) continue;
		let sum = 0;
		let count = 0;
		let peak = true;
		for (let k = Math.max(0, i - around); k <= Math.min(flux.length - 1, i + around); k++) {
			sum += flux[k]!;
			count++;
			if (Math.abs(k - i) <= apart / 2 && (flux[k]! > value || (flux[k]! === value && k < i))) peak = false;
		}
		if (!peak || value < (1.6 * sum) / count) continue;
		last = i;
		const at = (i * hop) / rate;
		onsets.push({ at, loudness: loudestAfter(samples, rate, at) });
	}
	return { seconds, onsets, loudness };
}

function fluxOf(samples: Float32Array, rate: number): { flux: Float64Array; hop: number } {
	let size = 64;
	while (size < WINDOW_S * rate) size *= 2;
	const hop = size / 4;
	// A window that hangs over the end would hear the cut as a sound.
	const count = Math.max(1, Math.floor((samples.length - size / 2) / hop) + 1);
	const spectrum = new Spectrum(size);
	const hann = Float64Array.from({ length: size }, (_, i) => 0.5 - 0.5 * cos((2 * Math.PI * i) / size));
	const windowed = new Float64Array(size);
	const power = new Float64Array(size / 2);
	const before = new Float64Array(size / 2);
	const flux = new Float64Array(count);
	for (let n = 0; n < count; n++) {
		// Centred where it is told: silence stands before the beginning.
		const from = n * hop - size / 2;
		for (let i = 0; i < size; i++) windowed[i] = (samples[from + i] ?? 0) * hann[i]!;
		spectrum.power(windowed, power);
		let grown = 0;
		for (let k = 1; k < size / 2; k++) {
			// Compressed, so that quiet sounds count as well: log2(1 + 100·|X|/size).
			const now = log2(1 + (100 * Math.sqrt(power[k]!)) / size);
			if (now > before[k]!) grown += now - before[k]!;
			before[k] = now;
		}
		flux[n] = grown;
	}
	return { flux, hop };
}

function meanSquare(samples: Float32Array, from: number, to: number): number {
	let sum = 0;
	const [a, b] = [Math.max(0, from), Math.min(samples.length, to)];
	for (let i = a; i < b; i++) sum += samples[i]! * samples[i]!;
	return b > a ? sum / (b - a) : 0;
}

const loudestAfter = (samples: Float32Array, rate: number, at: Seconds): number => {
	const from = Math.round(at * rate);
	const [part, step] = [Math.round(0.05 * rate), Math.round(0.0125 * rate)];
	let most = 0;
	for (let k = -2; k < 5; k++) most = Math.max(most, meanSquare(samples, from + k * step, from + k * step + part));
	return loudnessOf(most);
};

function loudnessCurve(samples: Float32Array, rate: number): CurvePoint[] {
	const part = rate / LOUDNESS_HZ;
	const count = Math.max(1, Math.ceil(samples.length / part));
	const points: CurvePoint[] = [];
	for (let i = 0; i < count; i++) {
		const value =
			Math.round(1000 * loudnessOf(meanSquare(samples, Math.round(i * part), Math.round((i + 1) * part)))) / 1000;
		const before = points.at(-1);
		const at = (i + 0.5) / LOUDNESS_HZ;
		if (before && i < count - 1 && Math.abs(before.value - value) < LOUDNESS_STEP) continue;
		// Where it stood still it goes on standing until just before it moves.
		if (before && at - before.at > 1.5 / LOUDNESS_HZ) points.push({ at: at - 1 / LOUDNESS_HZ, value: before.value });
		points.push({ at: before ? at : 0, value });
	}
	return points;
}
