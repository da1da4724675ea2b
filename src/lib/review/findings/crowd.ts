import type { Course } from '$lib/documents';
import { said } from '../written';
import type { MotionCheck } from './types';

/** More plays than this at once. */
export const MANY = 8;

/** More plays at once than anybody can tell apart. */
export const crowd: MotionCheck<Course> = {
	check: 'crowd',
	kind: 'course',
	why: 'Many plays at once are one blur: none of them is felt for what it is, and each costs.',
	find(course, watched) {
		const { plays } = watched.survey({ kind: 'course', id: course.id });
		let [most, at] = [0, 0];
		for (const { at: time, who } of plays) {
			const together = plays.filter((other) => other.who === who && other.at <= time && other.until > time).length;
			if (together > most) [most, at] = [together, time];
		}
		if (most <= MANY) return [];
		return [{ level: 'warning', place: 'events', sentence: `At ${said(at)} s ${most} plays go on at once.` }];
	}
};
