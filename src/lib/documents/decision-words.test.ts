import { describe, expect, it } from 'vitest';
import { decisionWords } from './decision-words';

describe('a decision in words', () => {
	const miss = (why: string, of = '', is = NaN) =>
		decisionWords({ kind: 'missed', at: 0, cue: 'c', event: 'e', why: why as never, of, is });
	it.each([
		['spent', '', NaN, 'only once, and it was'],
		['value', 'speed', 2.34567, 'speed was 2.35'],
		['value', 'mass', NaN, 'carries no mass'],
		['parameter', 'fear', 0.2, 'fear is 0.2'],
		['parameter', 'gone', NaN, 'no game value gone'],
		['chance', '', 0.25, 'by chance, 25 % answer'],
		['nothing-to-pick', '', NaN, 'nothing to pick: no preset has a weight']
	])('%s %s', (why, of, is, words) => expect(miss(why, of, is)).toBe(words));
});
