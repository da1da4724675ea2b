/**
 * Eases: how a fade, a key or a jump goes from 0 to 1. All map 0 → 0 and 1 → 1 and read forward in time, as in CSS.
 */
import { clamp01, exp2InPlace, sinTurnsInPlace } from './scalar';

const SHAPES = ['sine', 'quad', 'cubic', 'quart', 'expo', 'back'] as const;
type EaseShape = (typeof SHAPES)[number];
export type EaseName = 'linear' | 'smooth' | `${EaseShape}-${'in' | 'out' | 'in-out'}`;
/** The two inner handles of a curve from (0, 0) to (1, 1), as in CSS `cubic-bezier(x1, y1, x2, y2)`. x within 0–1. */
export type EaseHandles = readonly [number, number, number, number];
/** An ease as the kit writes it. */
export type Ease = EaseName | EaseHandles;

export const EASE_NAMES: readonly EaseName[] = [
	'linear',
	'smooth',
	...SHAPES.flatMap((shape) => [`${shape}-in`, `${shape}-out`, `${shape}-in-out`] as EaseName[])
];

const BACK = 1.70158;

/** Turns the time `at[i]`, strictly between 0 and 1, into the ease's value on the way in. */
function easeIn(shape: EaseShape, at: Float64Array, i: number): void {
	const t = at[i]!;
	if (shape === 'sine') {
		at[i] = 0.25 - t / 4;
		sinTurnsInPlace(at, i);
		at[i] = 1 - at[i]!;
	} else if (shape === 'quad') at[i] = t * t;
	else if (shape === 'cubic') at[i] = t * t * t;
	else if (shape === 'quart') at[i] = t * t * t * t;
	else if (shape === 'back') at[i] = t * t * ((BACK + 1) * t - BACK);
	else {
		at[i] = 10 * t;
		exp2InPlace(at, i);
		at[i] = (at[i]! - 1) / 1023;
	}
}

/** An ease ready to run: the name taken apart once, so that running it compares no strings. */
export interface CompiledEase {
	readonly shape: EaseShape | 'linear' | 'smooth' | 'handles';
	readonly way: 'in' | 'out' | 'in-out';
	readonly handles: EaseHandles;
}

const NO_HANDLES: EaseHandles = [0, 0, 1, 1];

export function compileEase(ease: Ease): CompiledEase {
	if (typeof ease !== 'string') return { shape: 'handles', way: 'in', handles: ease };
	const dash = ease.indexOf('-');
	if (dash < 0) return { shape: ease as 'linear' | 'smooth', way: 'in', handles: NO_HANDLES };
	return {
		shape: ease.slice(0, dash) as EaseShape,
		way: ease.slice(dash + 1) as 'in' | 'out' | 'in-out',
		handles: NO_HANDLES
	};
}

/** Replaces `at[i]`, a time, by the ease there; outside [0, 1] by the nearer end's value (0 or 1). In place, so that nothing is boxed. */
export function easeInPlace(ease: CompiledEase, at: Float64Array, i: number): void {
	const t = at[i]!;
	const shape = ease.shape;
	if (t <= 0) at[i] = 0;
	else if (t >= 1) at[i] = 1;
	else if (shape === 'linear') at[i] = t;
	else if (shape === 'smooth') at[i] = t * t * (3 - 2 * t);
	else if (shape === 'handles') at[i] = runHandles(ease.handles, t);
	else if (ease.way === 'in') easeIn(shape, at, i);
	else if (ease.way === 'out') {
		at[i] = 1 - t;
		easeIn(shape, at, i);
		at[i] = 1 - at[i]!;
	} else if (t < 0.5) {
		at[i] = 2 * t;
		easeIn(shape, at, i);
		at[i]! /= 2;
	} else {
		at[i] = 2 - 2 * t;
		if (at[i]! > 0 && at[i]! < 1) easeIn(shape, at, i);
		at[i] = 1 - at[i]! / 2;
	}
}

/** The ease at `t`. */
export function runEase(ease: CompiledEase, t: number): number {
	const at = new Float64Array(1);
	at[0] = t;
	easeInPlace(ease, at, 0);
	return at[0];
}

/** One value of an ease, compiled on the way: for drawings, not for the motion path. */
export const easeAt = (ease: Ease, t: number): number => runEase(compileEase(ease), t);

/** Whether the ease leaves 0–1 on its way. Such eases are for keys and jumps only: a fade must not overshoot. */
export function overshoots(ease: Ease): boolean {
	if (typeof ease === 'string') return ease.startsWith('back');
	return ease[1] < 0 || ease[1] > 1 || ease[3] < 0 || ease[3] > 1;
}

const bezier = (a: number, b: number, s: number): number => {
	const r = 1 - s;
	return 3 * r * r * s * a + 3 * r * s * s * b + s * s * s;
};

/** Solves x(s) = t for the curve's own parameter: Newton's steps kept inside a shrinking bracket. */
function runHandles(handles: EaseHandles, t: number): number {
	const x1 = clamp01(handles[0]);
	const x2 = clamp01(handles[2]);
	let low = 0;
	let high = 1;
	let s = t;
	for (let i = 0; i < 40; i++) {
		const error = bezier(x1, x2, s) - t;
		if (error > -1e-13 && error < 1e-13) break;
		if (error > 0) high = s;
		else low = s;
		const r = 1 - s;
		const slope = 3 * r * r * x1 + 6 * r * s * (x2 - x1) + 3 * s * s * (1 - x2);
		const next = slope > 1e-6 ? s - error / slope : -1;
		s = next > low && next < high ? next : (low + high) / 2;
	}
	return bezier(handles[1], handles[3], s);
}
