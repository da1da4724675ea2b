/** What the shelf says of a project. */
import type { ShelfEntry } from '$lib/session/api';
import type { Worker } from '$lib/session/project-api';

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

/** “3 changes since you were here, by Ada and Ben”. */
export function sayNews(changes: number, workers: readonly Pick<Worker, 'who'>[]): string {
	const said = `${changes} ${changes === 1 ? 'change' : 'changes'} since you were here`;
	const names = workers.map(({ who }) => who || 'somebody');
	if (names.length === 0) return said;
	const shown = names.length > 3 ? [...names.slice(0, 3), `${names.length - 3} more`] : names;
	return `${said}, by ${new Intl.ListFormat('en', { type: 'conjunction' }).format(shown)}`;
}
