/** What a player is made with, what a play is fired with by a game, and what firing came to. */
import type { GameValues } from '../drives/drives';
import type { GameParameter } from '../drives/types';
import type { Seconds } from '../units/quantities';

export interface PlayerOptions {
	/** Decides every random choice: the same seed, inputs and times give the same motion. */
	readonly seed?: number;
	/** The game's values that presets may be driven by. */
	readonly parameters?: readonly GameParameter[];
	/** Game values that somebody else sets already; left out: its own. */
	readonly values?: GameValues;
	/** false: everything is felt in full wherever it comes from, as it is tuned. */
	readonly distance?: boolean;
}

export interface FireOptions {
	/** What the play is multiplied by, 1 if left out. */
	readonly strength?: number;
	/** Instead of a seed made from the player's and the number of the play. */
	readonly seed?: number;
	/** Instead of a burst's own duration. */
	readonly length?: Seconds;
	/** As if it had been fired so many seconds ago. */
	readonly ago?: Seconds;
	/** Multiplies all frequencies of this play; 1 if left out. */
	readonly rate?: number;
	/** Where it came from, in the world: for presets in the space `source`, and for those with a reach. */
	readonly at?: readonly [number, number, number];
	/** Who asks for it: what nobody holds any more fades. Left out: it needs no holder. */
	readonly holder?: string;
	/** A play that the same one built up and that still runs is started over, whatever the preset's rule. */
	readonly builder?: string;
}

/**
 * What firing came to: a new play, the running one restarted or extended, another one replaced, or nothing. What has a way to come
 * has started: what becomes of it is decided when it arrives.
 */
export type Outcome = 'started' | 'replaced' | 'restarted' | 'extended' | 'ignored' | 'unknown';
