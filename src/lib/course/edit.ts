/** Changes of a course as functions: the old one goes in, a new one comes out. */
import { compileCurve, runCurve, type CurvePoint, type Seconds } from 'dinesis-runtime/tools';
import { compilePath, placeAt } from './path';
import { trimThing } from './things';
import { speedAt, timeOfMoment, TRACE_NUMBERS, traceAt } from './way';
import type { Course, CourseEvent, CourseValue, Trace, Way, Waypoint } from '../documents';

/** Events in the order of their times; of those at the same time, in the order they stood. */
export const sortEvents = (events: readonly CourseEvent[]): CourseEvent[] => [...events].sort((a, b) => a.at - b.at);

/** The part from one time to another as a course that begins at 0. A state that is on at the cut goes on from there. */
export function trimCourse(course: Course, from: Seconds, to: Seconds): Course {
	const start = Math.max(0, Math.min(from, to));
	const end = Math.min(course.seconds, Math.max(from, to));
	const seconds = end - start;
	const events = course.events.flatMap((event): CourseEvent[] => {
		const until = event.at + (event.length ?? 0);
		if (event.at >= end || (event.at < start && until <= start)) return [];
		const at = Math.max(event.at, start) - start;
		const length = event.length === null ? null : until - start - at;
		return [{ ...event, at, length }];
	});
	const cut: { recording?: Course['recording'] } & Course = {
		...course,
		...trimWay(course, start, end),
		second: course.second && trimWay(course.second, start, end),
		seconds,
		events,
		values: course.values.map((value) => ({ ...value, points: trimPoints(value, start, end) })),
		...(course.things && { things: course.things.map((thing) => trimThing(thing, start, end)) })
	};
	// What it was to the frame, it was from its beginning to its end.
	delete cut.recording;
	return cut;
}

function trimPoints({ points }: CourseValue, start: Seconds, end: Seconds): CurvePoint[] {
	const curve = compileCurve(points);
	const inside = points.filter((p) => p.at > start + 1e-9 && p.at < end - 1e-9);
	const at = (time: Seconds): CurvePoint => ({ at: time, value: runCurve(curve, time) });
	return [at(start), ...inside, at(end)].map((p) => ({ ...p, at: p.at - start }));
}

const trimWay = ({ path, trace }: Way, start: Seconds, end: Seconds): Way => ({
	path: path.length > 0 ? trimPath(path, start, end) : [],
	trace: trace && trimTrace(trace, start, end)
});

function trimTrace(trace: Trace, start: Seconds, end: Seconds): Trace {
	const { hz, times, speeds } = trace;
	const spans = (list: Trace['air']): [Seconds, Seconds][] =>
		(list ?? []).flatMap(([from, until]): [Seconds, Seconds][] =>
			until <= start || from >= end ? [] : [[Math.max(from, start) - start, Math.min(until, end) - start]]
		);
	const even = Array.from({ length: Math.max(1, Math.floor((end - start) * hz + 1e-6) + 1) }, (_, i) => start + i / hz);
	const at = times ? [start, ...times.filter((t) => t > start && t < end), ...(end > start ? [end] : [])] : even;
	const out: number[] = [];
	const moment = new Float64Array(TRACE_NUMBERS);
	for (const time of at) {
		traceAt(trace, time, moment);
		out.push(...moment);
	}
	return {
		hz,
		poses: out,
		...(times && { times: at.map((time) => time - start) }),
		...(speeds && { speeds: at.map((time) => speedAt(trace, time)) }),
		...Object.fromEntries(
			(['air', 'climbs', 'rides'] as const).flatMap((of) => (trace[of] ? [[of, spans(trace[of])]] : []))
		)
	};
}

function trimPath(path: readonly Waypoint[], start: Seconds, end: Seconds): Waypoint[] {
	const compiled = compilePath(path);
	const spot = new Float64Array(3);
	const at = (time: Seconds): Pick<Waypoint, 'x' | 'y' | 'z'> => {
		placeAt(compiled, time, spot);
		return { x: spot[0]!, y: spot[1]!, z: spot[2]! };
	};
	// The last place that was reached by then, and what is left of the stand there.
	let i = 0;
	while (i < path.length - 1 && compiled.arrives[i + 1]! <= start) i++;
	const first: Waypoint = {
		...at(start),
		speed: path[i]!.speed,
		pause: Math.max(0, Math.min(end, compiled.leaves[i]!) - Math.max(start, compiled.arrives[i]!))
	};
	const between = path.flatMap((point, k): Waypoint[] => {
		const arrives = compiled.arrives[k]!;
		if (k <= i || arrives >= end) return [];
		return [{ ...point, pause: Math.min(point.pause, end - arrives) }];
	});
	const last = between.at(-1) ?? first;
	const goal = at(end);
	const stands = Math.abs(goal.x - last.x) + Math.abs(goal.y - last.y) + Math.abs(goal.z - last.z) < 1e-9;
	return stands ? [first, ...between] : [first, ...between, { ...goal, speed: last.speed, pause: 0 }];
}

/** Which moments of a trace a path needs so that it is nowhere farther from it than `off` at the same time. */
function needed(trace: Trace, first: number, last: number, off: number, keep: Set<number>): void {
	const { poses } = trace;
	const place = (i: number, c: number): number => poses[i * TRACE_NUMBERS + c]!;
	let worst = off * off;
	let at = -1;
	for (let i = first + 1; i < last; i++) {
		const [start, end] = [timeOfMoment(trace, first), timeOfMoment(trace, last)];
		const t = (timeOfMoment(trace, i) - start) / (end - start);
		let far = 0;
		for (let c = 0; c < 3; c++) {
			const d = place(i, c) - (place(first, c) + (place(last, c) - place(first, c)) * t);
			far += d * d;
		}
		if (far > worst) {
			worst = far;
			at = i;
		}
	}
	if (at < 0) return;
	keep.add(at);
	needed(trace, first, at, off, keep);
	needed(trace, at, last, off, keep);
}

/** Slower than this between two moments is standing, in metres a second. */
const STANDS = 0.05;
/** What is nearer than this to a stand belongs to it, in metres. */
const SAME_PLACE = 0.3;

const apart = (dx: number, dy: number, dz: number): number => Math.sqrt(dx * dx + dy * dy + dz * dz);

/** A recorded way as places with speeds and pauses, at no time farther from it than `off` metres but for the standing. */
export function traceToPath(trace: Trace, off = 0.12): Waypoint[] {
	const last = trace.poses.length / TRACE_NUMBERS - 1;
	const keep = new Set([0, last]);
	needed(trace, 0, last, off, keep);
	const moments = [...keep].sort((a, b) => a - b);
	const path: Waypoint[] = [];
	moments.forEach((m, k) => {
		const spot = (i: number): [number, number, number] => [
			trace.poses[i * TRACE_NUMBERS]!,
			trace.poses[i * TRACE_NUMBERS + 1]!,
			trace.poses[i * TRACE_NUMBERS + 2]!
		];
		const [x, y, z] = spot(m);
		const next = moments[k + 1];
		const before = path.at(-1);
		if (next === undefined) {
			path.push({ x, y, z, speed: before?.speed ?? 1.4, pause: 0 });
			return;
		}
		const [nx, ny, nz] = spot(next);
		const seconds = timeOfMoment(trace, next) - timeOfMoment(trace, m);
		const speed = apart(x - nx, y - ny, z - nz) / seconds;
		if (speed >= STANDS) path.push({ x, y, z, speed, pause: 0 });
		else path.push({ x, y, z, speed: 1.4, pause: seconds });
	});
	return mergeStands(path);
}

/** A stand and the place that it ends at are one place. */
function mergeStands(path: readonly Waypoint[]): Waypoint[] {
	const merged: Waypoint[] = [];
	for (const point of path) {
		const before = merged.at(-1);
		const near = before && apart(point.x - before.x, point.y - before.y, point.z - before.z) < SAME_PLACE;
		if (near && before.pause > 0)
			merged[merged.length - 1] = { ...before, speed: point.speed, pause: before.pause + point.pause };
		else merged.push(point);
	}
	return merged;
}

/** A take made into a course that can be edited place by place. */
export const takeToCourse = (take: Course): Course => {
	const open = (way: Way): Way => (way.trace ? { path: traceToPath(way.trace), trace: null } : way);
	const made: { recording?: Course['recording'] } & Course = {
		...take,
		...open(take),
		second: take.second && open(take.second)
	};
	delete made.recording;
	return made;
};
