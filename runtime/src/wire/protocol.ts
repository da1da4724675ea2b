/**
 * What a running game and the tool say to each other: JSON over a WebSocket at `/wire/PROJECT` (docs/wire.md). Each message is an object
 * with a `type`. What one side does not know it passes over, so that either may be newer.
 */
import type { Moment } from '../frame/moment';
import type { Called } from '../game/runtime';
import type { FieldSet } from './fields';

/** The protocol's version: another one is not understood. */
export const WIRE = 1;

/** Of a body at a frame: x, y, z, yaw, pitch, metres a second, 1 on the ground + 2 on foot, room (−1: nothing stands between). */
export const BODY_NUMBERS = 8;
export const [GROUNDED, ON_FOOT] = [1, 2];

/** A frame: its length in seconds, `BODY_NUMBERS` for each viewer; where it was asked for, the seven numbers of the first one's offset. */
export type FrameRow = readonly number[];
/** A call, and the number of the frame that came next. */
export type CallRow = readonly [frame: number, called: Called];

/** A play that a cue asked for, as the game played it. */
export interface PlayedRow {
	/** On the game's clock. */
	readonly at: number;
	readonly cue: string;
	readonly preset: string;
	readonly viewer: string;
	readonly outcome: string;
	readonly strength: number;
}

/** A stretch of a game, exactly: put to the same kit it gives the same motion, to the bit. */
export interface Recording {
	/** The runtime's clock before its first frame. */
	readonly clock: number;
	/** How everything stood then; null: a runtime that had just been made. */
	readonly moment: Moment | null;
	readonly seed: number;
	readonly rig: string | null;
	readonly viewers: number;
	readonly frames: readonly FrameRow[];
	/** Frames are counted from the first of `frames`, which is 0. */
	readonly calls: readonly CallRow[];
}

/** The first message of a game. */
export interface Hello {
	readonly type: 'hello';
	readonly wire: number;
	/** What people call it. */
	readonly game: string;
	/** The project's key, where it is needed. */
	readonly key?: string;
	/** The kit that it began with, and which one that was, if it knows. */
	readonly kit: string;
	readonly version: string | null;
	readonly seed: number;
	readonly rig: string | null;
	readonly viewers: number;
	/** It plays a take that it is sent. */
	readonly takes: boolean;
}

/** From a game. */
export type FromGame =
	| Hello
	| {
			readonly type: 'frames';
			/** The number of the first of `frames`; without any, of the one that comes next. */
			readonly first: number;
			/** The runtime's clock before that one. */
			readonly clock: number;
			readonly frames: readonly FrameRow[];
			readonly calls: readonly CallRow[];
			readonly played: readonly PlayedRow[];
			/** Frames, and calls, that were left out since the last message. */
			readonly lost: readonly [frames: number, calls: number];
			/** They were kept while there was no connection. */
			readonly late?: true;
	  }
	| {
			readonly type: 'moment';
			readonly token: string;
			readonly first: number;
			readonly clock: number;
			readonly moment: Moment;
	  }
	/** A change came into the motion with the frame that begins now. */
	| { readonly type: 'took'; readonly stamp: string }
	/** What came does not fit what it has: it asks for the whole kit. */
	| { readonly type: 'lost'; readonly why: string }
	| { readonly type: 'take'; readonly state: 'begun' | 'done' | 'refused'; readonly why?: string }
	| { readonly type: 'beat' };

/** To a game. */
export type ToGame =
	| { readonly type: 'welcome'; readonly wire: number; readonly project: string }
	/** The whole kit, and the number of the project's last change in it. */
	| { readonly type: 'kit'; readonly number: number; readonly kit: unknown }
	| { readonly type: 'change'; readonly sets: readonly FieldSet[]; readonly stamp?: string }
	| {
			readonly type: 'want';
			/** Frames and plays are looked at by somebody. */
			readonly frames: boolean;
			/** With the first viewer's offset. */
			readonly felt: boolean;
			/** A moment is asked for, under this name. */
			readonly moment?: string;
	  }
	| { readonly type: 'take'; readonly recording: Recording }
	| { readonly type: 'beat' };

/** Bounds that both sides keep. */
export const LIMITS = {
	/** Characters of a message from a game; of a moment. */
	message: 512 * 1024,
	moment: 8 * 1024 * 1024,
	/** Messages a second, on an average of five seconds. */
	messages: 250,
	frames: 2000,
	calls: 2000,
	/** Calls that are kept while there is no connection. */
	kept: 1000,
	/** Characters on their way beyond which frames are left out. */
	waiting: 256 * 1024
} as const;
