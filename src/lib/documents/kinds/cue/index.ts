import type { Cue } from 'dinesis-runtime';
import { cue as shape, newCue, type CueAction } from 'dinesis-runtime/tools';
import { kind, type At } from '../types';
import { perhaps } from '../references';

export const cue = kind<Cue>({
	space: 'cue',
	word: 'cue',
	words: 'cues',
	shape,
	fresh: (id) => ({ ...newCue(id, 'event', 'preset'), actions: [] }),
	migrations: [],
	pointing: (document, at) => ({
		...document,
		event: at('event', document.event),
		conditions: {
			...document.conditions,
			parameters: document.conditions.parameters.map((one) => ({ ...one, of: at('value', one.of) }))
		},
		actions: document.actions.map((action) => pointed(action, at))
	})
});

function pointed(action: CueAction, at: At): CueAction {
	switch (action.kind) {
		case 'play':
			return { ...action, pick: action.pick.map((one) => ({ ...one, preset: at('preset', one.preset) })) };
		case 'stop': {
			const { what } = action;
			return typeof what === 'object' && 'preset' in what
				? { ...action, what: { preset: at('preset', what.preset) } }
				: action;
		}
		case 'set':
			return { ...action, parameter: at('value', action.parameter) };
		case 'camera':
			return {
				...action,
				rig: perhaps(at, 'rig', action.rig),
				bob: perhaps(at, 'preset', action.bob),
				lag: perhaps(at, 'preset', action.lag)
			};
		case 'raise':
			return { ...action, event: at('event', action.event) };
	}
}
