/** Many plays of one motion: how a figure is distributed, how likely a limit is passed, and whether two are different beyond chance. */

/** By part of 0 to 1, straight between the values in their order (Hyndman and Fan 1996, type 7). */
export function quantile(sorted: readonly number[], part: number): number {
	if (sorted.length === 0) return NaN;
	const at = part * (sorted.length - 1);
	const low = Math.floor(at);
	const high = Math.min(sorted.length - 1, low + 1);
	return sorted[low]! + (sorted[high]! - sorted[low]!) * (at - low);
}

export interface Spread {
	/** The plays in the order of the figure, by their numbers. */
	readonly order: readonly number[];
	readonly mildest: number;
	readonly median: number;
	readonly worst: number;
	/** Between these lie nine of ten. */
	readonly p5: number;
	readonly p95: number;
}

export function spreadOf(values: readonly number[]): Spread {
	const order = values.map((_, i) => i).sort((a, b) => values[a]! - values[b]!);
	const sorted = order.map((i) => values[i]!);
	const at = (part: number): number => quantile(sorted, part);
	return { order, mildest: at(0), median: at(0.5), worst: at(1), p5: at(0.05), p95: at(0.95) };
}

/** Of the normal distribution: 95 % lie within so many deviations. */
const Z = 1.959963984540054;

export interface Likely {
	readonly share: number;
	/** Between these it lies in 95 of 100 such trials (Wilson 1927). */
	readonly from: number;
	readonly to: number;
}

/** How likely a limit is passed, from how often it was. */
export function likelyAbove(values: readonly number[], limit: number): Likely {
	const n = values.length;
	if (n === 0) return { share: NaN, from: 0, to: 1 };
	const p = values.filter((v) => v > limit).length / n;
	const middle = p + (Z * Z) / (2 * n);
	const half = Z * Math.sqrt((p * (1 - p)) / n + (Z * Z) / (4 * n * n));
	const whole = 1 + (Z * Z) / n;
	return { share: p, from: Math.max(0, (middle - half) / whole), to: Math.min(1, (middle + half) / whole) };
}

export interface Apart {
	/** How likely a play of the second has more of it than one of the first; ties count half. 0.5: neither. */
	readonly more: number;
	/** How likely a difference at least as large comes by chance alone. */
	readonly chance: number;
	/** Median of the second less that of the first. */
	readonly by: number;
}

/** Whether two motions differ in a figure (Mann and Whitney 1947: ranks, normal approximation, corrected for ties and continuity). */
export function apartOf(first: readonly number[], second: readonly number[]): Apart {
	const [n, m] = [first.length, second.length];
	const all = [...first.map((v) => ({ v, second: false })), ...second.map((v) => ({ v, second: true }))].sort(
		(a, b) => a.v - b.v
	);
	let [ranks, ties] = [0, 0];
	for (let i = 0; i < all.length;) {
		let j = i;
		while (j < all.length && all[j]!.v === all[i]!.v) j++;
		const rank = (i + 1 + j) / 2;
		for (let k = i; k < j; k++) if (all[k]!.second) ranks += rank;
		ties += (j - i) ** 3 - (j - i);
		i = j;
	}
	const u = ranks - (m * (m + 1)) / 2;
	const mean = (n * m) / 2;
	const size = n + m;
	const variance = ((n * m) / 12) * (size + 1 - ties / (size * (size - 1)));
	const z = variance > 0 ? Math.max(0, Math.abs(u - mean) - 0.5) / Math.sqrt(variance) : 0;
	const by = spreadOf(second).median - spreadOf(first).median;
	return { more: n * m > 0 ? u / (n * m) : 0.5, chance: twoSided(z), by };
}

/** 2·(1 − Φ(z)): the complementary error function of z ÷ √2, to 1.2·10⁻⁷ (Press and others, Numerical Recipes, erfcc). */
export function twoSided(z: number): number {
	const x = Math.abs(z) / Math.SQRT2;
	const t = 1 / (1 + 0.5 * x);
	const terms = [
		0.17087277, -0.82215223, 1.48851587, -1.13520398, 0.27886807, -0.18628806, 0.09678418, 0.37409196, 1.00002368,
		-1.26551223
	];
	return t * Math.exp(terms.reduce((sum, term) => sum * t + term, 0) - x * x);
}
