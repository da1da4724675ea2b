/** Command line arguments: `NAME --flag value --switch`. */
import { parseArgs } from 'node:util';
import { fail } from './say';

export interface Arguments {
	readonly plain: readonly string[];
	readonly flags: ReadonlyMap<string, string>;
}

/** Ends the program with what is wrong when a flag is unknown or lacks its value. */
export function readArguments(
	argv: readonly string[],
	known: { readonly values?: readonly string[]; readonly switches?: readonly string[] }
): Arguments {
	const { values = [], switches = [] } = known;
	const { tokens } = parseArgs({
		args: [...argv],
		options: {
			...Object.fromEntries(values.map((name) => [name, { type: 'string' as const }])),
			...Object.fromEntries(switches.map((name) => [name, { type: 'boolean' as const }]))
		},
		allowPositionals: true,
		// What is wrong is said in our words.
		strict: false,
		tokens: true
	});
	const plain: string[] = [];
	const flags = new Map<string, string>();
	for (const token of tokens) {
		if (token.kind === 'positional') plain.push(token.value);
		if (token.kind !== 'option') continue;
		if (switches.includes(token.name)) flags.set(token.name, 'yes');
		else if (!values.includes(token.name)) fail(`${token.rawName} is not known here. ./dinesis help lists what is.`);
		else if (token.value === undefined) fail(`--${token.name} needs a value.`);
		else flags.set(token.name, token.value);
	}
	return { plain, flags };
}

/** A flag's number; ends the program when it is none or out of range. */
export function numberFlag(
	args: Arguments,
	name: string,
	range: { readonly min: number; readonly max: number; readonly whole?: boolean }
): number | undefined {
	const text = args.flags.get(name);
	if (text === undefined) return undefined;
	const value = Number(text);
	if (text.trim() === '' || !(value >= range.min && value <= range.max) || (range.whole && !Number.isInteger(value)))
		fail(`--${name} is "${text}"; a ${range.whole ? 'whole ' : ''}number from ${range.min} to ${range.max} is needed.`);
	return value;
}
