/** A curve through points, cubic between them (Hermite): strength over life, and whatever else is drawn as a curve. */

export interface CurvePoint {
	/** Where: within the curve's own range, rising from point to point. */
	readonly at: number;
	/** There. */
	readonly value: number;
	/** Slope (value per unit of `at`) arriving at and leaving the point; left out: chosen so that nothing overshoots. */
	readonly in?: number;
	/** Slope leaving; left out: chosen so that nothing overshoots. */
	readonly out?: number;
}

export interface CompiledCurve {
	readonly at: Float64Array;
	readonly value: Float64Array;
	readonly arrive: Float64Array;
	readonly leave: Float64Array;
}

/**
 * The slope that makes the curve pass a point without overshooting: 0 at a peak, a dip or an end,
 * otherwise the harmonic mean of the two straight slopes beside it.
 */
function quietSlope(points: readonly CurvePoint[], i: number): number {
	const before = points[i - 1];
	const here = points[i]!;
	const after = points[i + 1];
	if (!before || !after) return 0;
	const left = (here.value - before.value) / (here.at - before.at);
	const right = (after.value - here.value) / (after.at - here.at);
	return left * right > 0 && left + right !== 0 ? (2 * left * right) / (left + right) : 0;
}

/** Throws a RangeError when `at` does not rise. */
export function compileCurve(points: readonly CurvePoint[]): CompiledCurve {
	for (let i = 1; i < points.length; i++)
		if (!(points[i]!.at > points[i - 1]!.at))
			throw new RangeError(`Curve points must rise: point ${i} is at ${points[i]!.at} after ${points[i - 1]!.at}.`);
	return {
		at: Float64Array.from(points, (p) => p.at),
		value: Float64Array.from(points, (p) => p.value),
		arrive: Float64Array.from(points, (p, i) => p.in ?? quietSlope(points, i)),
		leave: Float64Array.from(points, (p, i) => p.out ?? quietSlope(points, i))
	};
}

/** The curve at `x`: level before its first and after its last point; 0 for a curve without points. */
export function runCurve(curve: CompiledCurve, x: number): number {
	const { at, value } = curve;
	const last = at.length - 1;
	if (last < 0) return 0;
	if (x <= at[0]!) return value[0]!;
	if (x >= at[last]!) return value[last]!;
	let i = 1;
	while (at[i]! < x) i++;
	const width = at[i]! - at[i - 1]!;
	const t = (x - at[i - 1]!) / width;
	const r = 1 - t;
	return (
		r * r * (1 + 2 * t) * value[i - 1]! +
		t * t * (3 - 2 * t) * value[i]! +
		width * t * r * (r * curve.leave[i - 1]! - t * curve.arrive[i]!)
	);
}
