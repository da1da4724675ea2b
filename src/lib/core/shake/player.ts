/**
 * The player: holds a kit's presets, fires and stops plays, and gives the offset of each frame.
 * The page and a game play through this one door.
 *
 *     const player = createPlayer(kit.presets, { seed: 1 });
 *     player.fire('cask-thud');
 *     player.advance(1 / 60);
 *     player.offset; // x, y, z, pitch, yaw, roll, fov
 */
import { isShake, type CarriedPreset, type ShakePreset } from '../kit/types';
import { combine } from '../random/hash';
import { CHANNEL_COUNT } from '../units/channels';
import type { Seconds } from '../units/quantities';
import { compileShake, type CompiledShake } from './compile';
import { createScratch, FACTOR, NOW, Play, type Scratch } from './play';

export interface PlayerOptions {
	/** Decides every random choice: the same seed, inputs and times give the same motion. */
	readonly seed?: number;
}

export interface FireOptions {
	/** What the play is multiplied by, 1 if left out. */
	readonly strength?: number;
	/** Instead of a seed made from the player's and the number of the play. */
	readonly seed?: number;
	/** Instead of a burst's own duration. */
	readonly length?: Seconds;
}

export class Player {
	/** The last frame's offset: x, y, z in metres (pixels), pitch, yaw, roll in degrees, fov in degrees (percent). */
	readonly offset = new Float64Array(CHANNEL_COUNT);
	private readonly shakes = new Map<string, CompiledShake>();
	private readonly running: Play[] = [];
	private readonly scratch: Scratch = createScratch();
	private readonly seed: number;
	private fired = 0;
	private time: Seconds = 0;

	constructor(presets: readonly (ShakePreset | CarriedPreset)[], options: PlayerOptions = {}) {
		this.seed = options.seed ?? 1;
		for (const preset of presets) if (isShake(preset)) this.shakes.set(preset.id, compileShake(preset));
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

	get playsFired(): number {
		return this.fired;
	}

	/** Adds a preset or puts a changed one in place of the one with its id; running plays go on with the new numbers. */
	setPreset(preset: ShakePreset): void {
		this.shakes.set(preset.id, compileShake(preset));
		for (const play of this.running)
			if (play.presetId === preset.id) play.retune(compileShake(preset, play.length), this.time);
	}

	/** Forgets a preset; its running plays fade out. */
	removePreset(id: string): void {
		this.stopPreset(id);
		this.shakes.delete(id);
	}

	/** Starts a play and returns it; null when no preset has this id. */
	fire(presetId: string, options: FireOptions = {}): Play | null {
		const shake = this.shakes.get(presetId);
		if (!shake) return null;
		this.fired++;
		const seed = shake.preset.seed ?? options.seed ?? this.seedOfPlay(this.fired);
		const own = options.length === undefined ? shake : compileShake(shake.preset, options.length);
		const delay = shake.preset.timing.delay;
		const play = new Play(this.fired, own, this.time, delay, options.strength ?? 1, seed, options.length);
		this.running.push(play);
		return play;
	}

	/** Fades the preset's plays out. */
	stopPreset(id: string): void {
		for (const play of this.running) if (play.presetId === id) play.stop(this.time);
	}

	/** Fades everything out, or with `cut` ends it at once. */
	stopAll(cut = false): void {
		for (const play of this.running) {
			if (cut) play.cut();
			else play.stop(this.time);
		}
	}

	/** One frame: `dt` seconds on. */
	advance(dt: Seconds): Float64Array {
		return this.advanceTo(this.time + dt);
	}

	/** One frame at a given time. Returns `offset`. */
	advanceTo(time: Seconds): Float64Array {
		this.time = time;
		const { offset, running, scratch } = this;
		offset.fill(0);
		scratch.frame[NOW] = time;
		scratch.frame[FACTOR] = 1;
		let kept = 0;
		for (let i = 0; i < running.length; i++) {
			const play = running[i]!;
			if (play.isOver(time)) continue;
			running[kept++] = play;
			play.addTo(scratch, offset);
		}
		running.length = kept;
		return offset;
	}
}

/** A player for these presets; those of other families than shake are passed over. */
export const createPlayer = (presets: readonly (ShakePreset | CarriedPreset)[], options?: PlayerOptions): Player =>
	new Player(presets, options);
