/** Finds where a JSON text stops being JSON, or holds what JSON.parse would silently lose, and says so in words. In time that goes with the text. */
import { placeOf } from 'dinesis-runtime/tools';

export interface JsonFault {
	/** The place in the document, as in `presets[3].timing`. */
	readonly place: string;
	readonly line: number;
	readonly column: number;
	readonly message: string;
}

class Fault extends Error {
	constructor(
		readonly at: number,
		message: string
	) {
		super(message);
	}
}

const SPACE = /[ \t\n\r]*/y;
const NUMBER = /-?(?:0|[1-9]\d*)(?:\.\d+)?(?:[eE][+-]?\d+)?/y;
/** How deep lists and objects may be nested. */
export const MOST_DEPTH = 200;
const ESCAPE = /\\(?:["\\/bfnrt]|u[0-9a-fA-F]{4})/y;
const WORD = /[A-Za-z_$][\w$]*|-?Infinity|'/y;

const short = (text: string): string => (text.length > 24 ? `${text.slice(0, 23)}…` : text);

/** The first fault of a text; null when there is none. */
export function findJsonFault(text: string): JsonFault | null {
	const path: (string | number)[] = [];
	let at = 0;

	const take = (pattern: RegExp): string | null => {
		pattern.lastIndex = at;
		const match = pattern.exec(text);
		if (!match) return null;
		at += match[0].length;
		return match[0];
	};
	const skip = (): void => void take(SPACE);
	const fail = (message: string): never => {
		throw new Fault(at, at >= text.length ? `the text ends here; ${message}` : `${message}, not ${found()}`);
	};
	const found = (): string => {
		WORD.lastIndex = at;
		return JSON.stringify(WORD.exec(text)?.[0] ?? text[at] ?? '');
	};

	function value(depth: number): void {
		if (depth > MOST_DEPTH) throw new Fault(at, `lists and objects are nested more than ${MOST_DEPTH} deep`);
		skip();
		const c = text[at];
		if (c === '{') {
			names.push(new Set());
			group('}', depth, member);
			names.pop();
			return;
		}
		if (c === '[') return group(']', depth, (i, d) => ((path[path.length - 1] = i), value(d)));
		if (c === '"') {
			return void string();
		}
		if (c !== undefined && (c === '-' || (c >= '0' && c <= '9'))) {
			const from = at;
			const written = take(NUMBER) ?? fail('a number is needed');
			const number = Number(written);
			if (
				Number.isFinite(number) &&
				!(Number.isInteger(number) && Math.abs(number) > Number.MAX_SAFE_INTEGER && /^-?\d+$/.test(written))
			)
				return;
			throw new Fault(
				from,
				Number.isFinite(number)
					? `${short(written)} is beyond 2^53 and would be rounded; write it as a text`
					: `${short(written)} is too large for a number`
			);
		}
		for (const word of ['true', 'false', 'null']) if (text.startsWith(word, at)) return void (at += word.length);
		fail('a value is needed (numbers must be finite; JSON knows no NaN or Infinity)');
	}

	/** Moves past a text and gives it as it is written. */
	function string(): string {
		const from = at;
		for (let i = at + 1; i < text.length; i++) {
			const code = text.charCodeAt(i);
			if (code === 34) {
				at = i + 1;
				return text.slice(from, at);
			}
			if (code < 32) break;
			if (code !== 92) continue;
			ESCAPE.lastIndex = i;
			const escape = ESCAPE.exec(text);
			if (!escape) break;
			i += escape[0].length - 1;
		}
		if (!/["\n]/.test(text.slice(at + 1))) at = text.length;
		return fail('a text is not closed, or holds a raw line break or a bad escape');
	}
	/** Names of the objects that the walk is in, the innermost last. */
	const names: Set<string>[] = [];
	function member(_: number, depth: number): void {
		path[path.length - 1] = '';
		if (text[at] !== '"') fail('a field name in double quotes is needed');
		const from = at;
		const name = JSON.parse(string()) as string;
		path[path.length - 1] = name;
		const here = names[names.length - 1]!;
		if (here.has(name)) throw new Fault(from, 'the object has a field of this name already; one of them would be lost');
		here.add(name);
		skip();
		if (text[at] !== ':') fail('a ":" is needed');
		at++;
		value(depth);
	}

	function group(close: string, depth: number, item: (index: number, depth: number) => void): void {
		at++;
		skip();
		if (text[at] === close) return void at++;
		path.push('');
		for (let i = 0; ; i++) {
			skip();
			path[path.length - 1] = i;
			item(i, depth + 1);
			skip();
			if (text[at] === close) break;
			if (text[at] !== ',') fail(`a "," or "${close}" is needed`);
			at++;
		}
		path.pop();
		at++;
	}

	try {
		value(0);
		skip();
		if (at < text.length) fail('nothing more is allowed after the end');
		return null;
	} catch (error) {
		if (!(error instanceof Fault)) throw error;
		const before = text.slice(0, error.at);
		const line = before.split('\n').length;
		return {
			place: placeOf(path.filter((step) => step !== '')),
			line,
			column: error.at - before.lastIndexOf('\n'),
			message: error.message
		};
	}
}
