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
	readonly kind: 'wave';
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
		for (let j = 0; j < count; j++)
			out[channels[j]!]! += scales[j]! * level * sinTurns(phases[j]! + frequencies[j]! * elapsed);
	else
		for (let j = 0; j < count; j++)
			out[channels[j]!]! += scales[j]! * level * waveAt(shape, phases[j]! + frequencies[j]! * elapsed);
}
