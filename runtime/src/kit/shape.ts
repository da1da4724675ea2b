/**
 * Shapes: what a value in a kit must look like, as plain data. The one table of shapes checks a file and fills in what it leaves out here;
 * in the tool it becomes the published JSON Schema and the ranges of the number fields, so that they cannot disagree. Checking is one plain
 * walk over the parsed JSON (a schema library over every number of a large kit is many times slower) and stops at 50 problems.
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

	/** The value is not what is wanted: `wanted` with its verb. */
	needs(value: unknown, wanted: string): void {
		this.add(`is ${show(value)}; ${wanted} needed`);
	}

	/** A problem one step further in. */
	addAt(step: string | number, message: string): void {
		this.enter(step);
		this.add(message);
		this.leave();
	}
}

/** Longer names are cut in a place, and of a deep one the middle is left out: a person reads it. */
const MOST_STEP = 40;
const MOST_STEPS = 12;

export function placeOf(given: readonly (string | number)[]): string {
	const path = given.length > MOST_STEPS ? [...given.slice(0, 5), '…', ...given.slice(-5)] : given;
	let place = '';
	for (const long of path) {
		const step = typeof long === 'string' && long.length > MOST_STEP ? `${long.slice(0, MOST_STEP - 1)}…` : long;
		if (typeof step === 'number') place += `[${step}]`;
		else if (/^[A-Za-z_$][\w$-]*$/.test(step)) place += place ? `.${step}` : step;
		else if (step === '…') place += '…';
		else place += `[${JSON.stringify(step)}]`;
	}
	return place;
}

/** A shape's own rule: reports what is wrong with a value. */
type Rule<T = unknown> = (value: T, report: Report) => void;

export interface NumberShape {
	readonly kind: 'number';
	/** What it means, in a few words. */
	readonly what: string;
	readonly min: number;
	readonly max: number;
	readonly whole: boolean;
}

export interface ObjectShape {
	readonly kind: 'object';
	readonly fields: Readonly<Record<string, Field>>;
	readonly names: readonly string[];
	/** Looks at the whole once its fields are sound. */
	readonly also?: Rule<Record<string, unknown>>;
	/** Its fields are one value, changed only together. */
	readonly whole?: boolean;
}

export type Shape =
	| NumberShape
	| ObjectShape
	| { readonly kind: 'boolean' | 'id'; readonly what: string }
	| { readonly kind: 'text'; readonly what: string; readonly longest: number; readonly shortest: number }
	| { readonly kind: 'oneOf'; readonly what: string; readonly values: readonly string[] }
	/** null, and with `const` one text, and nothing else. */
	| { readonly kind: 'null' }
	| { readonly kind: 'const'; readonly value: string }
	| { readonly kind: 'orNull'; readonly inner: Shape }
	/** The first whose test takes the value. */
	| { readonly kind: 'either'; readonly wanted: string; readonly choices: readonly Choice[] }
	/** Objects that are told apart by their field "kind". */
	| { readonly kind: 'kinds'; readonly of: Readonly<Record<string, Shape>> }
	| { readonly kind: 'list'; readonly item: Shape; readonly limits: ListLimits }
	/** An object whose values all look alike: of the names in a list, or of any. */
	| { readonly kind: 'record'; readonly names: readonly string[] | null; readonly each: Shape }
	/** Another shape, made ready first and held to one more rule when it is sound. */
	| { readonly kind: 'ruled'; readonly inner: Shape; readonly first?: (value: unknown) => void; readonly then?: Rule }
	/** A check of its own, and what it is in the published schema. */
	| { readonly kind: 'own'; readonly check: Rule; readonly json: Readonly<Record<string, unknown>> };

interface Choice {
	readonly when: (value: unknown) => boolean;
	readonly shape: Shape;
}

interface ListLimits {
	readonly most?: number;
	readonly least?: number;
	/** The items' field of that name must differ from one another. */
	readonly unique?: string;
	/** Each item is a thing of its own, which two people may change at once; otherwise the list is one value. */
	readonly entries?: boolean;
}

/** A field of an object: needed, unless it is optional or `missing` says what it is filled with. */
export interface Field {
	readonly shape: Shape;
	readonly missing?: unknown;
	readonly optional?: boolean;
}

/** A value as an error message shows it: short, and never as markup. */
export function show(value: unknown): string {
	if (value === null) return 'null';
	if (Array.isArray(value)) return 'a list';
	if (typeof value === 'object') return 'an object';
	const text = JSON.stringify(value) ?? 'nothing';
	return text.length > 40 ? `${text.slice(0, 39)}…` : text;
}

export const number = (what: string, min: number, max: number, { whole = false } = {}): Shape => ({
	kind: 'number',
	what,
	min,
	max,
	whole
});
export const boolean = (what: string): Shape => ({ kind: 'boolean', what });
export const text = (what: string, longest: number, shortest = 0): Shape => ({ kind: 'text', what, longest, shortest });
export const id = (what: string): Shape => ({ kind: 'id', what });
export const oneOf = (what: string, values: readonly string[]): Shape => ({ kind: 'oneOf', what, values });
export const orNull = (inner: Shape): Shape => ({ kind: 'orNull', inner });
export const either = (wanted: string, choices: readonly Choice[]): Shape => ({ kind: 'either', wanted, choices });
export const kinds = (of: Readonly<Record<string, Shape>>): Shape => ({ kind: 'kinds', of });
export const list = (item: Shape, limits: ListLimits = {}): Shape => ({ kind: 'list', item, limits });
export const record = (names: readonly string[] | null, each: Shape): Shape => ({ kind: 'record', names, each });
export const ruled = (inner: Shape, then?: Rule, first?: (value: unknown) => void): Shape => ({
	kind: 'ruled',
	inner,
	first,
	then
});
export const own = (check: Rule, json: Readonly<Record<string, unknown>>): Shape => ({ kind: 'own', check, json });
/** An object with these fields; others are kept as they are. */
export const object = (
	fields: Readonly<Record<string, Field>>,
	also?: ObjectShape['also'],
	{ whole = false } = {}
): ObjectShape => ({
	kind: 'object',
	fields,
	names: Object.keys(fields),
	also,
	whole
});

export const required = (shape: Shape): Field => ({ shape });
export const optional = (shape: Shape): Field => ({ shape, optional: true });
export const withDefault = (shape: Shape, missing: unknown): Field => ({ shape, missing });

/** What an id is made of, as a regular expression. */
export const ID_PATTERN = '^[a-z0-9-]{1,64}$';
const ID = new RegExp(ID_PATTERN);
export const isId = (value: unknown): value is string => typeof value === 'string' && ID.test(value);
export const isRecord = (value: unknown): value is Record<string, unknown> =>
	typeof value === 'object' && value !== null && !Array.isArray(value);

/** What a missing field is filled with: a fresh one each time. */
export const fresh = (value: unknown): unknown =>
	typeof value === 'object' && value !== null ? JSON.parse(JSON.stringify(value)) : value;

const quoted = (values: readonly string[]): string => values.map((v) => `"${v}"`).join(', ');

/** Reports what is wrong with the value; fills in missing fields inside it. Changes nothing else. */
export function check(shape: Shape, value: unknown, report: Report): void {
	switch (shape.kind) {
		case 'number': {
			const { what, min, max, whole } = shape;
			if (typeof value !== 'number' || !(value >= min && value <= max) || (whole && !Number.isInteger(value)))
				report.needs(value, `${whole ? 'a whole number' : 'a number'} from ${min} to ${max} (${what}) is`);
			return;
		}
		case 'boolean':
			if (typeof value !== 'boolean') report.needs(value, `true or false (${shape.what}) is`);
			return;
		case 'text': {
			const { what, longest, shortest } = shape;
			if (typeof value !== 'string') report.needs(value, `a text (${what}) is`);
			else if (value.length > longest)
				report.add(`is ${value.length} characters long; at most ${longest} (${what}) fit`);
			else if (value.trim().length < shortest) report.add(`is empty; ${what} is needed`);
			return;
		}
		case 'id':
			if (!isId(value)) report.needs(value, `an id of 1 to 64 of a–z, 0–9 and "-" (${shape.what}) is`);
			return;
		case 'oneOf':
			if (!shape.values.includes(value as string)) report.needs(value, `one of ${quoted(shape.values)} is`);
			return;
		case 'null':
			if (value !== null) report.needs(value, 'null is');
			return;
		case 'const':
			if (value !== shape.value) report.needs(value, `"${shape.value}" is`);
			return;
		case 'orNull':
			if (value !== null) check(shape.inner, value, report);
			return;
		case 'either': {
			const choice = shape.choices.find((c) => c.when(value));
			if (choice) check(choice.shape, value, report);
			else report.needs(value, `${shape.wanted} is`);
			return;
		}
		case 'kinds': {
			if (!isRecord(value)) return report.needs(value, 'an object with a "kind" is');
			const { kind } = value;
			if (typeof kind === 'string' && Object.hasOwn(shape.of, kind)) check(shape.of[kind]!, value, report);
			else report.addAt('kind', `is ${show(kind)}; one of ${quoted(Object.keys(shape.of))} is needed`);
			return;
		}
		case 'list':
			return checkList(shape.item, shape.limits, value, report);
		case 'object':
			return checkObject(shape, value, report);
		case 'record': {
			if (!isRecord(value)) return report.needs(value, 'an object is');
			for (const key in value) {
				if (report.full) return;
				if (shape.names && !shape.names.includes(key)) continue;
				report.enter(key);
				check(shape.each, value[key], report);
				report.leave();
			}
			return;
		}
		case 'ruled': {
			const before = report.problems.length;
			shape.first?.(value);
			check(shape.inner, value, report);
			if (report.problems.length === before) shape.then?.(value, report);
			return;
		}
		case 'own':
			shape.check(value, report);
	}
}

function checkList(
	item: Shape,
	{ most = 100000, least = 0, unique }: ListLimits,
	value: unknown,
	report: Report
): void {
	if (!Array.isArray(value)) return report.needs(value, 'a list is');
	if (value.length < least || value.length > most)
		report.add(`has ${value.length} items; ${least} to ${most} are needed`);
	const seen = new Map<unknown, number>();
	for (let i = 0; i < value.length && !report.full; i++) {
		report.enter(i);
		check(item, value[i], report);
		if (unique !== undefined && isRecord(value[i])) {
			const key = (value[i] as Record<string, unknown>)[unique];
			const first = seen.get(key);
			if (first !== undefined && key !== undefined)
				report.addAt(unique, `is ${show(key)}, as in item ${first}; each needs one of its own`);
			else seen.set(key, i);
		}
		report.leave();
	}
}

function checkObject({ fields, names, also }: ObjectShape, value: unknown, report: Report): void {
	if (!isRecord(value)) return report.needs(value, 'an object is');
	const before = report.problems.length;
	for (const name of names) {
		if (report.full) return;
		const field = fields[name]!;
		const { shape } = field;
		const inner = value[name];
		if (inner === undefined && !Object.hasOwn(value, name)) {
			if (field.missing !== undefined) value[name] = fresh(field.missing);
			else if (!field.optional) report.addAt(name, 'is missing; it is needed');
			continue;
		}
		// Most fields are sound numbers: for them the place need not be known.
		if (
			shape.kind === 'number' &&
			typeof inner === 'number' &&
			!shape.whole &&
			inner >= shape.min &&
			inner <= shape.max
		)
			continue;
		report.enter(name);
		check(shape, inner, report);
		report.leave();
	}
	if (also && report.problems.length === before) also(value, report);
}

const NUL = '\0';
/** How deep lists and objects may be nested. */
const MOST_DEPTH = 200;

/**
 * Reports what cannot be kept, anywhere in a parsed JSON value: names that would reach an object's prototype when it is copied,
 * texts with the character U+0000, which no database takes, and what is nested so deep that a walk could not come back.
 */
export function refuseDangerous(value: unknown, report: Report, depth = 0): void {
	if (depth > MOST_DEPTH) return report.add(`is nested more than ${MOST_DEPTH} deep`);
	if (Array.isArray(value)) {
		for (let i = 0; i < value.length && !report.full; i++) {
			if (typeof value[i] === 'number') continue;
			report.enter(i);
			refuseDangerous(value[i], report, depth + 1);
			report.leave();
		}
	} else if (isRecord(value)) {
		for (const key in value) {
			const inner = value[key];
			if (key === '__proto__' || key.includes(NUL))
				report.addAt(key, 'cannot be the name of a field; rename it or take it out');
			else if ((typeof inner === 'object' && inner !== null) || typeof inner === 'string') {
				report.enter(key);
				refuseDangerous(inner, report, depth + 1);
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
	if (report.problems.length === 0) check(shape, parsed, report);
	return report.problems.length > 0 ? { ok: false, problems: report.problems } : { ok: true, value: parsed as T };
}
