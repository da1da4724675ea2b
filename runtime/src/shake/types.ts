/** A shake as it is in memory: every optional field filled in, unknown fields carried along untouched. */
import type { Drive } from '../drives/types';
import type { CurvePoint } from '../math/curve';
import type { Ease } from '../math/ease';
import type { ChannelSettings, Pattern } from '../patterns/pattern';
import type { Channel, View } from '../units/channels';
import type { Metres, Seconds } from '../units/quantities';

export interface Layer {
	/** Names it: 1–64 of a–z, 0–9 and "-"; its chance comes from it. */
	readonly id: string;
	/** What people call it; left out: its number. */
	readonly name?: string;
	/** Multiplies the amplitudes of all its channels, 0–100. */
	readonly amount: number;
	/** Multiplies the frequencies of all its channels, 0–100. */
	readonly rate: number;
	/** How much later than the play the layer begins. */
	readonly delay: Seconds;
	/** Left out of the motion. */
	readonly mute: boolean;
	/** The id that its chance comes from, when that was another one once. */
	readonly seededBy?: string;
	/** What moves its channels. */
	readonly pattern: Pattern;
	/** What it moves: by channel, how far and how fast. */
	readonly channels: Readonly<Partial<Record<Channel, ChannelSettings>>>;
}

export interface Fade {
	/** Seconds, 0–3600. */
	readonly time: Seconds;
	/** An ease that stays within 0–1. */
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
	/** Factor at the start, 0–100. */
	readonly from: number;
	/** Factor from then on, 0–100. */
	readonly to: number;
	/** Seconds from one to the other, 0–3600. */
	readonly over: Seconds;
}

export interface Timing {
	/** A burst lasts `duration`, fades included; a continuous play runs until it is stopped. */
	readonly mode: 'burst' | 'continuous';
	/** The whole length of a burst, fades included, in seconds, 0–3600. */
	readonly duration: Seconds;
	/** Seconds from the trigger to the start, 0–3600. */
	readonly delay: Seconds;
	/** From nothing to full gain, at the start. */
	readonly fadeIn: Fade;
	/** Back to nothing: before the end of a burst, after the stop of a continuous play. */
	readonly fadeOut: Fade;
	/** How the gain falls while it plays; null: it stays. */
	readonly life: Life | null;
	/** How a continuous play grows; null: it does not. */
	readonly growth: Growth | null;
}

export const OVERLAP_RULES = ['stack', 'restart', 'ignore', 'extend'] as const;
export type OverlapRule = (typeof OVERLAP_RULES)[number];

export interface Reach {
	/** Full strength up to here. */
	readonly full: Metres;
	/** Nothing from here on. */
	readonly edge: Metres;
	/** From 1 at `full` to 0 at `edge`: an ease that stays within 0–1. */
	readonly falloff: Ease;
	/** What the distance is measured from. */
	readonly listener: 'camera' | 'body';
	/** Metres a second at which the motion arrives; null: at once. */
	readonly travelSpeed: number | null;
}

export type Space = 'camera' | 'world' | 'source';

export interface ShakePreset {
	/** Names it: 1–64 of a–z, 0–9 and "-". */
	readonly id: string;
	/** Tells shakes, head bobs and camera lags apart. */
	readonly family: 'shake';
	/** What it is for: a camera in space, in metres, or a flat picture, in pixels. */
	readonly view: View;
	/** What people call it, 1–120 characters. */
	readonly name: string;
	/** A description for people, up to 4000 characters. */
	readonly about: string;
	/** Words to find it by, and to stop it by: up to 40. */
	readonly tags: readonly string[];
	/** What it was made for; the timing's mode is what it does. */
	readonly suits: 'burst' | 'continuous';
	/** Multiplies all amplitudes. */
	readonly amount: number;
	/** Multiplies all frequencies. */
	readonly rate: number;
	/** Whose axes it moves in: the camera’s, the world’s, or those of the line to its source. */
	readonly space: Space;
	/** Ducks the plays of lower ones, −1000 … 1000. */
	readonly priority: number;
	/** What lower priorities are multiplied by while this plays. */
	readonly duck: number;
	/** Seconds to duck others and to let them come back, 0–3600. */
	readonly duckTime: Seconds;
	/** How long, with which fades. */
	readonly timing: Timing;
	/** What happens when it is fired while it plays, and how many plays there are at once, 1–64. */
	readonly overlap: { readonly rule: OverlapRule; readonly limit: number };
	/** How far it is felt; null: everywhere alike. */
	readonly reach: Reach | null;
	/** A pinned seed: every play is the same. null: each play differs. */
	readonly seed: number | null;
	/** Game values that raise and lower it while it plays. */
	readonly drives: readonly Drive[];
	/** What it is made of, up to 32. */
	readonly layers: readonly Layer[];
	/** The id of the preset this one was copied from. */
	readonly origin?: string;
}

/** A preset of whatever family: a shake, or one that plays no shakes. */
export type PresetOfAnyFamily = ShakePreset | { readonly family: 'bob' | 'lag' };

export const isShake = (preset: { readonly family: string }): preset is ShakePreset => preset.family === 'shake';
