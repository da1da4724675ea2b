/**
 * Reach: what is left of a play over the distance. 1 up to `full`, 0 from `edge` on, in between
 * 1 − ease((d − full)/(edge − full)); full = edge is a step.
 */
import { compileEase, easeInPlace, type CompiledEase } from '../math/ease';
import type { Metres, Seconds } from '../units/quantities';
import type { Reach } from './types';

export interface CompiledReach {
	readonly full: Metres;
	readonly edge: Metres;
	readonly falloff: CompiledEase;
	readonly body: boolean;
	/** Metres a second; 0: at once. */
	readonly travelSpeed: number;
}

export const compileReach = (reach: Reach | null): CompiledReach | null =>
	reach && {
		full: reach.full,
		edge: reach.edge,
		falloff: compileEase(reach.falloff),
		body: reach.listener === 'body',
		travelSpeed: reach.travelSpeed ?? 0
	};

/** Replaces `at[i]`, a distance in metres, by what is left there. In place: nothing is boxed. */
export function fallOffInPlace(reach: CompiledReach, at: Float64Array, i: number): void {
	const d = at[i]!;
	if (d <= reach.full) at[i] = 1;
	else if (d >= reach.edge) at[i] = 0;
	else {
		at[i] = (d - reach.full) / (reach.edge - reach.full);
		easeInPlace(reach.falloff, at, i);
		at[i] = 1 - at[i]!;
	}
}

/** What is left at a distance. For drawings and tests. */
export function fallOff(reach: Reach, distance: Metres): number {
	const at = Float64Array.of(distance);
	fallOffInPlace(compileReach(reach)!, at, 0);
	return at[0]!;
}

/** How long it is on its way. */
export const travelTime = (reach: CompiledReach | null, distance: Metres): Seconds =>
	reach && reach.travelSpeed > 0 ? distance / reach.travelSpeed : 0;
