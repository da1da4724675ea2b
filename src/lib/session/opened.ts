/** What a page opens a project with, and the keys by which rooms name what they show. */
import type { Held, Stub } from '$lib/documents';

/** The key of events, game values, cues and rigs beside presets: a star is in no id. */
export const WIRING = '*wiring';
/** The key of a rig by itself. */
export const RIG = '*rig ';
export const rigKey = (id: string): string => RIG + id;

/** How a document stands with the server. */
export type Keeping = 'kept' | 'changed' | 'saving' | 'away' | 'refused';

export interface Saved {
	readonly version: number;
	readonly savedAt: string;
}

export interface Opened {
	readonly project: { readonly id: string; readonly slug: string; readonly name: string; readonly demo?: boolean };
	/** The project's last number when its documents were read. */
	readonly number: number;
	readonly documents: readonly Held[];
	/** How often its wiring was changed, and when last. */
	readonly wiring?: Saved;
	/** What of its wiring is out of use. */
	readonly stubs?: readonly Stub[];
	/** How many presets there are in all: those that did not come with the page are fetched once it stands. */
	readonly count?: number;
}
