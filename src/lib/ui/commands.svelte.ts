/** What can be done right now, for the palette: every room offers its own while it is open. */
import { getContext, setContext } from 'svelte';

export interface Command {
	readonly id: string;
	readonly label: string;
	/** Where it belongs, or what it is: shown small. */
	readonly about: string;
	/** Words that find it beside its label; left out: what it is about. */
	readonly found?: string;
	/** Its shortcut, as it is written. */
	readonly keys?: string;
	readonly run: () => void;
}

export interface Shortcut {
	readonly keys: string;
	readonly what: string;
}

export class Commands {
	private offers = $state.raw<readonly (() => readonly Command[])[]>([]);
	/** Shortcuts of the room that is open, for the list. */
	shortcuts = $state.raw<readonly Shortcut[]>([]);

	/** Offers commands; they are asked for when the palette opens. Returns what takes them back. */
	offer(list: () => readonly Command[], shortcuts: readonly Shortcut[] = []): () => void {
		this.offers = [...this.offers, list];
		if (shortcuts.length > 0) this.shortcuts = shortcuts;
		return () => {
			this.offers = this.offers.filter((other) => other !== list);
			if (this.shortcuts === shortcuts) this.shortcuts = [];
		};
	}

	/** All of them, those of the room first. */
	all(): Command[] {
		return [...this.offers].reverse().flatMap((list) => list());
	}
}

const CONTEXT = Symbol('commands');
export const provideCommands = (commands: Commands): Commands => setContext(CONTEXT, commands);
export const useCommands = (): Commands => getContext(CONTEXT);
