/** Bringing presets of another kit into a project: what is new, what is there already, what differs. */
import { dequal } from 'dequal/lite';
import { freeId } from './ids';
import type { Wiring } from './read-wiring';
import type { AnyPreset } from 'dinesis-runtime';
import type { Kit } from './kit';

/** `new`: nobody has this id; `same`: it is there to the letter; `differs`: another preset has its id. */
export type Standing = 'new' | 'same' | 'differs';

export interface Arrival {
	readonly preset: AnyPreset;
	readonly standing: Standing;
}

/** What to do with a preset whose id is taken: leave what is there, put the new one in its place, or have both. */
export type Choice = 'keep' | 'replace' | 'both';

/** Every preset of a kit, of any family, beside what the project has. */
export function arrivals(kit: Pick<Kit, 'presets'>, present: (id: string) => AnyPreset | undefined): Arrival[] {
	return kit.presets.map((preset) => {
		const here = present(preset.id);
		return { preset, standing: !here ? 'new' : dequal(here, preset) ? 'same' : 'differs' };
	});
}

const suffixed = (name: string): string => `${name}, mine`.slice(0, 120);

/** The entries of a list that are not in another one, under free ids where those are taken. */
function beside<T extends { readonly id: string }>(
	mine: readonly T[],
	theirs: readonly T[],
	rename: (entry: T) => T
): T[] {
	const taken = new Set(theirs.map((entry) => entry.id));
	const added: T[] = [];
	for (const entry of mine) {
		const there = theirs.find((other) => other.id === entry.id);
		if (there && dequal(there, entry)) continue;
		if (!there) {
			added.push(entry);
			continue;
		}
		const id = freeId(`${entry.id}-mine`, taken);
		taken.add(id);
		added.push({ ...rename(entry), id });
	}
	return [...theirs, ...added];
}

/**
 * Somebody else's events, cues and rigs with what differs in mine beside them: entries that only mine has as they are, entries that
 * differ as copies. Copied cues are off, so that nothing answers twice until one chooses.
 */
export function wiringBeside(mine: Wiring, theirs: Wiring): Wiring {
	const named = <T extends { readonly name: string }>(entry: T): T => ({ ...entry, name: suffixed(entry.name) });
	const events = beside(mine.events, theirs.events, named);
	const parameters = beside(mine.parameters, theirs.parameters, named);
	const rigs = beside(mine.rigs, theirs.rigs, named);
	const cues = beside(mine.cues, theirs.cues, (cue) => ({ ...cue, on: false }));
	return { ...theirs, events, parameters, rigs, cues };
}

/** One place in which two documents differ, in words: `layers › rattle › amount`. */
export interface Difference {
	readonly place: string;
	readonly mine: unknown;
	readonly theirs: unknown;
}

const idOf = (value: unknown): string | undefined => {
	const id = (value as { id?: unknown } | null)?.id;
	return typeof id === 'string' ? id : undefined;
};
const isPlain = (value: unknown): value is Record<string, unknown> =>
	typeof value === 'object' && value !== null && !Array.isArray(value);

/** Every place in which two documents differ; entries of lists are told apart by their ids where they have some. */
export function differences(mine: unknown, theirs: unknown, place: readonly string[] = []): Difference[] {
	if (dequal(mine, theirs)) return [];
	if (isPlain(mine) && isPlain(theirs))
		return [...new Set([...Object.keys(theirs), ...Object.keys(mine)])].flatMap((key) =>
			differences(mine[key], theirs[key], [...place, key])
		);
	if (
		Array.isArray(mine) &&
		Array.isArray(theirs) &&
		[...mine, ...theirs].every((entry) => idOf(entry) !== undefined)
	) {
		const ids = [...new Set([...theirs, ...mine].map((entry) => idOf(entry)!))];
		const of = (list: readonly unknown[], id: string): unknown => list.find((entry) => idOf(entry) === id);
		const inside = ids.flatMap((id) => differences(of(mine, id), of(theirs, id), [...place, id]));
		return inside.length > 0 ? inside : [{ place: [...place, 'order'].join(' › '), mine, theirs }];
	}
	return [{ place: place.join(' › '), mine, theirs }];
}
