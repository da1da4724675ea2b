import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import type { ShakePreset } from 'dinesis-runtime';
import { measureShake } from '../../src/lib/analysis';
import { starterSets } from '../../src/lib/starter/sets';
import { shakeStart } from './starter-table';

describe('the page about the starter sets', () => {
	it('says of each motion what it should do and what it does now', () => {
		const page = readFileSync('docs/starter-sets.md', 'utf8');
		const rows = starterSets().flatMap(({ name, members }) => [
			`## ${name}`,
			...members.map(({ kind, document }) =>
				kind === 'shake'
					? `| ${shakeStart(document as unknown as ShakePreset, measureShake(document as unknown as ShakePreset)).join(' | ')} |`
					: `| ${document.name}`
			)
		]);
		expect(rows.filter((row) => !page.includes(row))).toEqual([]);
	});

	it('in none of a thousand plays does anything turn faster than 120 °/s, roll more than 8° or not return', () => {
		const page = readFileSync('docs/starter-sets.md', 'utf8');
		const rows = [...page.matchAll(/^\| (.+?) \|.* \| ([\d.]+)° \| (\d+) °\/s \| (.+) \|$/gm)];
		expect(rows).toHaveLength(starterSets().flatMap(({ members }) => members.filter((m) => m.kind === 'shake')).length);
		const bad = rows.filter(([, , roll, turning, end]) => Number(roll) > 8 || Number(turning) > 120 || end !== 'to 0');
		expect(bad.map(([, name]) => name)).toEqual([]);
	});
});
