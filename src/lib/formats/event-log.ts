/**
 * A game's log of events, read as the events of a course. Two forms: CSV with a header (`time`, `event`, and where wanted
 * `phase`, `x`, `y`, `z`, `key`; every other column is a number that the event carries), or JSON lines with the same names
 * (`place` as three numbers, `values` as an object). A state is two rows, `starts` and `ends`; they become one event with a
 * length. What is wrong is told by its row; nothing is taken then.
 */
import papaparse from 'papaparse';
import type { CourseEvent } from '../documents';
import type { ReadResult, Problem } from 'dinesis-runtime';
import { isId, isRecord, show, type Seconds } from 'dinesis-runtime/tools';

const MOST_PROBLEMS = 50;
const PHASES = ['happens', 'starts', 'ends'];

interface Row {
	/** Its line in the file, from 1. */
	readonly line: number;
	readonly time: unknown;
	readonly event: unknown;
	readonly phase: unknown;
	readonly key: string;
	readonly place: readonly unknown[] | null;
	readonly values: Readonly<Record<string, unknown>>;
}

const isNumber = (value: unknown): value is number => typeof value === 'number' && Number.isFinite(value);
const number = (text: string | undefined): unknown =>
	text === undefined || text.trim() === '' ? undefined : Number(text);

function csvRows(text: string, problems: Problem[]): Row[] {
	const { data, meta } = papaparse.parse<Record<string, string>>(text.trim(), { header: true, skipEmptyLines: true });
	for (const name of ['time', 'event'])
		if (!meta.fields?.includes(name)) problems.push({ place: 'row 1', message: `has no column "${name}"` });
	const own = new Set(['time', 'event', 'phase', 'x', 'y', 'z', 'key']);
	return data.map((cells, i) => {
		const placed = [cells.x, cells.y, cells.z].map(number);
		const values = Object.entries(cells)
			.filter(([name, cell]) => !own.has(name) && typeof cell === 'string' && cell.trim() !== '')
			.map(([name, cell]) => [name, Number(cell)] as const);
		return {
			line: i + 2,
			time: number(cells.time),
			event: cells.event?.trim(),
			phase: cells.phase?.trim() || 'happens',
			key: cells.key?.trim() ?? '',
			place: placed.every((n) => n === undefined) ? null : placed,
			values: Object.fromEntries(values)
		};
	});
}

function jsonRows(text: string, problems: Problem[]): Row[] {
	return text.split('\n').flatMap((line, i): Row[] => {
		if (line.trim() === '') return [];
		let row: unknown;
		try {
			row = JSON.parse(line);
		} catch {
			problems.push({ place: `row ${i + 1}`, message: 'is not JSON' });
			return [];
		}
		if (!isRecord(row)) {
			problems.push({ place: `row ${i + 1}`, message: `is ${show(row)}; an object is needed` });
			return [];
		}
		return [
			{
				line: i + 1,
				time: row.time,
				event: row.event,
				phase: row.phase ?? 'happens',
				key: typeof row.key === 'string' ? row.key : '',
				place: Array.isArray(row.place) ? row.place : null,
				values: isRecord(row.values) ? row.values : {}
			}
		];
	});
}

/** What is wrong with a row; undefined when nothing is. */
function fault({ time, event, phase, place, values }: Row): string | undefined {
	if (!isNumber(time) || time < 0) return `time is ${show(time)}; seconds from 0 on are needed`;
	if (!isId(event)) return `event is ${show(event)}; an id of a–z, 0–9 and "-" is needed`;
	if (!PHASES.includes(phase as string)) return `phase is ${show(phase)}; happens, starts or ends is needed`;
	if (place && (place.length !== 3 || !place.every(isNumber))) return 'x, y and z: three numbers are needed, or none';
	const bad = Object.entries(values).find(([, value]) => !isNumber(value));
	return bad && `${bad[0]} is ${show(bad[1])}; a number is needed`;
}

export interface EventLog {
	readonly events: readonly CourseEvent[];
	/** The time of the last row. */
	readonly seconds: Seconds;
}

export function readEventLog(text: string): ReadResult<EventLog> {
	const problems: Problem[] = [];
	const clean = text.charCodeAt(0) === 0xfeff ? text.slice(1) : text;
	if (clean.trim() === '') return { ok: false, problems: [{ place: '', message: 'The log is empty.' }] };
	const rows = clean.trimStart().startsWith('{') ? jsonRows(clean, problems) : csvRows(clean, problems);
	for (const row of rows) {
		if (problems.length >= MOST_PROBLEMS) break;
		const message = fault(row);
		if (message) problems.push({ place: `row ${row.line}`, message });
	}
	if (problems.length > 0) return { ok: false, problems };
	const events: CourseEvent[] = [];
	/** Where the start of each state that is on stands in `events`. */
	const open = new Map<string, number>();
	let seconds = 0;
	for (const row of [...rows].sort((a, b) => (a.time as number) - (b.time as number))) {
		const at = row.time as number;
		const event = row.event as string;
		const state = `${event} ${row.key}`;
		seconds = at;
		if (row.phase === 'ends') {
			const started = open.get(state);
			if (started === undefined)
				problems.push({ place: `row ${row.line}`, message: `"${event}" ends without a start` });
			else events[started] = { ...events[started]!, length: at - events[started]!.at };
			open.delete(state);
			continue;
		}
		if (row.phase === 'starts') open.set(state, events.length);
		const place = row.place as [number, number, number] | null;
		events.push({ at, event, length: null, values: row.values as Record<string, number>, place, who: 0 });
	}
	return problems.length > 0 ? { ok: false, problems } : { ok: true, value: { events, seconds } };
}
