import { newCourse } from '../new-course';
import { describe, expect, it } from 'vitest';
import type { Course } from '../course-types';
import { newRig } from 'dinesis-runtime/tools';
import { checkCourse } from './course-findings';

const at = (time: number, event: string, length: number | null = null) => ({
	at: time,
	event,
	length,
	values: {},
	place: null,
	who: 0
});
const course: Course = { ...newCourse('c', 'C'), seconds: 5 };
const LIMITS = { x: [0, 1] as const, y: null, z: null, area: null, soft: 0 };
const found = (part: Partial<Course>): string[] =>
	checkCourse(
		{ ...course, ...part },
		{
			events: [
				{ id: 'hit', name: 'Hit', kind: 'moment', placed: false, tags: [], values: [] },
				{ id: 'run', name: 'Run', kind: 'state', placed: false, tags: [], values: [] }
			],
			parameters: [{ id: 'cold', name: 'Cold', min: 0, max: 1, rest: 0 }],
			presets: [],
			rigs: [
				newRig('eyes', 'Eyes'),
				{ ...newRig('late', 'Late'), limits: LIMITS, order: ['bob', 'lean', 'shakes', 'limits', 'lag', 'ceiling'] }
			]
		}
	).map((f) => `${f.level} ${f.place}`);

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
			'error events[0].event',
			'warning events[1].length',
			'note events[2].at',
			'error areas[0].event',
			'error values[0].parameter'
		]);
	});

	it('a rig that is not there, or whose order takes motion away, is told here too', () => {
		expect([found({ rig: 'gone' }), found({ rig: 'late' }), found({ rig: 'eyes' })]).toEqual([
			['error rig'],
			['warning rig'],
			[]
		]);
	});

	it('a state without an end is given one by its fix', () => {
		const open = { ...course, events: [at(1, 'run')] };
		const kit = {
			events: [{ id: 'run', name: 'Run', kind: 'state', placed: false, tags: [], values: [] } as const],
			parameters: [],
			presets: [],
			rigs: []
		};
		const [finding] = checkCourse(open, kit);
		expect(checkCourse(finding!.fix!.apply(open), kit)).toEqual([]);
	});
});
