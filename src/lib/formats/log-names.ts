/** What the names in a game's log mean in a project: its events by id or by name, as somebody said before, or nothing yet. */
import { freeId, isId, type CourseEvent } from '../documents';
import type { GameEvent } from 'dinesis-runtime';
import type { EventLog } from './event-log';

/** By the name in the log: the event's id; empty: it is left out. */
export type Meanings = Readonly<Record<string, string>>;

/** A name that a log has for what happened, and how it came. */
export interface LogName {
	readonly name: string;
	readonly count: number;
	/** Its id in the project, by its id, by what was said before, or by its name; null: nothing there is called so. */
	readonly means: string | null;
}

const MOST_NUMBERS = 16;
const MOST_TAGS = 40;
const plain = (text: string): string => text.trim().toLowerCase();

function meaningOf(name: string, events: readonly GameEvent[], before: Meanings): string | null {
	if (events.some(({ id }) => id === name)) return name;
	const said = before[name];
	// What was meant before may be gone.
	if (said !== undefined && (said === '' || events.some(({ id }) => id === said))) return said;
	return events.find((event) => plain(event.name) === plain(name))?.id ?? null;
}

/** All names of a log in the order in which they first came. */
export function namesIn({ events }: EventLog, known: readonly GameEvent[], before: Meanings = {}): readonly LogName[] {
	const counts = new Map<string, number>();
	for (const { event } of events) counts.set(event, (counts.get(event) ?? 0) + 1);
	return [...counts].map(([name, count]) => ({ name, count, means: meaningOf(name, known, before) }));
}

/** The number of an event that a column means: by its id, or by what its name comes to as one. */
const numberOf = (event: GameEvent | undefined, column: string): string =>
	event?.values.find(({ id }) => id === column)?.id ??
	event?.values.find(({ id }) => id === freeId(column, []))?.id ??
	column;

/** The log's events under the project's ids; those that mean nothing are left out. */
export function withMeanings(
	{ events }: EventLog,
	known: readonly GameEvent[],
	meanings: Meanings
): readonly CourseEvent[] {
	const byId = new Map(known.map((event) => [event.id, event]));
	return events.flatMap((one) => {
		const id = meanings[one.event];
		if (!id) return [];
		const event = byId.get(id);
		const values = Object.fromEntries(
			Object.entries(one.values).map(([column, value]) => [numberOf(event, column), value])
		);
		return [{ ...one, event: id, values }];
	});
}

/** An event as a log shows it: its numbers with the range that came, whether it lasts, whether it has places, its tags as what may come. */
export function eventOfLog(name: string, { events, open }: EventLog, taken: readonly string[]): GameEvent {
	const mine = events.filter(({ event }) => event === name);
	const columns = [...new Set(mine.flatMap(({ values }) => Object.keys(values)))].slice(0, MOST_NUMBERS);
	const tags = [...new Set(mine.flatMap(({ tags = [] }) => tags))].slice(0, MOST_TAGS);
	const ids: string[] = [];
	return {
		id: freeId(name, taken),
		name: isId(name) ? name.charAt(0).toUpperCase() + name.slice(1).replaceAll('-', ' ') : name.trim(),
		kind: open.includes(name) || mine.some(({ length }) => length !== null) ? 'state' : 'moment',
		placed: mine.some(({ place }) => place !== null),
		tags: [],
		...(tags.length > 0 && { mayCarry: tags }),
		values: columns.map((column) => {
			const came = mine.flatMap(({ values }) => (values[column] === undefined ? [] : [values[column]]));
			const [min, max] = [Math.min(0, ...came), Math.max(...came)];
			const id = isId(column) ? column : freeId(column, ids);
			ids.push(id);
			return { id, unit: '', min, max: max > min ? max : min + 1 };
		})
	};
}
