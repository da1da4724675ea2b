/** In what places on a curve are written: a share of the whole, seconds, frames at the project's rate, or what the curve runs over. */
import { writing } from '$lib/ui/writing.svelte';

/** What a curve runs over: a life or a cycle in seconds, or the range of a number. */
export interface Whole {
	readonly from: number;
	readonly to: number;
	readonly unit: string;
}
export type PlaceMode = 'share' | 'own' | 'frames';

/** One for all curves: who counts in frames does so everywhere. */
class Places {
	mode = $state<PlaceMode>('share');
}
export const places = new Places();

export interface Scale {
	readonly mode: PlaceMode;
	readonly unit: string;
	of(at: number): number;
	at(place: number): number;
}

export const isTime = (whole: Whole | undefined): whole is Whole => whole?.unit === 's';

/** What can be chosen for a curve. */
export const modesOf = (whole: Whole | undefined): readonly { readonly value: PlaceMode; readonly label: string }[] => [
	{ value: 'share', label: '%' },
	...(whole ? [{ value: 'own' as const, label: whole.unit || 'number' }] : []),
	...(isTime(whole) ? [{ value: 'frames' as const, label: 'frames' }] : [])
];

/** How places are written and read. */
export function scaleOf(mode: PlaceMode, whole: Whole | undefined): Scale {
	if (whole && mode !== 'share' && (mode === 'own' || isTime(whole))) {
		const by = mode === 'frames' ? writing.frameRate : 1;
		const long = Math.max(1e-9, whole.to - whole.from);
		return {
			mode,
			unit: mode === 'frames' ? 'f' : whole.unit,
			of: (at) => (whole.from + at * long) * by,
			at: (place) => (place / by - whole.from) / long
		};
	}
	return { mode: 'share', unit: '%', of: (at) => at * 100, at: (place) => place / 100 };
}
