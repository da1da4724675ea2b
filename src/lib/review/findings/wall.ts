import type { Course } from '$lib/documents';
import { said } from '../written';
import type { MotionCheck } from './types';

/** Longer than this in one stretch it is seen, in seconds. */
export const LONG = 0.05;

/** The camera is within something solid. */
export const throughWall: MotionCheck<Course> = {
	check: 'through-wall',
	kind: 'course',
	why: 'A camera within a wall or under the ground shows what nobody was to see.',
	find(course, watched) {
		const { within } = watched.grounds;
		if (!within || course.recording) return [];
		const { path, track } = watched.one({ kind: 'course', id: course.id }).motion;
		if (!path) return [];
		let [run, most, at] = [0, 0, 0];
		for (let i = 0; i < track.count; i++) {
			const [x, y, z] = [path.places[3 * i]!, path.places[3 * i + 1]!, path.places[3 * i + 2]!];
			run = within(x, y, z) ? run + 1 : 0;
			if (run > most) [most, at] = [run, i - run + 1];
		}
		const seconds = most / track.fps;
		if (seconds <= LONG) return [];
		return [
			{
				level: 'warning',
				place: 'rig',
				sentence: `From ${said(at / track.fps)} s on the camera is within something solid, or under the ground, for ${said(seconds)} s.`
			}
		];
	}
};
