/** What a kind of document brings: everything that the store, the page and the checks need to know of it. */
import type { Shape } from 'dinesis-runtime/tools';

export type KindName = 'shake' | 'bob' | 'lag' | 'rig' | 'cue' | 'event' | 'value' | 'course' | 'project';

/** Shakes, head bobs and camera lags: the motion of a kit. */
export const PRESET_KINDS = ['shake', 'bob', 'lag'] as const satisfies readonly KindName[];

/** Ids differ within a space: shakes, head bobs and lags are presets, and share one. */
export type Space = 'preset' | 'rig' | 'cue' | 'event' | 'value' | 'course' | 'project';

/** A document of another kind that one points at. */
export interface Reference {
	readonly space: Space;
	readonly id: string;
}

/** What stands in the place of an id that is pointed at. */
export type At = (space: Space, id: string) => string;

export interface AnyDocument {
	readonly id: string;
	readonly name?: string;
}

export interface Kind<T extends AnyDocument = AnyDocument> {
	readonly space: Space;
	/** What a sentence calls one, and several. */
	readonly word: string;
	readonly words: string;
	/** Checks one and fills in what it leaves out; ranges, the published schema and the fields of its document are read off it. */
	readonly shape: Shape;
	/** A new one. */
	fresh(id: string, name: string): T;
	/** Each brings a kept document of one format to the next; the first one brings format 1 to format 2. */
	readonly migrations: readonly ((document: unknown) => unknown)[];
	/** The document with what it points at put elsewhere: `at` says where, for each. */
	pointing(document: T, at: At): T;
	/** The document with what it only names put elsewhere: it goes along with another id, and needs nothing to be there. */
	naming?(document: T, at: At): T;
}

/** So that a kind's own type is checked where it is written, and forgotten where kinds are one. */
export const kind = <T extends AnyDocument>(row: Kind<T>): Kind => row as unknown as Kind;
