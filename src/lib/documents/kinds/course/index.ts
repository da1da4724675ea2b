import { course as shape } from '../../course-shape';
import type { Course } from '../../course-types';
import { newCourse } from '../../new-course';
import { kind } from '../types';
import { perhaps } from '../references';

export const course = kind<Course>({
	space: 'course',
	word: 'course',
	words: 'courses',
	shape,
	fresh: newCourse,
	migrations: [],
	pointing: (document, at) => ({
		...document,
		rig: perhaps(at, 'rig', document.rig),
		events: document.events.map((e) => ({ ...e, event: at('event', e.event) })),
		areas: document.areas.map((area) => ({ ...area, event: at('event', area.event) })),
		values: document.values.map((value) => ({ ...value, parameter: at('value', value.parameter) }))
	})
});
