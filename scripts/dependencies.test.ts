import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { expect, it } from 'vitest';
import { dependenciesPage } from './lib/dependencies';
import { ROOT } from './lib/paths';

/** Of a table's row, its cells; spaces and lines are the formatter's. */
const cells = (page: string): string[] =>
	page
		.split('\n')
		.filter((line) => line.startsWith('|') && !/^\|[\s|-]+$/.test(line))
		.map((line) =>
			line
				.split('|')
				.map((cell) => cell.trim())
				.join('|')
		);

it('docs/dependencies.md tells every package that runs, with its version, its licence and why', () => {
	const written = cells(readFileSync(join(ROOT, 'docs/dependencies.md'), 'utf8'));
	expect(written).toEqual(cells(dependenciesPage()));
	expect(written.length).toBeGreaterThan(40);
	expect(written.filter((row) => /undefined|UNKNOWN/.test(row))).toEqual([]);
});
