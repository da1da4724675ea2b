/**
 * The ids of a kit as constants of a language, so that one that is mistyped does not compile (or, where nothing compiles, is told at once).
 * Words of an id become words of the language; where two ids would become one name, both keep their dashes as low lines.
 */
import type { Kit } from '../documents';

export const LANGUAGES = ['typescript', 'csharp', 'c', 'lua', 'python', 'json'] as const;
export type Language = (typeof LANGUAGES)[number];

export const LANGUAGE_WORDS: Readonly<Record<Language, { readonly label: string; readonly file: string }>> = {
	typescript: { label: 'TypeScript', file: 'motion-names.ts' },
	csharp: { label: 'C#', file: 'MotionNames.cs' },
	c: { label: 'C and C++', file: 'motion_names.h' },
	lua: { label: 'Lua', file: 'motion_names.lua' },
	python: { label: 'Python', file: 'motion_names.py' },
	json: { label: 'JSON', file: 'motion-names.json' }
};

interface Group {
	/** One, several: “Event”, “Events”. */
	readonly one: string;
	readonly many: string;
	readonly ids: readonly string[];
}

type NamedKit = Pick<Kit, 'name' | 'events' | 'parameters' | 'presets' | 'rigs'>;

const groupsOf = ({ events, parameters, presets, rigs }: NamedKit): readonly Group[] => {
	const ids = (list: readonly { readonly id: string }[]): string[] => list.map(({ id }) => id);
	return [
		{ one: 'Event', many: 'Events', ids: ids(events.filter(({ kind }) => kind === 'moment')) },
		{ one: 'State', many: 'States', ids: ids(events.filter(({ kind }) => kind === 'state')) },
		{ one: 'Value', many: 'Values', ids: ids(parameters) },
		{ one: 'Preset', many: 'Presets', ids: ids(presets) },
		{ one: 'Rig', many: 'Rigs', ids: ids(rigs) }
	];
};

const snake = (id: string): string => id.replace(/-/g, '_');
const pascal = (id: string): string => id.replace(/(^|-)([a-z0-9])/g, (_, __, letter: string) => letter.toUpperCase());
const camel = (id: string): string => id.replace(/-([a-z0-9])/g, (_, letter: string) => letter.toUpperCase());

/** A name for each id, by a way of writing; `lead` goes before a digit. */
function named(
	ids: readonly string[],
	write: (id: string) => string,
	lead: string
): readonly [id: string, name: string][] {
	const digits = (name: string): string => (/^\d/.test(name) ? `${lead}${name}` : name);
	const counts = new Map<string, number>();
	for (const id of ids) counts.set(digits(write(id)), (counts.get(digits(write(id))) ?? 0) + 1);
	const taken = new Set<string>();
	return ids.map((id): [string, string] => {
		const plain = digits(write(id));
		let name = counts.get(plain)! > 1 ? digits(snake(id)) : plain;
		while (taken.has(name)) name += '_';
		taken.add(name);
		return [id, name];
	});
}

const MADE =
	'Made from a kit: ids of events, states, game values, presets and rigs. Make it again when the kit changes.';

function typescript(kit: NamedKit): string {
	const parts = groupsOf(kit).map(({ one, many, ids }) => {
		const rows = named(ids, camel, '_').map(([id, name]) => `\t${name}: '${id}'`);
		const type = ids.length === 0 ? 'never' : `(typeof ${many})[keyof typeof ${many}]`;
		return `export const ${many} = {${rows.length > 0 ? `\n${rows.join(',\n')}\n` : ''}} as const;\nexport type ${one}Id = ${type};\n`;
	});
	const numbers = kit.events.map(({ id, values }) => {
		const fields = values.map(
			(v) => `\t\t/** ${v.unit || 'no unit'}, ${v.min} to ${v.max} */\n\t\treadonly '${v.id}': number;`
		);
		return `\t'${id}': {${fields.length > 0 ? `\n${fields.join('\n')}\n\t` : ''}};`;
	});
	return `// ${MADE}\n${parts.join('\n')}\n/** The numbers that each event and state carries. */\nexport interface Numbers {\n${numbers.join('\n')}\n}\n`;
}

const RANGES = (unit: string, min: number, max: number): string => `${unit || 'no unit'}, ${min} to ${max}`;

function csharp(kit: NamedKit): string {
	const parts = groupsOf(kit).map(({ many, ids }) => {
		const rows = named(ids, pascal, '_').map(([id, name]) => `\t\tpublic const string ${name} = "${id}";`);
		return `\tpublic static class ${many}\n\t{\n${rows.map((row) => `${row}\n`).join('')}\t}\n`;
	});
	const carry = kit.events.filter(({ values }) => values.length > 0);
	const events = new Map(
		named(
			carry.map(({ id }) => id),
			pascal,
			'_'
		)
	);
	const numbers = carry.map(({ id, values }) => {
		const fields = new Map(
			named(
				values.map((v) => v.id),
				pascal,
				'_'
			)
		);
		// A member must not be called as its class.
		const own = (name: string): string => (name === events.get(id) ? `${name}_` : name);
		const rows = values.map(
			(v) =>
				`\t\t\t/// <summary>${RANGES(v.unit, v.min, v.max).replace(/[<&]/g, ' ')}</summary>\n\t\t\tpublic const string ${own(fields.get(v.id)!)} = "${v.id}";\n`
		);
		return `\t\tpublic static class ${events.get(id)}\n\t\t{\n${rows.join('')}\t\t}\n`;
	});
	return `// ${MADE}\nnamespace MotionNames\n{\n${parts.join('\n')}\n\t/// <summary>The numbers that events and states carry.</summary>\n\tpublic static class Numbers\n\t{\n${numbers.join('')}\t}\n}\n`;
}

function cHeader(kit: NamedKit): string {
	const upper = (id: string): string => snake(id).toUpperCase();
	const rows = groupsOf(kit).flatMap(({ one, many, ids }) => [
		`/* ${many} */`,
		...ids.map((id) => `static const char MOTION_${one.toUpperCase()}_${upper(id)}[] = "${id}";`),
		''
	]);
	const numbers = kit.events.flatMap(({ id, values }) =>
		values.map(
			(v) =>
				`/* ${RANGES(v.unit, v.min, v.max).replace(/\*\//g, ' ')} */\nstatic const char MOTION_NUMBER_${upper(id)}__${upper(v.id)}[] = "${v.id}";`
		)
	);
	return `/* ${MADE} */\n#ifndef MOTION_NAMES_H\n#define MOTION_NAMES_H\n\n${rows.join('\n')}/* The numbers that events and states carry. */\n${numbers.map((row) => `${row}\n`).join('')}\n#endif\n`;
}

function lua(kit: NamedKit): string {
	const strict = (inner: string, what: string): string =>
		`setmetatable({\n${inner}}, { __index = function(_, name) error("no ${what} is called " .. tostring(name), 2) end })`;
	const parts = groupsOf(kit).map(({ one, many, ids }) => {
		const rows = named(ids, snake, '_').map(([id, name]) => `\t["${name}"] = "${id}",\n`);
		return `M.${many.toLowerCase()} = ${strict(rows.join(''), one.toLowerCase())}\n`;
	});
	const carry = kit.events.filter(({ values }) => values.length > 0);
	const numbers = carry.map(
		({ id, values }) =>
			`\t["${snake(id)}"] = ${strict(values.map((v) => `\t\t["${snake(v.id)}"] = "${v.id}",\n`).join(''), `number of ${id}`)},\n`
	);
	return `-- ${MADE}\nlocal M = {}\n${parts.join('')}M.numbers = ${strict(numbers.join(''), 'event that carries numbers')}\nreturn M\n`;
}

function python(kit: NamedKit): string {
	const upper = (id: string): string => snake(id).toUpperCase();
	const body = (ids: readonly string[]): string =>
		ids.length === 0
			? '    pass\n'
			: named(ids, upper, 'N')
					.map(([id, name]) => `    ${name} = "${id}"\n`)
					.join('');
	const parts = groupsOf(kit).map(({ one, ids }) => `class ${one}(str, Enum):\n${body(ids)}`);
	const carry = kit.events.filter(({ values }) => values.length > 0);
	const classes = new Map(
		named(
			carry.map(({ id }) => id),
			pascal,
			'N'
		)
	);
	const numbers = carry.map(
		({ id, values }) => `class ${classes.get(id)}Number(str, Enum):\n${body(values.map((v) => v.id))}`
	);
	return `# ${MADE}\nfrom enum import Enum\n\n\n${[...parts, ...numbers].join('\n\n')}`;
}

const json = (kit: NamedKit): string =>
	`${JSON.stringify(
		{
			made: MADE,
			events: kit.events
				.filter(({ kind }) => kind === 'moment')
				.map(({ id, placed, values }) => ({ id, placed, numbers: values })),
			states: kit.events
				.filter(({ kind }) => kind === 'state')
				.map(({ id, placed, values }) => ({ id, placed, numbers: values })),
			values: kit.parameters.map(({ id, min, max, rest }) => ({ id, min, max, rest })),
			presets: kit.presets.map(({ id, family, view }) => ({ id, family, view })),
			rigs: kit.rigs.map(({ id, view }) => ({ id, view: view.kind }))
		},
		null,
		'\t'
	)}\n`;

const WRITERS: Readonly<Record<Language, (kit: NamedKit) => string>> = {
	typescript,
	csharp,
	c: cHeader,
	lua,
	python,
	json
};

/** A file of the names of a kit. */
export const namesFile = (kit: NamedKit, language: Language): string => WRITERS[language](kit);
