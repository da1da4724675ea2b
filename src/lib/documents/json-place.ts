/** Finds where a JSON text stops being JSON, and says so in words. Runs only after the engine's own parser refused it. */
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
const STRING = /"(?:[^"\\\u0000-\u001f]|\\(?:["\\/bfnrt]|u[0-9a-fA-F]{4}))*"/y;
const WORD = /[A-Za-z_$][\w$]*|-?Infinity|'/y;

/** The first fault of a text that JSON.parse refuses; null when there is none. */
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
		if (depth > 200) throw new Fault(at, 'lists and objects are nested more than 200 deep');
		skip();
		const c = text[at];
		if (c === '{') return group('}', depth, member);
		if (c === '[') return group(']', depth, (i, d) => ((path[path.length - 1] = i), value(d)));
		if (c === '"') {
			return void string();
		}
		if (c !== undefined && (c === '-' || (c >= '0' && c <= '9'))) {
			if (take(NUMBER) === null) fail('a number is needed');
			return;
		}
		for (const word of ['true', 'false', 'null']) if (text.startsWith(word, at)) return void (at += word.length);
		fail('a value is needed (numbers must be finite; JSON knows no NaN or Infinity)');
	}

	function string(): string {
		const whole = take(STRING);
		if (whole !== null) return whole;
		if (!/["\n]/.test(text.slice(at + 1))) at = text.length;
		return fail('a text is not closed, or holds a raw line break or a bad escape');
	}

	function member(_: number, depth: number): void {
		path[path.length - 1] = '';
		if (text[at] !== '"') fail('a field name in double quotes is needed');
		path[path.length - 1] = JSON.parse(string()) as string;
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
