/**
 * Regular waves of one cycle per unit of phase, within [−1, 1]. Sine, triangle and sawtooth begin at 0 and rise;
 * the square begins at +1. The steps of the square and the sawtooth are meant.
 */
import { sinTurns } from '../math/scalar';
import { ELAPSED, LEVEL, type Voice } from './voice';
import type { Cycles } from '../units/quantities';

export const WAVE_SHAPES = ['sine', 'triangle', 'square', 'sawtooth'] as const;
export type WaveShape = (typeof WAVE_SHAPES)[number];

export interface WavePattern {
	/** A regular wave. */
	readonly kind: 'wave';
	/** The shape of one cycle. */
	readonly shape: WaveShape;
}

/** The wave at a phase. Triangle: 0, 1 at ¼, −1 at ¾. Sawtooth: 0 up to 1 at ½, from −1 back up to 0. */
export function waveAt(shape: WaveShape, phase: Cycles): number {
	if (shape === 'sine') return sinTurns(phase);
	const t = phase - Math.floor(phase);
	if (shape === 'square') return t < 0.5 ? 1 : -1;
	if (shape === 'sawtooth') return t < 0.5 ? 2 * t : 2 * t - 2;
	return t < 0.25 ? 4 * t : t < 0.75 ? 2 - 4 * t : 4 * t - 4;
}

/** Adds one layer's waves to `out` (seven channels). */
export function addWave(shape: WaveShape, voice: Voice, out: Float64Array): void {
	const { channels, scales, frequencies, phases, now } = voice;
	const level = now[LEVEL]!;
	const elapsed = now[ELAPSED]!;
	const count = channels.length;
	if (shape === 'sine')
		for (let j = 0; j < count; j++) {
			// `sinTurns`, written out: the call costs more than the sine.
			const phase = phases[j]! + frequencies[j]! * elapsed;
			let r = phase - Math.floor(phase + 0.5);
			if (r > 0.25) r = 0.5 - r;
			else if (r < -0.25) r = -0.5 - r;
			const q = r * r;
			const sine =
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
																	q *
																		(-0.7181223017785003 +
																			q * (0.10422916220813981 + q * -0.012031585942120624)))))))));
			out[channels[j]!]! += scales[j]! * level * sine;
		}
	else
		for (let j = 0; j < count; j++)
			out[channels[j]!]! += scales[j]! * level * waveAt(shape, phases[j]! + frequencies[j]! * elapsed);
}
