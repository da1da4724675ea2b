/**
 * The player: holds a kit's presets, fires and stops plays, and gives the offset of each frame.
 * The page and a game play through this one door.
 *
 *     const player = createPlayer(kit.presets, { seed: 1 });
 *     player.fire('cask-thud');
 *     player.advance(1 / 60);
 *     player.offset; // x, y, z, pitch, yaw, roll, fov
 */
import { isShake, type PresetOfAnyFamily, type ShakePreset } from './types';
import { combine } from '../random/hash';
import { CHANNEL_COUNT, type View } from '../units/channels';
import { TIME, type Clock } from '../units/clock';
import type { Seconds } from '../units/quantities';
import { duckedBy, firstToArrive, makeRoom, metBy } from './among';
import { compileShake, type CompiledShake } from './compile';
import { GameValues } from '../drives/drives';
import type { CompiledReach } from './reach';
import { addTurned, sameAxes, sourceAxes } from './space';
import type { FireOptions, Outcome, PlayerOptions } from './options';
import { Play } from './play';
import { Stand } from './stand';
import { createScratch, FACTOR, NOW, OUTER, settingsOf, type PlaySettings, type Scratch } from './settings';

/** What gives way to another one takes at least so long. */
const LEAST_GIVING_WAY: Seconds = 0.05;

/** Plays shakes; made by `createPlayer`. */
export class Player {
	/** The last frame's offset: x, y, z in metres (pixels), pitch, yaw, roll in degrees, fov in degrees (percent). */
	readonly offset: Float64Array = new Float64Array(CHANNEL_COUNT);
	private presets = new Map<string, ShakePreset>();
	/** Compiled when they are first fired: a kit may hold thousands. */
	private shakes = new Map<string, CompiledShake>();
	private running: Play[] = [];
	private scratch: Scratch = createScratch();
	private readonly seed: number;
	private readonly distance: boolean;
	private fired = 0;
	/** How many plays are still on their way to one that may run then. */
	private waiting = 0;
	private time: Seconds = 0;
	private lastOutcome: Outcome = 'unknown';
	private readonly stand = new Stand();
	private readonly turned = new Float64Array(CHANNEL_COUNT);
	/** Whether the offset, and each play's level, are those of the present time. */
	private summed = false;
	private ducking = false;
	/** Plays only presets of this view, in metres or in pixels; null: all. What plays of the other is not seen meanwhile. */
	view: View | null = null;
	/** The game's values: `values.set(id, value)`. */
	readonly values: GameValues;
	/** What drives make of amount and rate. */
	private readonly driven = new Float64Array(2);

	constructor(presets: readonly PresetOfAnyFamily[], options: PlayerOptions = {}) {
		this.seed = options.seed ?? 1;
		this.values = options.values ?? new GameValues(options.parameters);
		this.distance = options.distance ?? true;
		for (const preset of presets) if (isShake(preset)) this.presets.set(preset.id, preset);
	}

	/**
	 * A player that stands where this one stands, with the same plays, and goes its own way: the same inputs lead it to the
	 * same motion. Presets are shared by both.
	 */
	fork(values = this.values.fork()): Player {
		const copy = new Player([], { seed: this.seed, distance: this.distance, values });
		const own = {
			presets: this.presets,
			shakes: this.shakes,
			running: this.running.map((play) => play.fork()),
			fired: this.fired,
			waiting: this.waiting,
			time: this.time,
			lastOutcome: this.lastOutcome,
			view: this.view,
			summed: this.summed,
			ducking: this.ducking
		};
		Object.assign(copy, own);
		copy.offset.set(this.offset);
		copy.stand.takeOver(this.stand);
		return copy;
	}

	private compiled(id: string): CompiledShake | undefined {
		let shake = this.shakes.get(id);
		const preset = this.presets.get(id);
		if (!shake && preset) this.shakes.set(id, (shake = compileShake(preset)));
		return shake;
	}

	/** Seconds since the player was made. */
	get now(): Seconds {
		return this.time;
	}

	/** The running plays, oldest first, those that wait for their delay among them. Valid until the next call. */
	get plays(): readonly Play[] {
		return this.running;
	}

	/** The number of the play that the next `fire` starts; with the player's seed it makes the play's own. */
	seedOfPlay(number: number): number {
		return combine(this.seed, number);
	}

	/** How many plays were started so far. */
	get playsFired(): number {
		return this.fired;
	}

	/** Adds a preset or puts a changed one in place of the one with its id; running plays go on with the new numbers. */
	setPreset(preset: ShakePreset): void {
		this.presets.set(preset.id, preset);
		this.shakes.delete(preset.id);
		for (const play of this.running)
			if (play.presetId === preset.id) play.retune(compileShake(preset, play.length), this.time);
	}

	/** Forgets a preset; its running plays fade out. */
	removePreset(id: string): void {
		this.stopPreset(id);
		this.presets.delete(id);
		this.shakes.delete(id);
	}

	/**
	 * Fires a preset and returns the play: a new one, or the running one that was restarted or extended.
	 * null when no preset of the player's view has this id, or when one plays and its rule is to ignore. `outcome` says which.
	 */
	fire(presetId: string, options: FireOptions = {}): Play | null {
		const shake = this.compiled(presetId);
		this.lastOutcome = 'unknown';
		if (!shake || (this.view !== null && shake.preset.view !== this.view)) return null;
		const { overlap, timing, space } = shake.preset;
		const { at, length } = options;
		const settings = settingsOf(
			options,
			space === 'source' && at ? sourceAxes(this.stand.rest, at, new Float64Array(9)) : null
		);
		const own = length === undefined ? shake : compileShake(shake.preset, length);
		const trigger = this.time - (options.ago ?? 0);
		const delay = timing.delay + this.onItsWay(shake.reach, at);
		const meets = overlap.rule !== 'stack' || settings.builder !== '';
		const arrives = trigger + delay;
		if (meets && arrives <= this.time) {
			const present = this.presentOf(presetId, settings.builder, arrives, null);
			if (present) return this.playAgain(present, own, settings, arrives);
		}
		this.lastOutcome = 'started';
		if (overlap.rule === 'stack') this.makeRoom(presetId, overlap.limit);
		const play = this.start(own, settings, trigger, delay, options.seed);
		if (meets && arrives > this.time) {
			play.waits = true;
			this.waiting++;
		}
		return play;
	}

	private start(
		shake: CompiledShake,
		settings: PlaySettings,
		trigger: Seconds,
		delay: Seconds,
		given: number | undefined
	): Play {
		this.fired++;
		const seed = shake.preset.seed ?? given ?? this.seedOfPlay(this.fired);
		const play = new Play(this.fired, shake, trigger, delay, seed, settings, this.drivenBy(shake));
		this.running.push(play);
		return play;
	}

	/** What drives make of a shake's frequencies now. */
	private drivenBy({ drives }: CompiledShake): number {
		if (!drives) return 1;
		this.values.drive(drives, this.driven);
		return this.driven[1]!;
	}

	private presentOf(presetId: string, builder: string, at: Seconds, but: Play | null): Play | null {
		const byRule = this.presets.get(presetId)?.overlap.rule !== 'stack';
		return metBy(this.running, presetId, builder, at, but, byRule);
	}

	/** One that arrives while another one of its preset runs. */
	private playAgain(present: Play, shake: CompiledShake, settings: PlaySettings, at: Seconds): Play | null {
		const built = settings.builder !== '' && present.builder === settings.builder;
		const rule = built ? 'restart' : shake.preset.overlap.rule;
		present.hold(settings.holders);
		this.lastOutcome = 'ignored';
		if (rule === 'ignore' || rule === 'stack') return null;
		// One that arrives with nothing does nothing.
		if (this.fallsTo(shake.reach, settings.place) === 0) return null;
		this.lastOutcome = rule === 'restart' ? 'restarted' : 'extended';
		present.felt = this.fallsTo(present.compiled.reach, present.place);
		const turned = rule === 'restart' && !sameAxes(present.sourceAxes, settings.axes);
		if (shake.hangsOnAge || turned) return this.replace(present, shake, settings, rule, at);
		if (rule === 'restart') {
			present.restart(at, shake, settings, this.drivenBy(shake));
			present.felt = this.fallsTo(shake.reach, settings.place);
		} else present.extend(at, settings);
		return present;
	}

	/** What hangs on its age cannot run on: the old one goes, a new one begins. */
	private replace(
		present: Play,
		shake: CompiledShake,
		settings: PlaySettings,
		rule: 'restart' | 'extend',
		at: Seconds
	): Play {
		const { holders } = present;
		const rest = present.end - present.ageAt(at);
		const preset = shake.preset;
		let own = shake;
		let given = settings;
		if (rule === 'extend') {
			const more = settings.length ?? preset.timing.duration;
			const length = rest < Infinity ? rest + more : settings.length;
			own = length === undefined ? shake : compileShake(preset, length);
			const strength = Math.max(settings.strength, present.strength);
			given = { ...settings, strength, length, rate: present.rate, place: present.place, axes: present.sourceAxes };
		}
		present.giveWay(at, Math.max(shake.gain.fadeIn, LEAST_GIVING_WAY));
		// Its own delay is over: it has arrived.
		const play = this.start(own, { ...given, holders: [] }, at, 0, undefined);
		play.hold(holders);
		return play;
	}

	/** What is left of it over the distance now; 1 where distance does not matter. */
	private fallsTo(reach: CompiledReach | null, place: readonly [number, number, number] | null): number {
		if (!reach || !place || !this.distance) return 1;
		this.stand.weigh(reach, place);
		return this.stand.near[0]!;
	}

	/** What is left of a preset over the distance to a place now; 1 where distance does not matter. */
	reaches(presetId: string, place: readonly [number, number, number] | undefined): number {
		return this.fallsTo(this.compiled(presetId)?.reach ?? null, place ?? null);
	}

	/** How long after its trigger a preset has come up in full, in seconds: its delay, its layers’, and its fade in. */
	settlesIn(presetId: string): Seconds {
		const shake = this.compiled(presetId);
		return shake
			? shake.preset.timing.delay + shake.gain.fadeIn + Math.max(0, ...shake.layers.map(({ delay }) => delay))
			: 0;
	}

	/** What those of a higher priority leave of a running play now. */
	ducks(play: Play): number {
		return duckedBy(this.running, play, this.time);
	}

	/** What the last `fire` came to. */
	get outcome(): Outcome {
		return this.lastOutcome;
	}

	private makeRoom(presetId: string, limit: number): void {
		if (!this.summed) this.sum();
		if (makeRoom(this.running, presetId, limit, this.time)) this.lastOutcome = 'replaced';
	}

	/** Where the camera rests: what `world` and `source` motion is turned into. Position in metres, orientation a unit quaternion. */
	setRest(x: number, y: number, z: number, qx: number, qy: number, qz: number, qw: number): void {
		this.stand.rest.set([x, y, z, qx, qy, qz, qw]);
	}

	/** `setRest` and `setBody` at once, out of arrays that somebody keeps: seven numbers and three. For every frame: it allocates nothing. */
	standAt(rest: Float64Array, body: Float64Array): void {
		this.stand.put(rest, body);
	}

	/** Where the player's body is, for presets whose distance is measured from it. */
	setBody(x: number, y: number, z: number): void {
		this.stand.putBody(x, y, z);
	}

	/** Where the player's body is; null while nobody has said so. */
	get bodyPlace(): readonly [number, number, number] | null {
		return this.stand.bodyPlace;
	}

	private onItsWay(reach: CompiledReach | null, place: readonly [number, number, number] | undefined): Seconds {
		return reach && place && this.distance ? this.stand.wayFrom(reach, place) : 0;
	}

	/** Fades the preset's plays out. */
	stopPreset(id: string): void {
		for (const play of this.running) if (play.presetId === id) play.stop(this.time);
	}

	/** Fades everything out, or with `cut` ends it at once. */
	stopAll(cut = false): void {
		for (const play of this.running) {
			if (cut) play.cut(this.time);
			else play.stop(this.time);
		}
	}

	/** One frame: `dt` seconds on. */
	advance(dt: Seconds): Float64Array {
		return this.advanceTo(this.time + dt);
	}

	/** One frame at a given time. Returns `offset`. */
	advanceTo(time: Seconds): Float64Array {
		this.moveTo(time);
		return this.sum();
	}

	/**
	 * Moves every play on to a time without working out the offset: for steps that nobody looks at. `sum` gives the same
	 * afterwards as if each step had been looked at.
	 */
	moveTo(time: Seconds): void {
		this.time = time;
		this.move();
	}

	/** As `moveTo`, by a frame's clock. */
	follow(clock: Clock): void {
		this.time = clock[TIME]!;
		this.move();
	}

	private move(): void {
		this.arrive();
		const { running } = this;
		for (let i = 0; i < running.length; i++) if (running[i]!.modulated) this.drive(running[i]!);
	}

	/**
	 * Stands at a time between two frames: what arrives by then has arrived, what is over is gone. Game values, constant within a frame,
	 * act from the frame on.
	 */
	bringTo(time: Seconds): void {
		this.time = time;
		this.arrive();
	}

	private arrive(): void {
		this.summed = false;
		if (this.waiting > 0) this.letArrive();
		const { running, time } = this;
		let kept = 0;
		let ducking = false;
		for (let i = 0; i < running.length; i++) {
			const play = running[i]!;
			play.catchUp(time);
			if (play.isOver(time)) continue;
			running[kept++] = play;
			if (play.duck < 1) ducking = true;
		}
		running.length = kept;
		this.ducking = ducking;
	}

	/** Decides what becomes of those that were on their way, in the order in which they arrive. */
	private letArrive(): void {
		const { time } = this;
		for (;;) {
			const { next, count } = firstToArrive(this.running, time);
			this.waiting = count;
			if (!next) return;
			next.waits = false;
			// Stopped on its way.
			if (next.stoppedAt !== null) continue;
			const at = next.trigger + next.delay;
			const present = this.presentOf(next.presetId, next.builder, at, next);
			if (!present) continue;
			const { strength, length, rate, place, holders, builder, sourceAxes: axes } = next;
			next.cut(at);
			this.playAgain(present, next.compiled, { strength, length, rate, place, axes, holders, builder }, at);
		}
	}

	/** Goes on with the plays of another player, at its time, as this one's presets are; those of others play on as they were. */
	adopt(from: Player): void {
		const { time } = from;
		Object.assign(this, { time, fired: from.fired, waiting: from.waiting });
		this.running = from.running.map((play) => play.fork());
		for (const play of this.running) {
			const preset = this.presets.get(play.presetId);
			if (preset && preset !== play.compiled.preset) play.retune(compileShake(preset, play.length), time);
		}
		this.arrive();
	}

	/** The offset at the time that the player stands at. Returns `offset`. */
	sum(): Float64Array {
		const { offset, running } = this;
		this.summed = true;
		offset.fill(0);
		this.scratch.frame[NOW] = this.time;
		for (let i = 0; i < running.length; i++) this.add(running[i]!, offset);
		return offset;
	}

	/** What the plays of some presets come to, at the time that the player stands at. Returns `offset`. */
	sumOf(presets: ReadonlySet<string>, offset: Float64Array): Float64Array {
		const { running } = this;
		offset.fill(0);
		this.scratch.frame[NOW] = this.time;
		for (let i = 0; i < running.length; i++) if (presets.has(running[i]!.presetId)) this.add(running[i]!, offset);
		return offset;
	}

	private add(play: Play, offset: Float64Array): void {
		const { running, scratch, turned, ducking } = this;
		if (this.view !== null && play.compiled.preset.view !== this.view) return;
		scratch.frame[FACTOR] = scratch.frame[OUTER] = play.ducked = ducking ? duckedBy(running, play, this.time) : 1;
		if (play.modulated) this.modulate(play);
		if (play.isCameras) play.addTo(scratch, offset);
		else {
			turned.fill(0);
			play.addTo(scratch, turned);
			addTurned(this.stand.rest, play.sourceAxes, play.movesIn, turned, offset);
		}
	}

	/** Lets game values set a play's tempo: in every step, as its phases hang on all that were. */
	private drive(play: Play): void {
		const { drives } = play.compiled;
		if (!drives) return;
		this.values.drive(drives, this.driven);
		play.setTempo(play.rate * this.driven[1]!, this.time);
	}

	/** Weakens a play by its distance and by game values. */
	private modulate(play: Play): void {
		const { frame } = this.scratch;
		const { reach, drives } = play.compiled;
		if (reach && play.place && this.distance) {
			this.stand.weigh(reach, play.place);
			frame[FACTOR]! *= play.felt = this.stand.near[0]!;
		}
		if (!drives) return;
		this.values.drive(drives, this.driven);
		frame[FACTOR]! *= this.driven[0]!;
		frame[OUTER]! *= this.driven[0]!;
	}
}
