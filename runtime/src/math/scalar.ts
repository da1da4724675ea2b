/**
 * Scalar functions of the motion path, built from + − × ÷ √ and floor alone, so that every engine returns the same bits.
 * (The built-in sine, exponential and power differ between engines.)
 */
import { PI, type Cycles, type Radians } from '../units/quantities';

export const clamp = (value: number, low: number, high: number): number =>
	value < low ? low : value > high ? high : value;
export const clamp01 = (value: number): number => (value < 0 ? 0 : value > 1 ? 1 : value);

const T = 2 * PI;

/*
 * The sine's coefficients are those of Taylor for sin(2πr) in r, S₁ = 2π, Sₙ₊₂ = −Sₙ·(2π)²/((n + 1)(n + 2)), each rounded; the first term left
 * out is below 3e-16 for |r| ≤ ¼. They stand as numbers: a constant that is worked out is fetched anew in every sine.
 */

/** Sine of a phase given in cycles: sinTurns(¼) = 1. Within 1e-15 of the exact value; periodic without loss. */
export function sinTurns(phase: Cycles): number {
	let r = phase - Math.floor(phase + 0.5);
	if (r > 0.25) r = 0.5 - r;
	else if (r < -0.25) r = -0.5 - r;
	const q = r * r;
	return (
		r *
		(6.283185307179586 +
			q *
				(-41.341702240399755 +
					q *
						(81.60524927607504 +
							q *
								(-76.70585975306138 +
									q *
										(42.05869394489765 +
											q *
												(-15.094642576822988 +
													q *
														(3.819952584848281 +
															q * (-0.7181223017785003 + q * (0.10422916220813981 + q * -0.012031585942120624)))))))))
	);
}

/** Replaces `at[i]`, a phase, by its sine. In place, with a body of its own: nothing is boxed, whether it is inlined or not. */
export function sinTurnsInPlace(at: Float64Array, i: number): void {
	const phase = at[i]!;
	let r = phase - Math.floor(phase + 0.5);
	if (r > 0.25) r = 0.5 - r;
	else if (r < -0.25) r = -0.5 - r;
	const q = r * r;
	at[i] =
		r *
		(6.283185307179586 +
			q *
				(-41.341702240399755 +
					q *
						(81.60524927607504 +
							q *
								(-76.70585975306138 +
									q *
										(42.05869394489765 +
											q *
												(-15.094642576822988 +
													q *
														(3.819952584848281 +
															q * (-0.7181223017785003 + q * (0.10422916220813981 + q * -0.012031585942120624)))))))));
}

export const cosTurns = (phase: Cycles): number => sinTurns(phase + 0.25);
export const sin = (angle: Radians): number => sinTurns(angle / T);
export const cos = (angle: Radians): number => sinTurns(angle / T + 0.25);

export const LN2 = 0.6931471805599453;

/** Replaces `at[i]` = x by 2^x, within 4 ulp: whole part exact, the rest a Taylor series on |x·ln 2| ≤ 0.347. In place: nothing is boxed. */
export function exp2InPlace(at: Float64Array, i: number): void {
	const x = at[i]!;
	if (!(x <= 1024)) at[i] = x > 1024 ? Infinity : NaN;
	else if (x < -1080) at[i] = 0;
	else {
		const whole = Math.floor(x + 0.5);
		const r = (x - whole) * LN2;
		// Terms rⁿ/n! one by one; dividing by 2, 4 and 8 is multiplying by their inverses, to the bit, and cheaper.
		let term = r;
		let sum = 1 + term;
		term = term * r * 0.5;
		sum += term;
		term = (term * r) / 3;
		sum += term;
		term = term * r * 0.25;
		sum += term;
		term = (term * r) / 5;
		sum += term;
		term = (term * r) / 6;
		sum += term;
		term = (term * r) / 7;
		sum += term;
		term = term * r * 0.125;
		sum += term;
		term = (term * r) / 9;
		sum += term;
		term = (term * r) / 10;
		sum += term;
		term = (term * r) / 11;
		sum += term;
		term = (term * r) / 12;
		sum += term;
		term = (term * r) / 13;
		sum += term;
		term = (term * r) / 14;
		sum += term;
		// Times 2 to the whole power, by squaring: exact. One kind of number throughout, or the engine boxes it.
		let base = 0.5;
		for (let n = (whole < 0 ? -whole : whole) | 0; n > 0; n >>= 1) {
			if (n & 1) sum = whole < 0 ? sum * base : sum / base;
			base *= base;
		}
		at[i] = sum;
	}
}

/** Whoever calls it from afar must not allocate either. */
const scratch = new Float64Array(1);
export function exp2(x: number): number {
	scratch[0] = x;
	exp2InPlace(scratch, 0);
	return scratch[0];
}

/** e^x, by way of 2^x; relative error below 1e-15·(1 + |x|). */
export const exp = (x: number): number => exp2(x / LN2);

/** Base-2 logarithm of x > 0, within 1e-15·(1 + |result|): whole halvings, then 2·artanh((m − 1)/(m + 1)) on √½ ≤ m < √2. */
export function log2(x: number): number {
	if (!(x > 0)) return x === 0 ? -Infinity : NaN;
	if (x === Infinity) return x;
	let m = x;
	let whole = 0;
	while (m >= 1.4142135623730951) {
		m /= 2;
		whole++;
	}
	while (m < 0.7071067811865476) {
		m *= 2;
		whole--;
	}
	const z = (m - 1) / (m + 1);
	const q = z * z;
	let term = z;
	let sum = 0;
	for (let n = 1; n < 40; n += 2) {
		sum += term / n;
		term *= q;
	}
	return whole + (2 * sum) / LN2;
}

/** Arc cosine on [−1, 1], in radians, within 1e-14: Newton's steps on the core's own cosine from a straight-line start. */
export function acos(value: number): Radians {
	const v = clamp(value, -1, 1);
	// Near ±1 the cosine is flat and Newton's step loses digits; halve the angle instead: acos v = 2·asin√((1 − v)/2).
	if (v > 0.5) return 2 * asinSmall(Math.sqrt((1 - v) / 2));
	if (v < -0.5) return PI - 2 * asinSmall(Math.sqrt((1 + v) / 2));
	return PI / 2 - asinSmall(v);
}

/** Arc sine for |v| ≤ ½ by its power series, which halves at least twice with each term there. */
function asinSmall(v: number): Radians {
	const q = v * v;
	let term = v;
	let sum = v;
	for (let n = 1; n < 30; n++) {
		term = (term * q * (2 * n - 1)) / (2 * n);
		sum += term / (2 * n + 1);
	}
	return sum;
}
