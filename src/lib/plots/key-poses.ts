/** Poses of one channel on a cycle, as a hand changes them: each gives the list anew. */
import type { Key } from 'dinesis-runtime/tools';
import {
	added as addOne,
	moved as moveOne,
	POSES,
	scaled as scaleAll,
	sloped as slopeOne,
	snapTo
} from '$lib/plots/points';

/** Parts of the cycle and of the height that a drag lands on. */
export const EACH_AT = 0.025;
export const EACH_VALUE = 0.05;

/** Snaps to fortieths of the cycle and twentieths of the height: halves, quarters, tenths and 1 are among them; `free` lets it go. */
export function snapped(at: number, value: number, free: boolean): { readonly at: number; readonly value: number } {
	const to = (v: number, each: number): number => (free ? Math.round(v * 1000) / 1000 : snapTo(v, each));
	return { at: to(at, EACH_AT), value: to(value, EACH_VALUE) };
}

/** A pose put elsewhere, between its neighbours. */
export const moved = (keys: readonly Key[], i: number, at: number, value: number): Key[] =>
	moveOne(keys, i, { at, value }, POSES);

/** A new pose; null where one is, beyond the cycle, or where there are enough. */
export const added = (keys: readonly Key[], at: number, value: number): Key[] | null => addOne(keys, at, value, POSES);

/** A pose with a slope of its own, in heights a cycle. */
export const sloped = (keys: readonly Key[], i: number, slope: number): Key[] =>
	slopeOne(keys, i, 'both', slope, POSES);

/** A pose whose slope and way are the curve's again. */
export const smoothed = (keys: readonly Key[], i: number): Key[] =>
	keys.map((key, k) => (k === i ? { at: key.at, value: key.value } : key));

/** The way from a pose to the next: an ease, or undefined for the curve. */
export const led = (keys: readonly Key[], i: number, ease: Key['ease']): Key[] =>
	keys.map((key, k) => {
		if (k !== i) return key;
		const { ease: before, ...rest } = key;
		void before;
		return ease === undefined ? rest : { ...rest, ease };
	});

/** The whole shape higher, flatter, or the other way. */
export const scaled = (keys: readonly Key[], by: number): Key[] => scaleAll(keys, by, POSES);
