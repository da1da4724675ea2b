/**
 * Shapes: what a value in a kit must look like. One table of shapes checks a file, fills in what it leaves out and
 * becomes the published JSON Schema, so that the three cannot disagree. Checking is one plain walk over the parsed
 * JSON (a schema library over every number of a large kit is many times slower) and stops at 50 problems.
 */

export interface Problem {
	/** The place in the file, as in `presets[3].timing.fadeIn.time`; empty for the whole. */
	readonly place: string;
	/** What is wrong there and what would be right. */
	readonly message: string;
}

/** What was read, or what is wrong with it. */
export type ReadResult<T> =
	{ readonly ok: true; readonly value: T } | { readonly ok: false; readonly problems: readonly Problem[] };

const MOST_PROBLEMS = 50;

/** Collects problems and knows where the walk stands. */
export class Report {
	readonly problems: Problem[] = [];
	private readonly path: (string | number)[] = [];

	get full(): boolean {
		return this.problems.length >= MOST_PROBLEMS;
	}

	enter(step: string | number): void {
		this.path.push(step);
	}

	leave(): void {
		this.path.pop();
	}

	add(message: string): void {
		if (!this.full) this.problems.push({ place: placeOf(this.path), message });
	}

	/** A problem one step further in. */
	addAt(step: string | number, message: string): void {
		this.enter(step);
		this.add(message);
		this.leave();
	}
}

export function placeOf(path: readonly (string | number)[]): string {
	let place = '';
	for (const step of path)
		if (typeof step === 'number') place += `[${step}]`;
		else if (/^[A-Za-z_$][\w$-]*$/.test(step)) place += place ? `.${step}` : step;
		else place += `[${JSON.stringify(step)}]`;
	return place;
}

export type JsonSchema = Record<string, unknown>;

export interface Shape {
	/** Reports what is wrong with the value; fills in missing optional fields inside it. Changes nothing else. */
	check(value: unknown, report: Report): void;
	schema(): JsonSchema;
}

/** A value as an error message shows it: short, and never as markup. */
export function show(value: unknown): string {
	if (value === null) return 'null';
	if (Array.isArray(value)) return 'a list';
	if (typeof value === 'object') return 'an object';
	const text = JSON.stringify(value) ?? 'nothing';
	return text.length > 40 ? `${text.slice(0, 39)}…` : text;
}

export function number(what: string, min: number, max: number, options: { whole?: boolean } = {}): Shape {
	const wanted = `${options.whole ? 'a whole number' : 'a number'} from ${min} to ${max} (${what}) is needed`;
	return {
		check(value, report) {
			if (typeof value !== 'number' || !(value >= min && value <= max) || (options.whole && !Number.isInteger(value)))
				report.add(`is ${show(value)}; ${wanted}`);
		},
		schema: () => ({ type: options.whole ? 'integer' : 'number', minimum: min, maximum: max, description: what })
	};
}

export const boolean = (what: string): Shape => ({
	check(value, report) {
		if (typeof value !== 'boolean') report.add(`is ${show(value)}; true or false (${what}) is needed`);
	},
	schema: () => ({ type: 'boolean', description: what })
});

export const text = (what: string, longest: number, shortest = 0): Shape => ({
	check(value, report) {
		if (typeof value !== 'string') report.add(`is ${show(value)}; a text (${what}) is needed`);
		else if (value.length > longest) report.add(`is ${value.length} characters long; at most ${longest} (${what}) fit`);
		else if (value.trim().length < shortest) report.add(`is empty; ${what} is needed`);
	},
	schema: () => ({ type: 'string', maxLength: longest, minLength: shortest, description: what })
});

const ID = /^[a-z0-9-]{1,64}$/;
export const isId = (value: unknown): value is string => typeof value === 'string' && ID.test(value);

export const id = (what: string): Shape => ({
	check(value, report) {
		if (!isId(value)) report.add(`is ${show(value)}; an id of 1 to 64 of a–z, 0–9 and "-" (${what}) is needed`);
	},
	schema: () => ({ type: 'string', pattern: ID.source, description: what })
});

export const oneOf = (what: string, values: readonly string[]): Shape => ({
	check(value, report) {
		if (!values.includes(value as string))
			report.add(`is ${show(value)}; one of ${values.map((v) => `"${v}"`).join(', ')} is needed`);
	},
	schema: () => ({ enum: [...values], description: what })
});

export const orNull = (shape: Shape): Shape => ({
	check(value, report) {
		if (value !== null) shape.check(value, report);
	},
	schema: () => ({ anyOf: [{ type: 'null' }, shape.schema()] })
});

/** Anything at all: carried along. */
export const anything = (what: string): Shape => ({ check() {}, schema: () => ({ description: what }) });

/** The first shape whose test takes the value. */
export const either = (
	wanted: string,
	choices: readonly { readonly when: (value: unknown) => boolean; readonly shape: Shape }[]
): Shape => ({
	check(value, report) {
		const choice = choices.find((c) => c.when(value));
		if (choice) choice.shape.check(value, report);
		else report.add(`is ${show(value)}; ${wanted} is needed`);
	},
	schema: () => ({ anyOf: choices.map((c) => c.shape.schema()) })
});

/** A list of so many items. With `unique`, the items' field of that name must differ from one another. */
export const list = (item: Shape, limits: { most?: number; least?: number; unique?: string } = {}): Shape => ({
	check(value, report) {
		if (!Array.isArray(value)) return report.add(`is ${show(value)}; a list is needed`);
		const { most = 100000, least = 0, unique } = limits;
		if (value.length < least || value.length > most)
			report.add(`has ${value.length} items; ${least} to ${most} are needed`);
		const seen = new Map<unknown, number>();
		for (let i = 0; i < value.length && !report.full; i++) {
			report.enter(i);
			item.check(value[i], report);
			if (unique !== undefined && isRecord(value[i])) {
				const key = (value[i] as Record<string, unknown>)[unique];
				const first = seen.get(key);
				if (first !== undefined && key !== undefined)
					report.addAt(unique, `is ${show(key)}, as in item ${first}; each needs one of its own`);
				else seen.set(key, i);
			}
			report.leave();
		}
	},
	schema: () => ({
		type: 'array',
		items: item.schema(),
		...(limits.most === undefined ? {} : { maxItems: limits.most }),
		...(limits.least === undefined ? {} : { minItems: limits.least })
	})
});

export const isRecord = (value: unknown): value is Record<string, unknown> =>
	typeof value === 'object' && value !== null && !Array.isArray(value);

export interface Field {
	readonly shape: Shape;
	/** What a missing field is filled with; without it the field must be there. A function makes a fresh value. */
	readonly missing?: () => unknown;
	/** A field that may simply be absent. */
	readonly optional?: boolean;
}

export const required = (shape: Shape): Field => ({ shape });
export const optional = (shape: Shape): Field => ({ shape, optional: true });
export const withDefault = (shape: Shape, value: unknown): Field => ({
	shape,
	missing:
		typeof value === 'object' && value !== null ? () => JSON.parse(JSON.stringify(value)) as unknown : () => value
});

/** An object with these fields; others are kept as they are. `also` looks at the whole once its fields are sound. */
export function object(
	fields: Readonly<Record<string, Field>>,
	also?: (value: Record<string, unknown>, report: Report) => void
): Shape {
	const names = Object.keys(fields);
	return {
		check(value, report) {
			if (!isRecord(value)) return report.add(`is ${show(value)}; an object is needed`);
			const before = report.problems.length;
			for (const name of names) {
				if (report.full) return;
				const field = fields[name]!;
				if (!Object.hasOwn(value, name)) {
					if (field.missing) value[name] = field.missing();
					else if (!field.optional) report.addAt(name, 'is missing; it is needed');
					continue;
				}
				report.enter(name);
				field.shape.check(value[name], report);
				report.leave();
			}
			if (also && report.problems.length === before) also(value, report);
		},
		schema: () => ({
			type: 'object',
			properties: Object.fromEntries(
				names.map((name) => {
					const field = fields[name]!;
					const schema = field.shape.schema();
					return [name, field.missing ? { ...schema, default: field.missing() } : schema];
				})
			),
			required: names.filter((name) => !fields[name]!.missing && !fields[name]!.optional)
		})
	};
}

const NUL = '\0';

/**
 * Reports what cannot be kept, anywhere in a parsed JSON value: names that would reach an object's prototype when it is copied,
 * and texts with the character U+0000, which no database takes.
 */
export function refuseDangerous(value: unknown, report: Report): void {
	if (Array.isArray(value)) {
		for (let i = 0; i < value.length && !report.full; i++) {
			if (typeof value[i] === 'number') continue;
			report.enter(i);
			refuseDangerous(value[i], report);
			report.leave();
		}
	} else if (isRecord(value)) {
		for (const key in value) {
			const inner = value[key];
			if (key === '__proto__' || key.includes(NUL))
				report.addAt(key, 'cannot be the name of a field; rename it or take it out');
			else if ((typeof inner === 'object' && inner !== null) || typeof inner === 'string') {
				report.enter(key);
				refuseDangerous(inner, report);
				report.leave();
			}
		}
	} else if (typeof value === 'string' && value.includes(NUL))
		report.add('holds the character U+0000, which cannot be kept; take it out');
}

/** Checks a parsed JSON value and fills in what it leaves out. The value is the result's own from here on. */
export function openAs<T>(parsed: unknown, shape: Shape): ReadResult<T> {
	const report = new Report();
	refuseDangerous(parsed, report);
	if (report.problems.length === 0) shape.check(parsed, report);
	return report.problems.length > 0 ? { ok: false, problems: report.problems } : { ok: true, value: parsed as T };
}

/** An object whose names come from a list and whose values all look alike. */
export const record = (names: readonly string[], shape: Shape): Shape => ({
	check(value, report) {
		if (!isRecord(value)) return report.add(`is ${show(value)}; an object is needed`);
		for (const key in value) {
			if (report.full) return;
			if (!names.includes(key)) continue;
			report.enter(key);
			shape.check(value[key], report);
			report.leave();
		}
	},
	schema: () => ({ type: 'object', properties: Object.fromEntries(names.map((name) => [name, shape.schema()])) })
});
