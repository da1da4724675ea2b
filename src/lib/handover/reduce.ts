/**
 * As few keys as keep within a tolerance of a curve. Greedy from the left: each piece is as long as doubling and
 * halving find it can be. What it is held to is every sample that it was given, so sample it finer than it is played.
 */
export type Shape = 'linear' | 'cubic';

export interface Keys {
	/** Which samples are keys, rising; the first and the last are. */
	readonly at: readonly number[];
	/** The farthest that the curve through the keys is from a sample. */
	readonly worst: number;
}

/** A curve of one number: samples, equally far apart. */
export type Samples = ArrayLike<number>;

/** Change per sample at a sample, from its neighbours. */
export const slopeAt = (samples: Samples, i: number): number => {
	const [a, b] = [Math.max(0, i - 1), Math.min(samples.length - 1, i + 1)];
	return b > a ? (samples[b]! - samples[a]!) / (b - a) : 0;
};

/** The curve between two keys at a sample between them. */
export function between(samples: Samples, from: number, to: number, i: number, shape: Shape): number {
	const t = (i - from) / (to - from);
	const [a, b] = [samples[from]!, samples[to]!];
	if (shape === 'linear') return a + (b - a) * t;
	const r = 1 - t;
	const wide = to - from;
	return (
		r * r * (1 + 2 * t) * a +
		t * t * (3 - 2 * t) * b +
		wide * t * r * (r * slopeAt(samples, from) - t * slopeAt(samples, to))
	);
}

/** A curve that is kept together with others: its samples, and how far off it may be. */
export interface Held {
	readonly samples: Samples;
	/** In its own unit, not below 0. */
	readonly tolerance: number;
}

/** How far the curves from one key to another are from the samples between, as a part of what each may be: over 1 is too far. */
function missed(held: readonly Held[], from: number, to: number, shape: Shape, most: number): number {
	let worst = 0;
	for (const { samples, tolerance } of held)
		for (let i = from + 1; i < to; i++) {
			const off = Math.abs(between(samples, from, to, i, shape) - samples[i]!);
			const part =
				off <= tolerance ? (tolerance > 0 ? off / tolerance : 0) : tolerance > 0 ? off / tolerance : Infinity;
			if (part > worst) worst = part;
			if (worst > most) return worst;
		}
	return worst;
}

/** A piece is tried no longer than this: no gain is worth the time beyond. */
const LONGEST = 4096;

/** Keys at the same moments for all of these curves. `worst` is the part of the tolerance that the farthest of them is off. */
export function reduceTogether(held: readonly Held[], shape: Shape): Keys {
	const last = (held[0]?.samples.length ?? 0) - 1;
	if (last < 1) return { at: last === 0 ? [0] : [], worst: 0 };
	const at = [0];
	let worst = 0;
	while (at[at.length - 1]! < last) {
		const from = at[at.length - 1]!;
		const fits = (to: number): boolean => missed(held, from, to, shape, 1) <= 1;
		// Twice as far while it fits, then between the two: what lies beyond a miss is looked at by halves.
		let good = from + 1;
		let step = 2;
		while (good < last && step <= LONGEST && fits(Math.min(last, from + step))) {
			good = Math.min(last, from + step);
			step *= 2;
		}
		let bad = Math.min(last + 1, from + step);
		while (bad - good > 1) {
			const middle = (good + bad) >> 1;
			if (fits(middle)) good = middle;
			else bad = middle;
		}
		worst = Math.max(worst, missed(held, from, good, shape, Infinity));
		at.push(good);
	}
	return { at, worst };
}

/** `tolerance`: in the curve's own unit, not below 0. `worst` is in that unit. */
export function reduce(samples: Samples, tolerance: number, shape: Shape): Keys {
	const { at, worst } = reduceTogether([{ samples, tolerance }], shape);
	return { at, worst: worst * tolerance };
}
