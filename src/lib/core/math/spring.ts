/** A damped spring about 0, moved on exactly: x″ = −2ζωx′ − ω²x, ω = 2πf. */
import type { Hertz, Seconds } from '../units/quantities';
import { cos, exp, sin } from './scalar';

/** Closer to critical than this the limit's formula is exact to the last digits. */
const CRITICAL = 1e-12;
/** Below this in value and speed a state is at rest. */
export const AT_REST = 1e-9;

/**
 * Replaces `state[at]` (value) and `state[at + 1]` (its speed) by those `dt` later. Exact for any step length and any
 * damping ratio ζ ≥ 0, below, at and above 1.
 */
export function stepSpring(state: Float64Array, at: number, frequency: Hertz, damping: number, dt: Seconds): void {
	const w = 2 * Math.PI * frequency;
	const x = state[at]!;
	const v = state[at + 1]!;
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
	const pull = v + damping * w * x;
	state[at] = x * even + pull * odd;
	// x′(t) = v·even − (ω²x + ζωv)·odd.
	state[at + 1] = v * even - (w * w * x + damping * w * v) * odd;
}

/** Sets a state that is as good as at rest to 0: then it is at rest to the last bit. True when it is. */
export function settleSpring(state: Float64Array, at: number): boolean {
	const [x, v] = [state[at]!, state[at + 1]!];
	if (x < AT_REST && x > -AT_REST && v < AT_REST && v > -AT_REST) {
		state[at] = 0;
		state[at + 1] = 0;
		return true;
	}
	return false;
}
