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
const VALUES_HZ = 5;
/** A game value is noted again when it moved by this part of its range. */
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
	finish(take: Pick<Course, 'id' | 'name' | 'about'>): Course {
		const seconds = Math.max(0.1, rounded(this.last, 1000));
		for (const i of this.lasting.values())
			this.events[i] = { ...this.events[i]!, length: Math.max(0, rounded(seconds - this.events[i]!.at, 1000)) };
		const [first, second] = this.poses.map((poses): Trace => ({ hz: TRACE_HZ, poses }));
		return {
			...take,
			seconds,
			path: [],
			trace: first ?? null,
			second: second ? { path: [], trace: second } : null,
			steps: false,
			events: [...this.events],
			areas: [],
			values: [...this.values].map(([parameter, points]): CourseValue => ({ parameter, points }))
		};
	}

	/** Kept as a curve of few points: one before it begins to move, and one each time it moved enough. */
	private note({ id, min, max, rest }: GameParameter, time: Seconds, given: number | undefined): void {
		const value = clamp(given ?? rest, min, max);
		const points = this.values.get(id);
		if (!points) {
			this.values.set(id, [{ at: 0, value: rounded(value, 1000) }]);
			return;
		}
		const before = points[points.length - 1]!;
		if (time - before.at < 1 / VALUES_HZ || Math.abs(value - before.value) < VALUE_STEP * (max - min)) return;
		const since = time - 1 / VALUES_HZ;
		if (since - before.at > 2 / VALUES_HZ) points.push({ at: rounded(since, 1000), value: before.value });
		points.push({ at: rounded(time, 1000), value: rounded(value, 1000) });
	}
}
