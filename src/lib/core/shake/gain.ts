/**
 * The gain of a play: what its amplitude is multiplied by over its life.
 *
 *     E_in(age / fadeIn) · (1 − E_out((age − (duration − fadeOut)) / fadeOut)) · life · growth
 *
 * with the ratios clamped to [0, 1]; 0 before the start and, in a burst, from the duration on. A stop at s turns it into
 * min(gain(age), gain(s)) · (1 − E_out((age − s) / fadeOut)), which has no jump wherever s is.
 */
import { compileCurve, runCurve, type CompiledCurve } from '../math/curve';
import { compileEase, runEase, type CompiledEase } from '../math/ease';
import { exp2 } from '../math/scalar';
import type { Seconds } from '../units/quantities';
import type { Growth, Timing } from '../kit/types';

export interface GainShape {
	readonly burst: boolean;
	/** Infinity for a continuous play. */
	readonly duration: Seconds;
	readonly fadeIn: Seconds;
	readonly fadeOut: Seconds;
	/** The fade out of a stop; the preset's own, not shortened to fit the length. */
	readonly stopFade: Seconds;
	readonly easeIn: CompiledEase;
	readonly easeOut: CompiledEase;
	readonly curve: CompiledCurve | null;
	readonly halfLife: Seconds;
	readonly growth: Growth | null;
}

/** `length` overrides a burst's duration: the fades keep their seconds, what is between stretches. */
export function compileGain(timing: Timing, length: Seconds = timing.duration): GainShape {
	const burst = timing.mode === 'burst';
	const duration = burst ? length : Infinity;
	const fadesTooLong = burst && timing.fadeIn.time + timing.fadeOut.time > duration;
	const fit = fadesTooLong ? duration / (timing.fadeIn.time + timing.fadeOut.time) : 1;
	const { life, growth } = timing;
	return {
		burst,
		duration,
		fadeIn: timing.fadeIn.time * fit,
		fadeOut: timing.fadeOut.time * fit,
		stopFade: timing.fadeOut.time,
		easeIn: compileEase(timing.fadeIn.ease),
		easeOut: compileEase(timing.fadeOut.ease),
		curve: burst && life && 'points' in life ? compileCurve(life.points) : null,
		halfLife: life && 'decayHalfLife' in life ? life.decayHalfLife : 0,
		growth: burst ? null : growth
	};
}

/** Everything in the gain but the fade in: what all layers of a play share. */
export function sharedGain(shape: GainShape, age: Seconds): number {
	if (age < 0 || age >= shape.duration) return 0;
	let gain = 1;
	if (shape.burst && shape.fadeOut > 0)
		gain -= runEase(shape.easeOut, (age - (shape.duration - shape.fadeOut)) / shape.fadeOut);
	if (shape.halfLife > 0) gain *= exp2(-age / shape.halfLife);
	if (shape.curve) {
		const level = runCurve(shape.curve, age / shape.duration);
		gain *= level > 0 ? level : 0;
	}
	if (shape.growth) {
		const { from, to, over } = shape.growth;
		gain *= over > 0 && age < over ? from + ((to - from) * age) / over : to;
	}
	return gain;
}

/** The fade in at a layer's own age: 0 before it begins. */
export function fadeInGain(shape: GainShape, layerAge: Seconds): number {
	if (layerAge < 0) return 0;
	return shape.fadeIn > 0 ? runEase(shape.easeIn, layerAge / shape.fadeIn) : 1;
}

/** The gain of a play (of its layers without a delay of their own) that nobody stops. */
export const gainAt = (shape: GainShape, age: Seconds): number => sharedGain(shape, age) * fadeInGain(shape, age);

/** What a stop at age `stoppedAt` leaves of the gain at `age` ≥ `stoppedAt`: from 1 down to 0 over the stop's fade. */
export function stopGain(shape: GainShape, age: Seconds, stoppedAt: Seconds): number {
	if (shape.stopFade <= 0) return 0;
	return 1 - runEase(shape.easeOut, (age - stoppedAt) / shape.stopFade);
}

/** The age at which a play is over: its duration, or the end of its stop's fade if that comes first. */
export function endOf(shape: GainShape, stoppedAt: Seconds | null): Seconds {
	if (stoppedAt === null) return shape.duration;
	const stopped = stoppedAt + shape.stopFade;
	return stopped < shape.duration ? stopped : shape.duration;
}
