import type { Course } from './course-types';

/** A short walk, ready to have events put on it. */
export const newCourse = (id: string, name: string): Course => ({
	id,
	name,
	about: '',
	seconds: 20,
	path: [],
	trace: null,
	second: null,
	rig: null,
	steps: true,
	events: [],
	areas: [],
	values: []
});
