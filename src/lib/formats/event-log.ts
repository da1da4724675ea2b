/**
 * A game's log of events, read as the events of a course. Two forms: CSV with a header (`time`, `event`, and where wanted
 * `phase`, `x`, `y`, `z`, `key`, `tags` with ";" between them; every other column is a number that the event carries), or JSON lines with the
 * same names (`place` as three numbers, `values` as an object, `tags` as a list). A state is two rows, `starts` and `ends`; they become one event with a
 * length. Events are called by their ids or their names (`log-names.ts`). What is wrong is told by its row; nothing is taken then.
 */
import { parseJson, type CourseEvent } from '../documents';
import type { ReadResult, Problem } from 'dinesis-runtime';
import { eachRow, MOST_PROBLEMS, numberIn } from './rows';
import { isRecord, show, type Seconds } from 'dinesis-runtime/tools';

/** As many events as a course may have. */
const MOST_ROWS = 100_000;
/** As long as a course may be. */
const MOST_SECONDS = 3600;
const MOST_TAGS = 40;
const MOST_TAG_LETTERS = 40;
const MOST_NAME_LETTERS = 120;
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
	/** What the occurrence carries beside the event's own. */
	readonly tags: readonly unknown[];
}

const isNumber = (value: unknown): value is number => typeof value === 'number' && Number.isFinite(value);
const OWN = new Set(['time', 'event', 'phase', 'x', 'y', 'z', 'key', 'tags']);
function csvRows(text: string, problems: Problem[]): Row[] {
	const taken: Row[] = [];
	eachRow(
		text,
		{
			problems,
			header(names) {
				for (const name of ['time', 'event'])
					if (!names.includes(name)) problems.push({ place: 'row 1', message: `has no column "${name}"` });
			},
			row(cells, line) {
				const placed = [cells.x, cells.y, cells.z].map(numberIn);
				const values = Object.entries(cells)
					.filter(([name, cell]) => !OWN.has(name) && cell !== '')
					.map(([name, cell]) => [name, numberIn(cell)] as const);
				const row: Row = {
					line,
					time: numberIn(cells.time),
					event: cells.event,
					phase: cells.phase || 'happens',
					key: cells.key ?? '',
					place: placed.every((n) => n === undefined) ? null : placed,
					values: Object.fromEntries(values),
					tags: (cells.tags ?? '')
						.split(';')
						.map((tag) => tag.trim())
						.filter(Boolean)
				};
				judge(row, problems);
				taken.push(row);
			}
		},
		MOST_ROWS
	);
	return taken;
}

function jsonRows(text: string, problems: Problem[]): Row[] {
	const taken: Row[] = [];
	let from = 0;
	for (let line = 1; from <= text.length && problems.length < MOST_PROBLEMS; line++) {
		const end = text.indexOf('\n', from);
		const written = text.slice(from, end < 0 ? text.length : end);
		from = end < 0 ? text.length + 1 : end + 1;
		if (written.trim() === '') continue;
		const add = (message: string): void => void problems.push({ place: `row ${line}`, message });
		const parsed = parseJson(written);
		if (!parsed.ok) {
			add(
				`is not JSON that can be kept: ${parsed.place === '' ? '' : `${parsed.place} `}${parsed.message.replace(/^line 1, /, '')}`
			);
			continue;
		}
		const value = parsed.value;
		if (!isRecord(value)) {
			add(`is ${show(value)}; an object is needed`);
			continue;
		}
		if (taken.length >= MOST_ROWS) {
			problems.push({ place: '', message: `has more than ${MOST_ROWS} rows; so many are not read` });
			break;
		}
		const row: Row = {
			line,
			time: value.time,
			event: value.event,
			phase: value.phase ?? 'happens',
			key: typeof value.key === 'string' ? value.key : '',
			place: Array.isArray(value.place) ? value.place : null,
			values: isRecord(value.values) ? value.values : {},
			tags: Array.isArray(value.tags) ? value.tags : []
		};
		judge(row, problems);
		taken.push(row);
	}
	return taken;
}

/** Notes what is wrong with a row. */
function judge(row: Row, problems: Problem[]): void {
	const message = fault(row);
	if (message) problems.push({ place: `row ${row.line}`, message });
}

/** What is wrong with a row; undefined when nothing is. */
function fault({ time, event, phase, place, values, tags }: Row): string | undefined {
	if (!isNumber(time) || time < 0) return `time is ${show(time)}; seconds from 0 on are needed`;
	if (time > MOST_SECONDS) return `time is ${time}; a log may be an hour long, ${MOST_SECONDS} seconds`;
	if (typeof event !== 'string' || event.trim() === '' || event.length > MOST_NAME_LETTERS)
		return `event is ${show(event)}; an id or a name of up to ${MOST_NAME_LETTERS} letters is needed`;
	if (!PHASES.includes(phase as string)) return `phase is ${show(phase)}; happens, starts or ends is needed`;
	if (place && (place.length !== 3 || !place.every(isNumber))) return 'x, y and z: three numbers are needed, or none';
	const tag = tags.find((one) => typeof one !== 'string' || one === '' || one.length > MOST_TAG_LETTERS);
	if (tag !== undefined) return `tags has ${show(tag)}; words of up to ${MOST_TAG_LETTERS} letters are needed`;
	if (tags.length > MOST_TAGS) return `has ${tags.length} tags; up to ${MOST_TAGS} are read`;
	const bad = Object.entries(values).find(([, value]) => !isNumber(value));
	return bad && `${bad[0]} is ${show(bad[1])}; a number is needed`;
}

export interface EventLog {
	readonly events: readonly CourseEvent[];
	/** Names of states that begin and never end; they go on to the take's end. */
	readonly open: readonly string[];
	/** The time of the last row. */
	readonly seconds: Seconds;
}

export function readEventLog(text: string): ReadResult<EventLog> {
	const problems: Problem[] = [];
	const clean = text.charCodeAt(0) === 0xfeff ? text.slice(1) : text;
	if (clean.trim() === '') return { ok: false, problems: [{ place: '', message: 'The log is empty.' }] };
	const rows = clean.trimStart().startsWith('{') ? jsonRows(clean, problems) : csvRows(clean, problems);
	if (problems.length > 0) return { ok: false, problems: problems.slice(0, MOST_PROBLEMS) };
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
		const said = row.tags.length > 0 ? { tags: row.tags as readonly string[] } : {};
		events.push({ at, event, length: null, values: row.values as Record<string, number>, place, who: 0, ...said });
	}
	return problems.length > 0
		? { ok: false, problems }
		: { ok: true, value: { events, open: [...new Set([...open.values()].map((i) => events[i]!.event))], seconds } };
}
