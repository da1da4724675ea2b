/** A damped spring about 0, moved on exactly: x″ = −2ζωx′ − ω²x, ω = 2πf. */
import type { Hertz, Seconds } from '../units/quantities';
import { cos, exp, sin } from './scalar';

/** Closer to critical than this the limit's formula is exact to the last digits. */
const CRITICAL = 1e-12;
/** Below this in value and speed a state is at rest. */
export const AT_REST = 1e-9;

/** How many numbers of a spring's step are kept for the next of the same length. */
export const SPRING_NUMBERS = 4;

/**
 * Works out what a step of `dt` does to a spring, into `out` from `at` on. Exact for any step length and any damping ratio
 * ζ ≥ 0, below, at and above 1.
 */
export function prepareSpring(out: Float64Array, at: number, frequency: Hertz, damping: number, dt: Seconds): void {
	const w = 2 * Math.PI * frequency;
	const d = 1 - damping * damping;
	// x(t) = x·even + (v + ζω·x)·odd, with even and odd already multiplied by e^(−ζωt).
	let even: number;
	let odd: number;
	if (d > CRITICAL) {
		const s = w * Math.sqrt(d);
		const fall = exp(-damping * w * dt);
		even = fall * cos(s * dt);
		odd = (fall * sin(s * dt)) / s;
	} else if (d >= -CRITICAL) {
		even = exp(-w * dt);
		odd = even * dt;
	} else {
		const s = w * Math.sqrt(-d);
		const slow = exp((s - damping * w) * dt);
		const fast = exp(-(s + damping * w) * dt);
		even = (slow + fast) / 2;
		const st = s * dt;
		// Where both are nearly alike their difference would lose its digits.
		odd = st < 1e-3 ? exp(-damping * w * dt) * dt * (1 + (st * st) / 6) : (slow - fast) / (2 * s);
	}
	out[at] = even;
	out[at + 1] = odd;
	out[at + 2] = damping * w;
	out[at + 3] = w * w;
}

/** Replaces `state[at]` (value) and `state[at + 1]` (its speed) by those a step later, as it was prepared at `by[from]`. */
export function runSpring(state: Float64Array, at: number, by: Float64Array, from: number): void {
	const x = state[at]!;
	const v = state[at + 1]!;
	const even = by[from]!;
	const odd = by[from + 1]!;
	const pull = by[from + 2]!;
	state[at] = x * even + (v + pull * x) * odd;
	// x′(t) = v·even − (ω²x + ζωv)·odd.
	state[at + 1] = v * even - (by[from + 3]! * x + pull * v) * odd;
}

const once = new Float64Array(SPRING_NUMBERS);
/** Both at once, for a step that does not come again. */
export function stepSpring(state: Float64Array, at: number, frequency: Hertz, damping: number, dt: Seconds): void {
	prepareSpring(once, 0, frequency, damping, dt);
	runSpring(state, at, once, 0);
}

/** Sets a state that is as good as at rest to 0: then it is at rest to the last bit. True when it is. */
export function settleSpring(state: Float64Array, at: number): boolean {
	const x = state[at]!;
	const v = state[at + 1]!;
	if (x < AT_REST && x > -AT_REST && v < AT_REST && v > -AT_REST) {
		state[at] = 0;
		state[at + 1] = 0;
		return true;
	}
	return false;
}
