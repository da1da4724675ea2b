/** Bringing a kit into the project, whole or in part: all that is here to compare it with, and the one change that brings it in. */
import { KIND_NAMES, partsBringing, type ChangePart, type Choice, type Chosen, type Held } from '$lib/documents';
import * as api from './api';
import type { WorkingCopy } from './working-copy.svelte';

/** So many documents come at once: the page reads them in parts that nobody feels. */
const AT_ONCE = 200;

export class BringingIn {
	constructor(
		private readonly project: string,
		private readonly work: WorkingCopy,
		private readonly say: (text: string) => void
	) {}

	/** All documents of the project, those out of use as well; null when they cannot be had. */
	async everything(): Promise<readonly Held[] | null> {
		for (const retired of [false, true]) {
			for await (const answer of api.pagesOf(this.project, { kinds: KIND_NAMES, retired, limit: AT_ONCE })) {
				if (!answer.ok) {
					this.say(answer.message);
					return null;
				}
				this.work.take(answer.value);
			}
		}
		return this.work.all();
	}

	/** All that is here by now, of every kind, in use or not; depends on all of it. */
	get here(): readonly Held[] {
		for (const kind of KIND_NAMES) void this.work.list(kind);
		return this.work.all();
	}

	/** Makes the project what it was, as one step. False when it is that already. */
	goBackTo(partsOf: (held: readonly Held[]) => readonly ChangePart[], named: string): boolean {
		const parts = partsOf(this.work.all());
		this.work.seal();
		return this.work.change(`Go back to ${named}`, parts, null, `went back to ${named}`.slice(0, 200));
	}

	/** Brings in what was chosen, as one step, and says what came of it. */
	bring(chosen: readonly Chosen[], from: string): string {
		const held = this.work.all();
		const last = held.reduce((most, { order }) => (order > most ? order : most), '');
		const parts = partsBringing(chosen, held, last || null);
		this.work.seal();
		this.work.change(`Bring in ${from}`, parts, null, `brought in from ${from}`.slice(0, 200));
		return sayBroughtIn(chosen);
	}
}

/** What came of it, in a sentence's words. */
export function sayBroughtIn(chosen: readonly Chosen[]): string {
	const count = (is: (one: Chosen) => boolean): number => chosen.filter(is).length;
	const taken = (choice: Choice) => count(({ arrival, choice: c }) => c === choice && isTaken(arrival.standing));
	const fresh = count(({ arrival }) => arrival.standing === 'new') + taken('both');
	const same = count(({ arrival }) => arrival.standing === 'same');
	return [
		`${fresh} brought in`,
		taken('replace') > 0 ? `${taken('replace')} replaced` : '',
		taken('keep') > 0 ? `${taken('keep')} left as they are` : '',
		same > 0 ? `${same} were here already` : ''
	]
		.filter(Boolean)
		.join(', ');
}

const isTaken = (standing: Chosen['arrival']['standing']): boolean => standing === 'changed' || standing === 'clashing';
