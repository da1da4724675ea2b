/**
 * JSON, read strictly: what JSON.parse would silently lose is refused with its place, and nothing makes it throw. One quick pass over the
 * text beside the engine's own parser; a slow one, which knows places, runs only where that found something to look at.
 */
import { findJsonFault, MOST_DEPTH, type JsonFault } from './json-place';

export type Parsed =
	| { readonly ok: true; readonly value: unknown }
	| { readonly ok: false; readonly place: string; readonly message: string };

const QUOTE = 34;
const BACKSLASH = 92;
const COLON = 58;
const MINUS = 45;
const isSpace = (code: number): boolean => code === 32 || (code >= 9 && code <= 13);

/** What a text shows at a glance. */
interface Glance {
	/** Names of fields in it. */
	readonly keys: number;
	/** Whether a number may be too large or too long for a double, or is −0. */
	readonly odd: boolean;
	readonly depth: number;
}

function glance(text: string): Glance {
	let [keys, depth, deepest] = [0, 0, 0];
	let odd = false;
	for (let i = 0; i < text.length; i++) {
		const code = text.charCodeAt(i);
		// Indents are a third of a text, commas most of the rest.
		if (code <= 32 || code === 44) continue;
		if (code === QUOTE) {
			let end = text.indexOf('"', i + 1);
			while (end > 0 && isEscaped(text, end)) end = text.indexOf('"', end + 1);
			// Not closed: no JSON.
			if (end < 0) break;
			i = end;
			let next = i + 1;
			while (isSpace(text.charCodeAt(next))) next++;
			if (text.charCodeAt(next) === COLON) keys++;
		} else if (code === 123 || code === 91) {
			if (++depth > deepest) deepest = depth;
		} else if (code === 125 || code === 93) depth--;
		else if (code === MINUS || (code >= 48 && code <= 57)) {
			const from = i;
			while (isOfNumber(text.charCodeAt(i + 1))) i++;
			// Short and plain ones, nearly all there are, cannot be odd.
			if (!odd && (code === MINUS || i - from > 3)) odd = isOdd(text.slice(from, i + 1));
		}
	}
	return { keys, odd, depth: deepest };
}

/** Of digits, a point, a sign, an exponent. */
const isOfNumber = (code: number): boolean =>
	(code >= 48 && code <= 57) || code === 46 || code === 101 || code === 69 || code === 43 || code === MINUS;

const isOdd = (written: string): boolean => /\d{16}|[eE]|^-0(\.0*)?$/.test(written);

function isEscaped(text: string, quote: number): boolean {
	let slashes = 0;
	while (text.charCodeAt(quote - 1 - slashes) === BACKSLASH) slashes++;
	return slashes % 2 === 1;
}

/** Counts the fields of a parsed value; with `mend` −0 becomes the 0 that it would be written as. */
function settle(value: unknown, mend: boolean): number {
	let keys = 0;
	if (Array.isArray(value)) {
		for (let i = 0; i < value.length; i++) {
			const inner: unknown = value[i];
			if (typeof inner === 'object') keys += inner === null ? 0 : settle(inner, mend);
			else if (mend && inner === 0) value[i] = 0;
		}
		return keys;
	}
	const record = value as Record<string, unknown>;
	for (const key in record) {
		keys++;
		const inner = record[key];
		if (typeof inner === 'object') keys += inner === null ? 0 : settle(inner, mend);
		else if (mend && inner === 0) record[key] = 0;
	}
	return keys;
}

const refuse = (fault: JsonFault | null): Parsed =>
	fault
		? { ok: false, place: fault.place, message: `line ${fault.line}, column ${fault.column}: ${fault.message}` }
		: { ok: false, place: '', message: 'is not JSON' };

/**
 * Parses a text. Refused, with the place: what is no JSON, nesting of more than 200, two fields of one name, numbers that are infinite as
 * doubles (1e999), whole numbers beyond ±2⁵³, which would be rounded. −0 becomes 0.
 */
export function parseJson(text: string): Parsed {
	let value: unknown;
	try {
		value = JSON.parse(text);
	} catch {
		return refuse(findJsonFault(text));
	}
	const seen = glance(text);
	if (seen.depth > MOST_DEPTH) return refuse(findJsonFault(text));
	if (Object.is(value, -0)) value = 0;
	const keys = typeof value === 'object' && value !== null ? settle(value, seen.odd) : 0;
	const fault = seen.odd || keys !== seen.keys ? findJsonFault(text) : null;
	if (fault) return refuse(fault);
	return { ok: true, value };
}

/** Bytes as text. Refused, with the place: what is no UTF-8. */
export function decodeText(
	bytes: Uint8Array
): { readonly ok: true; readonly value: string } | { readonly ok: false; readonly message: string } {
	try {
		return { ok: true, value: new TextDecoder('utf-8', { fatal: true }).decode(bytes) };
	} catch {
		const at = firstFault(bytes);
		let line = 1;
		let column = 1;
		for (let i = 0; i < at; i++) {
			if (bytes[i] === 10) [line, column] = [line + 1, 1];
			// Bytes that go on with a character are of the same column.
			else if ((bytes[i]! & 0xc0) !== 0x80) column++;
		}
		const shown = bytes[at]?.toString(16).padStart(2, '0') ?? 'the end';
		return { ok: false, message: `line ${line}, column ${column}: is no UTF-8 (${shown}); save the file as UTF-8` };
	}
}

/** Where bytes stop being UTF-8 (RFC 3629). */
function firstFault(bytes: Uint8Array): number {
	const goesOn = (at: number, from = 0x80, to = 0xbf): boolean => bytes[at]! >= from && bytes[at]! <= to;
	for (let i = 0; i < bytes.length;) {
		const b = bytes[i]!;
		if (b < 0x80) i++;
		else if (b >= 0xc2 && b <= 0xdf && goesOn(i + 1)) i += 2;
		else if (
			b >= 0xe0 &&
			b <= 0xef &&
			goesOn(i + 1, b === 0xe0 ? 0xa0 : 0x80, b === 0xed ? 0x9f : 0xbf) &&
			goesOn(i + 2)
		)
			i += 3;
		else if (
			b >= 0xf0 &&
			b <= 0xf4 &&
			goesOn(i + 1, b === 0xf0 ? 0x90 : 0x80, b === 0xf4 ? 0x8f : 0xbf) &&
			goesOn(i + 2) &&
			goesOn(i + 3)
		)
			i += 4;
		else return i;
	}
	return bytes.length;
}
