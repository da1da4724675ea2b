/** Dots of the chart by pace and size. */
import type { ShakePreset } from 'dinesis-runtime';
import { clamp } from 'dinesis-runtime/tools';
import { type Measure } from '$lib/analysis';
import type { ChartDot, ChartSpec } from '$lib/plots/chart/spec';

/** What the chart spans: from what is barely felt to what is too much. */
export const FEEL_RANGE = { pace: [0.15, 30], size: [0.08, 30] } as const;

export interface Dot extends ChartDot {
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
		y: clamp(measure.size, ...FEEL_RANGE.size),
		id: preset.id,
		name: preset.name,
		continuous: preset.timing.mode === 'continuous'
	}));

const TICKS = { pace: [0.2, 0.5, 1, 2, 5, 10, 20], size: [0.1, 0.2, 0.5, 1, 2, 5, 10, 20] } as const;
const axis = (name: 'pace' | 'size', title: string): ChartSpec['x'] => ({
	// A dot at the edge of the range is seen whole.
	min: FEEL_RANGE[name][0] / 1.1,
	max: FEEL_RANGE[name][1] * 1.15,
	log: true,
	ticks: TICKS[name],
	title
});

/** Bursts are full, what plays until it is stopped is hollow; the one that is pointed at has a ring. */
export function feelChart(dots: readonly Dot[], pointed: string): ChartSpec {
	const size = dots.length > 400 ? 1.6 : 4.5;
	return {
		x: axis('pace', 'pace, Hz'),
		y: axis('size', 'size, % of the picture’s height'),
		dots: [
			{ label: 'bursts', list: dots.filter((dot) => !dot.continuous), ink: '--lamp', size },
			{ label: 'until stopped', list: dots.filter((dot) => dot.continuous), ink: '--ink-x', hollow: true, size },
			{ label: 'pointed at', list: dots.filter((dot) => dot.id === pointed), ink: '--ink', hollow: true, size: 8 }
		]
	};
}
