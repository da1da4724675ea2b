/** What can be done right now, in one table: palette, list of shortcuts and keys are made of it. Every room offers its own while it is open. */
import { getContext, setContext } from 'svelte';
import { hand } from './hand';
import { KeyDesk, written, type Bound } from './keys';

export interface Command extends Bound {
	readonly id: string;
	/** May be a getter: it is read when it is shown. */
	readonly label: string;
	/** Where it belongs, or what it is: shown small. */
	readonly about: string;
	/** Words that find it beside its label; left out: what it is about. */
	readonly found?: string;
	/** How its keys are written; left out: its first key. */
	readonly shown?: string;
	/** What the list of shortcuts says of it; left out: its label. */
	readonly says?: string;
	/** It has a key and no place in the palette: what is held, what needs something chosen. */
	readonly keyOnly?: boolean;
}

/** What a hand does with a key or without: only told. */
export interface Gesture {
	readonly shown: string;
	readonly says: string;
}

export interface CommandTable {
	readonly commands: readonly Command[];
	readonly gestures?: readonly Gesture[];
	/** What is found by its name, without a key; asked for when the palette opens. */
	readonly more?: () => readonly Command[];
}

export const keysOf = ({ shown, keys }: Pick<Command, 'shown' | 'keys'>): string =>
	shown ?? (keys?.[0] ? written(keys[0]) : '');

export class Commands {
	private tables = $state.raw<readonly CommandTable[]>([]);
	private readonly desk = new KeyDesk(() => this.tables.flatMap(({ commands }) => commands));

	/** Offers a table until what it returns is called. What is offered everywhere answers last, whichever came first. */
	offer(table: CommandTable, everywhere = false): () => void {
		this.tables = everywhere ? [...this.tables, table] : [table, ...this.tables];
		return () => {
			this.tables = this.tables.filter((other) => other !== table);
			this.desk.letGoOfAll();
		};
	}

	/** For the palette: all of them, those of the room first. */
	all(): Command[] {
		return this.tables.flatMap(({ commands, more }) => [
			...commands.filter((command) => !command.keyOnly),
			...(more?.() ?? [])
		]);
	}

	/** For the list of shortcuts: table by table, those of the room first. */
	shortcuts(): Gesture[][] {
		return this.tables.map(({ commands, gestures = [] }) => [
			...commands
				.filter(({ keys }) => keys)
				.map((command) => ({ shown: keysOf(command), says: command.says ?? command.label })),
			...gestures
		]);
	}

	/** Listens to the keyboard until what it returns is called. */
	listen(target: Window): () => void {
		const stopWatching = hand.watch(target);
		target.addEventListener('keydown', this.desk.down);
		target.addEventListener('keyup', this.desk.up);
		target.addEventListener('blur', this.desk.letGoOfAll);
		return () => {
			stopWatching();
			target.removeEventListener('keydown', this.desk.down);
			target.removeEventListener('keyup', this.desk.up);
			target.removeEventListener('blur', this.desk.letGoOfAll);
		};
	}
}

const CONTEXT = Symbol('commands');
export const provideCommands = (commands: Commands): Commands => setContext(CONTEXT, commands);
export const useCommands = (): Commands => getContext(CONTEXT);
