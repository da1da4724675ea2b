/** Documents of each kind that are in use, in the project's order, as they come, go and move. */
import { byPlace, type Held, type KindName } from '$lib/documents';

export type HeldLists = Readonly<Partial<Record<KindName, readonly Held[]>>>;

export const EMPTY: readonly Held[] = [];

/** One document that is shown differently. */
export interface Turn {
	readonly before: Held | undefined;
	readonly after: Held | undefined;
}

/** Where a document stands in a list that is in order; -1: nowhere. */
function placeIn(list: readonly Held[], held: Held): number {
	let low = 0;
	let high = list.length;
	while (low < high) {
		const middle = (low + high) >> 1;
		if (byPlace(list[middle]!, held) < 0) low = middle + 1;
		else high = middle;
	}
	// Two may wish for one place and one id at once.
	for (; low < list.length && byPlace(list[low]!, held) === 0; low++) if (list[low]!.uuid === held.uuid) return low;
	return -1;
}

/** A list in order with more in it; those that come behind it anyway cost no sorting. */
function withSorted(list: Held[], come: readonly Held[]): Held[] {
	if (come.length === 0) return list;
	const more = [...come].sort(byPlace);
	const last = list.at(-1);
	return !last || byPlace(last, more[0]!) < 0 ? [...list, ...more] : [...list, ...more].sort(byPlace);
}

/** The lists once some documents are shown differently. One that stays in its place costs no sorting. */
export function relisted(lists: HeldLists, turns: readonly Turn[]): HeldLists {
	const next: Partial<Record<KindName, readonly Held[]>> = { ...lists };
	for (const kind of new Set(turns.map(({ before, after }) => (after ?? before)!.kind))) {
		const former = lists[kind] ?? EMPTY;
		const list = [...former];
		const gone = new Set<number>();
		const come: Held[] = [];
		for (const { before, after } of turns) {
			if ((after ?? before)!.kind !== kind) continue;
			const at = before && !before.retired ? placeIn(former, before) : -1;
			const inUse = after !== undefined && !after.retired;
			if (at >= 0 && inUse && byPlace(before!, after) === 0) list[at] = after;
			else {
				if (at >= 0) gone.add(at);
				if (inUse) come.push(after);
			}
		}
		next[kind] = withSorted(gone.size === 0 ? list : list.filter((_, i) => !gone.has(i)), come);
	}
	return next;
}
