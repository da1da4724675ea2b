/** One running instance of a shake preset. */
import { addJumps, createJumpsRun, type JumpsRun } from '../patterns/jumps';
import { addKeys } from '../patterns/keys';
import { addKick } from '../patterns/kick';
import { addNoise, createNoiseRun, type NoiseRun } from '../patterns/noise';
import { ELAPSED, LEVEL, type Voice } from '../patterns/voice';
import { addWave } from '../patterns/wave';
import { combine, mix, unit } from '../random/hash';
import type { Space } from '../kit/types';
import type { Seconds } from '../units/quantities';
import { channelHash, type CompiledLayer, type CompiledShake } from './compile';
import {
	AGE,
	createGainSlots,
	endOf,
	EXTRA,
	FADE_IN,
	LAYER_AGE,
	LEFT,
	LIFE_AGE,
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
	/** The gain that the fade in begins from: above 0 after a restart or an extension. */
	riseFrom: number;
	/** How much later than the play the layer begins; 0 once a restart found it running. */
	delay: number;
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
	return {
		layer,
		phases,
		since: 0,
		noise: createNoiseRun(seeds, shifts),
		jumps,
		heldGain: Infinity,
		riseFrom: 0,
		delay: layer.delay
	};
}

/** A layer's state that goes its own way; what is only remembered to save work begins empty. */
function forkLayer(run: LayerRun, playSeed: number): LayerRun {
	const { noise, jumps } = startLayer(run.layer, playSeed);
	return { ...run, phases: run.phases.slice(), noise, jumps };
}

const isSwayed = (shake: CompiledShake): boolean => shake.reach !== null || shake.drives !== null;

export class Play {
	private runs: LayerRun[];
	/** The age at which it was stopped; null while nobody has. */
	private stopped: Seconds | null = null;
	private cutAt: Seconds = 0;
	/** The age at which the present fade in began: above 0 after an extension. */
	private roseAt: Seconds = 0;
	private extra: Seconds = 0;
	/** While an extended play waits, life and growth stay where they were. */
	private heldLife: Seconds = 0;
	private holdsUntil: Seconds = 0;
	private begun: Seconds;
	private due: 'restart' | 'extend' | null = null;
	private dueAt: Seconds = 0;
	private axes: Float64Array | null = null;
	/** The gain of its loudest layer in the last frame, for display and for choosing whom to replace. */
	level = 0;
	/** What higher priorities multiplied it by in the last frame; 1: they left it alone. */
	ducked = 1;
	/** What is left of it over the distance in the last frame; 1: near, or it has no reach. */
	felt = 1;
	/** Where it came from, in the world; null: nowhere in particular, so that distance does not matter. */
	place: readonly [number, number, number] | null = null;
	/** Whether distance or game values have a say in it: most plays are spared the question in every frame. */
	swayed = false;
	/** What its frequencies are multiplied by now: a use's own rate × what drives the preset's. */
	private pace = 1;

	constructor(
		/** Names the play within its player; never used twice. */
		readonly id: number,
		private shake: CompiledShake,
		/** The player's time at the trigger. */
		trigger: Seconds,
		/** From the trigger to the start: the preset's delay and the way the motion has to travel. */
		readonly delay: Seconds,
		readonly strength: number,
		readonly seed: number,
		/** The length it was fired with instead of its preset's. */
		readonly length: Seconds | undefined,
		/** What the use that fired it multiplies all frequencies by. */
		readonly rate = 1
	) {
		this.begun = trigger;
		this.pace = rate;
		this.swayed = isSwayed(shake);
		this.runs = shake.layers.map((layer) => startLayer(layer, seed));
	}

	/** A play that stands where this one stands and goes its own way. */
	fork(): Play {
		const copy: Play = Object.assign(Object.create(Play.prototype) as Play, this);
		copy.runs = this.runs.map((run) => forkLayer(run, this.seed));
		return copy;
	}

	/** What it is compiled from, for the player. */
	get compiled(): CompiledShake {
		return this.shake;
	}

	/** Runs faster or slower from `now` on, at `pace` times its frequencies; phases are carried, so that nothing jumps. */
	setPace(pace: number, now: Seconds): void {
		if (pace === this.pace) return;
		const age = now - this.begun - this.delay;
		for (let i = 0; i < this.runs.length; i++) {
			const run = this.runs[i]!;
			const elapsed = age - run.delay - run.since;
			if (elapsed <= 0) continue;
			const { frequencies } = run.layer;
			for (let j = 0; j < run.phases.length; j++) run.phases[j]! += frequencies[j]! * elapsed * this.pace;
			run.since += elapsed;
		}
		this.pace = pace;
	}

	/** The player's time at the trigger, or at the last restart. */
	get trigger(): Seconds {
		return this.begun;
	}

	get priority(): number {
		return this.shake.preset.priority;
	}

	/** What lower priorities are multiplied by while this plays; 1: they are left alone. */
	get duck(): number {
		return this.shake.preset.duck;
	}

	get movesIn(): Space {
		return this.shake.preset.space;
	}

	/** Axes of the source's frame at the trigger, as the columns of a 3 × 3 matrix in the world; null: the world's own. */
	get sourceAxes(): Float64Array | null {
		return this.axes;
	}

	set sourceAxes(axes: Float64Array | null) {
		this.axes = axes;
	}

	get presetId(): string {
		return this.shake.preset.id;
	}

	get stoppedAt(): Seconds | null {
		return this.stopped;
	}

	/** The age at which it is over; Infinity for a continuous play that runs. */
	get end(): Seconds {
		return endOf(this.shake.gain, this.stopped, this.extra);
	}

	ageAt(now: Seconds): Seconds {
		return now - this.begun - this.delay;
	}

	/** Over for good: past its end (or stopped before it began), and whom it ducked has come back. */
	isOver(now: Seconds): boolean {
		const age = now - this.begun - this.delay;
		// The common case first, without a call that returns a number.
		if (this.stopped === null && age < this.shake.gain.duration + this.extra) return false;
		return age >= this.end && this.due === null && (this.duck >= 1 || this.ducksAt(now) === 0);
	}

	/** When it begins to fade for good, in its own age. */
	private get fadesAt(): Seconds {
		if (this.stopped === -Infinity) return this.cutAt;
		const { duration, fadeOut } = this.shake.gain;
		const byItself = duration + this.extra - fadeOut;
		return this.stopped !== null && this.stopped < byItself ? this.stopped : byItself;
	}

	/** How far it has pushed lower priorities down, 0–1: linear over `duckTime`, back again from where it begins to fade. */
	ducksAt(now: Seconds): number {
		const age = this.ageAt(now);
		if (age < 0) return 0;
		const time = this.shake.preset.duckTime;
		const fades = this.fadesAt;
		if (time <= 0) return age < fades ? 1 : 0;
		const up = age < time ? age / time : 1;
		if (age <= fades) return up;
		const from = fades < time ? (fades > 0 ? fades / time : 0) : 1;
		const left = from - (age - fades) / time;
		return left > 0 ? left : 0;
	}

	/** Puts the gains of all layers at `now` into `riseFrom`: what the next fade in begins from. */
	private holdGains(now: Seconds): void {
		const slots = createGainSlots();
		this.readGains(this.ageAt(now), slots);
	}

	private readGains(age: Seconds, slots: Float64Array): void {
		const shape = this.shake.gain;
		slots[AGE] = age;
		slots[EXTRA] = this.extra;
		slots[LIFE_AGE] = age < this.holdsUntil ? this.heldLife : age - this.extra;
		workOutShared(shape, slots);
		let left = 1;
		if (this.stopped !== null) {
			slots[STOPPED_AT] = this.stopped;
			workOutLeft(shape, slots);
			left = slots[LEFT]!;
		}
		for (const run of this.runs) {
			const layerAge = age - run.delay;
			slots[LAYER_AGE] = layerAge - this.roseAt;
			workOutFadeIn(shape, slots);
			const rise = slots[FADE_IN]!;
			const gain = layerAge < 0 ? 0 : slots[SHARED]! * rise + (1 - rise) * run.riseFrom;
			run.riseFrom = Math.min(gain, run.heldGain) * left;
		}
	}

	/** Starts over or goes on longer once the motion has had its delay: at `at`, in the player's time. */
	schedule(what: 'restart' | 'extend', at: Seconds): void {
		this.due = what;
		this.dueAt = at;
	}

	/** Does what is due by `now`, as of the moment it was due. */
	catchUp(now: Seconds): void {
		if (this.due === null || this.dueAt > now) return;
		if (this.due === 'restart') this.restart(this.dueAt);
		else this.extend(this.dueAt);
		this.due = null;
	}

	/** Starts over: phases run on, the gain rises from where it is to full over the fade in, the length begins anew. */
	restart(now: Seconds): void {
		const age = this.ageAt(now);
		if (age < 0) {
			this.begun = now;
			return;
		}
		this.holdGains(now);
		for (const run of this.runs) {
			const layerAge = age - run.delay;
			if (layerAge < 0) continue;
			for (let j = 0; j < run.phases.length; j++)
				run.phases[j]! += run.layer.frequencies[j]! * (layerAge - run.since) * this.pace;
			run.since = 0;
			run.delay = 0;
		}
		this.begun = now - this.delay;
		this.stopped = null;
		this.roseAt = this.extra = this.heldLife = this.holdsUntil = 0;
		for (const run of this.runs) run.heldGain = Infinity;
	}

	/** Goes on longer by its length: the gain rises from where it is over the fade in, life holds meanwhile. */
	extend(now: Seconds): void {
		const age = this.ageAt(now);
		if (age < 0) return;
		this.holdGains(now);
		this.heldLife = age < this.holdsUntil ? this.heldLife : age - this.extra;
		if (this.shake.gain.burst) this.extra += this.shake.gain.duration;
		this.holdsUntil = this.heldLife + this.extra;
		this.roseAt = age;
		this.stopped = null;
		for (const run of this.runs) run.heldGain = Infinity;
	}

	/** Begins the fade out. A second stop changes nothing; a stop during the delay means that it never starts. */
	stop(now: Seconds): void {
		if (this.stopped !== null) return;
		const age = this.ageAt(now);
		if (age < 0) return this.cut(now);
		const rises = this.runs.map((run) => run.riseFrom);
		this.readGains(age, createGainSlots());
		this.runs.forEach((run, i) => {
			run.heldGain = run.riseFrom;
			run.riseFrom = rises[i]!;
		});
		this.stopped = age;
	}

	/** Ends it at once. */
	cut(now: Seconds): void {
		this.cutAt = this.ageAt(now);
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
			// A restart that found the layer running took its delay away.
			if (before.delay !== before.layer.delay) fresh.delay = before.delay;
			const layerAge = Math.max(0, age - fresh.delay);
			for (let j = 0; j < layer.channels.length; j++) {
				const i = before.layer.channels.indexOf(layer.channels[j]!);
				const sameStart = i >= 0 && Object.is(before.layer.starts[i], layer.starts[j]);
				if (i < 0 || !sameStart || before.layer.kind !== layer.kind) {
					fresh.phases[j]! += layer.frequencies[j]! * layerAge * this.pace;
					continue;
				}
				const oldAge = Math.max(0, age - before.delay);
				fresh.phases[j] = before.phases[i]! + before.layer.frequencies[i]! * (oldAge - before.since) * this.pace;
			}
			fresh.since = layerAge;
			fresh.heldGain = before.heldGain;
			fresh.riseFrom = before.riseFrom;
			return fresh;
		});
		this.shake = shake;
		this.swayed = isSwayed(shake);
	}

	/** Adds the play's motion at `scratch.frame`'s time, times its factor, to the seven channels of `out`. */
	addTo(scratch: Scratch, out: Float64Array): void {
		const { voice, slots, frame } = scratch;
		const age = frame[NOW]! - this.begun - this.delay;
		this.level = 0;
		const shape = this.shake.gain;
		const extra = this.extra;
		if (age < 0 || age >= shape.duration + extra) return;
		slots[AGE] = age;
		slots[EXTRA] = extra;
		slots[LIFE_AGE] = age < this.holdsUntil ? this.heldLife : age - extra;
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
		slots[LAYER_AGE] = -Infinity;
		slots[FADE_IN] = 0;
		for (let i = 0; i < this.runs.length; i++) {
			const run = this.runs[i]!;
			const layer = run.layer;
			const layerAge = age - run.delay;
			if (layerAge < 0) continue;
			// Layers that begin together share their fade in.
			const rising = layerAge - this.roseAt;
			if (slots[LAYER_AGE] !== rising) {
				slots[LAYER_AGE] = rising;
				workOutFadeIn(shape, slots);
			}
			const rise = slots[FADE_IN]!;
			let level = shared * rise + (1 - rise) * run.riseFrom;
			if (level > run.heldGain) level = run.heldGain;
			level *= left;
			if (level > loudest) loudest = level;
			voice.channels = layer.channels;
			voice.scales = layer.scales;
			voice.frequencies = layer.frequencies;
			voice.phases = run.phases;
			voice.now[LEVEL] = level * factor;
			voice.now[ELAPSED] = (layerAge - run.since) * this.pace;
			if (layer.noise) addNoise(layer.noise, run.noise, voice, out);
			else if (layer.jumps) addJumps(layer.jumps, run.jumps!, voice, out);
			else if (layer.kick) addKick(layer.kick, voice, out);
			else if (layer.keys) addKeys(layer.keys, scratch.spare, voice, out);
			else addWave(layer.wave, voice, out);
		}
		this.level = loudest;
	}
}
