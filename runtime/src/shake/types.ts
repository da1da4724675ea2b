/** A shake as it is in memory: every optional field filled in, unknown fields carried along untouched. */
import type { Drive } from '../drives/types';
import type { CurvePoint } from '../math/curve';
import type { Ease } from '../math/ease';
import type { ChannelSettings, Pattern } from '../patterns/pattern';
import type { Channel, View } from '../units/channels';
import type { Metres, Seconds } from '../units/quantities';

export interface Layer {
	readonly id: string;
	readonly name?: string;
	readonly amount: number;
	readonly rate: number;
	/** How much later than the play the layer begins. */
	readonly delay: Seconds;
	readonly mute: boolean;
	/** The id that its chance comes from, when that was another one once. */
	readonly seededBy?: string;
	readonly pattern: Pattern;
	readonly channels: Readonly<Partial<Record<Channel, ChannelSettings>>>;
}

export interface Fade {
	readonly time: Seconds;
	readonly ease: Ease;
}

export type Life =
	/** Halves in so many seconds. */
	| { readonly decayHalfLife: Seconds }
	/** Loses so much of its full strength each second, straight, until nothing is left. */
	| { readonly decayPerSecond: number }
	| { readonly points: readonly CurvePoint[] };

/** Growth of a continuous play: from one factor to another over so many seconds, then held. */
export interface Growth {
	readonly from: number;
	readonly to: number;
	readonly over: Seconds;
}

export interface Timing {
	/** A burst lasts `duration`, fades included; a continuous play runs until it is stopped. */
	readonly mode: 'burst' | 'continuous';
	readonly duration: Seconds;
	readonly delay: Seconds;
	readonly fadeIn: Fade;
	readonly fadeOut: Fade;
	readonly life: Life | null;
	readonly growth: Growth | null;
}

export const OVERLAP_RULES = ['stack', 'restart', 'ignore', 'extend'] as const;
export type OverlapRule = (typeof OVERLAP_RULES)[number];

export interface Reach {
	/** Full strength up to here. */
	readonly full: Metres;
	/** Nothing from here on. */
	readonly edge: Metres;
	readonly falloff: Ease;
	readonly listener: 'camera' | 'body';
	/** Metres a second at which the motion arrives; null: at once. */
	readonly travelSpeed: number | null;
}

export type Space = 'camera' | 'world' | 'source';

export interface ShakePreset {
	readonly id: string;
	readonly family: 'shake';
	readonly view: View;
	readonly name: string;
	readonly about: string;
	readonly tags: readonly string[];
	/** What it was made for; the timing's mode is what it does. */
	readonly suits: 'burst' | 'continuous';
	/** Multiplies all amplitudes. */
	readonly amount: number;
	/** Multiplies all frequencies. */
	readonly rate: number;
	readonly space: Space;
	readonly priority: number;
	/** What lower priorities are multiplied by while this plays. */
	readonly duck: number;
	readonly duckTime: Seconds;
	readonly timing: Timing;
	readonly overlap: { readonly rule: OverlapRule; readonly limit: number };
	readonly reach: Reach | null;
	/** A pinned seed: every play is the same. null: each play differs. */
	readonly seed: number | null;
	/** Game values that raise and lower it while it plays. */
	readonly drives: readonly Drive[];
	readonly layers: readonly Layer[];
	/** The id of the preset this one was copied from. */
	readonly origin?: string;
}

/** A preset of whatever family: a shake, or one that plays no shakes. */
export type PresetOfAnyFamily = ShakePreset | { readonly family: 'bob' | 'lag' };

export const isShake = (preset: { readonly family: string }): preset is ShakePreset => preset.family === 'shake';
