/** Dots of the chart by pace and strength. */
import { clamp, type Measure, type ShakePreset } from '$lib/core';

/** What the chart spans: from what is barely felt to what is too much. */
export const FEEL_RANGE = { pace: [0.15, 30], strength: [0.08, 30] } as const;

export interface Dot {
	readonly x: number;
	readonly y: number;
	readonly key: string;
	readonly name: string;
	readonly continuous: boolean;
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
