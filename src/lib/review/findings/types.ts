/** Findings on the motion: what is wrong with it as it is seen, whatever its numbers say. One file each. */
import type { Level } from '$lib/documents';
import type { SubjectKind } from '../subject';
import type { Watched } from './watched';

/** What was found; plain data, as it is found off the page's thread. */
export interface MotionFound<T> {
	readonly level: Level;
	/** Which of several that one check tells: each can be left alone by itself. */
	readonly about?: string;
	/** The place within the document. */
	readonly place: string;
	/** What is wrong, with its measure. */
	readonly sentence: string;
	/** What pressing does, as a verb, and the document as it would be. */
	readonly fix?: { readonly label: string; readonly document: T };
}

export interface MotionCheck<T> {
	readonly check: string;
	readonly kind: SubjectKind;
	/** Why it matters, in a sentence. */
	readonly why: string;
	find(document: T, watched: Watched): MotionFound<T>[];
}
