/** Findings: what is usually wrong, said in a sentence, with a fix where there is one. */
import type { ShakePreset } from 'dinesis-runtime';

export type Level = 'error' | 'warning' | 'note';

export interface Fix<T = ShakePreset> {
	/** What pressing it does, as a verb: "Shorten the fades". */
	readonly label: string;
	apply(document: T): T;
}

export interface Finding<T = ShakePreset> {
	/** Which check found it. */
	readonly check: string;
	readonly level: Level;
	/** The place within the document, as in `timing.fadeIn.time`. */
	readonly place: string;
	readonly sentence: string;
	/** Why it matters, where the sentence does not say it. */
	readonly why?: string;
	readonly fix?: Fix<T>;
}

/** What a check may ask about how the motion will be shown. */
export interface CheckContext {
	/** Pictures a second of the display it is judged for. */
	readonly pictureRate: number;
}

/** One check over one preset. */
export type PresetCheck = (preset: ShakePreset, context: CheckContext) => Finding[];
