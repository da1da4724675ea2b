/**
 * A kick that springs back: the answer of a damped spring to one push,
 *
 *     e^(−ζω a) · sin(ω√(1 − ζ²) a),  ω = 2πf, a = age × rate,
 *
 * scaled so that its first peak is 1. It begins at 0 always; a negative amplitude kicks the other way.
 */
import { acos, exp, exp2InPlace, LN2, sinTurns } from '../math/scalar';
import { PI } from '../units/quantities';
import { ELAPSED, LEVEL, type Voice } from './voice';

export interface KickPattern {
	/** A blow to a spring. */
	readonly kind: 'kick';
	/** ζ, above 0 and below 1: small rings long, large comes back once. */
	readonly damping: number;
}

export interface CompiledKick {
	/** Halvings of the swing per cycle of the undamped spring. */
	readonly halvings: number;
	/** Swings per cycle of the undamped spring: √(1 − ζ²). */
	readonly swings: number;
	/** What makes the first peak 1. */
	readonly lift: number;
	readonly slot: Float64Array;
}

/** Throws a RangeError for a damping ratio outside (0, 1). */
export function compileKick({ damping }: KickPattern): CompiledKick {
	if (!(damping > 0 && damping < 1))
		throw new RangeError(`A kick's damping ratio is between 0 and 1; it is ${damping}.`);
	const swings = Math.sqrt(1 - damping * damping);
	return {
		halvings: (2 * PI * damping) / LN2,
		swings,
		lift: exp((damping * acos(damping)) / swings) / swings,
		slot: new Float64Array(1)
	};
}

/** Adds one layer's kicks to `out` (seven channels). */
export function addKick(kick: CompiledKick, voice: Voice, out: Float64Array): void {
	const { channels, scales, frequencies, phases, now } = voice;
	const { halvings, swings, slot } = kick;
	const elapsed = now[ELAPSED]!;
	const level = now[LEVEL]! * kick.lift;
	for (let j = 0; j < channels.length; j++) {
		const phase = phases[j]! + frequencies[j]! * elapsed;
		slot[0] = -halvings * phase;
		exp2InPlace(slot, 0);
		out[channels[j]!]! += scales[j]! * level * slot[0]! * sinTurns(swings * phase);
	}
}
