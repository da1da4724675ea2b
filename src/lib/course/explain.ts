/** What a course's events came to: every play that a cue asked for and what became of it, and every cue that did not answer, with why. */
import type { Decision, Played } from 'dinesis-runtime/tools';
import type { Course } from '../documents';
import { CourseRun, type RunOptions } from './run';

/** All decisions of a course, in the order in which they fell. */
export function explainCourse(kit: Played, course: Course, options: RunOptions = {}): readonly Decision[] {
	const run = new CourseRun(kit, course, options);
	const decisions: Decision[] = [];
	run.director.explain((decision) => decisions.push(decision));
	// A second at a time: what falls between is heard all the same.
	for (let time = 0; time < course.seconds; time++) run.advanceTo(time);
	run.advanceTo(course.seconds);
	return decisions;
}
