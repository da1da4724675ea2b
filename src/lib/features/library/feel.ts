/** Dots of the chart by pace and strength. */
import type { ShakePreset } from 'dinesis-runtime';
import { clamp } from 'dinesis-runtime/tools';
import { type Measure } from '$lib/analysis';

/** What the chart spans: from what is barely felt to what is too much. */
export const FEEL_RANGE = { pace: [0.15, 30], strength: [0.08, 30] } as const;

export interface Dot {
	readonly x: number;
	readonly y: number;
	readonly key: string;
	readonly name: string;
	readonly continuous: boolean;
}

/** More dots than this are a cloud that nobody reads: every so many-th is drawn, and the one that is pointed at. */
export const MOST_DOTS = 1500;

/** What is drawn of a large list. */
export function thinned<T extends { readonly preset: ShakePreset }>(list: readonly T[], pointed: string): readonly T[] {
	if (list.length <= MOST_DOTS) return list;
	const step = Math.ceil(list.length / MOST_DOTS);
	return list.filter((entry, i) => i % step === 0 || entry.preset.id === pointed);
}

/** What lies outside the chart stands at its edge. */
export const dotsOf = (measured: readonly { readonly preset: ShakePreset; readonly measure: Measure }[]): Dot[] =>
	measured.map(({ preset, measure }) => ({
		x: clamp(measure.pace, ...FEEL_RANGE.pace),
		y: clamp(measure.strength, ...FEEL_RANGE.strength),
		key: preset.id,
		name: preset.name,
		continuous: preset.timing.mode === 'continuous'
	}));
