import type { GameEvent } from 'dinesis-runtime';
import { gameEvent } from 'dinesis-runtime/tools';
import { kind } from '../types';

export const event = kind<GameEvent>({
	space: 'event',
	word: 'event',
	words: 'events',
	shape: gameEvent,
	fresh: (id, name) => ({ id, name, kind: 'moment', placed: false, tags: [], values: [] }),
	migrations: [],
	pointing: (document) => document
});
