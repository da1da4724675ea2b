import { newCourse } from '../new-course';
import { describe, expect, it } from 'vitest';
import type { Course } from '../course-types';
import { checkCourses } from './course-findings';

const at = (time: number, event: string, length: number | null = null) => ({
	at: time,
	event,
	length,
	values: {},
	place: null,
	who: 0
});
const course: Course = { ...newCourse('c', 'C'), seconds: 5 };
const found = (part: Partial<Course>): string[] =>
	checkCourses({
		events: [
			{ id: 'hit', name: 'Hit', kind: 'moment', placed: false, tags: [], values: [] },
			{ id: 'run', name: 'Run', kind: 'state', placed: false, tags: [], values: [] }
		],
		parameters: [{ id: 'cold', name: 'Cold', min: 0, max: 1, rest: 0 }],
		courses: [{ ...course, ...part }]
	}).map((f) => `${f.level} ${f.place}`);

describe('courses are checked', () => {
	it('a sound one has nothing', () => {
		const areas = [{ event: 'run', x: 0, z: 0, radius: 2 }];
		const values = [{ parameter: 'cold', points: [{ at: 0, value: 1 }] }];
		expect(found({ events: [at(1, 'hit'), at(2, 'run', 1)], areas, values })).toEqual([]);
	});

	it('what is not there, what never ends, and what comes too late says where', () => {
		expect(
			found({
				events: [at(1, 'gone'), at(2, 'run'), at(6, 'hit')],
				areas: [{ event: 'hit', x: 0, z: 0, radius: 2 }],
				values: [{ parameter: 'heat', points: [{ at: 0, value: 1 }] }]
			})
		).toEqual([
			'error courses[0].events[0].event',
			'warning courses[0].events[1].length',
			'note courses[0].events[2].at',
			'error courses[0].areas[0].event',
			'error courses[0].values[0].parameter'
		]);
	});
});
