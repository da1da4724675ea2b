/** Named quantities. They are plain numbers; the name in a signature says the unit. */
export type Seconds = number;
/** Cycles a second. */
export type Hertz = number;
export type Degrees = number;
export type Radians = number;
export type Metres = number;
/** A count of whole turns of a periodic pattern; 1 is one full cycle. */
export type Cycles = number;

export const PI = 3.141592653589793;
const RADIANS_PER_DEGREE = PI / 180;

/** The one place where degrees meet radians. */
export const toRadians = (angle: Degrees): Radians => angle * RADIANS_PER_DEGREE;
export const toDegrees = (angle: Radians): Degrees => angle / RADIANS_PER_DEGREE;
