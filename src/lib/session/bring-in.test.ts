import { describe, expect, it } from 'vitest';
import { newPreset } from 'dinesis-runtime/tools';
import type { Choice, Standing } from '$lib/documents';
import { sayBroughtIn } from './bring-in';

const one = (standing: Standing, choice: Choice = 'both') => ({
	arrival: { kind: 'shake' as const, document: newPreset('p', 'P'), standing, pointsAt: [] },
	choice
});

describe('what came of bringing in', () => {
	it('is told by what was done with each', () => {
		const all = [one('new'), one('changed', 'replace'), one('clashing'), one('changed', 'keep'), one('same')];
		expect(sayBroughtIn(all)).toBe('2 brought in, 1 replaced, 1 left as they are, 1 were here already');
		expect(sayBroughtIn([one('new', 'keep')])).toBe('1 brought in');
	});
});
