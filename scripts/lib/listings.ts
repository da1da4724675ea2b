/** Listings of a page, by the name that stands behind their language: ```js loop.js. */
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { ROOT } from './paths';

/** Throws an Error where the page has no such listing. */
export function listing(page: string, name: string): string {
	const text = readFileSync(join(ROOT, page), 'utf8');
	const found = new RegExp('```\\w+ ' + name.replace(/\./g, '\\.') + '\\n([\\s\\S]*?)```').exec(text);
	if (!found) throw new Error(`${page} has no listing ${name}.`);
	return found[1]!;
}
