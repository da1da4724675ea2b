/**
 * Changes of a kit by field, as they go over the wire: where, and what stands there now. A step of the way is a field's name or, in a list
 * whose entries have ids, an entry's id.
 *
 *     [['presets', 'thud', 'timing', 'duration'], 1.2]   // a field
 *     [['cues', 'landing'], { id: 'landing', … }]        // an entry; one that is new comes last
 *     [['presets', 'thud']]                               // an entry or a field goes
 */
export type Path = readonly string[];
/** Where, and what stands there; without a second part it goes. */
export type FieldSet = readonly [Path] | readonly [Path, unknown];

type Named = Readonly<Record<string, unknown>> & { readonly id: string };

const isFields = (value: unknown): value is Record<string, unknown> =>
	typeof value === 'object' && value !== null && !Array.isArray(value);
/** A list whose entries all have ids of their own, each once. */
function isNamed(value: unknown): value is readonly Named[] {
	if (!Array.isArray(value)) return false;
	const ids = new Set<unknown>();
	for (const entry of value as unknown[]) {
		if (!isFields(entry) || typeof entry.id !== 'string') return false;
		ids.add(entry.id);
	}
	return ids.size === value.length;
}

/** What makes one value into another, the fewest fields first found. Both are plain JSON. */
export function fieldsBetween(at: Path, from: unknown, to: unknown, out: FieldSet[] = []): FieldSet[] {
	if (from === to) return out;
	if (to === undefined) out.push([at]);
	else if (isFields(from) && isFields(to)) {
		for (const name of Object.keys(from)) if (!(name in to)) out.push([[...at, name]]);
		for (const name of Object.keys(to)) fieldsBetween([...at, name], from[name], to[name], out);
	} else if (isNamed(from) && isNamed(to) && isInStep(from, to)) {
		const was = new Map(from.map((entry) => [entry.id, entry]));
		const stays = new Set(to.map(({ id }) => id));
		for (const { id } of from) if (!stays.has(id)) out.push([[...at, id]]);
		for (const entry of to) fieldsBetween([...at, entry.id], was.get(entry.id), entry, out);
	} else if (!isFields(to) && !Array.isArray(to)) out.push([at, to]);
	else if (JSON.stringify(from) !== JSON.stringify(to)) out.push([at, to]);
	return out;
}

/** Whether one list comes of the other by taking entries out and putting new ones at the end: their order tells cues apart. */
function isInStep(from: readonly Named[], to: readonly Named[]): boolean {
	const there = new Set(to.map(({ id }) => id));
	const left = from.filter(({ id }) => there.has(id));
	return left.every(({ id }, i) => to[i]!.id === id);
}

/**
 * A value with these fields set: a new one where something differs, with all parts that nothing was set in left as they are. What names
 * nothing that is there throws a RangeError: then the two sides do not have the same any more.
 */
export function withFields<T>(value: T, sets: readonly FieldSet[]): T {
	let now: unknown = value;
	for (const set of sets) now = put(now, set[0], 0, set.length > 1, set[1]);
	return now as T;
}

function put(here: unknown, path: Path, depth: number, stays: boolean, to: unknown): unknown {
	if (depth === path.length) return to;
	const step = path[depth]!;
	const isLast = depth === path.length - 1;
	if (Array.isArray(here)) {
		const list = here as readonly Named[];
		const at = list.findIndex((entry) => isFields(entry) && entry.id === step);
		if (at < 0) {
			if (isLast && stays) return [...list, to];
			throw new RangeError(`There is no "${step}" at ${path.slice(0, depth).join('.') || 'the kit'}.`);
		}
		if (isLast && !stays) return list.filter((_, i) => i !== at);
		return list.map((entry, i) => (i === at ? put(entry, path, depth + 1, stays, to) : entry));
	}
	if (!isFields(here) || step === '__proto__')
		throw new RangeError(`There are no fields at ${path.slice(0, depth).join('.') || 'the kit'}.`);
	if (isLast && !stays) {
		const rest = { ...here };
		delete rest[step];
		return rest;
	}
	if (!isLast && !(step in here)) throw new RangeError(`There is no "${step}" at ${path.slice(0, depth).join('.')}.`);
	return { ...here, [step]: put(here[step], path, depth + 1, stays, to) };
}
