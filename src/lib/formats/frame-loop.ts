/**
 * A loop of frames: rows of a frame and what the eye does there, as an animator has them, and the gait that they are. Written with tabs,
 * semicolons, commas or blanks; the first row may name the columns.
 *
 *     const read = readFrameLoop('frame,y,roll\n0,0,0\n…');
 *     if (read.ok) gaitOfLoop(read.value, { id: 'walk', rate: 30, spans: 'stride', speed: 1.4, view: 'space' });
 */
import type { BobChannel, BobGait, Channel, Key, View } from 'dinesis-runtime/tools';
import type { ReadResult } from 'dinesis-runtime';
import { CHANNELS } from 'dinesis-runtime/tools';
import { thinned } from '../analysis';

export interface LoopColumn {
	/** Null where no heading says which. */
	readonly channel: Channel | null;
	/** By row. */
	readonly values: readonly number[];
}

export interface FrameLoop {
	/** Rising. */
	readonly frames: readonly number[];
	readonly columns: readonly LoopColumn[];
	/** How many frames it goes round in. */
	readonly length: number;
	/** Whether its last row is its first again, and so no frame of its own. */
	readonly closes: boolean;
}

export interface LoopOptions {
	readonly id: string;
	readonly name?: string;
	/** Frames a second. */
	readonly rate: number;
	/** What the loop goes round in: two steps, or one. */
	readonly spans: 'stride' | 'step';
	/** Metres a second that it is made for. */
	readonly speed: number;
	/** Which channel a column without a heading is. */
	readonly channel?: Channel;
	/** What metres are written in: 0.01 for centimetres. */
	readonly metre?: number;
	readonly view: View;
	/** How many frames it goes round in; left out: what was read. */
	readonly length?: number;
	/** Moved so that it swings about 0. */
	readonly centred?: boolean;
}

/** What an animator may call a channel. */
const NAMES: Readonly<Record<string, Channel>> = {
	...Object.fromEntries(CHANNELS.map((channel) => [channel, channel])),
	side: 'x',
	height: 'y',
	depth: 'z'
};
const MOST_ROWS = 10_000;
/** What a kit takes of poses: so many, and so near to each other. */
const MOST_KEYS = 64;

/** Cells of a row: a decimal comma where a tab or a semicolon divides. */
function cellsOf(line: string): string[] {
	const divided = /[\t;]/.test(line);
	const parts = divided ? line.replace(/,/g, '.').split(/[\t;]/) : line.split(/\s*,\s*|\s+/);
	return parts.map((cell) => cell.trim().replace(/^"(.*)"$/, '$1'));
}

const problem = (place: string, message: string): ReadResult<FrameLoop> => ({
	ok: false,
	problems: [{ place, message }]
});

/** Reads rows: a frame and a value, or a frame and a value for each column that the heading names. */
export function readFrameLoop(text: string): ReadResult<FrameLoop> {
	const lines = text.split(/\r?\n/).map((line, i) => ({ line: line.trim(), row: i + 1 }));
	const full = lines.filter(({ line }) => line !== '');
	if (full.length === 0) return problem('', 'is empty; a row for each frame is needed: the frame, and a value');
	if (full.length > MOST_ROWS) return problem('', `has ${full.length} rows; a loop has at most ${MOST_ROWS}`);
	const head = cellsOf(full[0]!.line);
	const named = head.some((cell) => !Number.isFinite(Number(cell)));
	const rows = named ? full.slice(1) : full;
	const width = head.length;
	if (width < 2) return problem(`row ${full[0]!.row}`, 'has one cell; a frame and a value are needed');
	if (!named && width > 2)
		return problem('row 1', `has ${width} cells; a first row that names them is needed: frame, x, y, pitch …`);
	const channels = head.slice(1).map((cell) => (named ? (NAMES[cell.toLowerCase()] ?? null) : null));
	if (named && width > 2)
		for (const [i, channel] of channels.entries()) {
			const said = head[i + 1]!;
			if (channel === null)
				return problem('row 1', `names “${said.slice(0, 40)}”; one of ${CHANNELS.join(', ')} is meant`);
			if (channels.indexOf(channel) < i) return problem('row 1', `names ${channel} twice`);
		}
	const table: number[][] = [];
	for (const { line, row } of rows) {
		const cells = cellsOf(line);
		const numbers = cells.map(Number);
		if (cells.length !== width || cells.includes('') || !numbers.every(Number.isFinite))
			return problem(`row ${row}`, `is “${line.slice(0, 60)}”; ${width} numbers are needed`);
		table.push(numbers);
	}
	table.sort((a, b) => a[0]! - b[0]!);
	const twice = table.find((cells, i) => cells[0] === table[i + 1]?.[0]);
	if (twice) return problem('', `has frame ${twice[0]} twice`);
	if (table.length < 2) return problem('', 'has one frame; a loop needs at least two');
	return { ok: true, value: loopOf(table, channels) };
}

function loopOf(table: readonly (readonly number[])[], channels: readonly (Channel | null)[]): FrameLoop {
	const [first, last] = [table[0]!, table[table.length - 1]!];
	const closes = table.length > 2 && first.slice(1).every((value, i) => value === last[i + 1]);
	const kept = closes ? table.slice(0, -1) : table;
	const whole = last[0]! - first[0]!;
	// Without a closing row the last frame lasts as long as one on the average.
	const length = closes ? whole : (whole * table.length) / (table.length - 1);
	return {
		frames: kept.map((cells) => cells[0]! - first[0]!),
		columns: channels.map((channel, i) => ({ channel, values: kept.map((cells) => cells[i + 1]!) })),
		length,
		closes
	};
}

/** Steps a second of a loop that goes round in so many frames. */
export const stepsOfLoop = (length: number, rate: number, spans: 'stride' | 'step'): number =>
	(spans === 'stride' ? 2 : 1) * (rate / length);

/** The gait that a loop is: each channel by its poses, as often round as the loop is. `dropped`: frames that a kit has no room for. */
export function gaitOfLoop(
	loop: FrameLoop,
	{ id, name, rate, spans, speed, channel = 'y', metre = 1, view, length = loop.length, centred = false }: LoopOptions
): { readonly gait: BobGait; readonly dropped: number } {
	const channels: Partial<Record<Channel, BobChannel>> = {};
	let dropped = 0;
	for (const column of loop.columns) {
		const target = column.channel ?? channel;
		const isPlace = target === 'x' || target === 'y' || target === 'z';
		const scale = isPlace && view === 'space' ? metre : 1;
		const middle = centred ? (Math.max(...column.values) + Math.min(...column.values)) / 2 : 0;
		const values = column.values.map((value) => (value - middle) * scale);
		const amplitude = Math.max(...values.map(Math.abs));
		if (!(amplitude > 0)) continue;
		const all = values.map((value, i): Key => ({ at: loop.frames[i]! / length, value: value / amplitude }));
		const keys = thinned(
			all.filter(({ at }) => at < 1),
			MOST_KEYS
		);
		dropped = Math.max(dropped, all.length - keys.length);
		channels[target] = { amplitude, phase: 0, shape: 'keys', every: spans, keys };
	}
	const gait: BobGait = { id, ...(name && { name }), speed, steps: stepsOfLoop(length, rate, spans), channels };
	return { gait, dropped };
}
