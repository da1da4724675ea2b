/** The time of a frame, handed down to all that moves with it: a number that is handed to a call may be boxed, an array is not. */
import type { Seconds } from './quantities';

/** Its time and its length, both in seconds. */
export type Clock = Float64Array;

/** Places in a clock. */
export const [TIME, DT] = [0, 1] as const;

/** A frame of a length whose time is of no account. */
export const clockOf = (dt: Seconds): Clock => Float64Array.of(0, dt);
