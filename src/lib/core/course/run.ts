/**
 * A course played: on the fixed grid of 1/120 s, whatever the machine's pace, so that playing, scrubbing and baking are one
 * and the same.
 *
 *     const run = new CourseRun(kit, course, { seed: 1 });
 *     run.advanceTo(12.5);
 *     run.director.viewers[0].player.offset;
 */
import { Director } from '../cues/director';
import type { Kit } from '../kit/types';
import { compileCurve, runCurve, type CompiledCurve } from '../math/curve';
import type { Occurrence } from '../cues/types';
import type { Seconds } from '../units/quantities';
import { compilePath, facingAt, placeAt, type CompiledPath } from './path';
import type { Course } from './types';

export const GRID_HZ = 120;
/** Of the eyes above the ground, in metres. */
const EYE_HEIGHT = 1.62;

interface Scheduled {
	readonly at: Seconds;
	readonly event: string;
	readonly phase: Occurrence['phase'];
	readonly values: Readonly<Record<string, number>>;
	readonly place: readonly [number, number, number] | null;
	readonly length: Seconds | undefined;
	readonly key: string;
}

export class CourseRun {
	readonly director: Director;
	/** Feet of the body: x, y, z. */
	readonly body = new Float64Array(3);
	/** Cosine and sine of half the yaw that the body faces. */
	readonly facing = Float64Array.of(1, 0);
	private readonly path: CompiledPath;
	private readonly schedule: readonly Scheduled[];
	private readonly curves: readonly { readonly parameter: string; readonly curve: CompiledCurve }[];
	private readonly inside: Uint8Array;
	private readonly scratch = new Float64Array(3);
	private next = 0;
	private step = -1;

	constructor(
		private readonly kit: Kit,
		readonly course: Course,
		options: { readonly seed?: number } = {}
	) {
		this.director = new Director(kit, options);
		this.path = compilePath(course.path);
		this.schedule = scheduleOf(kit, course);
		this.curves = course.values.map(({ parameter, points }) => ({ parameter, curve: compileCurve(points) }));
		this.inside = new Uint8Array(course.areas.length);
		this.takeStep();
	}

	/** The time of the last step. */
	get now(): Seconds {
		return this.step / GRID_HZ;
	}

	/** Plays up to a time: to the last step of the grid that is not after it, nor after the course. Only forward. */
	advanceTo(time: Seconds): void {
		const last = Math.floor(Math.min(time, this.course.seconds) * GRID_HZ + 1e-6);
		while (this.step < last) this.takeStep();
	}

	private takeStep(): void {
		this.step++;
		const time = this.now;
		placeAt(this.path, time, this.body);
		facingAt(this.path, time, this.facing, this.scratch);
		const [x, y, z] = [this.body[0]!, this.body[1]!, this.body[2]!];
		for (const { player } of this.director.viewers) {
			player.setBody(x, y, z);
			player.setRest(x, y + EYE_HEIGHT, z, 0, this.facing[1]!, 0, this.facing[0]!);
		}
		for (const { parameter, curve } of this.curves) this.director.set(parameter, runCurve(curve, time));
		this.crossAreas(x, z);
		for (; this.next < this.schedule.length && this.schedule[this.next]!.at <= time + 1e-9; this.next++)
			this.raise(this.schedule[this.next]!);
		this.director.advanceTo(time);
	}

	private raise(due: Scheduled): void {
		const event = this.kit.events.find((e) => e.id === due.event);
		const [x, y, z] = [this.body[0]!, this.body[1]!, this.body[2]!];
		const { phase, values, length, key } = due;
		this.director.raise({
			event: due.event,
			phase,
			values,
			length,
			key,
			tags: event?.tags,
			place: event?.placed ? (due.place ?? [x, y, z]) : undefined
		});
	}

	private crossAreas(x: number, z: number): void {
		for (let i = 0; i < this.inside.length; i++) {
			const area = this.course.areas[i]!;
			const [dx, dz] = [x - area.x, z - area.z];
			const within = dx * dx + dz * dz <= area.radius * area.radius ? 1 : 0;
			if (within === this.inside[i]) continue;
			this.inside[i] = within;
			this.director.raise({ event: area.event, phase: within ? 'starts' : 'ends', key: `area ${i}` });
		}
	}
}

/** Everything on the timeline with its ends, in order; of what is at the same time, what stands first comes first. */
function scheduleOf(kit: Kit, course: Course): Scheduled[] {
	const list: Scheduled[] = [];
	course.events.forEach((event, i) => {
		const isState = kit.events.find((e) => e.id === event.event)?.kind === 'state';
		const length = event.length ?? undefined;
		const shared = { event: event.event, values: event.values, place: event.place, length, key: `course ${i}` };
		list.push({ ...shared, at: event.at, phase: isState ? 'starts' : 'happens' });
		if (isState && length !== undefined) list.push({ ...shared, at: event.at + length, phase: 'ends' });
	});
	return list.sort((a, b) => a.at - b.at);
}
