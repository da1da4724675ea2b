/** What the timeline draws of a course, as plain numbers and paths. */
import { compileCurve, gaitOf, runCurve, type Gait, type Seconds } from 'dinesis-runtime/tools';
import { compileWay, poseAt, TRACE_NUMBERS, type SurveyPlay } from '$lib/course';
import { type Course, type CourseValue, type Way } from '$lib/documents';

export interface Shown {
	readonly from: Seconds;
	readonly to: Seconds;
}

/** Where a time lies on a line so many pixels wide. */
export const across = ({ from, to }: Shown, width: number, time: Seconds): number =>
	((time - from) / (to - from)) * width;

/** Steps of a ruler's marks, in seconds: each divides the next one's larger neighbours evenly. */
const STEPS = [0.01, 0.02, 0.05, 0.1, 0.2, 0.5, 1, 2, 5, 10, 20, 30, 60, 120, 300];
const LEAST_PIXELS = 58;

/** The ruler's marks: times in even steps that leave room for their numbers. */
export function ticks(shown: Shown, width: number): { readonly step: Seconds; readonly at: readonly Seconds[] } {
	const perPixel = (shown.to - shown.from) / Math.max(1, width);
	const step = STEPS.find((s) => s / perPixel >= LEAST_PIXELS) ?? 600;
	const first = Math.ceil(shown.from / step - 1e-9);
	const count = Math.floor(shown.to / step + 1e-9) - first + 1;
	return { step, at: Array.from({ length: Math.max(0, count) }, (_, i) => (first + i) * step) };
}

/** A time as the ruler writes it: 7 s, 1:30. */
export function clockOf(time: Seconds, step: Seconds): string {
	const digits = step < 0.1 ? 2 : step < 1 ? 1 : 0;
	if (time < 60) return time.toFixed(digits);
	const minutes = Math.floor(time / 60 + 1e-9);
	const rest = time - minutes * 60;
	return `${minutes}:${rest.toFixed(digits).padStart(digits > 0 ? 3 + digits : 2, '0')}`;
}

export interface Pace {
	/** Speeds in metres a second at even times over what is shown. */
	readonly speeds: Float64Array;
	/** Stretches of one gait. */
	readonly gaits: readonly { readonly gait: Gait; readonly from: Seconds; readonly to: Seconds }[];
}

/** How fast one moves over what is shown, in so many samples. */
export function paceOf(way: Way, shown: Shown, count: number): Pace {
	const compiled = compileWay(way);
	const [a, b] = [new Float64Array(TRACE_NUMBERS), new Float64Array(TRACE_NUMBERS)];
	const dt = (shown.to - shown.from) / Math.max(1, count - 1);
	const span = Math.max(0.1, Math.min(dt, 0.5));
	const speeds = Float64Array.from({ length: count }, (_, i) => {
		const time = shown.from + i * dt;
		poseAt(compiled, time - span / 2, a);
		poseAt(compiled, time + span / 2, b);
		return Math.hypot(b[0]! - a[0]!, b[2]! - a[2]!) / span;
	});
	const gaits: { gait: Gait; from: Seconds; to: Seconds }[] = [];
	speeds.forEach((speed, i) => {
		const gait = gaitOf(speed);
		const last = gaits.at(-1);
		const at = shown.from + i * dt;
		if (last && last.gait === gait) last.to = at;
		else gaits.push({ gait, from: last ? last.to : at, to: at });
	});
	return { speeds, gaits };
}

/** An area under values, `most` filling the height, as a path from the lower edge. */
export function areaPath(values: ArrayLike<number>, most: number, width: number, height: number): string {
	const n = values.length;
	let path = `M0 ${height}`;
	for (let i = 0; i < n; i++)
		path += `L${((i / Math.max(1, n - 1)) * width).toFixed(1)} ${(height * (1 - Math.min(1, values[i]! / most))).toFixed(1)}`;
	return `${path}L${width} ${height}Z`;
}

/** The largest of the columns that fall on each of `count` points over what is shown. */
export function columnsShown(columns: Float32Array, seconds: Seconds, shown: Shown, count: number): Float64Array {
	const per = columns.length / seconds;
	return Float64Array.from({ length: count }, (_, i) => {
		const from = shown.from + ((shown.to - shown.from) * i) / count;
		const to = shown.from + ((shown.to - shown.from) * (i + 1)) / count;
		let most = 0;
		const last = Math.min(columns.length - 1, Math.max(Math.floor(from * per), Math.ceil(to * per) - 1));
		for (let c = Math.max(0, Math.floor(from * per)); c <= last; c++) most = Math.max(most, columns[c]!);
		return most;
	});
}

/** A game value over what is shown, as points of a line. */
export function valueLine({ points }: CourseValue, shown: Shown, width: number, y: (value: number) => number): string {
	const curve = compileCurve(points);
	const count = Math.max(2, Math.round(width / 3));
	return Array.from({ length: count + 1 }, (_, i) => {
		const time = shown.from + ((shown.to - shown.from) * i) / count;
		return `${((i / count) * width).toFixed(1)},${y(runCurve(curve, time)).toFixed(1)}`;
	}).join(' ');
}

/** Rows so that no two plays of a row overlap: each into the first row that is free; those that find none share the last. */
export function packed(
	plays: readonly SurveyPlay[],
	most: number
): { readonly play: SurveyPlay; readonly row: number }[] {
	const free: Seconds[] = [];
	return [...plays]
		.sort((a, b) => a.at - b.at)
		.map((play) => {
			let row = free.findIndex((until) => until <= play.at);
			if (row < 0) row = Math.min(free.length, most - 1);
			free[row] = Math.max(free[row] ?? 0, play.until);
			return { play, row };
		});
}

/** Ids of the events on the timeline, in the order in which they first come. */
export const lanesOf = (course: Course): string[] => [...new Set(course.events.map((e) => e.event))];
