/** Camera lag: the view trails the body, per axis. */
import type { View } from '../units/channels';
import type { Hertz, Metres, Seconds } from '../units/quantities';

/** In the body's own axes or the world's: x, y, z. Rotations by their names. */
export const LAG_AXES = ['x', 'y', 'z', 'pitch', 'yaw', 'roll'] as const;
export type LagAxisName = (typeof LAG_AXES)[number];

/** How one axis follows. Lengths in metres (pixels in a flat view), angles in degrees. */
export interface LagAxis {
	/** `none`: at once; `half-life`: the error halves every so many seconds; `spring`: may overshoot. */
	readonly follow: 'none' | 'half-life' | 'spring';
	/** Of the error while it is caught up with. */
	readonly halfLife: Seconds;
	/** Of the error once the target stands; null: as `halfLife`. */
	readonly settle: Seconds | null;
	/** Of the spring, undamped. */
	readonly frequency: Hertz;
	/** Damping ratio of the spring: below 1 it overshoots. */
	readonly damping: number;
	/** The farthest it may trail; null: no limit. */
	readonly atMost: number | null;
	/** Moves within this of where one last looked do nothing. */
	readonly quiet: number;
}

export interface LagPreset {
	readonly id: string;
	readonly family: 'lag';
	readonly view: View;
	readonly name: string;
	readonly about: string;
	readonly tags: readonly string[];
	readonly axes: Readonly<Partial<Record<LagAxisName, LagAxis>>>;
	/** How far ahead of the body the view looks: seconds of its smoothed velocity. */
	readonly leadsBy: Seconds;
	/** Half-life of that smoothing. */
	readonly leadHalfLife: Seconds;
	/** A body farther away than this has been moved there: the view goes along at once. null: never. */
	readonly snapsBeyond: Metres | null;
}

export const isLag = (preset: { readonly family: string }): preset is LagPreset => preset.family === 'lag';
