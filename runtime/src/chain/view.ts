/** A camera in the body's eyes. */
import { atan2 } from '../math/look';
import { toDegrees } from '../units/quantities';
import type { RigView } from './types';

/** Of the eyes above the ground, in metres. */
export const EYE_HEIGHT = 1.62;
export const EYES: RigView = {
	kind: 'eyes',
	fov: 62,
	height: EYE_HEIGHT,
	back: 4,
	down: 12,
	side: 0,
	ahead: null,
	nearer: null,
	place: [0, 2, 0],
	yaw: 0,
	pitch: 0,
	turns: true,
	pixelsPerMetre: 32,
	tall: 360
};

/** Puts a `fixed` view's place and look into a pose that is where the body's point is; pitch and yaw at these places of it. */
export function aimFixed(
	{ place, turns, yaw, pitch }: RigView,
	pose: Float64Array,
	pitchAt: number,
	yawAt: number
): void {
	const [dx, dy, dz] = [pose[0]! - place[0], pose[1]! - place[1], pose[2]! - place[2]];
	const level = Math.sqrt(dx * dx + dz * dz);
	for (let c = 0; c < 3; c++) pose[c] = place[c]!;
	pose[yawAt] = turns && level > 1e-6 ? toDegrees(atan2(-dx, -dz)) : yaw;
	pose[pitchAt] = turns ? toDegrees(atan2(dy, level)) : pitch;
}
