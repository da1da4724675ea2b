/** Steps from speed: how often a foot falls, and in which gait. The shapes of a head's motion know nothing of this. */
import { DT, type Clock } from '../units/clock';
import type { Hertz } from '../units/quantities';

export const GAITS = ['stand', 'creep', 'walk', 'run'] as const;
export type Gait = (typeof GAITS)[number];

/** Metres a second below which one stands, creeps, walks; above the last one runs. */
const STANDS_BELOW = 0.1;
const CREEPS_BELOW = 1;
const WALKS_BELOW = 2.3;

/**
 * Speed in metres a second → steps a second. Between these straight. People walk at 1.4 m/s with about 1.9 steps a second and
 * run at 3 to 4 m/s with 2.7 to 2.9.
 */
const STEPS: readonly (readonly [number, Hertz])[] = [
	[0, 0.9],
	[0.7, 1.3],
	[1.4, 1.9],
	[2.3, 2.4],
	[3.5, 2.8],
	[6, 3.2]
];

export const gaitOf = (speed: number): Gait =>
	speed < STANDS_BELOW ? 'stand' : speed < CREEPS_BELOW ? 'creep' : speed < WALKS_BELOW ? 'walk' : 'run';

/** 0 where one stands. */
export function stepsPerSecond(speed: number): Hertz {
	if (!(speed >= STANDS_BELOW)) return 0;
	for (let i = 1; i < STEPS.length; i++) {
		const [to, stepsTo] = STEPS[i]!;
		if (speed > to) continue;
		const [from, stepsFrom] = STEPS[i - 1]!;
		return stepsFrom + ((stepsTo - stepsFrom) * (speed - from)) / (to - from);
	}
	return STEPS[STEPS.length - 1]![1];
}

/**
 * Counts strides: the phase grows by half the steps a second, and a foot falls at each whole and half stride. Standing still
 * or in the air the phase rests, so that one goes on with the other foot.
 */
export class Stride {
	/** In strides. */
	phase = 0;

	/** A frame on at a speed; true when a foot fell. */
	advance(clock: Clock, { speed }: { readonly speed: number }): boolean {
		const before = Math.floor(this.phase * 2);
		this.phase += (stepsPerSecond(speed) / 2) * clock[DT]!;
		return Math.floor(this.phase * 2) > before;
	}

	fork(): Stride {
		const copy = new Stride();
		copy.phase = this.phase;
		return copy;
	}

	/** Which foot fell last: 0 and 1 in turn. */
	get foot(): 0 | 1 {
		return (Math.floor(this.phase * 2) & 1) as 0 | 1;
	}
}
