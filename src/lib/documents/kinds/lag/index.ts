import type { LagPreset } from 'dinesis-runtime';
import { lagPreset, newLag } from 'dinesis-runtime/tools';
import { kind } from '../types';

export const lag = kind<LagPreset>({
	space: 'preset',
	word: 'camera lag',
	words: 'camera lags',
	shape: lagPreset,
	fresh: newLag,
	migrations: [],
	pointing: (document) => document
});
