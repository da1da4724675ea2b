/** Undo and redo in words: what was taken back, and what stays because somebody else has changed it since. */
import type { WorkingCopy } from './working-copy.svelte';

type Way = 'undo' | 'redo';
const WORDS = {
	undo: { none: 'There is nothing to undo.', done: 'Undone', is: 'undone' },
	redo: { none: 'There is nothing to redo.', done: 'Done again', is: 'done again' }
} as const;

export class Turning {
	constructor(
		private readonly work: WorkingCopy,
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

	/** The same, and says what it was. */
	told(way: Way): void {
		const next = way === 'undo' ? this.work.undoLabel : this.work.redoLabel;
		if (next === null) return this.say(WORDS[way].none);
		const label = this.turn(way);
		if (label !== null) this.say(`${WORDS[way].done}: ${label}`);
	}
}
