/** Game values, and what they drive. */
import type { CurvePoint } from '../math/curve';

export interface GameParameter {
	readonly id: string;
	readonly name: string;
	readonly min: number;
	readonly max: number;
	readonly rest: number;
}

/** A game value that multiplies a preset's amount or rate: the curve gives the factor over the value's range, 0–1. */
export interface Drive {
	readonly parameter: string;
	readonly to: 'amount' | 'rate';
	readonly curve: readonly CurvePoint[];
}
