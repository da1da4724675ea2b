/** What became of a cue that was asked, as one reads it beside it. */
import { decisionWords, isFelt } from '$lib/documents';
import type { Decision, Seconds } from 'dinesis-runtime/tools';

export interface Why {
	readonly at: Seconds;
	/** Empty: as it was asked for. */
	readonly says: string;
	readonly felt: boolean;
}

/** What is read of a decision; of several presets of one answer what is not felt stays. */
export function whyOf(decision: Decision, before: Why | undefined, nameOf: (preset: string) => string): Why {
	const words = decisionWords(decision);
	const felt = isFelt(decision);
	const says = words === '' ? '' : decision.kind === 'played' ? `${nameOf(decision.preset)}: ${words}` : words;
	return before && before.at === decision.at && before.says !== '' && felt ? before : { at: decision.at, says, felt };
}
