/** What a pattern is to a layer: each kind is a file of its own and a row in `table.ts`. */
import type { Channel } from '../units/channels';
import type { Cycles, Hertz } from '../units/quantities';
import type { JumpsPattern } from './jumps';
import type { Key, KeysPattern } from './keys';
import type { KickPattern } from './kick';
import type { NoisePattern } from './noise';
import type { Voice } from './voice';
import type { WavePattern } from './wave';

export type Pattern = NoisePattern | WavePattern | JumpsPattern | KeysPattern | KickPattern;
export type PatternKind = Pattern['kind'];

/** Where a channel's pattern begins: at its zero, anywhere (another place in every play), or at a set phase. */
export type Start = 'zero' | 'random' | Cycles;

export interface ChannelSettings {
	/** The farthest the channel goes at full gain, in the channel's unit. Negative turns the motion around. */
	readonly amplitude: number;
	/** Cycles a second before the rates, 0–240; of `keys` the cycle counts instead. */
	readonly frequency: Hertz;
	/** Where the pattern begins. */
	readonly start: Start;
	/** Poses within the cycle, for the pattern `keys`. */
	readonly keys?: readonly Key[];
}

/**
 * A kind of pattern. `C` is what its numbers are compiled to, once per change; `R` is what a play keeps of it. `add` is called
 * for each layer in each frame: it allocates nothing.
 */
export interface PatternRow<P extends Pattern, C, R> {
	/** How many seeds each channel needs. */
	seeds(pattern: P): number;
	/** Where a channel begins when a kit does not say. */
	readonly begins: 'zero' | 'random';
	/** Begins at zero whatever a kit says. */
	beginsAtZero(pattern: P): boolean;
	/** Reads the age and comes to an end: it cannot run on when a play starts over. */
	hangsOnAge(pattern: P): boolean;
	/** A random start shifts every octave by itself instead of the phase. */
	readonly shiftsOctaves: boolean;
	/** Channels below this number share one seed and one start; 0: none do. */
	shared(pattern: P): number;
	/** Cycles a second of a channel before the rates. */
	frequency(pattern: P, channel: Channel, channels: Readonly<Partial<Record<Channel, ChannelSettings>>>): Hertz;
	compile(pattern: P, settings: readonly ChannelSettings[]): C;
	/** `seeds` and `shifts`: as many for each channel as it needs; `fromZero`: 1 for channels that begin at their zero. */
	start(compiled: C, seeds: Int32Array, shifts: Float64Array, fromZero: Uint8Array): R;
	/** Adds the layer's motion to `out` (seven channels); `spare` is one number of scratch. */
	add(compiled: C, run: R, voice: Voice, spare: Float64Array, out: Float64Array): void;
}
