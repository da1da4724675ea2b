/** Where a body was over time: `time,x,y,z,pitch,yaw,roll` as CSV, a row a moment, at any time steps. */
import type { BodyTrack } from '../analysis';
import type { ReadResult, Problem } from 'dinesis-runtime';
import { eachRow, MOST_PROBLEMS, numberIn, type Rows } from './rows';

export const BODY_COLUMNS = ['time', 'x', 'y', 'z', 'pitch', 'yaw', 'roll'] as const;
const POSE = BODY_COLUMNS.length - 1;
const MOST_ROWS = 2_000_000;
const MOST_SECONDS = 3600;
/** Metres or degrees. */
const MOST_NUMBER = 1e6;
const shown = (cell: string): string => (cell.length > 40 ? `${cell.slice(0, 39)}…` : cell);

/** Columns may stand in any order; what is not given is 0, but for the time. What is wrong is told by its row; nothing is taken then. */
export function readBodyTrack(text: string): ReadResult<BodyTrack> {
	const problems: Problem[] = [];
	const times: number[] = [];
	const poses: number[] = [];
	let timed = true;
	const rows: Rows = {
		problems,
		header(names) {
			timed = names.includes('time');
			if (!timed) problems.push({ place: 'row 1', message: 'has no column "time"' });
		},
		row(cells, line) {
			if (!timed) return;
			const add = (message: string): void => void problems.push({ place: `row ${line}`, message });
			const [time, ...pose] = BODY_COLUMNS.map((name) => numberIn(cells[name]));
			BODY_COLUMNS.forEach((name, c) => {
				const value = c === 0 ? time : pose[c - 1];
				if (typeof value === 'string') add(`${name} is "${shown(value)}"; a number is needed`);
				else if (c > 0 && value !== undefined && Math.abs(value) > MOST_NUMBER)
					add(`${name} is ${value}; a number within ±${MOST_NUMBER} is needed`);
			});
			if (time === undefined) add('time is nothing; seconds are needed');
			if (typeof time !== 'number') return;
			const before = times.at(-1);
			if (before !== undefined && !(time > before)) add(`time is ${time}, not after ${before}; times must rise`);
			else if (time - (times[0] ?? time) > MOST_SECONDS)
				add(`time is ${time}, more than an hour after the first; at most an hour is read`);
			times.push(time);
			for (const value of pose) poses.push(typeof value === 'number' ? value : 0);
		}
	};
	const clean = text.charCodeAt(0) === 0xfeff ? text.slice(1) : text;
	eachRow(clean, rows, MOST_ROWS);
	if (clean.trim() === '') problems.push({ place: '', message: 'The file is empty; a header with "time" is needed.' });
	else if (problems.length === 0 && times.length === 0)
		problems.push({ place: 'row 2', message: 'is missing; at least one moment is needed' });
	return problems.length > 0
		? { ok: false, problems: problems.slice(0, MOST_PROBLEMS) }
		: { ok: true, value: { times: Float64Array.from(times), poses: Float64Array.from(poses) } };
}

export function bodyTrackToCsv({ times, poses }: BodyTrack): string {
	const rows: string[] = [BODY_COLUMNS.join(',')];
	for (let i = 0; i < times.length; i++) {
		const row = [times[i]!];
		for (let c = 0; c < POSE; c++) row.push(poses[i * POSE + c]! + 0);
		rows.push(row.join(','));
	}
	return `${rows.join('\n')}\n`;
}
