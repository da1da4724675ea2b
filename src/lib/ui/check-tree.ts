/** Rows of a tree of two levels, and where its keys lead. */
export interface TreeEntry {
	readonly id: string;
	readonly label: string;
	/** Shown small behind it. */
	readonly about?: string;
	/** It cannot be chosen. */
	readonly fixed?: boolean;
}
export interface TreeGroup {
	readonly id: string;
	readonly label: string;
	readonly entries: readonly TreeEntry[];
}
export type Check = 'true' | 'false' | 'mixed';

export interface Row {
	readonly id: string;
	readonly label: string;
	readonly about?: string;
	readonly fixed?: boolean;
	readonly level: 1 | 2;
	/** Its place among its like, from 1, and how many these are. */
	readonly place: number;
	readonly of: number;
	/** What choosing it chooses. */
	readonly entries: readonly TreeEntry[];
}

/** Groups, and the entries of those that are open. */
export function rowsOf(groups: readonly TreeGroup[], closed: ReadonlySet<string>): Row[] {
	return groups.flatMap((group, g): Row[] => {
		const { id, label, entries } = group;
		const fixed = entries.every((entry) => entry.fixed);
		const head: Row = {
			id,
			label,
			about: String(entries.length),
			fixed,
			level: 1,
			place: g + 1,
			of: groups.length,
			entries
		};
		if (closed.has(id)) return [head];
		return [
			head,
			...entries.map((entry, i): Row => ({ ...entry, level: 2, place: i + 1, of: entries.length, entries: [entry] }))
		];
	});
}

/** Of a group, whether all, none or some are chosen; what cannot be chosen does not count. */
export function checkOf({ entries }: Pick<Row, 'entries'>, chosen: ReadonlySet<string>): Check {
	const real = entries.filter(({ fixed }) => !fixed);
	const count = real.filter(({ id }) => chosen.has(id)).length;
	return count === 0 ? 'false' : count === real.length ? 'true' : 'mixed';
}

/** Where a key leads from a row: to another one, or its group folds or unfolds; null where it is no key of the tree's. */
export function moveIn(
	rows: readonly Row[],
	at: number,
	key: string,
	closed: ReadonlySet<string>
): { readonly to: number; readonly fold?: boolean } | null {
	const row = rows[at]!;
	switch (key) {
		case 'ArrowDown':
			return { to: Math.min(rows.length - 1, at + 1) };
		case 'ArrowUp':
			return { to: Math.max(0, at - 1) };
		case 'Home':
			return { to: 0 };
		case 'End':
			return { to: rows.length - 1 };
		case 'ArrowRight':
			if (row.level === 1 && closed.has(row.id)) return { to: at, fold: false };
			return { to: row.level === 1 && row.entries.length > 0 ? at + 1 : at };
		case 'ArrowLeft':
			if (row.level === 1) return closed.has(row.id) ? { to: at } : { to: at, fold: true };
			return { to: rows.slice(0, at).findLastIndex(({ level }) => level === 1) };
		default:
			return null;
	}
}
