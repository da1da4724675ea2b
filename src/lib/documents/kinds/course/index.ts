import { checkCourses } from '../../checks/course-findings';
import { course as shape } from '../../course-shape';
import type { Course } from '../../course-types';
import { newCourse } from '../../new-course';
import { kind } from '../types';
import { to } from '../references';

export const course = kind<Course>({
	space: 'course',
	word: 'course',
	words: 'courses',
	shape,
	fresh: newCourse,
	migrations: [],
	findings: (document, { events, parameters }) => checkCourses({ events, parameters, courses: [document] }),
	references: ({ rig, events, areas, values }) => [
		...to('rig', rig),
		...events.flatMap(({ event }) => to('event', event)),
		...areas.flatMap(({ event }) => to('event', event)),
		...values.flatMap(({ parameter }) => to('value', parameter))
	]
});
