import type { ShakePreset } from 'dinesis-runtime';
import { newPreset, shakePreset } from 'dinesis-runtime/tools';
import { kind } from '../types';
import { withDrives } from '../references';

export const shake = kind<ShakePreset>({
	space: 'preset',
	word: 'shake',
	words: 'shakes',
	shape: shakePreset,
	fresh: newPreset,
	migrations: [],
	pointing: withDrives
});
