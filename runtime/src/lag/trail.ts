/** How far a camera lag trails, in closed form. */
import { LN2 } from '../math/scalar';
import type { Seconds } from '../units/quantities';
import type { LagAxis } from './types';

/** How far a view with this half-life trails a target at a speed: v·h/ln 2. */
export const halfLifeTrail = (halfLife: Seconds, speed: number): number => (speed * halfLife) / LN2;
/** How far a spring trails a target at a speed: ζv/(πf). */
export const springTrail = (frequency: number, damping: number, speed: number): number =>
	(damping * speed) / (Math.PI * frequency);

/** How far an axis trails a target at a speed in the long run. */
export const trailOf = (axis: LagAxis, speed: number): number => {
	const trail =
		axis.follow === 'none'
			? 0
			: axis.follow === 'half-life'
				? halfLifeTrail(axis.halfLife, speed)
				: springTrail(axis.frequency, axis.damping, speed);
	return (axis.atMost === null ? trail : Math.min(trail, axis.atMost)) + axis.quiet;
};
