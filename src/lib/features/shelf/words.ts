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
