import type { Cue } from 'dinesis-runtime';
import { cue as shape, newCue } from 'dinesis-runtime/tools';
import { checkCue } from '../../checks';
import { kind } from '../types';
import { to } from '../references';

export const cue = kind<Cue>({
	space: 'cue',
	word: 'cue',
	words: 'cues',
	shape,
	fresh: (id) => ({ ...newCue(id, 'event', 'preset'), actions: [] }),
	migrations: [],
	findings: checkCue,
	references: ({ event, conditions, actions }) => [
		...to('event', event),
		...conditions.parameters.flatMap(({ of }) => to('value', of)),
		...actions.flatMap((action) => {
			switch (action.kind) {
				case 'play':
					return action.pick.flatMap(({ preset }) => to('preset', preset));
				case 'stop':
					return typeof action.what === 'object' && 'preset' in action.what ? to('preset', action.what.preset) : [];
				case 'set':
					return to('value', action.parameter);
				case 'camera':
					return [...to('rig', action.rig), ...to('preset', action.bob), ...to('preset', action.lag)];
				case 'raise':
					return to('event', action.event);
			}
		})
	]
});
