/** What the shelf says of a project. */
import type { ShelfEntry } from '$lib/session/api';

const WORDS: readonly (readonly [keyof ShelfEntry['counts'], string, string])[] = [
	['shakes', 'shake', 'shakes'],
	['bobsAndLags', 'bob or lag', 'bobs and lags'],
	['events', 'event', 'events'],
	['cues', 'cue', 'cues'],
	['rigs', 'rig', 'rigs'],
	['courses', 'course', 'courses']
];

/** “36 shakes, 29 cues”: what there is none of is left out. */
export function sayCounts(counts: ShelfEntry['counts']): string {
	const parts = WORDS.filter(([key]) => counts[key] > 0).map(
		([key, one, many]) => `${counts[key]} ${counts[key] === 1 ? one : many}`
	);
	return parts.length === 0 ? 'nothing in it yet' : parts.join(', ');
}

const STEPS: readonly (readonly [number, Intl.RelativeTimeFormatUnit])[] = [
	[60, 'minute'],
	[60 * 60, 'hour'],
	[60 * 60 * 24, 'day'],
	[60 * 60 * 24 * 30, 'month'],
	[60 * 60 * 24 * 365, 'year']
];

/** How long ago, in the largest unit that fits: “3 hours ago”; under a minute “just now”. */
export function since(at: Date, now: Date, locale = 'en'): string {
	const seconds = Math.max(0, (now.getTime() - at.getTime()) / 1000);
	const step = [...STEPS].reverse().find(([size]) => seconds >= size);
	if (!step) return 'just now';
	return new Intl.RelativeTimeFormat(locale, { numeric: 'auto' }).format(-Math.floor(seconds / step[0]), step[1]);
}
