/** Reading a kit. Reading never throws on a bad file: it returns what is wrong, where, and what would be right. */
import { checkHeader } from './header';
import { decodeText, parseJson } from './parse-json';
import { openKit, type Kit } from './kit';
import { isOfThisVersion, isRecord } from 'dinesis-runtime/tools';
import type { ReadResult } from 'dinesis-runtime';

/** The largest file that is read, in bytes (characters, for a text). */
export const MOST_BYTES = 20 * 1024 * 1024;

const refuse = (place: string, message: string): ReadResult<never> => ({ ok: false, problems: [{ place, message }] });

/** Reads a kit from its text, or from the bytes of its file. Never throws. */
export function readKit(given: string | Uint8Array): ReadResult<Kit> {
	if (given.length > MOST_BYTES)
		return refuse('', `The file is ${Math.ceil(given.length / 1048576)} MB; a kit may have up to 20 MB.`);
	const decoded = typeof given === 'string' ? ({ ok: true, value: given } as const) : decodeText(given);
	if (!decoded.ok) return refuse('', decoded.message);
	const text = decoded.value;
	const clean = text.charCodeAt(0) === 0xfeff ? text.slice(1) : text;
	if (clean.trim() === '') return refuse('', 'The file is empty; a kit is a JSON object with "format": "dinesis-kit".');
	const parsed = parseJson(clean);
	if (!parsed.ok) return refuse(parsed.place, parsed.message);
	const { value } = parsed;
	const header = isRecord(value) && isOfThisVersion(value) ? checkHeader(value) : [];
	return header.length > 0 ? { ok: false, problems: header } : openKit(value);
}
