/** What is usually wrong with courses: they name what is not there, what comes after their end, or a rig that takes motion away. */
import type { Kit } from '../kit';
import type { Course } from '../course-types';
import { checkRig } from './rig-findings';
import type { Finding } from './types';

/** What a state lasts that is given an end. */
const USUAL_S = 3;

export type CourseKit = Pick<Kit, 'events' | 'parameters' | 'rigs' | 'presets'>;

/** Everything found in one course. */
export function checkCourse(course: Course, { events, parameters, rigs, presets }: CourseKit): Finding<Course>[] {
	const found: Finding<Course>[] = [];
	const add = (level: Finding['level'], place: string, sentence: string, fix?: Finding<Course>['fix']): void =>
		void found.push({ check: 'course', level, place, sentence, ...(fix && { fix }) });
	const declared = new Map(events.map((event) => [event.id, event]));
	course.events.forEach((event, i) => {
		const known = declared.get(event.event);
		if (!known) add('error', `events[${i}].event`, `There is no event “${event.event}”, so nothing happens here.`);
		else if (known.kind === 'state' && event.length === null)
			add(
				'warning',
				`events[${i}].length`,
				`“${known.name}” is a state and has no length: it lasts until the course ends.`,
				{
					label: `End it after ${USUAL_S} s`,
					apply: (c) => ({ ...c, events: c.events.map((e, k) => (k === i ? { ...e, length: USUAL_S } : e)) })
				}
			);
		if (event.at > course.seconds)
			add('note', `events[${i}].at`, 'This comes after the end of the course and is not played.');
	});
	course.areas.forEach((area, i) => {
		if (declared.get(area.event)?.kind !== 'state')
			add('error', `areas[${i}].event`, `“${area.event}” is no state of this kit; an area needs one.`);
	});
	course.values.forEach((value, i) => {
		if (!parameters.some(({ id }) => id === value.parameter))
			add('error', `values[${i}].parameter`, `There is no game value “${value.parameter}”.`);
	});
	if (course.rig === null) return found;
	const rig = rigs.find(({ id }) => id === course.rig);
	if (!rig) add('error', 'rig', `There is no rig “${course.rig}”; the course is seen without one.`);
	else
		for (const { level, place, sentence } of checkRig(rig, presets))
			if (level === 'warning' && place.startsWith('order'))
				add('warning', 'rig', `Seen through “${rig.name}”: ${sentence}`);
	return found;
}
