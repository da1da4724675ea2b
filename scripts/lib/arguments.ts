/** Command line arguments: `NAME --flag value --switch`. */
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
	const plain: string[] = [];
	const flags = new Map<string, string>();
	for (let i = 0; i < argv.length; i++) {
		const word = argv[i]!;
		if (!word.startsWith('--')) {
			plain.push(word);
			continue;
		}
		const equals = word.indexOf('=');
		const name = equals < 0 ? word.slice(2) : word.slice(2, equals);
		if (known.switches?.includes(name)) flags.set(name, 'yes');
		else if (known.values?.includes(name)) {
			const value = equals < 0 ? argv[++i] : word.slice(equals + 1);
			if (value === undefined) fail(`--${name} needs a value.`);
			flags.set(name, value!);
		} else fail(`--${name} is not known here. ./dinesis help lists what is.`);
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
