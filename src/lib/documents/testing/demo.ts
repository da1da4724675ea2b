/** The made-up game's kit, as tests play it. */
import { readFileSync } from 'node:fs';
import { readKit } from '../read';
import type { Kit } from '../kit';

/** Throws where it cannot be read. */
export function demoKit(): Kit {
	const read = readKit(readFileSync('demo/lamp-at-morrowskerry.kit.json', 'utf8'));
	if (!read.ok) throw new Error(JSON.stringify(read.problems));
	return read.value;
}
