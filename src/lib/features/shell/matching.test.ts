import { describe, expect, it } from 'vitest';
import { matching } from './matching';

const command = (label: string, about = '', found?: string) => ({ id: label, label, about, found, run: () => {} });
const all = [
	command('Undo', 'Add “New bob”', ''),
	command('Go to the Bench', 'tune one preset'),
	command('New bob', 'head bobs'),
	command('Thunder', 'shake, weather'),
	command('Thunder far off', 'shake, weather'),
	command('Glímá', 'shake')
];
const labels = (typed: string): string[] => matching(all, typed).map((c) => c.label);

describe('what the palette runs', () => {
	it('is only what has every word that was typed', () => {
		expect(labels('new bob')).toEqual(['New bob']);
		expect(labels('bob thunder')).toEqual([]);
		expect(labels('zzz')).toEqual([]);
		expect(labels('!')).toEqual([]);
	});

	it('undo is found by its own name and not by what it would take back', () => {
		expect(labels('undo')).toEqual(['Undo']);
		expect(labels('add')).toEqual([]);
	});

	it('the label counts more than what it is about, and the whole word more than a beginning', () => {
		expect(labels('thunder')).toEqual(['Thunder', 'Thunder far off']);
		expect(labels('weather')).toEqual(['Thunder', 'Thunder far off']);
		expect(labels('bench')[0]).toBe('Go to the Bench');
		expect(labels('glima')).toEqual(['Glímá']);
	});

	it('forgives one letter of a longer word, not of a short one', () => {
		for (const typed of ['thander', 'thundr', 'thundder', 'thnuder', 'thande'])
			expect(labels(typed)[0]).toBe('Thunder');
		expect(labels('thundirx')).toEqual([]);
		expect(labels('nwe')).toEqual([]);
		// A letter that was left out, and not the first one.
		expect(labels('gima')).toEqual(['Glímá']);
		expect(labels('b0b')).toEqual([]);
		expect(matching([command('Heavy door')], 'hevy dor')).toHaveLength(1);
	});

	it('nothing typed: everything, as it came', () => {
		expect(labels('  ')).toEqual(all.map((c) => c.label));
	});
});
