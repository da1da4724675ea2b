/** Reading and writing a kit. Reading never throws on a bad file: it returns what is wrong, where, and what would be right. */
import { migrate } from './migrations';
import { findJsonFault } from './json-place';
import { checkHeader } from './header';
import { kitBody } from './kit-shape';
import type { ReadResult } from './read-preset';
import { isRecord, refuseDangerous, Report, type Problem } from './shape';
import { KIT_FORMAT, KIT_VERSION, type Kit } from './types';

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
	return openKit(parsed);
}

/** Checks a parsed kit and fills in what it leaves out. The object is the kit's own from here on: pass a fresh one. */
export function openKit(parsed: unknown): ReadResult<Kit> {
	if (!isRecord(parsed)) return refuse('', 'A kit is a JSON object with "format", "version" and "name".');
	if (parsed.format === KIT_FORMAT && typeof parsed.version === 'number' && parsed.version > KIT_VERSION)
		return refuse(
			'version',
			`is ${parsed.version}; this Dinesis reads up to version ${KIT_VERSION}. Open it with a newer one, or send it out as version ${KIT_VERSION}.`
		);
	const report = new Report();
	refuseDangerous(parsed, report);
	if (report.problems.length > 0) return { ok: false, problems: report.problems };
	const header = checkHeader(parsed);
	if (header.length > 0) return { ok: false, problems: header };
	const kit = migrate(parsed);
	kitBody.check(kit, report);
	if (report.problems.length > 0) return { ok: false, problems: report.problems };
	return { ok: true, value: kit as unknown as Kit };
}

/** A kit as text: two spaces of indent, fields in the order they have, a line break at the end. */
export const writeKit = (kit: Kit): string => `${JSON.stringify(kit, null, 2)}\n`;

/** A problem in one line. */
export const sayProblem = (problem: Problem): string =>
	problem.place ? `${problem.place} ${problem.message}` : problem.message;
