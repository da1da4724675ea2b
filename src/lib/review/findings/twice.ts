import type { Course } from '$lib/documents';
import { said } from '../written';
import type { MotionCheck } from './types';

/** Within so many seconds two are one: a blink. */
export const BLINK = 0.1;

/** The same preset twice within a blink, for the same player. */
export const twice: MotionCheck<Course> = {
	check: 'twice',
	kind: 'course',
	why: 'The same motion twice at once is twice as strong, by accident: most often two cues answer one event, or the game says it twice.',
	find(course, watched) {
		const { plays } = watched.survey({ kind: 'course', id: course.id });
		const told = new Set<string>();
		return plays.flatMap((play, i) => {
			const other = plays.slice(0, i).findLast(({ preset, who }) => preset === play.preset && who === play.who);
			if (!other || play.at - other.at >= BLINK || told.has(play.preset)) return [];
			told.add(play.preset);
			const { presets } = watched.kit;
			const name = presets.find(({ id }) => id === play.preset)?.name ?? play.preset;
			return [
				{
					level: 'warning' as const,
					place: 'events',
					sentence: `At ${said(play.at)} s “${name}” is played twice within ${said(play.at - other.at)} s.`
				}
			];
		});
	}
};
