/** Keys as tables write them: `p`, `$mod+Shift+z`, `g b` (one after the other), `Digit1` (wherever the key lies), `Shift+?`. */
import { matchKeyBindingPress, parseKeybinding, type KeyBindingPress } from 'tinykeys';
import { hand } from './hand';
import { isPressable, isTyping } from './targets';

export interface Bound {
	/** Any of these. */
	readonly keys?: readonly string[];
	/** Answers its key only then; left out: always. */
	readonly when?: () => boolean;
	/** Answers also where one types. */
	readonly whileTyping?: boolean;
	/** Takes Space and Enter also from a button that has the focus. */
	readonly overButtons?: boolean;
	/** A key that stays down does it again and again. */
	readonly again?: boolean;
	readonly run: (press?: KeyboardEvent) => void;
	/** The key is up again, or the window has lost it. */
	readonly release?: (code: string) => void;
}

/** The second key of a pair has to come within this, in ms. */
const WITHIN = 1000;
const parsed = new Map<string, KeyBindingPress[]>();
const pressesOf = (pattern: string): KeyBindingPress[] => {
	let presses = parsed.get(pattern);
	if (!presses) parsed.set(pattern, (presses = parseKeybinding(pattern)));
	return presses;
};

/** The same keys with Shift and without: what is held while one runs. */
export const withShift = (...keys: string[]): string[] => keys.flatMap((key) => [key, `Shift+${key}`]);

/** Brings key presses to the rows of a table; rows that come first answer first. */
export class KeyDesk {
	private begun: { readonly press: KeyboardEvent; readonly at: number } | null = null;
	/** What each key that is down has begun. */
	private readonly held = new Map<string, Bound>();

	constructor(private readonly rows: () => readonly Bound[]) {}

	readonly down = (event: KeyboardEvent): void => {
		if (event.defaultPrevented) return;
		const typing = isTyping(event.target);
		// Space and Enter press what has the focus; where a pointer put it there, Space stays with the work.
		const presses =
			(event.key === 'Enter' || (event.key === ' ' && !hand.pointedAt(event.target))) && isPressable(event.target);
		const rows = this.rows().filter((row) => row.keys && (row.whileTyping || !typing) && (row.overButtons || !presses));
		const { begun } = this;
		const paired = begun && event.timeStamp - begun.at < WITHIN;
		const pair = (row: Bound, last: (presses: KeyBindingPress[]) => boolean): boolean =>
			row.keys!.some((key) => pressesOf(key).length === 2 && last(pressesOf(key))) && (row.when?.() ?? true);
		const row =
			(paired &&
				rows.find((row) =>
					pair(
						row,
						([first, second]) => matchKeyBindingPress(begun.press, first!) && matchKeyBindingPress(event, second!)
					)
				)) ||
			rows.find(
				(row) =>
					row.keys!.some((key) => pressesOf(key).length === 1 && matchKeyBindingPress(event, pressesOf(key)[0]!)) &&
					(row.when?.() ?? true)
			);
		if (!row) {
			if (rows.some((row) => pair(row, ([first]) => matchKeyBindingPress(event, first!))))
				this.begun = { press: event, at: event.timeStamp };
			else if (!event.getModifierState(event.key)) this.begun = null;
			return;
		}
		this.begun = null;
		event.preventDefault();
		if (event.repeat && !row.again) return;
		if (row.release) this.held.set(event.code, row);
		row.run(event);
	};

	readonly up = (event: KeyboardEvent): void => this.letGo(event.code);

	/** The window has lost the keyboard: nothing is down any more. */
	readonly letGoOfAll = (): void => {
		for (const code of [...this.held.keys()]) this.letGo(code);
	};

	private letGo(code: string): void {
		const row = this.held.get(code);
		this.held.delete(code);
		row?.release?.(code);
	}
}

const WRITTEN: Readonly<Record<string, string>> = {
	ArrowLeft: '←',
	ArrowRight: '→',
	ArrowUp: '↑',
	ArrowDown: '↓',
	Escape: 'Esc'
};
const isMac = (): boolean => typeof navigator !== 'undefined' && /Mac|iPhone|iPad/.test(navigator.platform);

/** A pattern as people read it: `$mod+Shift+z` is “Ctrl Shift Z”. */
export function written(pattern: string): string {
	return pattern
		.split(/[ ]|\+(?=.)/)
		.map((part) => {
			if (part === '$mod') return isMac() ? '⌘' : 'Ctrl';
			const plain = part.replace(/^(Digit|Numpad|Key)(?=.$)/, '');
			return WRITTEN[plain] ?? (plain.length === 1 ? plain.toUpperCase() : plain);
		})
		.join(' ');
}
