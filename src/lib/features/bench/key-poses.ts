/** Poses of one channel on a cycle, as a hand changes them: each gives the list anew. */
import type { Key } from 'dinesis-runtime/tools';

/** Poses keep a little distance: two at one moment would be a jump. */
export const GAP = 0.005;
const MOST = 64;
/** Steepest slope, in heights a cycle. */
const STEEPEST = 80;
const clean = (value: number): number => Math.round(value * 1e4) / 1e4;
const within = (value: number, least: number, most: number): number => Math.min(most, Math.max(least, value));

/** Snaps to sixteenths of the cycle and tenths of the height; `free` lets it go. */
export function snapped(at: number, value: number, free: boolean): { readonly at: number; readonly value: number } {
	const to = (v: number, each: number): number => (free ? Math.round(v * 1000) / 1000 : Math.round(v / each) * each);
	return { at: to(at, 1 / 16), value: to(value, 0.1) };
}

/** A pose put elsewhere, between its neighbours. */
export function moved(keys: readonly Key[], i: number, at: number, value: number): Key[] {
	const least = i === 0 ? 0 : keys[i - 1]!.at + GAP;
	const most = i === keys.length - 1 ? 1 : keys[i + 1]!.at - GAP;
	const put = { at: clean(within(at, least, most)), value: clean(within(value, -1, 1)) };
	return keys.map((key, k) => (k === i ? { ...key, ...put } : key));
}

/** A new pose; null where one is, beyond the cycle, or where there are enough. */
export function added(keys: readonly Key[], at: number, value: number): Key[] | null {
	if (at < 0 || at > 1 || keys.some((key) => Math.abs(key.at - at) < GAP) || keys.length >= MOST) return null;
	return [...keys, { at: clean(at), value: clean(within(value, -1, 1)) }].sort((a, b) => a.at - b.at);
}

/** A pose with a slope of its own, in heights a cycle. */
export function sloped(keys: readonly Key[], i: number, slope: number): Key[] {
	const put = clean(within(slope, -STEEPEST, STEEPEST));
	return keys.map((key, k) => (k === i ? { ...key, in: put, out: put } : key));
}

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
export const scaled = (keys: readonly Key[], by: number): Key[] =>
	keys.map((key) => ({ ...key, value: clean(within(key.value * by, -1, 1)) }));
