/** What was handed over, kept by project in this browser: how it was made, and the kit that it was made of, to tell what changed since. */
import { readKit, type Kit } from '$lib/documents';
import type { CurveWish } from '$lib/handover/curve-file';
import type { Target } from './handover.svelte';

export interface Kept {
	readonly name: string;
	/** When, as an ISO date. */
	readonly made: string;
	readonly as: {
		readonly scope: 'all' | 'part';
		readonly chosen: readonly string[];
		readonly target: Target;
		readonly rig: string;
		readonly wish: Omit<CurveWish, 'as'>;
	};
	/** The kit as it went out. */
	readonly kit: string;
}

export interface Targets {
	list(): readonly Kept[];
	/** What is called the same is put in its place. */
	keep(kept: Kept): readonly Kept[];
	drop(kept: Kept): readonly Kept[];
	/** null where it cannot be read any more. */
	kitOf(kept: Kept): Kit | null;
}

const MOST = 6;

/** `store`: where it is kept; a browser that keeps nothing forgets it with the page. */
export function openTargets(project: string, store: Pick<Storage, 'getItem' | 'setItem'> = localStorage): Targets {
	const key = `dinesis-handover ${project}`;
	let list: readonly Kept[] = [];
	try {
		const read: unknown = JSON.parse(store.getItem(key) ?? '[]');
		if (Array.isArray(read))
			list = (read as Kept[]).filter((one) => typeof one?.name === 'string' && one.as && one.kit);
	} catch {
		// What cannot be read is begun anew.
	}
	const put = (next: readonly Kept[]): readonly Kept[] => {
		list = next;
		for (let most = next.length; most >= 0; most--)
			try {
				store.setItem(key, JSON.stringify(next.slice(0, most)));
				break;
			} catch {
				// There is no room for so many: the older ones are left out.
			}
		return list;
	};
	return {
		list: () => list,
		keep: (kept) => put([kept, ...list.filter(({ name }) => name !== kept.name)].slice(0, MOST)),
		drop: (kept) => put(list.filter((one) => one !== kept)),
		kitOf: (kept) => {
			const read = readKit(kept.kit);
			return read.ok ? read.value : null;
		}
	};
}
