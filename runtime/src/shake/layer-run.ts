/** One layer of a running play: where its channels begin, and what it keeps from frame to frame. */
import type { Voice } from '../patterns/voice';
import { combine, mix, unit } from '../random/hash';
import type { Seconds } from '../units/quantities';
import { channelHash, type CompiledLayer } from './compile';

/** A layer's state within a play: where each channel's phase stood when its frequency last changed. */
export interface LayerRun {
	layer: CompiledLayer;
	/** What its pattern reads: the layer's numbers, and the phase of each active channel at age `since`, in cycles. */
	voice: Voice;
	/** The layer's own age at which the phases held. */
	since: Seconds;
	/** What its pattern keeps. */
	state: unknown;
	/** What it was multiplied by when the play was stopped: the stop never rises above it. */
	held: number;
	/** It ran when the play was last played again, and rises with all that did, from `from`: strength × falloff × gain just then. */
	joined: boolean;
	from: number;
	/** How much later than the play the layer begins; 0 once a restart found it running. */
	delay: number;
}

/** Stands for the channels that jump together. */
const SHARED_TARGET = 0x2545f491;
/** Tells where a channel begins apart from what it does. */
const BEGINNING = 0x5bd1e995;

/** Where each channel begins, and what its pattern keeps. */
function beginningOf(layer: CompiledLayer, playSeed: number): { phases: Float64Array; state: unknown } {
	const { channels, starts, row, seedsPerChannel: per, shared } = layer;
	const count = channels.length;
	const seeds = new Int32Array(count * per);
	const shifts = new Float64Array(count * per);
	const phases = new Float64Array(count);
	const layerSeed = combine(playSeed, layer.hash);
	const fromZero = new Uint8Array(count);
	for (let j = 0; j < count; j++) {
		// Channels that share a target share its seed and its beginning.
		const sharing = channels[j]! < shared;
		const seed = combine(layerSeed, sharing ? SHARED_TARGET : channelHash(channels[j]!));
		const start = sharing ? starts[0]! : starts[j]!;
		const random = Number.isNaN(start);
		for (let k = 0; k < per; k++) {
			seeds[j * per + k] = combine(seed, k);
			// Each octave begins at a place of its own, so that octaves share no zeros.
			shifts[j * per + k] = random && row.shiftsOctaves ? unit(mix(seeds[j * per + k]! ^ BEGINNING)) : 0;
		}
		phases[j] = !random ? start : row.shiftsOctaves ? 0 : unit(mix(seed ^ BEGINNING));
		fromZero[j] = start === 0 ? 1 : 0;
	}
	return { phases, state: row.start(layer.compiled, seeds, shifts, fromZero) };
}

export const voiceOf = ({ channels, scales, frequencies }: CompiledLayer, phases: Float64Array): Voice => ({
	channels,
	scales,
	frequencies,
	phases,
	now: new Float64Array(2)
});

export function startLayer(layer: CompiledLayer, playSeed: number): LayerRun {
	const { phases, state } = beginningOf(layer, playSeed);
	return { layer, voice: voiceOf(layer, phases), state, ...FRESH, delay: layer.delay };
}

const FRESH = {
	since: 0,
	held: Infinity,
	joined: false,
	from: 0
} as const;

/** A layer's state that goes its own way; what is only remembered to save work begins empty. */
export const forkLayer = (run: LayerRun, playSeed: number): LayerRun => ({
	...run,
	voice: voiceOf(run.layer, run.voice.phases.slice()),
	state: beginningOf(run.layer, playSeed).state
});

/** Starts over with a changed layer: one that runs goes on from the phase where it is. */
export function runOn(run: LayerRun, layer: CompiledLayer, age: Seconds, tempo: number): void {
	const layerAge = age - run.delay;
	if (layerAge >= 0) {
		const { frequencies, phases } = run.voice;
		for (let j = 0; j < phases.length; j++) phases[j]! += frequencies[j]! * (layerAge - run.since) * tempo;
		run.since = 0;
		run.delay = 0;
	}
	run.layer = layer;
	run.voice = voiceOf(layer, run.voice.phases);
}

/**
 * Layers of a changed preset. Phases are carried, so that a changed frequency makes no jump; layers and channels that are new begin at
 * their own start.
 */
export const carryOver = (
	runs: readonly LayerRun[],
	layers: readonly CompiledLayer[],
	playSeed: number,
	age: Seconds,
	tempo: number
): LayerRun[] =>
	layers.map((layer) => {
		const fresh = startLayer(layer, playSeed);
		const before = runs.find((run) => run.layer.id === layer.id);
		if (!before) return fresh;
		// A restart that found the layer running took its delay away.
		if (before.delay !== before.layer.delay) fresh.delay = before.delay;
		const layerAge = Math.max(0, age - fresh.delay);
		for (let j = 0; j < layer.channels.length; j++) {
			const i = before.layer.channels.indexOf(layer.channels[j]!);
			const sameStart = i >= 0 && Object.is(before.layer.starts[i], layer.starts[j]);
			if (i < 0 || !sameStart || before.layer.kind !== layer.kind) {
				fresh.voice.phases[j]! += layer.frequencies[j]! * layerAge * tempo;
				continue;
			}
			const oldAge = Math.max(0, age - before.delay);
			fresh.voice.phases[j] = before.voice.phases[i]! + before.layer.frequencies[i]! * (oldAge - before.since) * tempo;
		}
		fresh.since = layerAge;
		fresh.held = before.held;
		fresh.joined = before.joined;
		fresh.from = before.from;
		return fresh;
	});
