import type { Rig } from 'dinesis-runtime';
import { newRig, rig as shape } from 'dinesis-runtime/tools';
import { kind } from '../types';
import { perhaps } from '../references';

export const rig = kind<Rig>({
	space: 'rig',
	word: 'rig',
	words: 'rigs',
	shape,
	fresh: newRig,
	migrations: [],
	pointing: (document, at) => ({
		...document,
		bob: perhaps(at, 'preset', document.bob),
		lag: perhaps(at, 'preset', document.lag),
		motion: document.motion.map((entry) => ({ ...entry, preset: at('preset', entry.preset) }))
	})
});
