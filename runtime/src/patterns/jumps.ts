/**
 * Random jumps: a new target once a cycle, uniform in a box, or in a disc (x, y) or ball (x, y, z) with one clock.
 * In between the value is held, goes straight, is eased, or is damped: toward each target with a half-life of an eighth
 * of the interval, summed over the last eight targets, so that any moment can be worked out without the ones before.
 */
import { compileEase, easeInPlace, type CompiledEase, type Ease } from '../math/ease';
import { exp2InPlace } from '../math/scalar';
import { combine, mix, signedUnit, unit } from '../random/hash';
import { ELAPSED, LEVEL, type Voice } from './voice';

export const JUMPS_WITHIN = ['box', 'disc', 'ball'] as const;
export const JUMPS_BETWEEN = ['hold', 'straight', 'eased', 'damped'] as const;

export interface JumpsPattern {
	/** Random jumps. */
	readonly kind: 'jumps';
	/** Where targets lie: each channel within its own amplitude, or position within a disc or ball of the amplitudes as radii. */
	readonly within: (typeof JUMPS_WITHIN)[number];
	/** How it gets from one target to the next. */
	readonly between: (typeof JUMPS_BETWEEN)[number];
	/** For `eased`. */
	readonly ease: Ease;
	/**
	 * How unevenly targets follow each other, 0–1: j lets the time from one to the next be anything from (1 − j)/f to (1 + j)/f. For a
	 * time between a and b seconds f = 2/(a + b) and j = (b − a)/(a + b). Left out: 0.
	 */
	readonly jitter?: number;
}

export interface CompiledJumps {
	readonly shared: number;
	readonly between: JumpsPattern['between'];
	readonly ease: CompiledEase;
	readonly jitter: number;
}

/** `shared`: how many position channels share one target. */
export const compileJumps = (pattern: JumpsPattern, shared: number): CompiledJumps => ({
	shared,
	between: pattern.between,
	ease: compileEase(pattern.ease),
	jitter: pattern.jitter ?? 0
});

const PAST = 9;

/** A layer's jumps within a play. */
export interface JumpsRun {
	/** Seed of each active channel; channels that share their targets have the same. */
	readonly seeds: Int32Array;
	/** Whether the first target, and all before it, is the centre. */
	readonly fromCentre: Uint8Array;
	/** The interval each channel is in; its targets are hashed again only when that changes. */
	readonly interval: Float64Array;
	/** The next target, the present one and the seven before it, for each channel. */
	readonly targets: Float64Array;
	/** With jitter, when each of them is jumped to, in cycles. */
	readonly moments: Float64Array;
	readonly slot: Float64Array;
}

export const createJumpsRun = (seeds: Int32Array, fromCentre: Uint8Array): JumpsRun => ({
	seeds,
	fromCentre,
	interval: new Float64Array(seeds.length).fill(NaN),
	targets: new Float64Array(seeds.length * (PAST + 1)),
	moments: new Float64Array(seeds.length * (PAST + 1)),
	slot: new Float64Array(1)
});

/** Target number `n` of a channel: uniform in [−1, 1), or the channel's part of a point in the unit disc or ball. */
function target(seed: number, n: number, channel: number, shared: number): number {
	const hash = combine(seed, n);
	if (channel >= shared) return signedUnit(hash);
	// Points of the cube until one lies in the ball: half of them do.
	for (let attempt = 0; attempt < 64; attempt++) {
		const x = signedUnit(mix(hash + 3 * attempt));
		const y = signedUnit(mix(hash + 3 * attempt + 1));
		const z = shared === 3 ? signedUnit(mix(hash + 3 * attempt + 2)) : 0;
		if (x * x + y * y + z * z <= 1) return channel === 0 ? x : channel === 1 ? y : z;
	}
	return 0;
}

/** Tells the times of jumps apart from their targets. */
const MOMENTS = 0x3c6ef372;
/** When jump number `n` comes, in cycles: n + j·(h(n) − ½), so that scrubbing needs no history. */
const momentOf = (seed: number, n: number, jitter: number): number =>
	n + jitter * (unit(combine(seed ^ MOMENTS, n | 0)) - 0.5);

/** Slot 0 of a channel holds the next target, slot 1 the present one, the others those before. */
function hashTargets(jumps: CompiledJumps, run: JumpsRun, j: number, channel: number): void {
	const present = run.interval[j]!;
	for (let k = 0; k <= PAST; k++) {
		const n = present + 1 - k;
		const centre = run.fromCentre[j] === 1 && n <= 0;
		run.targets[j * (PAST + 1) + k] = centre ? 0 : target(run.seeds[j]!, n | 0, channel, jumps.shared);
		if (jumps.jitter > 0) run.moments[j * (PAST + 1) + k] = momentOf(run.seeds[j]!, n, jumps.jitter);
	}
}

/** Adds one layer's jumps to `out` (seven channels). */
export function addJumps(jumps: CompiledJumps, run: JumpsRun, voice: Voice, out: Float64Array): void {
	const { channels, scales, frequencies, phases, now } = voice;
	const { interval, targets, slot } = run;
	const elapsed = now[ELAPSED]!;
	for (let j = 0; j < channels.length; j++) {
		const phase = phases[j]! + frequencies[j]! * elapsed;
		let n = Math.floor(phase);
		// Jump n + 1 may have come already, or jump n may be still to come.
		if (jumps.jitter > 0) {
			if (phase >= momentOf(run.seeds[j]!, n + 1, jumps.jitter)) n++;
			else if (phase < momentOf(run.seeds[j]!, n, jumps.jitter)) n--;
		}
		if (interval[j] !== n) {
			interval[j] = n;
			hashTargets(jumps, run, j, channels[j]!);
		}
		const at = j * (PAST + 1);
		const t = jumps.jitter > 0 ? (phase - run.moments[at + 1]!) / (run.moments[at]! - run.moments[at + 1]!) : phase - n;
		const present = targets[at + 1]!;
		let v = present;
		if (jumps.between === 'straight') v = present + (targets[at]! - present) * t;
		else if (jumps.between === 'eased') {
			slot[0] = t;
			easeInPlace(jumps.ease, slot, 0);
			v = present + (targets[at]! - present) * slot[0]!;
		} else if (jumps.between === 'damped') {
			// Each earlier step is still on its way: 2^(−8·(t + k)) of it is left.
			slot[0] = -8 * t;
			exp2InPlace(slot, 0);
			let left = slot[0]!;
			for (let k = 1; k < PAST; k++) {
				if (jumps.jitter > 0) {
					slot[0] = -8 * (phase - run.moments[at + k]!);
					exp2InPlace(slot, 0);
					left = slot[0];
				}
				v += (targets[at + k + 1]! - targets[at + k]!) * left;
				left /= 256;
			}
		}
		out[channels[j]!]! += scales[j]! * now[LEVEL]! * v;
	}
}
