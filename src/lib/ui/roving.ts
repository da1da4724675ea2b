/** Going through a row of things by keys, after the patterns of WAI-ARIA: arrows, Home and End, the first letters of a name. */

export type Axis = 'across' | 'down' | 'both';
const STEPS: Readonly<Record<Axis, Readonly<Record<string, number>>>> = {
	across: { ArrowRight: 1, ArrowLeft: -1 },
	down: { ArrowDown: 1, ArrowUp: -1 },
	both: { ArrowRight: 1, ArrowLeft: -1, ArrowDown: 1, ArrowUp: -1 }
};

/** Where a key leads from place `at` of so many, round at the ends; null: it is no key of these. */
export function rove(key: string, at: number, count: number, axis: Axis): number | null {
	if (count === 0) return null;
	if (key === 'Home') return 0;
	if (key === 'End') return count - 1;
	const by = STEPS[axis][key];
	if (by === undefined) return null;
	// From nowhere the first step leads to an end.
	if (at < 0) return by > 0 ? 0 : count - 1;
	return (at + by + count) % count;
}

/** The next name that begins with what was typed, from place `at` on and round; `at` where there is none. */
export function typedTo(labels: readonly string[], at: number, typed: string): number {
	const text = typed.toLowerCase();
	// What is typed on may still fit where one is; one letter alone goes on to the next.
	const first = text.length > 1 ? 0 : 1;
	for (let i = first; i < labels.length + first; i++) {
		const to = (Math.max(0, at) + i) % labels.length;
		if (labels[to]!.toLowerCase().startsWith(text)) return to;
	}
	return at;
}

/** Letters typed within this belong together, in ms. */
const TOGETHER = 700;

/** Letters one after the other as one word. */
export class TypeAhead {
	private typed = '';
	private last = -Infinity;

	/** Where a letter leads; null: it is none. */
	to(
		event: Pick<KeyboardEvent, 'key' | 'timeStamp' | 'ctrlKey' | 'metaKey' | 'altKey'>,
		labels: readonly string[],
		at: number
	): number | null {
		const { key, timeStamp } = event;
		if (key.length !== 1 || event.ctrlKey || event.metaKey || event.altKey) return null;
		const goesOn = timeStamp - this.last <= TOGETHER;
		// A space presses, unless it belongs to the name that is being typed.
		const within = `${this.typed} `.toLowerCase();
		if (key === ' ' && !(goesOn && labels.some((label) => label.toLowerCase().startsWith(within)))) return null;
		this.typed = goesOn ? this.typed + key : key;
		this.last = timeStamp;
		return labels.length === 0 ? null : typedTo(labels, at, this.typed);
	}
}
