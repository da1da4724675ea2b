/** Reading and writing a kit. Reading never throws on a bad file: it returns what is wrong, where, and what would be right. */
import { checkHeader } from './header';
import { findJsonFault } from './json-place';
import { openKit, type Kit } from './kit';
import { isOfThisVersion, isRecord } from 'dinesis-runtime/tools';
import type { ReadResult, Problem } from 'dinesis-runtime';

/** The largest file that is read, in bytes (characters, for a text). */
export const MOST_BYTES = 20 * 1024 * 1024;

const refuse = (place: string, message: string): ReadResult<never> => ({ ok: false, problems: [{ place, message }] });

/** Reads a kit from its text. */
export function readKit(text: string): ReadResult<Kit> {
	if (text.length > MOST_BYTES)
		return refuse('', `The file is ${Math.ceil(text.length / 1048576)} MB; a kit may have up to 20 MB.`);
	const clean = text.charCodeAt(0) === 0xfeff ? text.slice(1) : text;
	if (clean.trim() === '') return refuse('', 'The file is empty; a kit is a JSON object with "format": "dinesis-kit".');
	let parsed: unknown;
	try {
		parsed = JSON.parse(clean);
	} catch {
		const fault = findJsonFault(clean);
		return refuse(
			fault?.place ?? '',
			fault ? `line ${fault.line}, column ${fault.column}: ${fault.message}` : 'is not JSON'
		);
	}
	const header = isRecord(parsed) && isOfThisVersion(parsed) ? checkHeader(parsed) : [];
	return header.length > 0 ? { ok: false, problems: header } : openKit(parsed);
}

/** A kit as text: two spaces of indent, fields in the order they have, a line break at the end. */
export const writeKit = (kit: Kit): string => `${JSON.stringify(kit, null, 2)}\n`;

/** A problem in one line. */
export const sayProblem = (problem: Problem): string =>
	problem.place ? `${problem.place} ${problem.message}` : problem.message;
