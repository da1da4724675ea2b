/** Keys in the project's order: by the positions that the server gave them. Pure; of keys without a position, last and as they came. */

export type PlaceOf = (key: string) => string | undefined;

/** Behind every key of an order. */
const NOWHERE = '\uffff';
const at = (placeOf: PlaceOf, key: string): string => placeOf(key) ?? NOWHERE;
const compare = (a: string, b: string): number => (a < b ? -1 : a > b ? 1 : 0);

export function inOrder(keys: readonly string[], placeOf: PlaceOf): string[] {
	return [...keys].sort((a, b) => compare(at(placeOf, a), at(placeOf, b)));
}

/** An order with new keys in their places: sorted only when they do not simply come last, as they nearly always do. */
export function withNew(order: readonly string[], fresh: readonly string[], placeOf: PlaceOf): string[] {
	const all = [...order, ...fresh];
	for (let i = Math.max(1, order.length); i < all.length; i++)
		if (at(placeOf, all[i]!) < at(placeOf, all[i - 1]!)) return inOrder(all, placeOf);
	return all;
}

/** An order without some keys, or with them back in their places. */
export function arranged(
	order: readonly string[],
	keys: readonly string[],
	away: boolean,
	placeOf: PlaceOf
): readonly string[] {
	const rest = order.filter((key) => !keys.includes(key));
	return away ? rest : inOrder([...rest, ...keys], placeOf);
}
