/** Head bob: the view's motion with the steps. */
import type { Drive } from '../drives/types';
import type { Key } from '../patterns/keys';
import type { Channel, View } from '../units/channels';
import type { Cycles, Hertz, Metres, Seconds } from '../units/quantities';

export const BOB_SHAPES = ['sine', 'rectified', 'keys', 'noise'] as const;
export type BobShape = (typeof BOB_SHAPES)[number];

/** Channels that go twice a stride, once with each step; the others go once. */
export const STEP_CHANNELS: readonly Channel[] = ['y', 'z', 'pitch', 'fov'];

/** How often a channel goes through its cycle in a stride. */
export const cyclesOf = (channel: Channel, every?: 'step' | 'stride'): 1 | 2 =>
	(every ?? (STEP_CHANNELS.includes(channel) ? 'step' : 'stride')) === 'step' ? 2 : 1;

export interface BobChannel {
	/** Half of peak to peak, in the channel's unit. */
	readonly amplitude: number;
	/**
	 * Place in the cycle. At phase ¾ a sine is lowest when a foot falls, at 0 it passes its middle rising.
	 * Stride channels count from the fall of one foot, step channels from that of either.
	 */
	readonly phase: Cycles;
	/**
	 * `sine`; `rectified`: falls to its lowest in a point and rises round, as 2|sin πp| − 1; `keys`: poses on the cycle;
	 * `noise`: never the same step twice.
	 */
	readonly shape: BobShape;
	/** How often it goes through its cycle; left out: with each step for y, z, pitch and fov, once a stride for the others. */
	readonly every?: 'step' | 'stride';
	/** For the shape `keys`, each −1 … 1, `at` 0 … 1. */
	readonly keys?: readonly Key[];
}

export interface BobGait {
	/** Names it: 1–64 of a–z, 0–9 and "-". */
	readonly id: string;
	/** What people call it, up to 60 characters; left out: its id. */
	readonly name?: string;
	/** The speed that it is made for, in metres a second. */
	readonly speed: number;
	/** Steps a second at that speed. */
	readonly steps: Hertz;
	/** What it moves: by channel, how far and how. */
	readonly channels: Readonly<Partial<Record<Channel, BobChannel>>>;
}

export interface BobLanding {
	/** Metres of dip for each metre a second of the fall. */
	readonly dip: number;
	/** The deepest it goes, in metres. */
	readonly most: Metres;
	/** Degrees that the look goes down for each metre of dip. */
	readonly nod: number;
	/** Of its spring, undamped, 0.05–30. */
	readonly frequency: Hertz;
	/** Below 1 it swings back over the middle. */
	readonly damping: number;
}

export interface BobIdle {
	/** What moves: by channel, how far, and cycles a second. */
	readonly channels: Readonly<Partial<Record<Channel, { readonly amplitude: number; readonly frequency: Hertz }>>>;
}

export interface BobPreset {
	/** Names it: 1–64 of a–z, 0–9 and "-". */
	readonly id: string;
	/** The id that its chance comes from, when that was another one once. */
	readonly seededBy?: string;
	/** Tells shakes, head bobs and camera lags apart. */
	readonly family: 'bob';
	/** Metres (space) or pixels (flat). */
	readonly view: View;
	/** What people call it, 1–120 characters. */
	readonly name: string;
	/** A description for people, up to 4000 characters. */
	readonly about: string;
	/** Words to find it by, and to stop it by: up to 40. */
	readonly tags: readonly string[];
	/** Multiplies all amplitudes. */
	readonly amount: number;
	/** By rising speed. Between two of them both size and step rate go straight from one to the other. */
	readonly gaits: readonly BobGait[];
	/** Size follows the speed within this time. */
	readonly blendTime: Seconds;
	/** Standing or in the air it is gone within this time, never faster than its own fastest frame. */
	readonly settleTime: Seconds;
	/** What the view does when feet meet the ground after a fall; null: nothing. */
	readonly landing: BobLanding | null;
	/** Breathing, where one stands. */
	readonly idle: BobIdle | null;
	/** Game values that raise and lower it. */
	readonly drives: readonly Drive[];
}

export const isBob = (preset: { readonly family: string }): preset is BobPreset => preset.family === 'bob';
