/** Points of the strength over a burst's life, as they ride on the strip's first band. */
import type { ShakePreset } from 'dinesis-runtime';
import type { CurvePoint } from 'dinesis-runtime/tools';
import { CURVE, moved, roundStep, snapTo } from '$lib/plots/points';

/** Where the band stands, in pixels from the strip's top. */
export interface LifeBand {
	readonly top: number;
	readonly bottom: number;
}

/** Kept free above the highest point. */
const AIR = 4;

export function pointsOf({ timing: { life } }: ShakePreset): readonly CurvePoint[] | null {
	return life && 'points' in life ? life.points : null;
}

/** What the band's half height stands for: the strongest point, never less than 1. */
const scaleOf = (points: readonly CurvePoint[]): number => Math.max(1, ...points.map((point) => point.value));

/** The height of a strength in the band, in pixels. */
export function heightOf(value: number, points: readonly CurvePoint[], { top, bottom }: LifeBand): number {
	const half = (bottom - top) / 2;
	return top + half - (value / scaleOf(points)) * (half - AIR);
}

/** The strength at a height, never above the strongest point. */
export function strengthAt(y: number, points: readonly CurvePoint[], { top, bottom }: LifeBand): number {
	const half = (bottom - top) / 2;
	const most = scaleOf(points);
	return Math.min(((top + half - y) / (half - AIR)) * most, most);
}

/** The points with one of them moved: it stays between its neighbours, and within what a kit takes. */
export const movePoint = (points: readonly CurvePoint[], i: number, at: number, value: number): readonly CurvePoint[] =>
	moved(points, i, { at: Math.round(at * 1000) / 1000, value: Math.round(value * 100) / 100 }, CURVE);

/** What a drag on the strip lands on: hundredths of the life, round strengths; `free` lets it go. */
export function landed(
	points: readonly CurvePoint[],
	at: number,
	value: number,
	free: boolean
): { readonly at: number; readonly value: number } {
	return free ? { at, value } : { at: snapTo(at, 0.01), value: snapTo(value, roundStep(scaleOf(points))) };
}
