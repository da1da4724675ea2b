/** A preset's motion as a table of samples: what the strip draws, the measures read and the command line prints. */
import type { ShakePreset } from 'dinesis-runtime';
import { Player, CHANNEL_COUNT, type Hertz, type Seconds } from 'dinesis-runtime/tools';
import type { Track } from './track';

export interface SampleOptions {
	/** From the trigger; left out: delay + duration, or 5 s for a continuous preset. */
	readonly seconds?: Seconds;
	readonly fps?: Hertz;
	/** The player's seed; the play is its first. */
	readonly seed?: number;
	/** The play's own seed instead of one made from `seed`. */
	readonly playSeed?: number;
	readonly strength?: number;
	/** When, after the trigger, the play is stopped. */
	readonly stopAt?: Seconds;
	/** Where it comes from, in metres; left out: 5 m ahead. */
	readonly source?: readonly [number, number, number];
	/** Where the camera rests: position, then a unit quaternion x, y, z, w; left out: at the origin, looking along −z. */
	readonly rest?: readonly [number, number, number, number, number, number, number];
}

/** How long a preset is looked at by default, from the trigger. */
export const naturalLength = (preset: ShakePreset): Seconds =>
	preset.timing.mode === 'burst' ? preset.timing.delay + preset.timing.duration : 5;

/** The camera rests at the origin; what comes from somewhere comes from here, in metres. */
export const SAMPLE_SOURCE = [0, 0, -5] as const;

/** Fires the preset once at time 0 and samples it. Throws a RangeError for a rate or a length that is not positive and finite. */
export function sampleShake(preset: ShakePreset, options: SampleOptions = {}): Track {
	const { seconds = naturalLength(preset), fps = 60, seed = 1, strength = 1, stopAt } = options;
	if (!(fps > 0 && fps < Infinity)) throw new RangeError(`Samples a second must be above 0; it is ${fps}.`);
	if (!(seconds >= 0 && seconds < Infinity)) throw new RangeError(`Seconds must be 0 or more; it is ${seconds}.`);
	const player = new Player([preset], { seed, distance: false });
	if (options.rest) player.setRest(...options.rest);
	const play = player.fire(preset.id, { strength, seed: options.playSeed, at: options.source ?? SAMPLE_SOURCE })!;
	const count = Math.floor(seconds * fps + 1e-9) + 1;
	const values = new Float64Array(count * CHANNEL_COUNT);
	let stopped = stopAt === undefined;
	for (let i = 0; i < count; i++) {
		const time = i / fps;
		if (!stopped && time >= stopAt!) {
			play.stop(stopAt!);
			stopped = true;
		}
		values.set(player.advanceTo(time), i * CHANNEL_COUNT);
	}
	return { fps, count, values };
}

export type { Track } from './track';
