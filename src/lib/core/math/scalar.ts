/**
 * Scalar functions of the motion path, built from + − × ÷ √ and floor alone, so that every engine returns the same bits.
 * (The built-in sine, exponential and power differ between engines.)
 */
import { PI, type Cycles, type Radians } from '../units/quantities';

export const clamp = (value: number, low: number, high: number): number =>
	value < low ? low : value > high ? high : value;
export const clamp01 = (value: number): number => (value < 0 ? 0 : value > 1 ? 1 : value);

const T = 2 * PI;
const T2 = T * T;
// Taylor coefficients of sin(2πr) in r; the first term left out is below 3e-16 for |r| ≤ ¼.
const S1 = T;
const S3 = (-S1 * T2) / 6;
const S5 = (-S3 * T2) / 20;
const S7 = (-S5 * T2) / 42;
const S9 = (-S7 * T2) / 72;
const S11 = (-S9 * T2) / 110;
const S13 = (-S11 * T2) / 156;
const S15 = (-S13 * T2) / 210;
const S17 = (-S15 * T2) / 272;
const S19 = (-S17 * T2) / 342;

/** Sine of a phase given in cycles: sinTurns(¼) = 1. Within 1e-15 of the exact value; periodic without loss. */
export function sinTurns(phase: Cycles): number {
	let r = phase - Math.floor(phase + 0.5);
	if (r > 0.25) r = 0.5 - r;
	else if (r < -0.25) r = -0.5 - r;
	const q = r * r;
	return r * (S1 + q * (S3 + q * (S5 + q * (S7 + q * (S9 + q * (S11 + q * (S13 + q * (S15 + q * (S17 + q * S19)))))))));
}

/** Replaces `at[i]`, a phase, by its sine. In place, with a body of its own: nothing is boxed, whether it is inlined or not. */
export function sinTurnsInPlace(at: Float64Array, i: number): void {
	const phase = at[i]!;
	let r = phase - Math.floor(phase + 0.5);
	if (r > 0.25) r = 0.5 - r;
	else if (r < -0.25) r = -0.5 - r;
	const q = r * r;
	at[i] =
		r * (S1 + q * (S3 + q * (S5 + q * (S7 + q * (S9 + q * (S11 + q * (S13 + q * (S15 + q * (S17 + q * S19)))))))));
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
		let term = 1;
		let sum = 1;
		for (let n = 1; n <= 14; n++) {
			term = (term * r) / n;
			sum += term;
		}
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
