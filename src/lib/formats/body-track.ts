/** Where a body was over time: `time,x,y,z,pitch,yaw,roll` as CSV, a row a moment, at any time steps. */
import papaparse from 'papaparse';
import type { BodyTrack } from '../analysis';
import type { ReadResult, Problem } from 'dinesis-runtime';

export const BODY_COLUMNS = ['time', 'x', 'y', 'z', 'pitch', 'yaw', 'roll'] as const;
const POSE = BODY_COLUMNS.length - 1;
const MOST_PROBLEMS = 50;
const MOST_ROWS = 2_000_000;

/** Columns may stand in any order; what is not given is 0, but for the time. What is wrong is told by its row. */
export function readBodyTrack(text: string): ReadResult<BodyTrack> {
	const { data, meta } = papaparse.parse<Record<string, string>>(text.trim(), { header: true, skipEmptyLines: true });
	const problems: Problem[] = [];
	if (!meta.fields?.includes('time')) problems.push({ place: 'row 1', message: 'has no column "time"' });
	if (data.length === 0) problems.push({ place: 'row 2', message: 'is missing; at least one moment is needed' });
	if (data.length > MOST_ROWS)
		problems.push({ place: '', message: `has ${data.length} rows; at most ${MOST_ROWS} are read` });
	if (problems.length > 0) return { ok: false, problems };
	const times = new Float64Array(data.length);
	const poses = new Float64Array(data.length * POSE);
	data.forEach((row, i) => {
		BODY_COLUMNS.forEach((name, c) => {
			const cell = row[name]?.trim() ?? '';
			const value = cell === '' && c > 0 ? 0 : Number(cell);
			if ((cell === '' && c === 0) || !Number.isFinite(value)) {
				if (problems.length < MOST_PROBLEMS)
					problems.push({ place: `row ${i + 2}`, message: `${name} is "${cell}"; a number is needed` });
			} else if (c === 0) times[i] = value;
			else poses[i * POSE + c - 1] = value;
		});
		if (i > 0 && !(times[i]! > times[i - 1]!) && problems.length < MOST_PROBLEMS)
			problems.push({
				place: `row ${i + 2}`,
				message: `time is ${times[i]}, not after ${times[i - 1]}; times must rise`
			});
	});
	return problems.length > 0 ? { ok: false, problems } : { ok: true, value: { times, poses } };
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
