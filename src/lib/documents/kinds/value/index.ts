import type { GameParameter } from 'dinesis-runtime';
import { parameter } from 'dinesis-runtime/tools';
import { kind } from '../types';

export const value = kind<GameParameter>({
	space: 'value',
	word: 'game value',
	words: 'game values',
	shape: parameter,
	fresh: (id, name) => ({ id, name, min: 0, max: 1, rest: 0 }),
	migrations: [],
	pointing: (document) => document
});
