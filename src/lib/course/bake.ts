/** A course as a table of samples. */
import type { Track } from '../analysis';
import { CHANNEL_COUNT, type Clear, type Hertz, type Played } from 'dinesis-runtime/tools';
import { CourseRun } from './run';
import type { Course } from '../documents';

export interface BakeOptions {
	readonly fps?: Hertz;
	readonly seed?: number;
	/** How far it is free behind what a camera on a boom looks at; left out: everywhere. */
	readonly clear?: Clear;
	/** Called now and then with how much is done, 0–1; false gives up and makes the result null. */
	readonly progress?: (part: number) => boolean | void;
}

/**
 * The offset at each of `fps` pictures a second, from 0 to the course's end: what stood at the last step of the grid. Rates
 * that divide 120 meet the grid exactly. Null when `progress` gave up. Throws a RangeError for a rate that is not above 0.
 */
export function bakeCourse(
	kit: Played,
	course: Course,
	{ fps = 60, seed = 1, clear, progress }: BakeOptions = {}
): Track | null {
	if (!(fps > 0 && fps < Infinity)) throw new RangeError(`Pictures a second must be above 0; it is ${fps}.`);
	const count = Math.floor(course.seconds * fps + 1e-9) + 1;
	const values = new Float64Array(count * CHANNEL_COUNT);
	const run = new CourseRun(kit, course, { seed, clear });
	const { offset } = run.bodies[0]!.rig;
	for (let i = 0; i < count; i++) {
		run.advanceTo(i / fps);
		values.set(offset, i * CHANNEL_COUNT);
		if (progress && i % 600 === 0 && progress(i / count) === false) return null;
	}
	return { fps, count, values };
}
