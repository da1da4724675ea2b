import { describe, expect, it } from 'vitest';
import { freeSlug, projectName } from './names';

describe('addresses', () => {
	it('keep letters of any script and drop only the accents of Latin ones', () => {
		expect(freeSlug('Lamp at Morrowskerry', [])).toBe('lamp-at-morrowskerry');
		expect(freeSlug('  Glímá & Sjór!  ', [])).toBe('glima-sjor');
		expect(freeSlug('Маяк', [])).toBe('маяк');
		expect(freeSlug('灯台 2', [])).toBe('灯台-2');
		// The vowel signs of a script that writes them as marks are part of the word.
		expect(freeSlug('दीपक', [])).toBe('दीपक');
		expect(freeSlug('★ ★', [])).toBe('project');
	});

	it('are numbered when taken, by a project or by a page of ours', () => {
		expect(freeSlug('Harbour', ['harbour', 'harbour-2'])).toBe('harbour-3');
		expect(freeSlug('API', [])).toBe('api-2');
		expect(freeSlug('Projects', [])).toBe('projects-2');
	});

	it('stay short whatever the name is', () => {
		expect([...freeSlug('𝒜'.repeat(120), [])].length).toBeLessThanOrEqual(58);
	});
});

describe('names', () => {
	const fault = (text: string): string | null => {
		try {
			projectName.validateSync(text, { strict: true });
			return null;
		} catch (error) {
			return (error as Error).message;
		}
	};
	it('of any script pass', () => {
		for (const name of ['Маяк', '灯台', 'منارة', 'A', '★', '  spaced  ', 'x'.repeat(120)])
			expect(fault(name)).toBe(null);
	});

	it('that nobody could see, of several lines or too long are refused with a sentence', () => {
		expect(fault('')).toBe('a name is needed');
		expect(fault(' \u200b ')).toContain('at least one letter');
		expect(fault('a\nb')).toContain('control characters');
		expect(fault('a\0')).toContain('control characters');
		expect(projectName.optional().isValidSync(undefined)).toBe(true);
		expect(fault('x'.repeat(121))).toContain('at most 120');
	});
});
