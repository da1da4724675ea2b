/** Game values, and what they drive. */
import type { CurvePoint } from '../math/curve';

export interface GameParameter {
	/** Names it: 1–64 of a–z, 0–9 and "-". */
	readonly id: string;
	/** What people call it, 1–120 characters. */
	readonly name: string;
	/** The least that it can be set to: a curve’s 0. */
	readonly min: number;
	/** The most that it can be set to: a curve’s 1. */
	readonly max: number;
	/** What it is until it is set. */
	readonly rest: number;
}

/** A game value that multiplies a preset's amount or rate: the curve gives the factor over the value's range, 0–1. */
export interface Drive {
	/** The game value’s id. */
	readonly parameter: string;
	/** What is multiplied: gain, or frequencies. */
	readonly to: 'amount' | 'rate';
	/** The factor over the game value’s range, `at` 0–1, factors 0–10. */
	readonly curve: readonly CurvePoint[];
}
