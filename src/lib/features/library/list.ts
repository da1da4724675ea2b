/** Which presets the Library lists, and in what order. Pure: it is asked again with every change. */
import type { Measure } from '$lib/analysis';
import type { ShakePreset } from 'dinesis-runtime';

export const COLUMNS = ['order', 'name', 'size', 'pace', 'length', 'tags'] as const;
export type Column = (typeof COLUMNS)[number];

export interface Sort {
	readonly by: Column;
	readonly down: boolean;
}

export interface Filter {
	/** All of these tags. */
	readonly tags: ReadonlySet<string>;
	readonly suits: 'burst' | 'continuous' | null;
	readonly view: 'space' | 'flat' | null;
}

export const NO_FILTER: Filter = { tags: new Set(), suits: null, view: null };

export const passes = (preset: ShakePreset, { tags, suits, view }: Filter): boolean =>
	(suits === null || preset.timing.mode === suits) &&
	(view === null || preset.view === view) &&
	[...tags].every((tag) => preset.tags.includes(tag));

/** A number to sort by; undefined comes last, whichever way it is sorted. */
function numberOf(by: Column, preset: ShakePreset, measure: Measure | undefined): number | undefined {
	if (by === 'size') return measure?.size;
	if (by === 'pace') return measure?.pace;
	if (by === 'length') return preset.timing.mode === 'burst' ? preset.timing.delay + preset.timing.duration : Infinity;
	return undefined;
}

const keys = new Map<string, string>();

/**
 * What a name is sorted by: small letters without their marks, numbers counted. Worked out once for each name; comparing
 * such keys is many times faster than asking the language's own order ten thousand times.
 */
function sortKey(name: string): string {
	let key = keys.get(name);
	if (key === undefined) {
		key = name
			.normalize('NFKD')
			.replace(/\p{M}+/gu, '')
			.toLowerCase()
			.replace(/\d+/g, (digits) => digits.padStart(12, '0'));
		keys.set(name, key);
	}
	return key;
}
const compare = (a: string, b: string): number => (a < b ? -1 : a > b ? 1 : 0);

/** Sorted anew; those that are equal stay in the order they had. */
export function sorted(
	presets: readonly ShakePreset[],
	{ by, down }: Sort,
	measureOf: (preset: ShakePreset) => Measure | undefined
): readonly ShakePreset[] {
	if (by === 'order') return down ? [...presets].reverse() : presets;
	const way = down ? -1 : 1;
	if (by === 'name' || by === 'tags') {
		const words = presets.map((preset) => ({
			preset,
			key: sortKey(by === 'name' ? preset.name : preset.tags.join(' '))
		}));
		return words.sort((a, b) => way * compare(a.key, b.key)).map(({ preset }) => preset);
	}
	const keyed = presets.map((preset) => ({ preset, n: numberOf(by, preset, measureOf(preset)) }));
	keyed.sort((a, b) => {
		if (a.n === undefined || b.n === undefined) return a.n === b.n ? 0 : a.n === undefined ? 1 : -1;
		// Two endless ones are equal; Infinity − Infinity would not say so.
		return a.n === b.n ? 0 : way * (a.n - b.n);
	});
	return keyed.map(({ preset }) => preset);
}

/** How often each tag is used, the most used first. */
export function tagCounts(presets: readonly ShakePreset[]): [string, number][] {
	const counts = new Map<string, number>();
	for (const preset of presets) for (const tag of preset.tags) counts.set(tag, (counts.get(tag) ?? 0) + 1);
	return [...counts].sort((a, b) => b[1] - a[1] || compare(sortKey(a[0]), sortKey(b[0])));
}

/** The keys from one row to another, both among them: what Shift selects. */
export function between(rows: readonly ShakePreset[], from: string, to: string): string[] {
	const [a, b] = [rows.findIndex((p) => p.id === from), rows.findIndex((p) => p.id === to)];
	if (a < 0 || b < 0) return b < 0 ? [] : [to];
	return rows.slice(Math.min(a, b), Math.max(a, b) + 1).map((p) => p.id);
}
