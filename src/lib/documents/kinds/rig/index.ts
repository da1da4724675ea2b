import type { Rig } from 'dinesis-runtime';
import { newRig, rig as shape } from 'dinesis-runtime/tools';
import { checkRig } from '../../checks';
import { kind } from '../types';
import { perhaps } from '../references';

export const rig = kind<Rig>({
	space: 'rig',
	word: 'rig',
	words: 'rigs',
	shape,
	fresh: newRig,
	migrations: [],
	findings: (document, { presets }) => checkRig(document, presets),
	pointing: (document, at) => ({
		...document,
		bob: perhaps(at, 'preset', document.bob),
		lag: perhaps(at, 'preset', document.lag),
		motion: document.motion.map((entry) => ({ ...entry, preset: at('preset', entry.preset) }))
	})
});
