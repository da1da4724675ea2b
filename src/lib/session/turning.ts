/** Undo and redo in words: what was taken back, and what stays because somebody else has changed it since. */
import type { WorkingCopy } from './working-copy.svelte';

type Way = 'undo' | 'redo';
const WORDS = {
	undo: { none: 'There is nothing to undo.', done: 'Undone', is: 'undone' },
	redo: { none: 'There is nothing to redo.', done: 'Done again', is: 'done again' }
} as const;

export class Turning {
	private waiting: Promise<void> | null = null;

	constructor(
		private readonly work: WorkingCopy,
		/** Brings documents here; false where the server does not answer. */
		private readonly bring: (uuids: readonly string[]) => Promise<boolean>,
		private readonly say: (text: string) => void
	) {}

	/** One step back or on: its label; null where there was none, or nothing of it could be turned. */
	turn(way: Way): string | null {
		const done = this.work.turn(way);
		if (!done) return null;
		const { label, stayed, failed } = done;
		const { is } = WORDS[way];
		if (stayed.length > 0)
			this.say(
				failed
					? `“${label}” is not ${is}: somebody else has changed ${stayed.join(', ')} since.`
					: `Somebody else has changed ${stayed.join(', ')} since; that stays.`
			);
		else if (failed) this.say(`“${label}” cannot be ${is} any more.`);
		return failed ? null : label;
	}

	/** The same, and says what it was. What it needs and is not here is asked for first; what is pressed meanwhile waits its turn. */
	told(way: Way): void {
		if (!this.waiting && this.work.lackingFor(way).length === 0) return this.tell(way);
		const turn = (this.waiting ?? Promise.resolve())
			.then(() => this.bring(this.work.lackingFor(way)))
			.then((there) => {
				if (there) this.tell(way);
				else this.say(`“${this.next(way)}” can be ${WORDS[way].is} once the server answers again.`);
			})
			.finally(() => {
				if (this.waiting === turn) this.waiting = null;
			});
		this.waiting = turn;
	}

	private next(way: Way): string | null {
		return way === 'undo' ? this.work.undoLabel : this.work.redoLabel;
	}

	private tell(way: Way): void {
		if (this.next(way) === null) return this.say(WORDS[way].none);
		const label = this.turn(way);
		if (label !== null) this.say(`${WORDS[way].done}: ${label}`);
	}
}
