import type { ShakePreset } from 'dinesis-runtime';
import type { Course } from '$lib/documents';
import { withAmount } from './shake-parts';
import { said } from '../written';
import type { MotionCheck } from './types';
import type { Watch } from './watched';

/** Farther off its place than this, in percent of the picture's height, for longer than this in one stretch, in seconds. */
export const [FAR, LONG] = [10, 1];

/** The longest stretch, and when it begins. */
function longest({ trail, motion: { track } }: Watch): { readonly seconds: number; readonly at: number } {
	let [run, most, at] = [0, 0, 0];
	for (let i = 0; i < track.count; i++) {
		run = trail[2 * i]! ** 2 + trail[2 * i + 1]! ** 2 > FAR * FAR ? run + 1 : 0;
		if (run > most) [most, at] = [run, i - run + 1];
	}
	return { seconds: most / track.fps, at: at / track.fps };
}

const why = 'What one aims at or looks for is not where one looks: for longer than a moment it costs control.';

export const offCentre: MotionCheck<ShakePreset> = {
	check: 'off-centre',
	kind: 'shake',
	why,
	find(preset, watched) {
		const seconds = watched.median(preset, (watch) => longest(watch).seconds);
		if (seconds <= LONG) return [];
		const farthest = watched.figure(preset, 'percent');
		const amount = (preset.amount * 0.95 * FAR) / farthest;
		return [
			{
				level: 'warning',
				place: 'amount',
				sentence: `The centre is farther than ${FAR} % of the picture’s height from its place for ${said(seconds)} s in one go.`,
				fix: {
					label: `Lower the amount to ${said(Number(amount.toPrecision(2)))}`,
					document: withAmount(preset, amount)
				}
			}
		];
	}
};

export const offCentreOnCourse: MotionCheck<Course> = {
	check: 'off-centre',
	kind: 'course',
	why,
	find(course, watched) {
		const { seconds, at } = longest(watched.one({ kind: 'course', id: course.id }));
		if (seconds <= LONG) return [];
		return [
			{
				level: 'warning',
				place: 'events',
				sentence: `From ${said(at)} s on the centre is farther than ${FAR} % of the picture’s height from its place for ${said(seconds)} s.`
			}
		];
	}
};
