import type { Rig } from 'dinesis-runtime';
import { toDegrees } from 'dinesis-runtime/tools';
import { CourseRun, pathSeconds } from '$lib/course';
import { courseFor } from '../motion';
import { said } from '../written';
import type { MotionCheck } from './types';

/** Metres, or degrees, that the camera may still be away from where it belongs when one has stood still for so many seconds. */
export const [BEHIND, DEGREES, STOOD] = [0.05, 0.5, 2.5];

/** Long enough for whatever creeps, in seconds. */
const FOR_GOOD = 20;

/** A lag that has not caught up long after the player stopped. */
export const notAtRest: MotionCheck<Rig> = {
	check: 'not-at-rest',
	kind: 'rig',
	why: 'A camera that still creeps when nothing moves any more feels loose, and aiming waits for it.',
	find(rig, watched) {
		if (rig.lag === null || rig.bypass.includes('lag')) return [];
		// Limits hold it elsewhere on purpose.
		const bypass = [...new Set([...rig.bypass, 'limits' as const])];
		const rigs = watched.kit.rigs.map((one) => (one.id === rig.id ? { ...rig, bypass } : one));
		const walk = courseFor({ kit: watched.kit, subject: { kind: 'rig', id: rig.id } });
		const until = pathSeconds(walk) - walk.path.at(-1)!.pause + STOOD;
		const course = {
			...walk,
			seconds: until + FOR_GOOD,
			path: walk.path.with(-1, { ...walk.path.at(-1)!, pause: 60 })
		};
		const run = new CourseRun({ ...watched.kit, rigs }, course, { clear: watched.grounds.clear });
		run.advanceTo(until);
		const a = run.bodies[0]!.rig.camera.slice();
		run.advanceTo(course.seconds);
		// What lies within its quiet stays there.
		const b = run.bodies[0]!.rig.camera;
		const far = Math.hypot(a[0]! - b[0]!, a[1]! - b[1]!, a[2]! - b[2]!);
		const same = Math.abs(a[3]! * b[3]! + a[4]! * b[4]! + a[5]! * b[5]! + a[6]! * b[6]!);
		const turn = toDegrees(2 * Math.acos(Math.min(1, same)));
		if (far <= BEHIND && turn <= DEGREES) return [];
		const what = far > BEHIND ? `${said(far * 100)} cm` : `${said(turn)}°`;
		return [
			{
				level: 'warning',
				place: 'lag',
				sentence: `${said(STOOD)} s after the player has stopped the camera still has ${what} to go.`
			}
		];
	}
};
