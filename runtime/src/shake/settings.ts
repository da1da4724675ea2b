/** What a play is fired with, and what all plays of a player share within a frame. */
import type { Seconds } from '../units/quantities';
import { createGainSlots } from './gain';
import type { FireOptions } from './options';

/** What a play is fired with. */
export interface PlaySettings {
	readonly strength: number;
	/** Instead of the preset's own length. */
	readonly length: Seconds | undefined;
	/** Multiplies all frequencies. */
	readonly rate: number;
	/** Where it came from, in the world; null: nowhere in particular, so that distance does not matter. */
	readonly place: readonly [number, number, number] | null;
	/** Axes of the source's frame; null: the camera's own. */
	readonly axes: Float64Array | null;
	/** Who asked for it: it plays for as long as somebody holds it. Empty: nobody has to. */
	readonly holders: readonly string[];
	/** What builds it up; empty: nothing does. */
	readonly builder: string;
}

/** What a game or a cue says, and what it leaves out. `axes`: of the source's frame. */
export const settingsOf = (
	{ strength = 1, length, rate = 1, at, holder, builder = '' }: FireOptions,
	axes: Float64Array | null
): PlaySettings => ({
	strength,
	length,
	rate,
	place: at ?? null,
	axes,
	holders: holder === undefined ? [] : [holder],
	builder
});

/** Buffers for one frame, shared by all plays of a player. */
export interface Scratch {
	/** See `gain.ts`. */
	readonly slots: Float64Array;
	/** `NOW`, `FACTOR` and `OUTER`: in an array, so that the call boxes no number. */
	readonly frame: Float64Array;
	readonly spare: Float64Array;
}

/** The frame's time. */
export const NOW = 0;
/** What the play's gain is multiplied by beside its strength: duck, distance and drives. */
export const FACTOR = 1;
/** The same without distance, which a play that was played again has in its level. */
export const OUTER = 2;

export const createScratch = (): Scratch => ({
	slots: createGainSlots(),
	frame: new Float64Array(3),
	spare: new Float64Array(1)
});
