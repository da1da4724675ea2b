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
	/** Names it: 1–64 of a–z, 0–9 and "-". */
	readonly id: string;
	/** Tells shakes, head bobs and camera lags apart. */
	readonly family: 'lag';
	/** Metres (space) or pixels (flat). */
	readonly view: View;
	/** What people call it, 1–120 characters. */
	readonly name: string;
	/** A description for people, up to 4000 characters. */
	readonly about: string;
	/** Words to find it by, and to stop it by: up to 40. */
	readonly tags: readonly string[];
	/** How each axis follows; one that is left out follows at once. */
	readonly axes: Readonly<Partial<Record<LagAxisName, LagAxis>>>;
	/** How far ahead of the body the view looks: seconds of its smoothed velocity. */
	readonly leadsBy: Seconds;
	/** Half-life of that smoothing. */
	readonly leadHalfLife: Seconds;
	/** A body farther away than this has been moved there: the view goes along at once. null: never. */
	readonly snapsBeyond: Metres | null;
}

export const isLag = (preset: { readonly family: string }): preset is LagPreset => preset.family === 'lag';
