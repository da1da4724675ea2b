/** What is usually wrong with courses: they name events and game values that are not there, or what comes after their end. */
import type { Kit } from '../kit';
import type { Finding } from './types';

/** Everything found in a kit's courses; places begin at the kit's root. */
export function checkCourses(kit: Pick<Kit, 'events' | 'parameters' | 'courses'>): Finding[] {
	const found: Finding[] = [];
	const add = (level: Finding['level'], place: string, sentence: string): void =>
		void found.push({ check: 'course', level, place, sentence });
	kit.courses.forEach((course, c) => {
		const kindOf = (id: string) => kit.events.find((event) => event.id === id)?.kind;
		course.events.forEach((event, i) => {
			const place = `courses[${c}].events[${i}]`;
			const kind = kindOf(event.event);
			if (!kind) add('error', `${place}.event`, `There is no event “${event.event}”, so nothing happens here.`);
			else if (kind === 'state' && event.length === null)
				add(
					'warning',
					`${place}.length`,
					`“${event.event}” is a state and has no length: it lasts until the course ends.`
				);
			if (event.at > course.seconds)
				add('note', `${place}.at`, 'This comes after the end of the course and is not played.');
		});
		course.areas.forEach((area, i) => {
			if (kindOf(area.event) !== 'state')
				add('error', `courses[${c}].areas[${i}].event`, `“${area.event}” is no state of this kit; an area needs one.`);
		});
		course.values.forEach((value, i) => {
			if (!kit.parameters.some((p) => p.id === value.parameter))
				add('error', `courses[${c}].values[${i}].parameter`, `There is no game value “${value.parameter}”.`);
		});
	});
	return found;
}
