import { describe, expect, it } from 'vitest';
import { WordIndex, type Entry } from './word-index';

const entry = (id: string, name: string, tags = '', about = ''): Entry => ({ id, name, tags, about });

describe('the word index', () => {
	it('finds by name, tag and description; names count most, all words must fit, a wrong letter is forgiven', () => {
		const index = new WordIndex();
		index.put([
			entry('a', 'Far roll', 'weather', 'Thunder a mile off'),
			entry('b', 'Thunder overhead', 'heavy'),
			entry('c', 'Cask', 'heavy')
		]);
		expect(index.find('thunder')).toEqual(['b', 'a']);
		expect(index.find('thundr')).toEqual(['b', 'a']);
		expect(index.find('heav')).toHaveLength(2);
		expect(index.find('thunder heavy')).toEqual(['b']);
		expect(index.find('nothing')).toEqual([]);
	});

	it('follows changes: a new name replaces the old one, what is dropped is not found', () => {
		const index = new WordIndex();
		index.put([entry('a', 'Cask')]);
		index.put([entry('a', 'Barrel')]);
		expect([index.find('cask'), index.find('barrel')]).toEqual([[], ['a']]);
		index.drop(['a', 'gone']);
		expect(index.find('barrel')).toEqual([]);
	});
});
