/** Places in an order that two people may change at once: keys between which there is always room. Equal ones are ordered by id. */
import { generateKeyBetween, generateNKeysBetween } from 'fractional-indexing';

export interface Placed {
	readonly order: string;
	readonly id: string;
}

/** Keys are compared by their characters' codes, as the database does with the collation "C". */
export const byPlace = (a: Placed, b: Placed): number =>
	a.order < b.order ? -1 : a.order > b.order ? 1 : a.id < b.id ? -1 : a.id > b.id ? 1 : 0;

/** So many keys that rise. */
export const firstKeys = (count: number): string[] => generateNKeysBetween(null, null, count);

/** So many keys that rise, behind `low` and before `high`; null: no end on that side. */
export function keysBetween(low: string | null, high: string | null, count: number): string[] {
	return generateNKeysBetween(low, high, count);
}

export const keyBehind = (last: string | null): string => generateKeyBetween(last, null);

/**
 * Keys for `ids` in this sequence, with as few new ones as there can be: the longest run that already rises stays. `known` are the keys
 * that they have; ids without one are new.
 */
export function arrangedKeys(ids: readonly string[], known: ReadonlyMap<string, string>): Map<string, string> {
	if (isArranged(ids, known)) return new Map(ids.map((id) => [id, known.get(id)!]));
	const staying = longestRise(ids, known);
	const keys = new Map<string, string>();
	let low: string | null = null;
	for (let i = 0; i < ids.length;) {
		if (staying.has(ids[i]!)) {
			low = known.get(ids[i]!)!;
			keys.set(ids[i++]!, low);
			continue;
		}
		let end = i;
		while (end < ids.length && !staying.has(ids[end]!)) end++;
		const high = end < ids.length ? known.get(ids[end]!)! : null;
		for (const key of keysBetween(low, high, end - i)) {
			keys.set(ids[i++]!, key);
			low = key;
		}
	}
	return keys;
}

const isArranged = (ids: readonly string[], known: ReadonlyMap<string, string>): boolean =>
	ids.every((id, i) => {
		const order = known.get(id);
		const before = ids[i - 1];
		return order !== undefined && (i === 0 || byPlace({ id: before!, order: known.get(before!)! }, { id, order }) < 0);
	});

/** The longest subsequence whose keys rise already; of two with one key only one, for between them there is no room. */
function longestRise(ids: readonly string[], known: ReadonlyMap<string, string>): Set<string> {
	const placed = ids.flatMap((id) => (known.has(id) ? [{ id, order: known.get(id)! }] : []));
	const tails: number[] = [];
	const before: number[] = [];
	placed.forEach((item, i) => {
		let low = 0;
		let high = tails.length;
		while (low < high) {
			const middle = (low + high) >> 1;
			if (placed[tails[middle]!]!.order < item.order) low = middle + 1;
			else high = middle;
		}
		before[i] = low > 0 ? tails[low - 1]! : -1;
		tails[low] = i;
	});
	const staying = new Set<string>();
	for (let i = tails.at(-1) ?? -1; i >= 0; i = before[i]!) staying.add(placed[i]!.id);
	return staying;
}
