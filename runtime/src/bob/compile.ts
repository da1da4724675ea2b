/** A head bob compiled: channels of each gait by their shape, how steep its noises get, what a landing comes to. */
import { addKeys, compileKeys, type CompiledKeys } from '../patterns/keys';
import { addNoise, compileNoise, createNoiseRun, type NoiseRun } from '../patterns/noise';
import { ELAPSED, LEVEL, type Voice } from '../patterns/voice';
import { addWave } from '../patterns/wave';
import { combine } from '../random/hash';
import { sinTurns } from '../math/scalar';
import { stepSpring } from '../math/spring';
import { compileDrives, type CompiledDrive } from '../drives/drives';
import { CHANNELS, CHANNEL_COUNT, type Channel } from '../units/channels';
import type { Hertz } from '../units/quantities';
import { cyclesOf, type BobChannel, type BobPreset, type BobShape } from './types';

export const ONE_OCTAVE = compileNoise({ kind: 'noise', octaves: 1, lacunarity: 2, persistence: 0.5 });
/** Samples of a stride, and strides of a noise, that the steepest slope is looked for in. */
export const SAMPLES = 256;
const NOISE_CYCLES = 48;
/** Channels of a gait that have one shape. */
export interface Group {
	readonly shape: BobShape;
	readonly voice: Voice;
	readonly keys: readonly CompiledKeys[];
}

export interface CompiledBob {
	readonly preset: BobPreset;
	/** By gait. */
	readonly groups: readonly (readonly Group[])[];
	/** By gait: the steepest that its noises get, per stride. */
	readonly noises: readonly Float64Array[];
	readonly idle: Voice | null;
	/** Deepest place of the landing's spring for a push of 1 a second. */
	readonly pushPeak: number;
	readonly drives: readonly CompiledDrive[] | null;
}

function groupsOf(channels: Readonly<Partial<Record<Channel, BobChannel>>>): Group[] {
	const groups = new Map<BobShape, { numbers: number[]; list: BobChannel[] }>();
	CHANNELS.forEach((name, number) => {
		const channel = channels[name];
		if (!channel || channel.amplitude === 0) return;
		const group = groups.get(channel.shape) ?? { numbers: [], list: [] };
		group.numbers.push(number);
		group.list.push(channel);
		groups.set(channel.shape, group);
	});
	return [...groups].map(([shape, { numbers, list }]) => ({
		shape,
		voice: {
			channels: Uint8Array.from(numbers),
			scales: Float64Array.from(list, (c) => c.amplitude),
			frequencies: Float64Array.from(numbers, (n, i) => cyclesOf(CHANNELS[n]!, list[i]!.every)),
			phases: Float64Array.from(list, (c) => c.phase),
			now: new Float64Array(2)
		},
		keys: shape === 'keys' ? list.map((c) => compileKeys(c.keys ?? [], true)) : []
	}));
}

export function addGroup(group: Group, noise: NoiseRun | null, spare: Float64Array, out: Float64Array): void {
	const { voice } = group;
	if (group.shape === 'sine') addWave('sine', voice, out);
	else if (group.shape === 'keys') addKeys(group.keys, spare, voice, out);
	else if (group.shape === 'noise') addNoise(ONE_OCTAVE, noise!, voice, out);
	else addRectified(voice, out);
}

/** 2|sin πp| − 1: lowest in a point at each whole cycle. */
function addRectified({ channels, scales, frequencies, phases, now }: Voice, out: Float64Array): void {
	for (let j = 0; j < channels.length; j++) {
		const s = sinTurns((phases[j]! + frequencies[j]! * now[ELAPSED]!) / 2);
		out[channels[j]!]! += scales[j]! * now[LEVEL]! * (2 * (s < 0 ? -s : s) - 1);
	}
}

export const noiseFor = (seed: number, count: number): NoiseRun =>
	createNoiseRun(
		Int32Array.from({ length: count }, (_, j) => combine(seed, j)),
		new Float64Array(count)
	);

/** The steepest that the noises of a gait get, per stride. */
function noiseSlopes(groups: readonly Group[]): Float64Array {
	const steepest = new Float64Array(CHANNEL_COUNT);
	const [before, here, spare] = [new Float64Array(CHANNEL_COUNT), new Float64Array(CHANNEL_COUNT), new Float64Array(1)];
	for (const group of groups) {
		if (group.shape !== 'noise') continue;
		const noise = noiseFor(1, group.voice.channels.length);
		group.voice.now[LEVEL] = 1;
		for (let i = 0; i <= SAMPLES * NOISE_CYCLES; i++) {
			group.voice.now[ELAPSED] = i / SAMPLES;
			here.fill(0);
			addGroup(group, noise, spare, here);
			if (i > 0) steepen(here, before, SAMPLES, steepest);
			before.set(here);
		}
	}
	return steepest;
}

/** Takes the slope from one sample to the next into account. */
export function steepen(here: Float64Array, before: Float64Array, samples: number, steepest: Float64Array): void {
	for (let c = 0; c < CHANNEL_COUNT; c++) {
		const by = here[c]! - before[c]!;
		const slope = (by < 0 ? -by : by) * samples;
		if (slope > steepest[c]!) steepest[c] = slope;
	}
}

/** The deepest place that a spring reaches that is pushed out of its rest by 1 a second. */
function peakOf(frequency: Hertz, damping: number): number {
	const state = Float64Array.of(0, 1);
	const dt = 1 / (frequency * 4000);
	let most = 0;
	for (let i = 0; i < 8000; i++) {
		stepSpring(state, 0, frequency, damping, dt);
		if (state[0]! <= most) break;
		most = state[0]!;
	}
	return most;
}

/** May allocate; what it returns runs without. Gaits are taken in the order of their speeds. */
export function compileBob(preset: BobPreset): CompiledBob {
	const gaits = [...preset.gaits].sort((a, b) => a.speed - b.speed);
	const groups = gaits.map((gait) => groupsOf(gait.channels));
	const idle = CHANNELS.flatMap((name, number) => {
		const channel = preset.idle?.channels[name];
		return channel && channel.amplitude !== 0 ? [{ number, ...channel }] : [];
	});
	return {
		preset: { ...preset, gaits },
		groups,
		noises: groups.map(noiseSlopes),
		idle:
			idle.length === 0
				? null
				: {
						channels: Uint8Array.from(idle, (c) => c.number),
						scales: Float64Array.from(idle, (c) => c.amplitude),
						frequencies: Float64Array.from(idle, (c) => c.frequency),
						phases: new Float64Array(idle.length),
						now: new Float64Array(2)
					},
		pushPeak: preset.landing ? peakOf(preset.landing.frequency, preset.landing.damping) : 0,
		drives: compileDrives(preset.drives)
	};
}

/** Steps a second of a bob at a speed, straight between its gaits; 0 where one stands. */
export function bobSteps({ preset: { gaits } }: CompiledBob, speed: number): Hertz {
	if (!(speed > 0) || gaits.length === 0) return 0;
	const first = gaits[0]!;
	// Slower than the slowest gait the steps go towards half of its.
	if (speed <= first.speed) return first.steps * (0.5 + (0.5 * speed) / first.speed);
	for (let g = 1; g < gaits.length; g++) {
		const [a, b] = [gaits[g - 1]!, gaits[g]!];
		if (speed <= b.speed) return a.steps + ((b.steps - a.steps) * (speed - a.speed)) / (b.speed - a.speed);
	}
	return gaits[gaits.length - 1]!.steps;
}

/** How much of each gait there is at a speed, into `out`. */
export function bobWeights({ preset: { gaits } }: CompiledBob, speed: number, out: Float64Array): void {
	out.fill(0);
	if (!(speed > 0) || gaits.length === 0) return;
	if (speed <= gaits[0]!.speed) {
		out[0] = speed / gaits[0]!.speed;
		return;
	}
	for (let g = 1; g < gaits.length; g++) {
		const [a, b] = [gaits[g - 1]!, gaits[g]!];
		if (speed > b.speed) continue;
		out[g] = (speed - a.speed) / (b.speed - a.speed);
		out[g - 1] = 1 - out[g]!;
		return;
	}
	out[gaits.length - 1] = 1;
}
