/** A run as it goes, recorded into a take: where everybody was, what happened, how the game values stood. */
import {
	clamp,
	VIEWERS,
	shortestTurn,
	type Occurrence,
	type FrameBody,
	type CurvePoint,
	type Seconds
} from 'dinesis-runtime/tools';
import type { GameEvent, GameParameter } from 'dinesis-runtime';
import { ThingTrack } from './things';
import { TRACE_NUMBERS } from './way';
import type { Course, CourseEvent, CourseValue, Trace } from '../documents';

/** At least so many moments of the way a second are kept. */
const TRACE_HZ = 30;
/** All steps between two of them are kept where a straight line would be farther off than this: metres, degrees, metres a second. */
const STRAIGHT_WITHIN = { metres: 0.0005, degrees: 0.01, speed: 0.02 } as const;
const VALUES_HZ = 10;
/** How far the kept line of a game value may lie from what was, as a part of its range. */
const VALUE_STEP = 0.01;

const rounded = (value: number, steps: number): number => Math.round(value * steps) / steps;

/** What is recorded of a body, step by step. */
interface Track {
	readonly times: Seconds[];
	readonly poses: number[];
	readonly speeds: number[];
	readonly air: [Seconds, Seconds][];
	readonly climbs: [Seconds, Seconds][];
	readonly rides: [Seconds, Seconds][];
}

/** Whether what lies between two steps is as good as a line. */
function isStraight({ times, poses, speeds }: Track, from: number, to: number): boolean {
	for (let i = from + 1; i < to; i++) {
		const part = (times[i]! - times[from]!) / (times[to]! - times[from]!);
		for (let c = 0; c < TRACE_NUMBERS; c++) {
			const [a, v, b] = [from, i, to].map((k) => poses[k * TRACE_NUMBERS + c]!) as [number, number, number];
			const off = c < 3 ? v - (a + (b - a) * part) : shortestTurn(a, v) - shortestTurn(a, b) * part;
			if (Math.abs(off) > (c < 3 ? STRAIGHT_WITHIN.metres : STRAIGHT_WITHIN.degrees)) return false;
		}
		const [a, b] = [speeds[from]!, speeds[to]!];
		if (Math.abs(speeds[i]! - (a + (b - a) * part)) > STRAIGHT_WITHIN.speed) return false;
	}
	return true;
}

/** A track as it is kept: unrounded, thirty moments a second, and all of them where it is not straight in between. */
function traceOf(track: Track, seconds: Seconds): Trace {
	const { times, poses, speeds, air, climbs, rides } = track;
	const until = (spans: readonly [Seconds, Seconds][]): [Seconds, Seconds][] =>
		spans.map(([from, to]) => [from, Math.min(to, seconds)]);
	const kept: number[] = times.length > 0 ? [0] : [];
	for (let from = 0, to = 1; to < times.length; to++) {
		const due = times[to]! - times[from]! >= 1 / TRACE_HZ - 1e-6 || to === times.length - 1;
		if (!due) continue;
		if (!isStraight(track, from, to)) for (let i = from + 1; i < to; i++) kept.push(i);
		kept.push((from = to));
	}
	return {
		hz: TRACE_HZ,
		times: kept.map((i) => times[i]!),
		poses: kept.flatMap((i) => poses.slice(i * TRACE_NUMBERS, (i + 1) * TRACE_NUMBERS)),
		speeds: kept.map((i) => speeds[i]!),
		air: until(air),
		...(climbs.length > 0 && { climbs: until(climbs) }),
		...(rides.length > 0 && { rides: until(rides) })
	};
}

/** A body at a step, and whether it is on a ladder. */
export interface RecordedBody extends FrameBody {
	readonly climbing?: boolean;
}

/** Opens or ends a stretch of time. */
function note(spans: [Seconds, Seconds][], time: Seconds, on: boolean): void {
	const last = spans.at(-1);
	const open = last?.[1] === Infinity;
	if (on && !open) spans.push([time, Infinity]);
	else if (!on && open) last[1] = time;
}

export class Recorder {
	private readonly tracks: readonly Track[];
	private readonly events: (CourseEvent & { length: Seconds | null })[] = [];
	/** States that are on: where they stand in `events`, by event and key. */
	private readonly lasting = new Map<string, number>();
	private readonly values = new Map<string, CurvePoint[]>();
	private last: Seconds = 0;

	/** What else moves, by its name. */
	private readonly things = new Map<string, ThingTrack>();

	/** `events`: their own tags are not written beside each occurrence. */
	constructor(
		viewers: number,
		private readonly parameters: readonly GameParameter[],
		private readonly known: readonly GameEvent[] = []
	) {
		this.tracks = Array.from({ length: viewers }, () => ({
			times: [],
			poses: [],
			speeds: [],
			air: [],
			climbs: [],
			rides: []
		}));
	}

	/** How long it is by now. */
	get seconds(): Seconds {
		return this.last;
	}

	/** A step with its bodies, by viewer, as it is. */
	at(time: Seconds, bodies: readonly RecordedBody[], valueOf: (parameter: string) => number | undefined): void {
		this.last = time;
		bodies.forEach(({ pose, speed, grounded, onFoot, climbing }, i) => {
			const track = this.tracks[i]!;
			for (let c = 0; c < TRACE_NUMBERS; c++) track.poses.push(pose[c]!);
			track.times.push(time);
			track.speeds.push(speed);
			note(track.air, time, !grounded);
			note(track.climbs, time, climbing === true);
			note(track.rides, time, onFoot === false);
		});
		for (const parameter of this.parameters) this.note(parameter, time, valueOf(parameter.id));
	}

	/** How something else that moves is in the step that was noted last. */
	moved(id: string, numbers: readonly number[]): void {
		let track = this.things.get(id);
		if (!track) this.things.set(id, (track = new ThingTrack(id)));
		track.at(this.last, numbers);
	}

	/** Something was raised. */
	happened(time: Seconds, { event, phase, values, place, key, who, length, tags }: Occurrence): void {
		const name = `${event} ${key ?? ''}`;
		if (phase === 'ends') {
			const i = this.lasting.get(name);
			if (i === undefined) return;
			this.lasting.delete(name);
			this.events[i] = { ...this.events[i]!, length: time - this.events[i]!.at };
			return;
		}
		if (phase === 'starts') {
			if (this.lasting.has(name)) return;
			this.lasting.set(name, this.events.length);
		}
		const own = this.known.find((one) => one.id === event)?.tags ?? [];
		const besides = (tags ?? []).filter((tag) => !own.includes(tag));
		this.events.push({
			at: time,
			event,
			length: phase === 'starts' ? null : (length ?? null),
			values: { ...values },
			place: place ?? null,
			who: Math.max(0, VIEWERS.indexOf(who as (typeof VIEWERS)[number])),
			...(besides.length > 0 && { tags: besides })
		});
	}

	/** The take; states that are still on last to its end. */
	finish(take: Pick<Course, 'id' | 'name' | 'about'> & { readonly rig?: string | null }): Course {
		const seconds = Math.max(0.1, this.last);
		for (const i of this.lasting.values())
			this.events[i] = { ...this.events[i]!, length: Math.max(0, seconds - this.events[i]!.at) };
		const things = [...this.things.values()].flatMap((track) => track.finish() ?? []);
		const [first, second] = this.tracks.map((track) => traceOf(track, seconds));
		return {
			...take,
			rig: take.rig ?? null,
			seconds,
			path: [],
			trace: first ?? null,
			second: second ? { path: [], trace: second } : null,
			steps: false,
			events: [...this.events],
			areas: [],
			values: this.valuesKept(),
			...(things.length > 0 && { things })
		};
	}

	/** Noted often; what a straight line tells as well is left out at the end. */
	private note({ id, min, max, rest }: GameParameter, time: Seconds, given: number | undefined): void {
		const points = this.values.get(id) ?? [];
		const before = points.at(-1);
		if (before && time - before.at < 1 / VALUES_HZ - 1e-6) return;
		points.push({ at: rounded(time, 1000), value: clamp(given ?? rest, min, max) });
		this.values.set(id, points);
	}

	private valuesKept(): CourseValue[] {
		return this.parameters.flatMap(({ id, min, max }) => {
			const points = this.values.get(id);
			return points ? [{ parameter: id, points: straightened(points, VALUE_STEP * Math.max(1e-9, max - min)) }] : [];
		});
	}
}

/** The points that a line needs so that it is nowhere farther off than `off`, with the slopes that make it a line. */
function straightened(points: readonly CurvePoint[], off: number): CurvePoint[] {
	const kept: number[] = [0];
	const split = (first: number, last: number): void => {
		const [a, b] = [points[first]!, points[last]!];
		let worst = off;
		let at = -1;
		for (let i = first + 1; i < last; i++) {
			const p = points[i]!;
			const away = Math.abs(p.value - (a.value + ((b.value - a.value) * (p.at - a.at)) / (b.at - a.at)));
			if (away > worst) {
				worst = away;
				at = i;
			}
		}
		if (at < 0) {
			kept.push(last);
			return;
		}
		split(first, at);
		split(at, last);
	};
	if (points.length > 1) split(0, points.length - 1);
	const line = kept.map((i) => ({ at: points[i]!.at, value: rounded(points[i]!.value, 1000) }));
	const slope = (i: number): number =>
		line[i] && line[i + 1]
			? rounded((line[i + 1]!.value - line[i]!.value) / (line[i + 1]!.at - line[i]!.at), 10000)
			: 0;
	return line.map((point, i) => ({ ...point, in: slope(i - 1), out: slope(i) }));
}
