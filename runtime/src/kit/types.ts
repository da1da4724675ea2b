/** The kit's objects as they are in memory: every optional field filled in, unknown fields carried along untouched. */
import type { BobPreset } from '../bob/types';
import type { LagPreset } from '../lag/types';
import type { Rig } from '../chain/types';
import type { WorldLinks } from '../cues/links';
import type { Cue, GameEvent } from '../cues/types';
import type { GameParameter } from '../drives/types';
import type { ShakePreset } from '../shake/types';

export const KIT_FORMAT = 'dinesis-kit';
export const KIT_VERSION = 1;

/** A preset of any family. */
export type AnyPreset = ShakePreset | BobPreset | LagPreset;

export interface Kit {
	readonly format: typeof KIT_FORMAT;
	readonly version: number;
	readonly name: string;
	readonly events: readonly GameEvent[];
	readonly parameters: readonly GameParameter[];
	readonly presets: readonly AnyPreset[];
	readonly cues: readonly Cue[];
	readonly rigs: readonly Rig[];
	/** What the stand-in game of the Course room raises. */
	readonly world: WorldLinks;
}
