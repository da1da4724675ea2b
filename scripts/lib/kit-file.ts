import { closeSync, fstatSync, openSync, readSync } from 'node:fs';
import { decodeText, MOST_BYTES, readKit, sayProblem, type Kit } from '../../src/lib/documents';
import type { ReadResult } from 'dinesis-runtime';
import { fail } from './say';

const CHUNK = 1 << 20;

/** The bytes of a file of at most `most`, whatever it says of its size: a device never ends. What stands in the way comes back as a sentence. */
export function readBytes(
	path: string,
	most: number
): { ok: true; value: Uint8Array } | { ok: false; message: string } {
	let file: number | null = null;
	try {
		file = openSync(path, 'r');
		if (fstatSync(file).isDirectory()) return { ok: false, message: 'That is a folder; a file is needed.' };
		const parts: Buffer[] = [];
		let size = 0;
		for (;;) {
			const part = Buffer.alloc(CHUNK);
			const read = readSync(file, part, 0, CHUNK, null);
			if (read === 0) return { ok: true, value: Buffer.concat(parts, size) };
			parts.push(part.subarray(0, read));
			if ((size += read) > most)
				return { ok: false, message: `The file has more than ${Math.floor(most / 1048576)} MB; so much is not read.` };
		}
	} catch (error) {
		const { code } = error as NodeJS.ErrnoException;
		return { ok: false, message: code === 'ENOENT' ? 'There is no such file.' : `It cannot be opened (${code}).` };
	} finally {
		if (file !== null) closeSync(file);
	}
}

/** Reads a kit from a file; what is wrong with it comes back as problems. */
export function readKitFile(path: string): ReadResult<Kit> {
	const bytes = readBytes(path, MOST_BYTES);
	return bytes.ok ? readKit(bytes.value) : { ok: false, problems: [{ place: '', message: bytes.message }] };
}

/** Reads a kit or ends the program with exit code 2 and the places of what is wrong. */
export function needKit(path: string | undefined): Kit {
	if (path === undefined) fail('A kit file is needed.');
	const result = readKitFile(path!);
	if (!result.ok) fail(`${path} cannot be read.\n${result.problems.map((p) => `  ${sayProblem(p)}`).join('\n')}`);
	return (result as { value: Kit }).value;
}

/** The most that is read of a log or a track, in bytes. */
const MOST_TEXT = 100 * 1024 * 1024;

/** Reads a text file or ends the program with exit code 2 and what stands in the way. */
export function needText(path: string): string {
	const bytes = readBytes(path, MOST_TEXT);
	if (!bytes.ok) return fail(`${path}: ${bytes.message}`);
	const text = decodeText(bytes.value);
	return text.ok ? text.value : fail(`${path} ${text.message}`);
}
