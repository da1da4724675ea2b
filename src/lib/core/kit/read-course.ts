import type { Course } from '../course/types';
import { course } from './course-shape';
import type { ReadResult } from './read-preset';
import { refuseDangerous, Report } from './shape';

/** Checks one course and fills in what it leaves out. The object is the course's own from here on. */
export function openCourse(parsed: unknown): ReadResult<Course> {
	const report = new Report();
	refuseDangerous(parsed, report);
	if (report.problems.length === 0) course.check(parsed, report);
	if (report.problems.length > 0) return { ok: false, problems: report.problems };
	return { ok: true, value: parsed as Course };
}
