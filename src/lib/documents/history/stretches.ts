/** Changes one after the other, told as stretches of work: what was done without a longer rest, by whom. */

/** A change as its bookkeeping has it. */
export interface Noted {
	readonly number: number;
	/** When, in milliseconds. */
	readonly at: number;
	readonly who: string;
	readonly window: string;
	/** The drag or run of presses that it is a part of; empty: it stands by itself. */
	readonly gesture: string;
	readonly note: string;
	/** How many documents it touched. */
	readonly documents: number;
}

/** A change of more documents than that is no work by hand (something came in): it stands by itself. */
const BY_HAND = 5;

export interface Stretch {
	/** The first and the last number of it. */
	readonly first: number;
	readonly last: number;
	/** When it began and ended, in milliseconds. */
	readonly since: number;
	readonly until: number;
	/** Those who did it, in the order in which they came; who has no name is not among them. */
	readonly who: readonly string[];
	/** How many changes it holds; a drag is one. */
	readonly changes: number;
	/** What was said of changes that were more than tuning, each once. */
	readonly notes: readonly string[];
}

export interface StretchRules {
	/** A rest that is longer begins another one; 0: every change, or drag, stands by itself. */
	readonly restMs: number;
	/** None is longer. */
	readonly longestMs: number;
	/** Numbers that end one: they have a name, or are marked. */
	readonly ends?: ReadonlySet<number>;
}

export const STRETCHES: StretchRules = { restMs: 5 * 60_000, longestMs: 45 * 60_000 };
export const SINGLE: StretchRules = { restMs: 0, longestMs: 0 };

/** Of changes in their order, the first one first. */
export function stretchesOf(changes: readonly Noted[], { restMs, longestMs, ends }: StretchRules): Stretch[] {
	const made: Stretch[] = [];
	let last: Noted | null = null;
	for (const change of changes) {
		const here = made.at(-1);
		const goesOn =
			last !== null &&
			change.gesture !== '' &&
			change.gesture === last.gesture &&
			change.note === '' &&
			!ends?.has(last.number);
		if (here && last && (goesOn || joins(here, last, change))) {
			const notes = change.note === '' || here.notes.includes(change.note) ? here.notes : [...here.notes, change.note];
			made[made.length - 1] = {
				...here,
				last: change.number,
				until: change.at,
				who: [...new Set([...here.who, ...named(change)])],
				changes: here.changes + (goesOn ? 0 : 1),
				notes
			};
		} else
			made.push({
				first: change.number,
				last: change.number,
				since: change.at,
				until: change.at,
				who: named(change),
				changes: 1,
				notes: change.note === '' ? [] : [change.note]
			});
		last = change;
	}
	return made;

	function joins(here: Stretch, last: Noted, change: Noted): boolean {
		if (ends?.has(last.number)) return false;
		if (last.documents > BY_HAND || change.documents > BY_HAND) return false;
		return change.at - last.at < restMs && change.at - here.since < longestMs;
	}
}

const named = ({ who }: Noted): string[] => (who === '' ? [] : [who]);
