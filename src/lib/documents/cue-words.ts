/** Cues as they are said. */
import type { Cue } from 'dinesis-runtime';
import type { CueAction } from 'dinesis-runtime/tools';

/** Words longer than this are cut in the list. */
const MOST_NAMES = 3;

/** A cue in a few words: “Cask set down happens: play Cask thud”. */
export function cueWords(
	cue: Cue,
	names: (kind: 'event' | 'preset' | 'rig' | 'parameter', id: string) => string
): string {
	const act = (action: CueAction): string => {
		if (action.kind === 'play') {
			const list = action.pick.map((p) => names('preset', p.preset));
			const more = list.length > MOST_NAMES ? ' …' : '';
			return `play ${list.slice(0, MOST_NAMES).join(' or ')}${more}`;
		}
		if (action.kind === 'stop') return 'stop';
		if (action.kind === 'set') return `set ${names('parameter', action.parameter)}`;
		if (action.kind === 'raise') return `raise ${names('event', action.event)}`;
		return `change the camera${action.rig ? ` to ${names('rig', action.rig)}` : ''}`;
	};
	return `${names('event', cue.event)} ${cue.when}: ${cue.actions.map(act).join(', ')}`;
}
