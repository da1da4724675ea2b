/** A run as it goes, recorded into a take: where everybody was, what happened, how the game values stood. */
import type { Occurrence } from '../cues/types';
import { clamp } from '../math/scalar';
import type { CurvePoint } from '../math/curve';
import type { GameParameter } from '../kit/types';
import type { Seconds } from '../units/quantities';
import { VIEWERS } from './happenings';
import { TRACE_NUMBERS } from './way';
import type { Course, CourseEvent, CourseValue, Trace } from './types';

/** Moments a second of the way; between them it is straight. */
const TRACE_HZ = 30;
const VALUES_HZ = 10;
/** How far the kept line of a game value may lie from what was, as a part of its range. */
const VALUE_STEP = 0.01;

const rounded = (value: number, steps: number): number => Math.round(value * steps) / steps;

export class Recorder {
	private readonly poses: number[][];
	private readonly events: (CourseEvent & { length: Seconds | null })[] = [];
	/** States that are on: where they stand in `events`, by event and key. */
	private readonly lasting = new Map<string, number>();
	private readonly values = new Map<string, CurvePoint[]>();
	private last: Seconds = 0;

	constructor(
		viewers: number,
		private readonly parameters: readonly GameParameter[]
	) {
		this.poses = Array.from({ length: viewers }, () => []);
	}

	/** How long it is by now. */
	get seconds(): Seconds {
		return this.last;
	}

	/** A step: poses by viewer, x, y, z of the feet, yaw and pitch; a moment of the way is taken when it is due. */
	at(time: Seconds, poses: readonly Float64Array[], valueOf: (parameter: string) => number | undefined): void {
		this.last = time;
		const due = Math.floor(time * TRACE_HZ + 1e-6) + 1;
		poses.forEach((pose, i) => {
			const list = this.poses[i]!;
			// A step that comes late stands for all that were due.
			while (list.length / TRACE_NUMBERS < due)
				for (let c = 0; c < TRACE_NUMBERS; c++) list.push(rounded(pose[c]!, c < 3 ? 1000 : 100));
		});
		for (const parameter of this.parameters) this.note(parameter, time, valueOf(parameter.id));
	}

	/** Something was raised. */
	happened(time: Seconds, { event, phase, values, place, key, who, length }: Occurrence): void {
		const name = `${event} ${key ?? ''}`;
		if (phase === 'ends') {
			const i = this.lasting.get(name);
			if (i === undefined) return;
			this.lasting.delete(name);
			this.events[i] = { ...this.events[i]!, length: rounded(time - this.events[i]!.at, 1000) };
			return;
		}
		if (phase === 'starts') {
			if (this.lasting.has(name)) return;
			this.lasting.set(name, this.events.length);
		}
		this.events.push({
			at: rounded(time, 1000),
			event,
			length: phase === 'starts' ? null : (length ?? null),
			values: Object.fromEntries(Object.entries(values ?? {}).map(([id, value]) => [id, rounded(value, 1000)])),
			place: place ? [rounded(place[0], 1000), rounded(place[1], 1000), rounded(place[2], 1000)] : null,
			who: Math.max(0, VIEWERS.indexOf(who as (typeof VIEWERS)[number]))
		});
	}

	/** The take; states that are still on last to its end. */
	finish(take: Pick<Course, 'id' | 'name' | 'about'> & { readonly rig?: string | null }): Course {
		const seconds = Math.max(0.1, rounded(this.last, 1000));
		for (const i of this.lasting.values())
			this.events[i] = { ...this.events[i]!, length: Math.max(0, rounded(seconds - this.events[i]!.at, 1000)) };
		const [first, second] = this.poses.map((poses): Trace => ({ hz: TRACE_HZ, poses }));
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
			values: this.valuesKept()
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
