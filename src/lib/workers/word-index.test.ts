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

describe('ordinary words', () => {
	const index = new WordIndex();
	index.put([
		entry('blast', 'Blast close by', 'near', 'A charge goes off a few steps away.'),
		entry('train', 'Train passes close by', 'long', 'From the first hum to the last car.'),
		entry('door', 'Heavy door falls shut', 'heavy', 'Oak or iron meets its frame.'),
		entry('nights', 'Two nights without sleep', 'tired', 'The head sinks, catches itself.'),
		entry('firing', 'Firing without pause', 'gun', 'One motion for a whole burst.')
	]);
	const first = (text: string): string | undefined => index.nearest(text)[0]?.id;

	it('words that mean the same find it, also half typed or misspelled; whole phrases do', () => {
		expect(index.find('explosion')).toEqual(['blast']);
		expect(index.find('explosoin')).toEqual(['blast']);
		expect(index.find('explo')).toEqual(['blast']);
		expect(index.find('machine gun')).toEqual(['firing']);
	});

	it('a phrase that holds a small word is one too', () => {
		const own = new WordIndex();
		own.put([entry('fall', 'House comes down', 'collapse'), entry('coin', 'Picked up', 'collect')]);
		expect(own.find('cave-in')).toEqual(['fall']);
		expect(own.find('a pick-up')).toEqual(['coin']);
		expect(own.find('up')).toEqual(['coin']);
	});

	it('a word is known by its stem, and small words say nothing', () => {
		expect(index.find('falling doors')).toEqual(['door']);
		expect(index.find('the door of my house')).toEqual([]);
		expect(index.find('with the door')).toEqual(['door']);
		expect(first('he has not slept for two days')).toBe('nights');
	});

	it('a wish is met by what fits most of its words; asked strictly, all must fit', () => {
		expect(first('a heavy door falls shut behind me')).toBe('door');
		expect(first('the train passes close by my window')).toBe('train');
		expect(index.find('train without windows')).toEqual([]);
		expect(index.nearest('zzzz')).toEqual([]);
	});

	it('what fits as it is spelled is not mixed with what is spelled nearly so', () => {
		const own = new WordIndex();
		own.put([entry('a', 'Cart'), entry('b', 'Card')]);
		expect(own.find('cart')).toEqual(['a']);
		expect(own.find('carx').sort()).toEqual(['a', 'b']);
	});
});
