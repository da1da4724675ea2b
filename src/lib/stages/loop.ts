/** A loop to try a rig on, where there is no course yet: standing, a walk, a turn, a run, stairs, standing. */
import { newCourse, type Course } from '$lib/documents';
import type { ViewKind } from 'dinesis-runtime/tools';

export const LOOP = '*loop';
/** On the spot, at a speed that one sets. */
export const TREADMILL = '*treadmill';
/** On the yard, looking out over the quay. */
export const SPOT = Float64Array.of(13.2, -3, -1.4, -18, 0);

const walked: Course['path'] = [
	{ x: 12, y: -3, z: 6, speed: 1.6, pause: 1 },
	{ x: 12.4, y: -3, z: 0, speed: 1.6, pause: 0.8 },
	{ x: 17, y: -3, z: -1, speed: 1.6, pause: 0 },
	{ x: 18, y: -3, z: -3, speed: 1.3, pause: 0 },
	{ x: 18, y: -6, z: -9, speed: 1.5, pause: 0.4 },
	{ x: 11, y: -6, z: -9, speed: 4.2, pause: 0 },
	{ x: 12, y: -6, z: -5, speed: 4.2, pause: 0 },
	{ x: 18, y: -6, z: -9, speed: 1.4, pause: 0 },
	{ x: 18, y: -3, z: -3, speed: 1.6, pause: 0 },
	{ x: 14, y: -3, z: 2, speed: 1.6, pause: 2.5 }
];
const hung: Course['path'] = [
	{ x: 16, y: -1.8, z: -5, speed: 1.8, pause: 1 },
	{ x: 12, y: -1.8, z: -5, speed: 1.6, pause: 0.6 },
	{ x: 12, y: -5, z: -5, speed: 1.8, pause: 1 },
	{ x: 18, y: -1, z: -5, speed: 2.6, pause: 0.5 },
	{ x: 16, y: -1.8, z: -5, speed: 1.8, pause: 2 }
];

/** Made for a view: a load that is moved for a flat one, a walk for all others. */
export const loopFor = (kind: ViewKind): Course => ({
	...newCourse('loop', 'A loop'),
	seconds: kind === 'flat' ? 18 : 41,
	path: kind === 'flat' ? hung : walked,
	steps: false
});
