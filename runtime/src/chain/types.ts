/** A rig: a camera's chain with its settings. */
import type { Degrees, Hertz, Metres, Seconds } from '../units/quantities';
import type { Channel, View } from '../units/channels';
import type { Ceilings } from './ceiling';

/** What a chain consists of, in the order that takes nothing away: what is added last is never followed or clamped. */
export const RIG_STAGES = ['lag', 'limits', 'bob', 'lean', 'shakes', 'ceiling'] as const;
export type RigStage = (typeof RIG_STAGES)[number];

/**
 * Where the camera stands: in the body's `eyes`, behind it at the end of a boom (`chase`), square to a `flat` picture that is
 * measured in pixels, or at a `fixed` place.
 */
export const VIEW_KINDS = ['eyes', 'chase', 'flat', 'fixed'] as const;
export type ViewKind = (typeof VIEW_KINDS)[number];

/** How a camera on a boom comes nearer where something stands between it and what it looks at. */
export interface Nearer {
	/** Kept between the camera and what stands in its way. */
	readonly off: Metres;
	/** The nearest that it comes. */
	readonly least: Metres;
	/** In which it comes half of its way nearer; 0: at once. */
	readonly comes: Seconds;
	/** In which it goes half of its way out again. */
	readonly goes: Seconds;
}

/** A continuous shake that plays while one looks through a rig. */
export interface RigMotion {
	/** Names it within its rig: 1–64 of a–z, 0–9 and "-". */
	readonly id: string;
	/** The id of a continuous shake. */
	readonly preset: string;
	/** What it is multiplied by. */
	readonly strength: number;
}

/** Which of the shakes that cues play are seen through a rig, and how much of them. */
export interface LetsThrough {
	/** Only presets with one of these tags; none named: all. */
	readonly only: readonly string[];
	/** Not those with one of these tags. */
	readonly not: readonly string[];
	/** What all of it is multiplied by. */
	readonly share: number;
	/** What a channel is multiplied by besides; one that is not named: 1. */
	readonly channels: Readonly<Partial<Record<Channel, number>>>;
}

export interface RigView {
	/** Where the camera stands. */
	readonly kind: ViewKind;
	/** The vertical field of view, of all kinds but `flat`. */
	readonly fov: Degrees;
	/** Above the feet: of the eyes, or of the point that is looked at. */
	readonly height: Metres;
	/** `chase`: how far behind that point. */
	readonly back: Metres;
	/** `chase`: how much farther down it looks than the body. */
	readonly down: Degrees;
	/** `chase`: how far to the right of that point; below 0 to the left. */
	readonly side: Metres;
	/** `chase`: it turns to a point so far ahead of the body; 0: to the body itself; null: it looks along its boom. */
	readonly ahead: Metres | null;
	/** `chase`: how it comes nearer where something stands between; null: it does not. */
	readonly nearer: Nearer | null;
	/** `fixed`: where it stands, in the world. */
	readonly place: readonly [number, number, number];
	/** `fixed`: where it looks, unless it turns to the body. */
	readonly yaw: Degrees;
	/** `fixed`: how far it looks up, −89 … 89. */
	readonly pitch: Degrees;
	/** `fixed`: whether it turns to the body. */
	readonly turns: boolean;
	/** `flat`: pixels for each metre of the world, and how many of them the picture is high. */
	readonly pixelsPerMetre: number;
	/** `flat`: how many pixels the picture is high. */
	readonly tall: number;
}

/** Roll and sway by turning and strafing, through a spring. Positive numbers lean into the turn, towards where one strafes. */
export interface Lean {
	/** Degrees of roll for each degree a second of turning. */
	readonly rollByTurn: number;
	/** Degrees of roll for each metre a second sideways. */
	readonly rollByStrafe: number;
	/** Metres (pixels in a flat view) of sway for each degree a second of turning, and each metre a second sideways. */
	readonly swayByTurn: number;
	/** Metres (pixels) of sway for each metre a second sideways, −1000 … 1000. */
	readonly swayByStrafe: number;
	/** The most of either that it leans to. */
	readonly mostRoll: Degrees;
	/** The most that it sways, in metres (pixels). */
	readonly mostSway: number;
	/** Of its spring, undamped, 0.05–30. */
	readonly frequency: Hertz;
	/** Damping ratio of its spring, 0.05–10. */
	readonly damping: number;
}

/** Where the camera must stay, in the world; null: anywhere in that direction. */
export interface Limits {
	/** To the right, from and to, in metres. */
	readonly x: readonly [number, number] | null;
	/** Up, from and to, in metres. */
	readonly y: readonly [number, number] | null;
	/** Behind, from and to, in metres. */
	readonly z: readonly [number, number] | null;
	/** An area on the map by its corners x, z; it has no dents: what counts is its hull. */
	readonly area: readonly (readonly [number, number])[] | null;
	/** How far from an edge it begins to hold back; 0: a hard edge. */
	readonly soft: Metres;
}

export interface Rig {
	/** Names it: 1–64 of a–z, 0–9 and "-". */
	readonly id: string;
	/** What people call it, 1–120 characters. */
	readonly name: string;
	/** A description for people, up to 4000 characters. */
	readonly about: string;
	/** Where the camera stands, and its lens. */
	readonly view: RigView;
	/** A camera lag's id; null: the view goes along at once. */
	readonly lag: string | null;
	/** Where it must stay; null: anywhere. */
	readonly limits: Limits | null;
	/** A head bob's id; null: none. */
	readonly bob: string | null;
	/** How it tips into turns; null: it does not. */
	readonly lean: Lean | null;
	/** The most that each channel may reach, over bob, lean and shakes; null: none. */
	readonly ceiling: Ceilings | null;
	/** What plays while one looks through it, beside what cues play: it comes and goes with the camera. */
	readonly motion: readonly RigMotion[];
	/** What it lets through of what cues play; null: all of it. */
	readonly lets: LetsThrough | null;
	/** Stages that are left out for now. */
	readonly bypass: readonly RigStage[];
	/** Every stage once, in the order in which they come. */
	readonly order: readonly RigStage[];
}

/** What presets a rig of this view kind plays: those in metres, or those in pixels. */
export const viewOf = (kind: ViewKind): View => (kind === 'flat' ? 'flat' : 'space');
