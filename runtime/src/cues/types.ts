/** Cues: rules that say what motion an event of the game sets off. */
import type { CurvePoint } from '../math/curve';
import type { Seconds } from '../units/quantities';

export interface EventValue {
	/** Names it: 1–64 of a–z, 0–9 and "-", within its event. */
	readonly id: string;
	/** The unit, for people; up to 20 characters. */
	readonly unit: string;
	/** The least it is expected to be: a curve’s 0. */
	readonly min: number;
	/** The most it is expected to be: a curve’s 1. */
	readonly max: number;
}

export interface GameEvent {
	/** Names it: 1–64 of a–z, 0–9 and "-". */
	readonly id: string;
	/** What people call it, 1–120 characters. */
	readonly name: string;
	/** A moment happens; a state starts and ends. */
	readonly kind: 'moment' | 'state';
	/** Whether it happens at a place. */
	readonly placed: boolean;
	/** What each occurrence carries. */
	readonly tags: readonly string[];
	/** Tags that an occurrence may carry besides, telling what it happened to or came from; left out: none are said. */
	readonly mayCarry?: readonly string[];
	/** The numbers that it carries, up to 16. */
	readonly values: readonly EventValue[];
}

/** A moment happens; a state starts, ends, or lasts: begun with it and let go with it. */
export const CUE_WHENS = ['happens', 'starts', 'ends', 'lasts'] as const;
export type CueWhen = (typeof CUE_WHENS)[number];

/** A number the event carries, or a game value, within bounds; null: open on that side. */
export interface Between {
	/** The number’s or the game value’s id. */
	readonly of: string;
	/** At least; null: open below. */
	readonly from: number | null;
	/** At most; null: open above. */
	readonly to: number | null;
}

export interface CueConditions {
	/** The event must carry all of these tags. */
	readonly tags: readonly string[];
	/** Of numbers that the event carries. */
	readonly values: readonly Between[];
	/** Of game values. */
	readonly parameters: readonly Between[];
	/** How often it answers, 0–1. */
	readonly chance: number;
	/** Not again within so many seconds. */
	readonly coolDown: Seconds;
	/** Only the first time, until it is armed again. */
	readonly once: boolean;
}

/** A number, or a curve over a number that the event carries (over its range, 0–1). */
export type Amount = number | { readonly by: string; readonly curve: readonly CurvePoint[] };

/** Each repetition adds `by`, up to `most`; after `coolDown` seconds without one it begins anew at 1. */
export interface BuildUp {
	/** What each repetition adds to the strength, 0–10. */
	readonly by: number;
	/** The most it comes to, 1–100. */
	readonly most: number;
	/** Seconds without a repetition until it begins to come down, 0–3600. */
	readonly coolDown: Seconds;
	/** How long it then takes from the most down to 1, 0–3600; left out or 0: it begins anew at once. */
	readonly downOver?: Seconds;
}

/** What every action has beside its own. */
interface Identified {
	/** Within its cue: what it remembers (the last pick, how far it has built up) and its chance hang on it. */
	readonly id: string;
	/** The id that its chance comes from, when that was another one once. */
	readonly seededBy?: string;
}

/** How one of several is picked: by weight, not twice running where there are others; by weight alone; or in turn, in their order. */
export const PICKS = ['no-repeat', 'any', 'in-turn'] as const;
export type Picks = (typeof PICKS)[number];

export interface PlayAction extends Identified {
	/** Plays a preset. */
	readonly kind: 'play';
	/** One of these; one with a weight of 0 never. */
	readonly pick: readonly { readonly preset: string; readonly weight: number }[];
	/** How it is picked; left out: `no-repeat`. */
	readonly picks?: Picks;
	/** Multiplies the gain, 0–10. */
	readonly strength: Amount;
	/** Instead of the preset's own: seconds, or the event's own length. */
	readonly length: null | 'event' | Seconds;
	/** Multiplies all frequencies of the play, 0–100. */
	readonly rate: number;
	/** Seconds from the event to the action, 0–3600. */
	readonly delay: Seconds;
	/** Felt from where it happened, with the preset's reach. */
	readonly fromPlace: boolean;
	/** What repetitions add; null: nothing. */
	readonly buildUp: BuildUp | null;
}

export interface StopAction extends Identified {
	/** Stops plays. */
	readonly kind: 'stop';
	/** What this cue began, everything, the plays of a preset, or of all presets with a tag. */
	readonly what: 'own' | 'all' | { readonly preset: string } | { readonly tag: string };
	/** At once instead of with the fade. */
	readonly cut: boolean;
	/** Seconds from the event to the action, 0–3600. */
	readonly delay: Seconds;
}

export interface SetAction extends Identified {
	/** Sets a game value. */
	readonly kind: 'set';
	/** The game value’s id. */
	readonly parameter: string;
	/** Its new value; kept within its range. */
	readonly to: number;
	/** Seconds from the event to the action, 0–3600. */
	readonly delay: Seconds;
}

export interface RaiseAction extends Identified {
	/** Lets another event happen, with the same numbers, place and tags. */
	readonly kind: 'raise';
	/** The event’s id. */
	readonly event: string;
	/** Seconds from the event to the action, 0–3600. */
	readonly delay: Seconds;
}

/**
 * Seen through another rig, or with another lag or head bob in it, or with some gaits larger or smaller; what is null stays as
 * it is. For good, or as long as the state that the cue lasts with; with nothing in it the camera goes back to its own.
 */
export interface CameraAction extends Identified {
	/** Changes what the camera is seen through. */
	readonly kind: 'camera';
	/** A rig’s id; null: stays. */
	readonly rig: string | null;
	/** A camera lag’s id; null: stays. */
	readonly lag: string | null;
	/** A head bob’s id; null: stays. */
	readonly bob: string | null;
	/** What gaits of the head bob are multiplied by, by the gait's id. */
	readonly sizes: Readonly<Record<string, number>>;
	/** How long it takes; 0 cuts. */
	readonly over: Seconds;
	/** Seconds from the event to the action, 0–3600. */
	readonly delay: Seconds;
}

export type CueAction = PlayAction | StopAction | SetAction | RaiseAction | CameraAction;

/** Who feels it: the one it happened to, those in reach, or everybody wherever they are. */
export const FELT_BY = ['one', 'reach', 'everyone'] as const;
export type FeltBy = (typeof FELT_BY)[number];

export interface Cue {
	/** Names it: 1–64 of a–z, 0–9 and "-". */
	readonly id: string;
	/** The id that its chance comes from, when that was another one once. */
	readonly seededBy?: string;
	/** Off: it stands there and does nothing. */
	readonly on: boolean;
	/** The event that it answers, by its id. */
	readonly event: string;
	/** At which phase of it. */
	readonly when: CueWhen;
	/** All of them must hold. */
	readonly conditions: CueConditions;
	/** What it does, in their order; up to 32. */
	readonly actions: readonly CueAction[];
	/** Whose cameras it moves. */
	readonly feltBy: FeltBy;
}

/** Something that happened in the game. */
export interface Occurrence {
	/** The event’s id. */
	readonly event: string;
	/** A moment happens, a state starts and ends. */
	readonly phase: 'happens' | 'starts' | 'ends';
	/** Its numbers, by their ids. */
	readonly values?: Readonly<Record<string, number>>;
	/** Left out: those of the event. */
	readonly tags?: readonly string[];
	/** Metres, in the world. */
	readonly place?: readonly [number, number, number];
	/** How long the event itself takes, where it is known. */
	readonly length?: Seconds;
	/** Tells apart what goes on at the same time: this door from that one. */
	readonly key?: string;
	/** Whom it happened to. */
	readonly who?: string;
}

/** Why a cue did not answer, or an action of it found nothing to play. */
export type Missed = 'spent' | 'cooling-down' | 'not-tagged' | 'value' | 'parameter' | 'chance' | 'nothing-to-pick';

/** A cue that was asked and did not answer. */
export interface Miss {
	/** When it was asked, in seconds of the engine. */
	readonly at: Seconds;
	/** The cue’s id. */
	readonly cue: string;
	/** The event’s id. */
	readonly event: string;
	/** Which condition did not hold. */
	readonly why: Missed;
	/** The tag, the number or the game value that did not fit, by its name; empty where it was none of them. */
	readonly of: string;
	/** What it was: the number, the game value, the seconds still to wait, the chance; NaN where there is none. */
	readonly is: number;
}

/** What a cue wants done, at a time. */
export type Order =
	| {
			readonly kind: 'play';
			readonly at: Seconds;
			readonly cue: string;
			/** The hold: this cue, for this event's key. */
			readonly owner: string;
			readonly action: string;
			/** A play of this action that still runs is started over, so that what is felt grows and does not pile up. */
			readonly buildsUp: boolean;
			readonly preset: string;
			readonly strength: number;
			readonly rate: number;
			readonly length: Seconds | undefined;
			readonly place: readonly [number, number, number] | undefined;
			/** Felt from where it happened; without a place that is at the body that it happened to. */
			readonly fromPlace: boolean;
			readonly feltBy: FeltBy;
			readonly who: string | undefined;
	  }
	| {
			readonly kind: 'stop';
			readonly at: Seconds;
			readonly cue: string;
			readonly owner: string;
			/** `held`: only what this owner holds, as when its state ends. */
			readonly what: StopAction['what'] | 'held';
			readonly cut: boolean;
	  }
	| {
			readonly kind: 'set';
			readonly at: Seconds;
			readonly cue: string;
			readonly parameter: string;
			readonly to: number;
	  }
	| (Pick<CameraAction, 'rig' | 'lag' | 'bob' | 'sizes' | 'over'> & {
			readonly kind: 'camera';
			readonly at: Seconds;
			readonly cue: string;
			readonly owner: string;
			/** Until the owner is stopped; else for good. */
			readonly lasting: boolean;
			readonly feltBy: FeltBy;
			readonly who: string | undefined;
	  });
