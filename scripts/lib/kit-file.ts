import { readFileSync, statSync } from 'node:fs';
import { MOST_BYTES, readKit, sayProblem, type Kit } from '../../src/lib/documents';
import type { ReadResult } from 'dinesis-runtime';
import { fail } from './say';

/** Reads a kit from a file; what is wrong with it comes back as problems. */
export function readKitFile(path: string): ReadResult<Kit> {
	let text: string;
	try {
		const size = statSync(path).size;
		if (size > MOST_BYTES)
			return refuse(`The file is ${Math.ceil(size / 1048576)} MB; a kit may have up to ${MOST_BYTES / 1048576} MB.`);
		text = readFileSync(path, 'utf8');
	} catch (error) {
		const code = (error as NodeJS.ErrnoException).code;
		return refuse(
			code === 'ENOENT'
				? 'There is no such file.'
				: code === 'EISDIR'
					? 'That is a folder; a file is needed.'
					: `It cannot be opened (${code}).`
		);
	}
	return readKit(text);
}

const refuse = (message: string): ReadResult<never> => ({ ok: false, problems: [{ place: '', message }] });

/** Reads a kit or ends the program with exit code 2 and the places of what is wrong. */
export function needKit(path: string | undefined): Kit {
	if (path === undefined) fail('A kit file is needed.');
	const result = readKitFile(path!);
	if (!result.ok) fail(`${path} cannot be read.\n${result.problems.map((p) => `  ${sayProblem(p)}`).join('\n')}`);
	return (result as { value: Kit }).value;
}
