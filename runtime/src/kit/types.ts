/** The kit's objects as they are in memory: every optional field filled in, unknown fields carried along untouched. */
import type { BobPreset } from '../bob/types';
import type { LagPreset } from '../lag/types';
import type { Share } from '../chain/share';
import type { Rig } from '../chain/types';
import type { WorldLinks } from '../cues/links';
import type { Cue, GameEvent } from '../cues/types';
import type { GameParameter } from '../drives/types';
import type { ShakePreset } from '../shake/types';

export const KIT_FORMAT = 'dinesis-kit';
export const KIT_VERSION = 1;

/** A preset of any family. */
export type AnyPreset = ShakePreset | BobPreset | LagPreset;

/** A share of all motion that a game's menu offers by name. */
export interface PlayerSetting extends Share {
	/** Names it: 1–64 of a–z, 0–9 and "-". */
	readonly id: string;
	/** What the menu says, 1–120 characters. */
	readonly name: string;
}

export interface Kit {
	/** Tells a kit from other JSON. */
	readonly format: typeof KIT_FORMAT;
	/** The format’s version; older ones are brought up to it when read. */
	readonly version: number;
	/** What people call it, 1–120 characters. */
	readonly name: string;
	/** What can happen in the game. */
	readonly events: readonly GameEvent[];
	/** The game’s values that motion hangs on. */
	readonly parameters: readonly GameParameter[];
	/** Shakes, head bobs and camera lags. */
	readonly presets: readonly AnyPreset[];
	/** What motion events set off. */
	readonly cues: readonly Cue[];
	/** What cameras can be seen through. */
	readonly rigs: readonly Rig[];
	/** What the stand-in game of the Course room raises. */
	readonly world: WorldLinks;
	/** What a game’s menu offers those who want less motion; left out: nothing is said. */
	readonly players?: readonly PlayerSetting[];
}
