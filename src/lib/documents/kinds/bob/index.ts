import type { BobPreset } from 'dinesis-runtime';
import { bobPreset, newBob } from 'dinesis-runtime/tools';
import { kind } from '../types';
import { withDrives } from '../references';

export const bob = kind<BobPreset>({
	space: 'preset',
	word: 'head bob',
	words: 'head bobs',
	shape: bobPreset,
	fresh: newBob,
	migrations: [],
	pointing: withDrives
});
