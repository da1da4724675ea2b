import { describe, expect, it } from 'vitest';
import { newCue, type CueAction } from 'dinesis-runtime/tools';
import { cueWords } from './cue-words';

const names = (kind: string, id: string): string => `${kind} ${id}`;

describe('a cue in a few words', () => {
	it('says what sets it off and what each action does', () => {
		const cue = { ...newCue('c', 'e', 'thud') };
		expect(cueWords(cue, names)).toBe('event e happens: play preset thud');
		const play = cue.actions[0] as CueAction & { kind: 'play' };
		const pick = ['a', 'b', 'c', 'd'].map((preset) => ({ preset, weight: 1 }));
		const actions: CueAction[] = [
			{ ...play, pick },
			{ id: '22', kind: 'stop', what: 'own', cut: false, delay: 0 } as CueAction,
			{ id: '23', kind: 'set', parameter: 'cold', to: 1, delay: 0 } as CueAction,
			{ id: '24', kind: 'raise', event: 'f', delay: 0 } as CueAction,
			{ id: '25', kind: 'camera', rig: 'r', lag: null, bob: null, sizes: {}, over: 0, delay: 0 } as CueAction
		];
		expect(cueWords({ ...cue, actions }, names)).toBe(
			'event e happens: play preset a or preset b or preset c …, stop, set parameter cold, raise event f, change the camera to rig r'
		);
	});
});
