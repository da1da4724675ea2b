/** Going through a list of rows by the keys. */
const FAR = 10;

/** The row that a key goes to from one (−1: none yet), of so many; null: the key goes nowhere. */
export function rowAfter(key: string, at: number, count: number): number | null {
	const last = count - 1;
	const from = Math.max(0, at);
	const to: Readonly<Record<string, number>> = {
		ArrowDown: at + 1,
		ArrowUp: from - 1,
		PageDown: from + FAR,
		PageUp: from - FAR,
		Home: 0,
		End: last
	};
	const row = to[key];
	return row === undefined || count === 0 ? null : Math.max(0, Math.min(last, row));
}
