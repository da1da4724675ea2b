/** One running instance of a shake preset. */
import { addJumps, createJumpsRun, type JumpsRun } from '../patterns/jumps';
import { addKeys } from '../patterns/keys';
import { addKick } from '../patterns/kick';
import { addNoise, createNoiseRun, type NoiseRun } from '../patterns/noise';
import { ELAPSED, LEVEL, type Voice } from '../patterns/voice';
import { addWave } from '../patterns/wave';
import { combine, mix, unit } from '../random/hash';
import type { Seconds } from '../units/quantities';
import { channelHash, type CompiledLayer, type CompiledShake } from './compile';
import {
	AGE,
	createGainSlots,
	endOf,
	FADE_IN,
	LAYER_AGE,
	LEFT,
	SHARED,
	STOPPED_AT,
	workOutFadeIn,
	workOutLeft,
	workOutShared
} from './gain';

/** A layer's state within a play: where each channel's phase stood when its frequency last changed. */
interface LayerRun {
	layer: CompiledLayer;
	/** Phase of each active channel at age `since`, in cycles. */
	phases: Float64Array;
	/** The layer's own age at which `phases` held. */
	since: Seconds;
	noise: NoiseRun;
	jumps: JumpsRun | null;
	/** The layer's gain when the play was stopped: the stop never rises above it. */
	heldGain: number;
}

/** Buffers for one frame, shared by all plays of a player. */
export interface Scratch {
	readonly voice: Voice;
	/** See `gain.ts`. */
	readonly slots: Float64Array;
	/** The frame's time, and the factor that the play is multiplied by: in an array, so that the call boxes no number. */
	readonly frame: Float64Array;
	readonly spare: Float64Array;
}

export const NOW = 0;
export const FACTOR = 1;

const NONE = new Float64Array(0);

export const createScratch = (): Scratch => ({
	voice: { channels: new Uint8Array(0), scales: NONE, frequencies: NONE, phases: NONE, now: new Float64Array(2) },
	slots: createGainSlots(),
	frame: new Float64Array(2),
	spare: new Float64Array(1)
});

/** Stands for the channels that jump together. */
const SHARED_TARGET = 0x2545f491;

function startLayer(layer: CompiledLayer, playSeed: number): LayerRun {
	const count = layer.channels.length;
	const per = layer.seedsPerChannel;
	const seeds = new Int32Array(count * per);
	const shifts = new Float64Array(count * per);
	const phases = new Float64Array(count);
	const layerSeed = combine(playSeed, layer.hash);
	const fromCentre = new Uint8Array(count);
	const { channels, starts } = layer;
	// Channels whose jumps share a target share its seed and its beginning.
	const sharing = (j: number): boolean => layer.jumps !== null && channels[j]! < layer.jumps.shared;
	for (let j = 0; j < count; j++) {
		const seed = combine(layerSeed, sharing(j) ? SHARED_TARGET : channelHash(channels[j]!));
		const start = sharing(j) ? starts[0]! : starts[j]!;
		const random = Number.isNaN(start);
		for (let k = 0; k < per; k++) {
			seeds[j * per + k] = combine(seed, k);
			// Each octave begins at a place of its own, so that octaves share no zeros.
			shifts[j * per + k] = random && layer.kind === 'noise' ? unit(mix(seeds[j * per + k]! ^ 0x5bd1e995)) : 0;
		}
		phases[j] = !random ? start : layer.kind === 'noise' ? 0 : unit(mix(seed ^ 0x5bd1e995));
		fromCentre[j] = start === 0 ? 1 : 0;
	}
	const jumps = layer.jumps ? createJumpsRun(seeds, fromCentre) : null;
	return { layer, phases, since: 0, noise: createNoiseRun(seeds, shifts), jumps, heldGain: Infinity };
}

export class Play {
	private runs: LayerRun[];
	/** The age at which it was stopped; null while nobody has. */
	private stopped: Seconds | null = null;
	/** The gain of its loudest layer in the last frame, for display and for choosing whom to replace. */
	level = 0;

	constructor(
		/** Names the play within its player; never used twice. */
		readonly id: number,
		private shake: CompiledShake,
		/** The player's time at the trigger. */
		readonly trigger: Seconds,
		/** From the trigger to the start: the preset's delay and the way the motion has to travel. */
		readonly delay: Seconds,
		readonly strength: number,
		readonly seed: number,
		/** The length it was fired with instead of its preset's. */
		readonly length: Seconds | undefined
	) {
		this.runs = shake.layers.map((layer) => startLayer(layer, seed));
	}

	get presetId(): string {
		return this.shake.preset.id;
	}

	get stoppedAt(): Seconds | null {
		return this.stopped;
	}

	/** The age at which it is over; Infinity for a continuous play that runs. */
	get end(): Seconds {
		return endOf(this.shake.gain, this.stopped);
	}

	ageAt(now: Seconds): Seconds {
		return now - this.trigger - this.delay;
	}

	/** Over for good: past its end, or stopped before it began. */
	isOver(now: Seconds): boolean {
		return this.ageAt(now) >= this.end;
	}

	/** Begins the fade out. A second stop changes nothing; a stop during the delay means that it never starts. */
	stop(now: Seconds): void {
		if (this.stopped !== null) return;
		const age = this.ageAt(now);
		if (age < 0) return this.cut();
		const slots = createGainSlots();
		slots[AGE] = age;
		workOutShared(this.shake.gain, slots);
		for (const run of this.runs) {
			slots[LAYER_AGE] = age - run.layer.delay;
			workOutFadeIn(this.shake.gain, slots);
			run.heldGain = slots[SHARED]! * slots[FADE_IN]!;
		}
		this.stopped = age;
	}

	/** Ends it at once. */
	cut(): void {
		this.stopped = -Infinity;
	}

	/**
	 * Goes on as a changed preset. Phases are carried, so that a changed frequency makes no jump;
	 * layers and channels that are new begin at their own start.
	 */
	retune(shake: CompiledShake, now: Seconds): void {
		const age = this.ageAt(now);
		this.runs = shake.layers.map((layer) => {
			const fresh = startLayer(layer, this.seed);
			const before = this.runs.find((run) => run.layer.id === layer.id);
			if (!before) return fresh;
			const layerAge = Math.max(0, age - layer.delay);
			for (let j = 0; j < layer.channels.length; j++) {
				const i = before.layer.channels.indexOf(layer.channels[j]!);
				const sameStart = i >= 0 && Object.is(before.layer.starts[i], layer.starts[j]);
				if (i < 0 || !sameStart || before.layer.kind !== layer.kind) {
					fresh.phases[j]! += layer.frequencies[j]! * layerAge;
					continue;
				}
				const oldAge = Math.max(0, age - before.layer.delay);
				fresh.phases[j] = before.phases[i]! + before.layer.frequencies[i]! * (oldAge - before.since);
			}
			fresh.since = layerAge;
			fresh.heldGain = before.heldGain;
			return fresh;
		});
		this.shake = shake;
	}

	/** Adds the play's motion at `scratch.frame`'s time, times its factor, to the seven channels of `out`. */
	addTo(scratch: Scratch, out: Float64Array): void {
		const { voice, slots, frame } = scratch;
		const age = frame[NOW]! - this.trigger - this.delay;
		this.level = 0;
		const shape = this.shake.gain;
		if (age < 0 || age >= shape.duration) return;
		slots[AGE] = age;
		workOutShared(shape, slots);
		let left = 1;
		if (this.stopped !== null) {
			if (this.stopped === -Infinity) return;
			slots[STOPPED_AT] = this.stopped;
			workOutLeft(shape, slots);
			left = slots[LEFT]!;
		}
		const shared = slots[SHARED]!;
		const factor = this.strength * frame[FACTOR]!;
		let loudest = 0;
		slots[LAYER_AGE] = -1;
		slots[FADE_IN] = 0;
		for (let i = 0; i < this.runs.length; i++) {
			const run = this.runs[i]!;
			const layer = run.layer;
			const layerAge = age - layer.delay;
			if (layerAge < 0) continue;
			// Layers that begin together share their fade in.
			if (slots[LAYER_AGE] !== layerAge) {
				slots[LAYER_AGE] = layerAge;
				workOutFadeIn(shape, slots);
			}
			let level = shared * slots[FADE_IN]!;
			if (level > run.heldGain) level = run.heldGain;
			level *= left;
			if (level > loudest) loudest = level;
			voice.channels = layer.channels;
			voice.scales = layer.scales;
			voice.frequencies = layer.frequencies;
			voice.phases = run.phases;
			voice.now[LEVEL] = level * factor;
			voice.now[ELAPSED] = layerAge - run.since;
			if (layer.noise) addNoise(layer.noise, run.noise, voice, out);
			else if (layer.jumps) addJumps(layer.jumps, run.jumps!, voice, out);
			else if (layer.kick) addKick(layer.kick, voice, out);
			else if (layer.keys) addKeys(layer.keys, scratch.spare, voice, out);
			else addWave(layer.wave, voice, out);
		}
		this.level = loudest;
	}
}
