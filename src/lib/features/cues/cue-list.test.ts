import { describe, expect, it } from 'vitest';
import type { Cue } from 'dinesis-runtime';
import { newCue } from 'dinesis-runtime/tools';
import { listedCues } from './cue-list';

const names = (_: string, id: string): string => ({ hit: 'Hit by a cask', fall: 'Fall', thud: 'Dull thud' })[id] ?? id;
const tagged = newCue('c', 'hit', 'rattle');
const cues: readonly Cue[] = [
	newCue('a', 'hit', 'thud'),
	newCue('b', 'fall', 'thud'),
	{ ...tagged, conditions: { ...tagged.conditions, tags: ['enemy'] } },
	{ ...newCue('d', 'fall', 'x'), actions: [{ id: '1', kind: 'stop', what: 'own', cut: false, delay: 0 }] }
];
const shown = (words: string, order: 'own' | 'event' | 'preset' = 'own') =>
	listedCues(cues, words, order, names).map(({ heading, cues }) => [heading, cues.map(({ id }) => id).join('')]);

describe('the list of cues', () => {
	it('is searched by what its sentences say: events, presets, tags, all of the words', () => {
		expect(shown('')).toEqual([['', 'abcd']]);
		expect(shown('cask')).toEqual([['', 'ac']]);
		expect(shown('THUD fall')).toEqual([['', 'b']]);
		expect(shown('enemy')).toEqual([['', 'c']]);
		expect(shown('nothing of the kind')).toEqual([]);
	});

	it('is grouped by the event or by what is played, each in the order of the list', () => {
		expect(shown('', 'event')).toEqual([
			['Hit by a cask', 'ac'],
			['Fall', 'bd']
		]);
		expect(shown('', 'preset')).toEqual([
			['Dull thud', 'ab'],
			['rattle', 'c'],
			['plays nothing', 'd']
		]);
	});
});
