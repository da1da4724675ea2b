/** A history as it is told: by the server, and to the page. */
import type { KindName } from '../kinds';
import type { Stretch } from './stretches';
import type { Difference } from './words';

/** A difference without the values themselves, which may be large. */
export type Line = Omit<Difference, 'from' | 'to'>;

/** What a stretch of work did to a document. */
export interface ToldDocument {
	readonly uuid: string;
	readonly kind: KindName;
	readonly id: string;
	readonly name: string;
	/** The version that came of it. */
	readonly version: number;
	readonly became: 'made' | 'retired' | 'back' | 'moved' | null;
	readonly lines: readonly Line[];
	/** How many lines were left out. */
	readonly more: number;
}

export interface ToldStretch extends Stretch {
	readonly name: string;
	readonly starred: boolean;
	readonly documents: readonly ToldDocument[];
	/** How many documents were left out. */
	readonly more: number;
}

export interface History {
	/** The newest first. */
	readonly stretches: readonly ToldStretch[];
	/** Where one asks on; null: that is all. */
	readonly before: number | null;
}

/** Which documents a history is of: those named, those of some kinds, or all. */
export interface Scope {
	readonly uuids?: readonly string[];
	readonly kinds?: readonly KindName[];
}
