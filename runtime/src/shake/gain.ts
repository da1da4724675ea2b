/**
 * The gain of a play: what its amplitude is multiplied by over its life.
 *
 *     E_in(age / fadeIn) · (1 − E_out((age − (duration − fadeOut)) / fadeOut)) · life · growth
 *
 * with the ratios clamped to [0, 1]; 0 before the start and, in a burst, from the duration on. A stop at s turns it into
 * min(gain(age), gain(s)) · (1 − E_out((age − s) / fadeOut)), which has no jump wherever s is.
 */
import { compileCurve, runCurve, type CompiledCurve } from '../math/curve';
import { compileEase, easeInPlace, type CompiledEase } from '../math/ease';
import { exp2InPlace } from '../math/scalar';
import type { Seconds } from '../units/quantities';
import type { Growth, Timing } from './types';

export interface Envelope {
	readonly burst: boolean;
	/** Infinity for a continuous play. */
	readonly duration: Seconds;
	readonly fadeIn: Seconds;
	readonly fadeOut: Seconds;
	/** The fade out of a stop; of a burst the preset's own, not shortened to fit the length. */
	readonly stopFade: Seconds;
	/** The age at which a continuous play of a set length is let go, so that it is over at its length; else Infinity. */
	readonly letGo: Seconds;
	readonly easeIn: CompiledEase;
	readonly easeOut: CompiledEase;
	readonly curve: CompiledCurve | null;
	readonly halfLife: Seconds;
	/** What it loses of its full strength each second. */
	readonly decay: number;
	readonly growth: Growth | null;
}

/**
 * `length` overrides a burst's duration: the fades keep their seconds, what is between stretches. A continuous play of a set length
 * is let go in time. Fades that are longer together than the length are scaled to fit it.
 */
export function compileGain(timing: Timing, length?: Seconds): Envelope {
	const burst = timing.mode === 'burst';
	const whole = length ?? (burst ? timing.duration : Infinity);
	const fades = timing.fadeIn.time + timing.fadeOut.time;
	const fit = fades > whole ? whole / fades : 1;
	const { life, growth } = timing;
	const fadeOut = timing.fadeOut.time * fit;
	return {
		burst,
		duration: burst ? whole : Infinity,
		fadeIn: timing.fadeIn.time * fit,
		fadeOut,
		stopFade: burst ? timing.fadeOut.time : fadeOut,
		letGo: burst ? Infinity : whole - fadeOut,
		easeIn: compileEase(timing.fadeIn.ease),
		easeOut: compileEase(timing.fadeOut.ease),
		curve: burst && life && 'points' in life ? compileCurve(life.points) : null,
		halfLife: life && 'decayHalfLife' in life ? life.decayHalfLife : 0,
		decay: life && 'decayPerSecond' in life ? life.decayPerSecond : 0,
		growth: burst ? null : growth
	};
}

/**
 * Where gains are worked out: numbers go in and come out through these slots, so that a frame boxes none.
 * `AGE`, `LIFE_AGE`, `EXTRA` and `LAYER_AGE` go in; `SHARED`, `FADE_IN` and `LEFT` come out.
 */
export const AGE = 0;
export const LAYER_AGE = 1;
export const SHARED = 2;
export const FADE_IN = 3;
export const LEFT = 4;
export const STOPPED_AT = 5;
/** The age that life and growth are read at: an extended play holds them. */
export const LIFE_AGE = 6;
/** Seconds by which a burst was extended. */
export const EXTRA = 7;
/** What comes out of both for one layer. */
export const LAYER_LEVEL = 8;
export const createGainSlots = (): Float64Array => new Float64Array(9);

/** SHARED: everything in the gain at AGE but the fade in; what all layers of a play have in common. */
export function workOutShared(shape: Envelope, slots: Float64Array): void {
	const age = slots[AGE]!;
	const end = shape.duration + slots[EXTRA]!;
	if (age < 0 || age >= end) {
		slots[SHARED] = 0;
		return;
	}
	let gain = 1;
	const fading = age - (end - shape.fadeOut);
	if (shape.burst && fading > 0 && shape.fadeOut > 0) {
		slots[SHARED] = fading / shape.fadeOut;
		easeInPlace(shape.easeOut, slots, SHARED);
		gain -= slots[SHARED];
	}
	const life = slots[LIFE_AGE]!;
	if (shape.halfLife > 0) {
		slots[SHARED] = -life / shape.halfLife;
		exp2InPlace(slots, SHARED);
		gain *= slots[SHARED]!;
	}
	if (shape.decay > 0) {
		const kept = 1 - shape.decay * life;
		gain *= kept > 0 ? kept : 0;
	}
	if (shape.curve) {
		const level = runCurve(shape.curve, life / shape.duration);
		gain *= level > 0 ? level : 0;
	}
	if (shape.growth) {
		const { from, to, over } = shape.growth;
		gain *= over > 0 && life < over ? from + ((to - from) * life) / over : to;
	}
	slots[SHARED] = gain;
}

/** FADE_IN: the fade in at LAYER_AGE, 0 before the layer begins. */
export function workOutFadeIn(shape: Envelope, slots: Float64Array): void {
	const age = slots[LAYER_AGE]!;
	if (age < 0) slots[FADE_IN] = 0;
	else if (age < shape.fadeIn) {
		slots[FADE_IN] = age / shape.fadeIn;
		easeInPlace(shape.easeIn, slots, FADE_IN);
	} else slots[FADE_IN] = 1;
}

/** LEFT: what a stop at STOPPED_AT leaves of the gain at AGE ≥ STOPPED_AT: from 1 down to 0 over the stop's fade. */
export function workOutLeft(shape: Envelope, slots: Float64Array): void {
	if (shape.stopFade <= 0) {
		slots[LEFT] = 0;
		return;
	}
	slots[LEFT] = (slots[AGE]! - slots[STOPPED_AT]!) / shape.stopFade;
	easeInPlace(shape.easeOut, slots, LEFT);
	slots[LEFT] = 1 - slots[LEFT]!;
}

/** The gain of a play (of its layers without a delay of their own) that nobody stops. For drawings and tests. */
export function gainAt(shape: Envelope, age: Seconds): number {
	const slots = createGainSlots();
	slots[AGE] = slots[LIFE_AGE] = slots[LAYER_AGE] = age;
	workOutShared(shape, slots);
	workOutFadeIn(shape, slots);
	return slots[SHARED]! * slots[FADE_IN]!;
}

/** What a stop leaves of the gain, as `workOutLeft`. For drawings and tests. */
export function stopGain(shape: Envelope, age: Seconds, stoppedAt: Seconds): number {
	const slots = createGainSlots();
	slots[AGE] = age;
	slots[STOPPED_AT] = stoppedAt;
	workOutLeft(shape, slots);
	return slots[LEFT]!;
}
