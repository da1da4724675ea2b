/** A camera in the body's eyes. */
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
