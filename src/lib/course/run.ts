/**
 * A course played: on the fixed grid of 1/120 s, whatever the machine's pace, so that playing, scrubbing and baking are one
 * and the same.
 *
 *     const run = new CourseRun(kit, course, { seed: 1 });
 *     run.advanceTo(12.5);
 *     run.bodies[0].rig.offset;
 */
import {
	VIEWERS,
	Frame,
	compileCurve,
	runCurve,
	type CameraRun,
	type Clear,
	type Director,
	type Occurrence,
	type Played,
	type CompiledCurve,
	type Seconds,
	type Share
} from 'dinesis-runtime/tools';
import type { GameEvent } from 'dinesis-runtime';
import type { Kit, Course } from '../documents';
import { ExactSteps, isAsRecorded } from './exact';
import { climbs, compileWay, isGrounded, rides, poseAt, speedAt, TRACE_NUMBERS, type CompiledWay } from './way';

export const GRID_HZ = 120;
/** Slower than this over the ground one may be climbing: stairs are walked faster. */
const CLIMBS_BELOW = 0.1;

interface Scheduled {
	readonly at: Seconds;
	readonly event: string;
	readonly phase: Occurrence['phase'];
	readonly values: Readonly<Record<string, number>>;
	readonly place: readonly [number, number, number] | null;
	readonly length: Seconds | undefined;
	readonly key: string;
	readonly who: number;
	readonly tags: readonly string[] | undefined;
}

/** One viewer's body on its way. */
export interface Body {
	/** x, y, z of the feet in metres, yaw and pitch of the look in degrees. */
	readonly pose: Float64Array;
	/** The camera that it is seen through. */
	readonly rig: CameraRun;
	/** Metres a second: level, on a ladder along it. */
	speed: number;
	grounded: boolean;
	/** Whether its feet fall: not where something carries it. */
	onFoot: boolean;
	readonly way: CompiledWay;
}

export interface RunOptions {
	readonly seed?: number;
	/** Keeps account of what each stage of each chain does. */
	readonly watch?: boolean;
	/** How far it is free behind what a camera on a boom looks at; left out: everywhere. */
	readonly clear?: Clear;
	/** What the player wants of all motion; left out: all of it. */
	readonly player?: Share;
}

export class CourseRun {
	/** By viewer. */
	readonly bodies: readonly Body[];
	private readonly own: Frame;
	/** Of a take of a running game that is still as it was recorded; null: the grid. */
	private readonly exact: ExactSteps | null;
	private readonly schedule: readonly Scheduled[];
	private readonly curves: readonly { readonly parameter: string; readonly curve: CompiledCurve }[];
	private next = 0;
	private step = -1;

	constructor(
		private readonly kit: Played,
		readonly course: Course,
		options: RunOptions = {}
	) {
		const ways = course.second ? [course, course.second] : [course];
		const { areas, rig, steps, recording } = course;
		// Of a game’s own ground nothing is known here.
		const clear = recording ? undefined : options.clear;
		this.exact =
			recording && (options.seed ?? 1) === 1 && rig === recording.rig && isAsRecorded(kit, course)
				? ExactSteps.of(kit, recording)
				: null;
		this.own = this.exact?.frame ?? new Frame(kit, { ...options, clear, viewers: ways.length, areas, rig, steps });
		if (options.player) ways.forEach((_, i) => this.frame.setShare(i, options.player!));
		this.bodies = ways.map((way, i) => ({
			pose: new Float64Array(TRACE_NUMBERS),
			rig: this.frame.cameras[i]!,
			speed: 0,
			grounded: true,
			onFoot: true,
			way: compileWay(way)
		}));
		this.schedule = scheduleOf(kit, course);
		this.curves = course.values.map(({ parameter, points }) => ({ parameter, curve: compileCurve(points) }));
		this.takeStep(true);
	}

	private get frame(): Frame {
		return this.own;
	}

	get director(): Director {
		return this.frame.director;
	}

	/** A run that stands where this one stands and goes its own way. */
	fork(): CourseRun {
		const copy: CourseRun = Object.create(CourseRun.prototype) as CourseRun;
		const exact = this.exact?.fork() ?? null;
		const own = exact?.frame ?? this.frame.fork();
		const bodies = this.bodies.map((body, i) => ({
			...body,
			rig: own.cameras[i]!,
			pose: body.pose.slice(),
			way: { ...body.way, facing: body.way.facing.slice(), scratch: body.way.scratch.slice() }
		}));
		return Object.assign(copy, this, { exact, own, bodies });
	}

	/** The time of the last step. */
	get now(): Seconds {
		return this.exact ? this.exact.timeOf(this.step) : this.step / GRID_HZ;
	}

	/** The time of the last step that is not after a time. */
	stepBefore(time: Seconds): Seconds {
		return this.exact ? this.exact.timeOf(this.exact.lastStep(time)) : lastStep(time) / GRID_HZ;
	}

	/** Plays up to a time: to the last step of the grid that is not after it, nor after the course. Only forward. */
	advanceTo(time: Seconds): void {
		const until = Math.min(time, this.course.seconds);
		const last = this.exact ? this.exact.lastStep(until) : lastStep(until);
		while (this.step < last) this.takeStep(this.step + 1 === last);
	}

	private takeStep(look: boolean): void {
		this.step++;
		if (this.exact) return this.takeExact(this.exact);
		const time = this.now;
		for (let i = 0; i < this.curves.length; i++)
			this.director.set(this.curves[i]!.parameter, runCurve(this.curves[i]!.curve, time));
		for (let i = 0; i < this.bodies.length; i++) this.move(this.bodies[i]!, time);
		for (; this.next < this.schedule.length && this.schedule[this.next]!.at <= time + 1e-9; this.next++)
			this.raise(this.schedule[this.next]!);
		this.frame.step(time, 1 / GRID_HZ, this.bodies, look);
	}

	private takeExact(exact: ExactSteps): void {
		exact.step().forEach(({ pose, speed, grounded, onFoot }, i) => {
			const body = this.bodies[i]!;
			body.pose.set(Array.from(pose));
			Object.assign(body, { speed, grounded, onFoot: onFoot !== false });
		});
	}

	private move(body: Body, time: Seconds): void {
		const { pose, way } = body;
		const [x, y, z] = [pose[0]!, pose[1]!, pose[2]!];
		poseAt(way, time, pose);
		const grounded = isGrounded(way, time);
		const climbing = climbs(way, time);
		const moved = speedOf(pose[0]! - x, pose[1]! - y, pose[2]! - z, climbing || (grounded && body.grounded), climbing);
		body.speed = way.trace?.speeds ? speedAt(way.trace, time) : this.step === 0 ? 0 : moved;
		body.grounded = grounded;
		body.onFoot = !rides(way, time);
	}

	private raise(due: Scheduled): void {
		const event = this.kit.events.find((e) => e.id === due.event);
		const who = due.who < this.bodies.length ? due.who : 0;
		const { pose } = this.bodies[who]!;
		const { phase, values, length, key } = due;
		const place = event?.placed ? (due.place ?? ([pose[0]!, pose[1]!, pose[2]!] as const)) : undefined;
		const occurrence = {
			event: due.event,
			phase,
			values,
			length,
			key,
			who: VIEWERS[who],
			tags: carried(event, due.tags),
			place
		};
		// Between two steps too.
		this.director.raise(occurrence, Math.min(due.at, this.now));
	}
}

/** The event's own tags, and those of what happened. */
const carried = (event: GameEvent | undefined, tags: readonly string[] | undefined): readonly string[] | undefined =>
	tags ? [...(event?.tags ?? []), ...tags] : event?.tags;

/** Metres a second over the ground; straight up and down, on a ladder, those count, but not in the step that lands; `climbs`: it is said. */
function speedOf(dx: number, dy: number, dz: number, grounded: boolean, climbs: boolean): number {
	const level = Math.sqrt(dx * dx + dz * dz) * GRID_HZ;
	const upright = (dy < 0 ? -dy : dy) * GRID_HZ;
	return grounded && (climbs || level < CLIMBS_BELOW) && upright > level ? upright : level;
}

/** The last step of the grid that is not after a time. */
export const lastStep = (time: Seconds): number => Math.floor(time * GRID_HZ + 1e-6);

/** Everything on the timeline with its ends, in order; of what is at the same time, what stands first comes first. */
function scheduleOf(kit: Pick<Kit, 'events'>, course: Course): Scheduled[] {
	const list: Scheduled[] = [];
	course.events.forEach((event, i) => {
		const isState = kit.events.find((e) => e.id === event.event)?.kind === 'state';
		const length = event.length ?? undefined;
		const { values, place, who, tags } = event;
		const shared = { event: event.event, values, place, length, key: `course ${i}`, who, tags };
		list.push({ ...shared, at: event.at, phase: isState ? 'starts' : 'happens' });
		if (isState && length !== undefined) list.push({ ...shared, at: event.at + length, phase: 'ends' });
	});
	return list.sort((a, b) => a.at - b.at);
}
