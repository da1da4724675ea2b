/** Finds presets by words, off the page's thread: an index of ten thousand is asked with every letter. */
import { expose } from 'comlink';
import type { SearchDoor } from './protocol';
import { WordIndex } from './word-index';

const own = new WordIndex();
let starters: Promise<WordIndex> | null = null;

/** The starter sets are read when they are asked for. */
const indexStarters = async (): Promise<WordIndex> => (await import('./starter-index')).indexOfStarters();

const door: SearchDoor = {
	put: (entries) => own.put(entries),
	drop: (ids) => own.drop(ids),
	find: (text) => own.find(text),
	starters: async (text) => (await (starters ??= indexStarters())).nearest(text).map(({ id, name }) => ({ id, name }))
};
expose(door);
