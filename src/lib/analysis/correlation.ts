/** Whether two channels move as one: then the view slides along a straight line instead of wandering. */

/**
 * Correlation of two channels over samples laid out in rows of `width`, −1 … 1; 0 when either stands still.
 * Pearson's coefficient about zero: the resting pose is the middle, not the mean.
 */
export function correlation(values: Float64Array, count: number, width: number, a: number, b: number): number {
	let [ab, aa, bb] = [0, 0, 0];
	for (let i = 0; i < count; i++) {
		const x = values[i * width + a]!;
		const y = values[i * width + b]!;
		ab += x * y;
		aa += x * x;
		bb += y * y;
	}
	return aa > 0 && bb > 0 ? ab / Math.sqrt(aa * bb) : 0;
}
