/** One running instance of a shake preset. */
import { ELAPSED, LEVEL } from '../patterns/voice';
import type { Space } from './types';
import type { Seconds } from '../units/quantities';
import type { CompiledShake } from './compile';
import {
	AGE,
	createGainSlots,
	EXTRA,
	FADE_IN,
	LAYER_AGE,
	LAYER_LEVEL,
	LEFT,
	LIFE_AGE,
	SHARED,
	STOPPED_AT,
	workOutFadeIn,
	workOutLeft,
	workOutShared
} from './gain';
import { carryOver, forkLayer, runOn, startLayer, type LayerRun } from './layer-run';
import { FACTOR, NOW, OUTER, type PlaySettings, type Scratch } from './settings';

const isModulated = (shake: CompiledShake): boolean => shake.reach !== null || shake.drives !== null;

export class Play {
	private runs: LayerRun[];
	/** The age at which it was stopped; null while nobody has. */
	private stopped: Seconds | null = null;
	private cutAt: Seconds = 0;
	/** The age at which it was last played again, and how long it rises from there. */
	private roseAt: Seconds = 0;
	private rise: Seconds = 0;
	private extra: Seconds = 0;
	/** While an extended play waits, life and growth stay where they were. */
	private heldLife: Seconds = 0;
	private holdsUntil: Seconds = 0;
	/** The age at which it is over though it was never stopped: another one has taken its place. */
	private goneAt: Seconds = Infinity;
	/** The age at which a continuous play of a set length lets itself go. */
	private letsGoAt: Seconds;
	/** The age at which it is over by itself. */
	private lasts: Seconds;
	private begun: Seconds;
	private power: number;
	private pitch: number;
	private given: Seconds | undefined;
	private axes: Float64Array | null;
	/** Who holds it. */
	holders: readonly string[];
	builder: string;
	/** Fired, and what becomes of it is decided when it arrives. */
	waits = false;
	/** The gain of its loudest layer in the last frame, for display. */
	level = 0;
	/** Strength × gain of its loudest layer in the last frame: the one to be replaced is the smallest. */
	loudness = 0;
	/** What higher priorities multiplied it by in the last frame; 1: they left it alone. */
	ducked = 1;
	/** What is left of it over the distance in the last frame; 1: near, or it has no reach. */
	felt = 1;
	place: readonly [number, number, number] | null;
	/** Whether distance or game values have a say in it: most plays are spared the question in every frame. */
	modulated = false;
	/** What its frequencies are multiplied by now: a use's own rate × what drives the preset's. */
	private tempo: number;

	constructor(
		/** Names the play within its player; never used twice. */
		readonly id: number,
		private shake: CompiledShake,
		/** The player's time at the trigger. */
		trigger: Seconds,
		/** From the trigger to the start: the preset's delay and the way the motion has to travel. */
		readonly delay: Seconds,
		readonly seed: number,
		{ strength, length, rate, place, axes, holders, builder }: PlaySettings,
		/** What drives make of its frequencies at the start. */
		driven = 1
	) {
		this.begun = trigger;
		this.power = strength;
		this.pitch = rate;
		this.tempo = rate * driven;
		this.given = length;
		this.place = place;
		this.axes = axes;
		this.holders = holders;
		this.builder = builder;
		this.modulated = isModulated(shake);
		this.isCameras = shake.preset.space === 'camera';
		this.runs = shake.layers.map((layer) => startLayer(layer, seed));
		this.letsGoAt = shake.gain.letGo;
		this.lasts = this.byItself();
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

	/** What it is multiplied by. */
	get strength(): number {
		return this.power;
	}

	set strength(strength: number) {
		this.power = strength;
	}

	/** What the use that fired it multiplies all frequencies by. */
	get rate(): number {
		return this.pitch;
	}

	/** The length it was fired with instead of its preset's. */
	get length(): Seconds | undefined {
		return this.given;
	}

	/** Runs faster or slower from `now` on, at `tempo` times its frequencies; phases are carried, so that nothing jumps. */
	setTempo(tempo: number, now: Seconds): void {
		if (tempo === this.tempo) return;
		const age = now - this.begun - this.delay;
		for (let i = 0; i < this.runs.length; i++) {
			const run = this.runs[i]!;
			const elapsed = age - run.delay - run.since;
			if (elapsed <= 0) continue;
			const { frequencies, phases } = run.voice;
			for (let j = 0; j < phases.length; j++) phases[j]! += frequencies[j]! * elapsed * this.tempo;
			run.since += elapsed;
		}
		this.tempo = tempo;
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

	/** Whether it moves in the camera's own axes, as most do. */
	isCameras = true;

	/** Axes of the source's frame at the trigger, as the columns of a 3 × 3 matrix in the world; null: the world's own. */
	get sourceAxes(): Float64Array | null {
		return this.axes;
	}

	get presetId(): string {
		return this.shake.preset.id;
	}

	get stoppedAt(): Seconds | null {
		return this.stopped;
	}

	/** When it is over by itself: at its length, or when it has let itself go. */
	private byItself(): Seconds {
		const whole = Math.min(this.shake.gain.duration + this.extra, this.letsGoAt + this.shake.gain.stopFade);
		return Math.min(whole, this.goneAt);
	}

	/** The age at which it is over; Infinity for a continuous play that runs. */
	get end(): Seconds {
		if (this.stopped === null) return this.lasts;
		const stopped = this.stopped + this.shake.gain.stopFade;
		return stopped < this.lasts ? stopped : this.lasts;
	}

	ageAt(now: Seconds): Seconds {
		return now - this.begun - this.delay;
	}

	/** Whether it has begun by a time, and is not over. */
	runsAt(now: Seconds): boolean {
		const age = this.ageAt(now);
		return !this.waits && age >= 0 && age < this.end;
	}

	/** Over for good: past its end (or stopped before it began), and whom it ducked has come back. */
	isOver(now: Seconds): boolean {
		const age = now - this.begun - this.delay;
		// The common case first, without a call that returns a number.
		if (this.stopped === null && age < this.lasts) return false;
		return age >= this.end && (this.duck >= 1 || this.ducksAt(now) === 0);
	}

	/** When it begins to fade for good, in its own age. */
	private get fadesAt(): Seconds {
		if (this.stopped === -Infinity) return this.cutAt;
		if (this.goneAt < Infinity) return this.roseAt;
		const { duration, fadeOut } = this.shake.gain;
		const byItself = Math.min(duration + this.extra - fadeOut, this.letsGoAt);
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

	/** Works out what all layers have in common at the age that stands in the slots. */
	private workOut(slots: Float64Array): void {
		const age = slots[AGE]!;
		slots[EXTRA] = this.extra;
		slots[LIFE_AGE] = age < this.holdsUntil ? this.heldLife : age - this.extra;
		workOutShared(this.shake.gain, slots);
		slots[LEFT] = 1;
		if (this.stopped === null) return;
		slots[STOPPED_AT] = this.stopped;
		workOutLeft(this.shake.gain, slots);
	}

	/** LAYER_LEVEL: a layer's level before a stop: strength × falloff × gain once it was played again, before that its gain alone. */
	private workOutLevel(run: LayerRun, age: Seconds, slots: Float64Array): void {
		const layerAge = age - run.delay;
		slots[LAYER_LEVEL] = 0;
		if (layerAge < 0) return;
		slots[LAYER_AGE] = run.joined ? this.riseAge(age) : layerAge;
		workOutFadeIn(this.shake.gain, slots);
		const rise = slots[FADE_IN]!;
		const shared = slots[SHARED]!;
		slots[LAYER_LEVEL] = run.joined ? (1 - rise) * run.from + rise * (this.power * this.felt * shared) : shared * rise;
	}

	/** The age in the fade in at which a layer that was played again stands: the rise may be shorter than the fade. */
	private riseAge(age: Seconds): Seconds {
		const { fadeIn } = this.shake.gain;
		if (!(this.rise > 0)) return fadeIn;
		return this.rise === fadeIn ? age - this.roseAt : ((age - this.roseAt) / this.rise) * fadeIn;
	}

	/** Does by itself what is due by `now`: lets go in time to be over at its length. */
	catchUp(now: Seconds): void {
		if (this.stopped !== null || this.letsGoAt > now - this.begun - this.delay) return;
		this.stopAtAge(this.letsGoAt < 0 ? 0 : this.letsGoAt);
	}

	/** Every layer that runs rises from where it is at an age, all together. */
	private join(age: Seconds): void {
		const slots = createGainSlots();
		slots[AGE] = age;
		this.workOut(slots);
		const left = slots[LEFT]!;
		for (const run of this.runs) {
			this.workOutLevel(run, age, slots);
			const level = Math.min(slots[LAYER_LEVEL]!, run.held) * left;
			run.from = run.joined ? level : level * this.power * this.felt;
		}
		for (const run of this.runs) {
			run.joined = age - run.delay >= 0;
			run.held = Infinity;
		}
		this.stopped = null;
	}

	/**
	 * Starts over at a time: the level goes from where it is to that of a new play with these settings, over the fade in; phases run
	 * on, the length begins anew, a stop is forgotten. `shake`: its preset compiled for the new length.
	 */
	restart(now: Seconds, shake: CompiledShake, settings: PlaySettings, driven: number): void {
		this.catchUp(now);
		const age = this.ageAt(now);
		this.join(age);
		this.runs.forEach((run, i) => runOn(run, shake.layers[i] ?? run.layer, age, this.tempo));
		this.shake = shake;
		this.begun = now - this.delay;
		this.power = settings.strength;
		this.pitch = settings.rate;
		this.tempo = settings.rate * driven;
		this.given = settings.length;
		this.place = settings.place;
		this.builder = settings.builder;
		this.roseAt = this.extra = this.heldLife = this.holdsUntil = 0;
		this.letsGoAt = shake.gain.letGo;
		this.lasts = this.byItself();
		this.rise = Math.min(shake.gain.fadeIn, this.lasts);
	}

	/** Goes on longer from a time: by the given length, else the preset's; the stronger of both strengths; life holds meanwhile. */
	extend(now: Seconds, { strength, length }: PlaySettings): void {
		this.catchUp(now);
		const age = this.ageAt(now);
		this.join(age);
		const { gain, preset } = this.shake;
		this.heldLife = age < this.holdsUntil ? this.heldLife : age - this.extra;
		if (gain.burst) {
			this.extra += length ?? preset.timing.duration;
			this.holdsUntil = this.heldLife + this.extra;
		} else this.letsGoAt = length === undefined ? Infinity : this.letsGoAt + length;
		this.power = Math.max(this.power, strength);
		this.roseAt = age;
		this.lasts = this.byItself();
		this.rise = Math.min(gain.fadeIn, this.lasts - age);
	}

	/** Goes within so many seconds, as another one takes its place. */
	giveWay(now: Seconds, within: Seconds): void {
		this.catchUp(now);
		const age = this.ageAt(now);
		this.join(age);
		this.power = 0;
		this.roseAt = age;
		this.rise = within;
		this.goneAt = age + within;
		this.letsGoAt = Infinity;
		this.lasts = this.byItself();
	}

	/** Begins the fade out. A second stop changes nothing; a stop during the delay means that it never starts. */
	stop(now: Seconds): void {
		this.catchUp(now);
		if (this.stopped !== null) return;
		const age = this.ageAt(now);
		if (age < 0 || this.waits) return this.cut(now);
		this.stopAtAge(age);
	}

	private stopAtAge(age: Seconds): void {
		const slots = createGainSlots();
		slots[AGE] = age;
		this.workOut(slots);
		for (const run of this.runs) {
			this.workOutLevel(run, age, slots);
			run.held = slots[LAYER_LEVEL]!;
		}
		this.stopped = age;
	}

	/** Ends it at once. */
	cut(now: Seconds): void {
		this.cutAt = this.ageAt(now);
		this.stopped = -Infinity;
	}

	/** Somebody lets go. True when nobody holds it any more, and somebody did. */
	release(isTheirs: (holder: string) => boolean): boolean {
		if (!this.holders.some(isTheirs)) return false;
		this.holders = this.holders.filter((holder) => !isTheirs(holder));
		return this.holders.length === 0;
	}

	/** Somebody more asks for it. */
	hold(holders: readonly string[]): void {
		for (const holder of holders) if (!this.holders.includes(holder)) this.holders = [...this.holders, holder];
	}

	/**
	 * Goes on as a changed preset. Phases are carried, so that a changed frequency makes no jump;
	 * layers and channels that are new begin at their own start.
	 */
	retune(shake: CompiledShake, now: Seconds): void {
		const age = this.ageAt(now);
		this.runs = carryOver(this.runs, shake.layers, this.seed, age, this.tempo);
		const extended = this.letsGoAt - this.shake.gain.letGo;
		this.letsGoAt = extended > 0 ? shake.gain.letGo + extended : shake.gain.letGo;
		this.shake = shake;
		this.lasts = this.byItself();
		this.modulated = isModulated(shake);
		this.isCameras = shake.preset.space === 'camera';
	}

	/** Adds the play's motion at `scratch.frame`'s time, times its factor, to the seven channels of `out`. */
	addTo(scratch: Scratch, out: Float64Array): void {
		const { slots, frame, spare } = scratch;
		const age = frame[NOW]! - this.begun - this.delay;
		const shape = this.shake.gain;
		if (age < 0 || this.waits || age >= this.lasts || this.stopped === -Infinity) {
			this.level = this.loudness = 0;
			return;
		}
		slots[AGE] = age;
		this.workOut(slots);
		const left = slots[LEFT]!;
		const shared = slots[SHARED]!;
		const power = this.power;
		const factor = power * frame[FACTOR]!;
		const outer = frame[OUTER]!;
		const tempo = this.tempo;
		const runs = this.runs;
		let loudest = 0;
		let strongest = 0;
		slots[LAYER_AGE] = -Infinity;
		slots[FADE_IN] = 0;
		for (let i = 0; i < runs.length; i++) {
			const run = runs[i]!;
			const layer = run.layer;
			const layerAge = age - run.delay;
			if (layerAge < 0) continue;
			const { now } = run.voice;
			if (run.joined) {
				this.workOutLevel(run, age, slots);
				let level = slots[LAYER_LEVEL]!;
				if (level > run.held) level = run.held;
				level *= left;
				if (level > strongest) strongest = level;
				now[LEVEL] = level * outer;
				// What the others share is worked out anew for the next layer.
				slots[LAYER_AGE] = -Infinity;
			} else {
				// Layers that begin together share their fade in.
				if (slots[LAYER_AGE] !== layerAge) {
					slots[LAYER_AGE] = layerAge;
					workOutFadeIn(shape, slots);
				}
				let level = shared * slots[FADE_IN]!;
				if (level > run.held) level = run.held;
				level *= left;
				if (level > loudest) loudest = level;
				now[LEVEL] = level * factor;
			}
			now[ELAPSED] = (layerAge - run.since) * tempo;
			layer.add(layer.compiled, run.state, run.voice, spare, out);
		}
		const own = loudest * power;
		this.level = loudest > strongest ? loudest : strongest;
		this.loudness = own > strongest ? own : strongest;
	}
}
