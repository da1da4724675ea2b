/** Which cues the room lists, and in what order. Pure: it is asked again with every change. */
import type { Cue } from 'dinesis-runtime';
import { cueWords } from '$lib/documents';

/** In their own order, which is that of their answers; by the event; or by what they play. */
export type CueOrder = 'own' | 'event' | 'preset';

export interface CueGroup {
	/** Empty where they are not grouped. */
	readonly heading: string;
	readonly cues: readonly Cue[];
}

type Names = (kind: 'event' | 'preset' | 'rig' | 'parameter', id: string) => string;

const firstPreset = (cue: Cue): string => {
	const play = cue.actions.find((action) => action.kind === 'play');
	return play?.kind === 'play' ? (play.pick[0]?.preset ?? '') : '';
};

/** All of what a cue says, in small letters. */
const textOf = (cue: Cue, names: Names): string => {
	const presets = cue.actions.flatMap((action) => (action.kind === 'play' ? action.pick : []));
	const said = [cue.id, cueWords(cue, names), ...presets.map(({ preset }) => names('preset', preset))];
	return [...said, ...cue.conditions.tags].join(' ').toLowerCase();
};

/** Those that have all the words, grouped as asked; groups and cues within them in the order of the list. */
export function listedCues(cues: readonly Cue[], words: string, order: CueOrder, names: Names): readonly CueGroup[] {
	const wanted = words.trim().toLowerCase().split(/\s+/).filter(Boolean);
	const found =
		wanted.length === 0
			? cues
			: cues.filter((cue) => {
					const text = textOf(cue, names);
					return wanted.every((word) => text.includes(word));
				});
	if (order === 'own') return found.length > 0 ? [{ heading: '', cues: found }] : [];
	const groups = new Map<string, Cue[]>();
	for (const cue of found) {
		const preset = firstPreset(cue);
		const heading =
			order === 'event' ? names('event', cue.event) : preset === '' ? 'plays nothing' : names('preset', preset);
		const group = groups.get(heading);
		if (group) group.push(cue);
		else groups.set(heading, [cue]);
	}
	return [...groups].map(([heading, cues]) => ({ heading, cues }));
}
