import { describe, expect, it } from 'vitest';
import type { Decision } from 'dinesis-runtime/tools';
import { decidedOf, decidedWords } from './decided';

const play = (at: number, part: Partial<Decision & { kind: 'played' }> = {}): Decision => ({
	kind: 'played',
	at,
	cue: 'thunder',
	preset: 'far',
	viewer: 'one',
	outcome: 'started',
	strength: 0.984,
	felt: 1,
	...part
});
const miss = (at: number, cue = 'wet'): Decision => ({
	kind: 'missed',
	at,
	cue,
	event: 'sea',
	why: 'value',
	of: 'height',
	is: 2.5
});
const name = (): string => 'Far thunder';

describe('what an event came to', () => {
	it('is said with how much of it is felt, or why it is not', () => {
		expect(decidedWords(play(1), name)).toBe('Far thunder at 0.98');
		expect(decidedWords(play(1, { felt: 0.871 }), name)).toBe('Far thunder at 0.98, 0.87 of it felt');
		expect(decidedWords(play(1, { outcome: 'out-of-reach', felt: 0 }), name)).toBe('Far thunder at 0.98, out of reach');
		expect(decidedWords(miss(1), name)).toBe('wet: height was 2.5');
	});

	it('is what its own cues answered then, after their delays too', () => {
		const all = [miss(2), play(2.3), play(2.31), play(5), miss(2, 'other')];
		const cues = new Map([
			['thunder', [0.3]],
			['wet', [0]]
		]);
		expect(decidedOf(all, 2, cues)).toEqual([all[0], all[1]]);
		expect(decidedOf(all, 4, cues)).toEqual([]);
	});
});
