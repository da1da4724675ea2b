/** What came over the wire held against the project's events: those that it does not know, and numbers outside of what it expects. */
import type { GameEvent } from 'dinesis-runtime';
import { freeId, isId, type Wiring } from '$lib/documents';
import type { Counted } from './wire.svelte';

/** An event that came and is not in the project, or whose numbers were not as it says. */
export interface Learned {
	readonly event: string;
	readonly times: number;
	/** null: it is not in the project. */
	readonly known: GameEvent | null;
	/** By number: between what it was, and whether the project expects that. */
	readonly numbers: readonly {
		readonly id: string;
		readonly least: number;
		readonly most: number;
		readonly state: 'new' | 'outside' | 'within';
	}[];
}

export function learnedOf(counted: Readonly<Record<string, Counted>>, events: readonly GameEvent[]): Learned[] {
	return Object.entries(counted).map(([event, { times, values }]): Learned => {
		const known = events.find((e) => e.id === event) ?? null;
		const numbers = Object.entries(values).map(([id, [least, most]]) => {
			const there = known?.values.find((v) => v.id === id);
			const state = !there ? 'new' : least < there.min || most > there.max ? 'outside' : 'within';
			return { id, least, most, state } as const;
		});
		return { event, times, known, numbers };
	});
}

/** A round number that is not nearer to zero than this one. */
export function rounded(value: number): number {
	if (value === 0) return 0;
	const size = Math.abs(value);
	const unit = 10 ** Math.floor(Math.log10(size));
	const step = [1, 1.5, 2, 3, 4, 5, 6, 8, 10].find((s) => s * unit >= size - 1e-12)!;
	return Number((Math.sign(value) * step * unit).toPrecision(6));
}
const range = ([least, most]: readonly [number, number]): { min: number; max: number } => {
	const min = least < 0 ? rounded(least) : 0;
	const max = rounded(most);
	return { min, max: max > min ? max : min + 1 };
};

/** The event that came, as one of the project: its numbers with ranges that hold what came. Null where its name is no id. */
export function eventOf(id: string, counted: Counted, taken: ReadonlySet<string>): GameEvent | null {
	if (!isId(id)) return null;
	return {
		id: taken.has(id) ? freeId(id, taken) : id,
		name: (id[0]!.toUpperCase() + id.slice(1).replaceAll('-', ' ')).slice(0, 120),
		kind: counted.phase === 'happens' ? 'moment' : 'state',
		placed: counted.placed,
		tags: [],
		values: Object.entries(counted.values).map(([of, between]) => ({ id: of, unit: '', ...range(between) })),
		...(counted.tags.length > 0 && { mayCarry: [...counted.tags] })
	};
}

/** The wiring with that event; or with one that holds what came of it. */
export function withLearned(wiring: Wiring, id: string, counted: Counted): Wiring {
	const known = wiring.events.find((e) => e.id === id);
	if (!known) {
		const event = eventOf(id, counted, new Set());
		return event ? { ...wiring, events: [...wiring.events, event] } : wiring;
	}
	const values = [
		...known.values.map((value) => {
			const came = counted.values[value.id];
			if (!came) return value;
			const { min, max } = range(came);
			return { ...value, min: came[0] < value.min ? min : value.min, max: came[1] > value.max ? max : value.max };
		}),
		...Object.entries(counted.values)
			.filter(([of]) => !known.values.some((v) => v.id === of))
			.map(([of, between]) => ({ id: of, unit: '', ...range(between) }))
	];
	return { ...wiring, events: wiring.events.map((e) => (e === known ? { ...known, values } : e)) };
}
