/**
 * A course played: on the fixed grid of 1/120 s, whatever the machine's pace, so that playing, scrubbing and baking are one
 * and the same.
 *
 *     const run = new CourseRun(kit, course, { seed: 1 });
 *     run.advanceTo(12.5);
 *     run.bodies[0].rig.offset;
 */
import { Director } from '../cues/director';
import type { Kit } from '../kit/types';
import { compileCurve, runCurve, type CompiledCurve } from '../math/curve';
import type { Occurrence } from '../cues/types';
import type { Seconds } from '../units/quantities';
import { Stride } from './gait';
import { occurrencesOf, VIEWERS } from './happenings';
import { CameraRun, obeyCamera } from '../chain/camera';
import { combine } from '../random/hash';
import { compileWay, isGrounded, poseAt, TRACE_NUMBERS, type CompiledWay } from './way';
import type { Course, CourseArea } from './types';

export const GRID_HZ = 120;
/** Slower than this over the ground one may be climbing: stairs are walked faster. */
const CLIMBS_BELOW = 0.1;

/** What of a kit a course is played with. */
export type Played = Pick<Kit, 'events' | 'parameters' | 'presets' | 'cues' | 'world' | 'rigs'>;

interface Scheduled {
	readonly at: Seconds;
	readonly event: string;
	readonly phase: Occurrence['phase'];
	readonly values: Readonly<Record<string, number>>;
	readonly place: readonly [number, number, number] | null;
	readonly length: Seconds | undefined;
	readonly key: string;
	readonly who: number;
}

/** One viewer's body on its way. */
export interface Body {
	/** x, y, z of the feet in metres, yaw and pitch of the look in degrees. */
	readonly pose: Float64Array;
	/** The camera that it is seen through. */
	readonly rig: CameraRun;
	/** Metres a second, level. */
	speed: number;
	grounded: boolean;
	/** Metres a second downwards. */
	falls: number;
	readonly way: CompiledWay;
	readonly stride: Stride;
	readonly inside: Uint8Array;
}

/** Tells a viewer's player where its body stands and where its camera rests. */
export function placeViewer(director: Director, viewer: number, pose: Float64Array, seen: CameraRun): void {
	const { player } = director.viewers[viewer]!;
	const { camera } = seen;
	player.view = seen.view;
	player.setBody(pose[0]!, pose[1]!, pose[2]!);
	player.setRest(camera[0]!, camera[1]!, camera[2]!, camera[3]!, camera[4]!, camera[5]!, camera[6]!);
}

/** Tells which areas a body came into or left since the last time; `inside` remembers, 1 for within. */
export function areasCrossed(
	areas: readonly CourseArea[],
	pose: Float64Array,
	inside: Uint8Array,
	tell: (area: number, within: boolean) => void
): void {
	for (let i = 0; i < inside.length; i++) {
		const { x, z, radius } = areas[i]!;
		const [dx, dz] = [pose[0]! - x, pose[2]! - z];
		const within = dx * dx + dz * dz <= radius * radius ? 1 : 0;
		if (within === inside[i]) continue;
		inside[i] = within;
		tell(i, within === 1);
	}
}

export interface RunOptions {
	readonly seed?: number;
	/** Keeps account of what each stage of each chain does. */
	readonly watch?: boolean;
}

export class CourseRun {
	readonly director: Director;
	/** By viewer. */
	readonly bodies: readonly Body[];
	private readonly schedule: readonly Scheduled[];
	private readonly curves: readonly { readonly parameter: string; readonly curve: CompiledCurve }[];
	private readonly cameras: readonly CameraRun[];
	private next = 0;
	private step = -1;

	constructor(
		private readonly kit: Played,
		readonly course: Course,
		options: RunOptions = {}
	) {
		const ways = course.second ? [course, course.second] : [course];
		this.director = new Director(kit, { ...options, viewers: VIEWERS.slice(0, ways.length) });
		this.bodies = ways.map((way, i) => ({
			pose: new Float64Array(TRACE_NUMBERS),
			rig: new CameraRun(
				kit.rigs,
				kit.presets,
				course.rig,
				this.director.viewers[i]!.player.values,
				combine(options.seed ?? 1, i)
			),
			speed: 0,
			grounded: true,
			falls: 0,
			way: compileWay(way),
			stride: new Stride(),
			inside: new Uint8Array(course.areas.length)
		}));
		this.cameras = this.bodies.map((body) => body.rig);
		if (options.watch) for (const camera of this.cameras) camera.watch();
		this.schedule = scheduleOf(kit, course);
		this.curves = course.values.map(({ parameter, points }) => ({ parameter, curve: compileCurve(points) }));
		this.takeStep(true);
	}

	/** A run that stands where this one stands and goes its own way. */
	fork(): CourseRun {
		const copy: CourseRun = Object.create(CourseRun.prototype) as CourseRun;
		const director = this.director.fork();
		const bodies = this.bodies.map((body, i) => ({
			...body,
			rig: body.rig.fork(director.viewers[i]!.player.values),
			pose: body.pose.slice(),
			way: { ...body.way, facing: body.way.facing.slice(), scratch: body.way.scratch.slice() },
			stride: body.stride.fork(),
			inside: body.inside.slice()
		}));
		return Object.assign(copy, this, { director, bodies, cameras: bodies.map((body) => body.rig) });
	}

	/** The time of the last step. */
	get now(): Seconds {
		return this.step / GRID_HZ;
	}

	/** Plays up to a time: to the last step of the grid that is not after it, nor after the course. Only forward. */
	advanceTo(time: Seconds): void {
		const last = lastStep(Math.min(time, this.course.seconds));
		while (this.step < last) this.takeStep(this.step + 1 === last);
	}

	private takeStep(look: boolean): void {
		this.step++;
		const time = this.now;
		for (const { parameter, curve } of this.curves) this.director.set(parameter, runCurve(curve, time));
		for (let i = 0; i < this.bodies.length; i++) this.move(i, time);
		for (let i = 0; i < this.bodies.length; i++) this.crossAreas(i);
		for (; this.next < this.schedule.length && this.schedule[this.next]!.at <= time + 1e-9; this.next++)
			this.raise(this.schedule[this.next]!);
		const { director, cameras } = this;
		let sums = look;
		for (let i = 0; i < cameras.length; i++) if (cameras[i]!.followsShakes) sums = true;
		director.advanceTo(time, sums);
		for (let i = 0; i < director.done.length; i++) obeyCamera(director.done[i]!, director.viewers, cameras);
		if (sums) for (let i = 0; i < cameras.length; i++) cameras[i]!.sum(director.viewers[i]!.player.offset);
	}

	private move(viewer: number, time: Seconds): void {
		const body = this.bodies[viewer]!;
		const { pose, rig, way } = body;
		const [x, y, z] = [pose[0]!, pose[1]!, pose[2]!];
		poseAt(way, time, pose);
		const [dx, dz] = [pose[0]! - x, pose[2]! - z];
		const grounded = isGrounded(way, time);
		body.speed = this.step === 0 ? 0 : speedOf(dx, pose[1]! - y, dz, grounded && body.grounded);
		if (grounded && !body.grounded) rig.land(body.falls);
		body.grounded = grounded;
		body.falls = this.step === 0 ? 0 : Math.max(0, (y - pose[1]!) * GRID_HZ);
		let fell = false;
		if (this.step === 0) rig.snap(pose);
		else fell = rig.advance(1 / GRID_HZ, pose, body.speed, grounded);
		placeViewer(this.director, viewer, pose, rig);
		if (!rig.hasBob) fell = grounded && body.stride.advance(body.speed, 1 / GRID_HZ);
		if (!fell || !this.course.steps) return;
		const { world, events } = this.kit;
		const foot = {
			what: 'footfall',
			phase: 'happens',
			numbers: { speed: body.speed },
			place: null,
			who: viewer
		} as const;
		for (const occurrence of occurrencesOf(world, events, foot)) this.director.raise(occurrence, time);
	}

	private raise(due: Scheduled): void {
		const event = this.kit.events.find((e) => e.id === due.event);
		const who = due.who < this.bodies.length ? due.who : 0;
		const { pose } = this.bodies[who]!;
		const { phase, values, length, key } = due;
		const place = event?.placed ? (due.place ?? ([pose[0]!, pose[1]!, pose[2]!] as const)) : undefined;
		const occurrence = { event: due.event, phase, values, length, key, who: VIEWERS[who], tags: event?.tags, place };
		// Between two steps too.
		this.director.raise(occurrence, Math.min(due.at, this.now));
	}

	private crossAreas(viewer: number): void {
		const { inside, pose } = this.bodies[viewer]!;
		if (inside.length === 0) return;
		areasCrossed(this.course.areas, pose, inside, (i, within) => {
			const phase = within ? 'starts' : 'ends';
			const { event } = this.course.areas[i]!;
			this.director.raise({ event, phase, key: `area ${i} ${viewer}`, who: VIEWERS[viewer] }, this.now);
		});
	}
}

/** Metres a second over the ground; straight up and down, on a ladder, those count, but not in the step that lands. */
function speedOf(dx: number, dy: number, dz: number, grounded: boolean): number {
	const level = Math.sqrt(dx * dx + dz * dz) * GRID_HZ;
	const upright = (dy < 0 ? -dy : dy) * GRID_HZ;
	return grounded && level < CLIMBS_BELOW && upright > level ? upright : level;
}

/** The last step of the grid that is not after a time. */
export const lastStep = (time: Seconds): number => Math.floor(time * GRID_HZ + 1e-6);

/** Everything on the timeline with its ends, in order; of what is at the same time, what stands first comes first. */
function scheduleOf(kit: Pick<Kit, 'events'>, course: Course): Scheduled[] {
	const list: Scheduled[] = [];
	course.events.forEach((event, i) => {
		const isState = kit.events.find((e) => e.id === event.event)?.kind === 'state';
		const length = event.length ?? undefined;
		const { values, place, who } = event;
		const shared = { event: event.event, values, place, length, key: `course ${i}`, who };
		list.push({ ...shared, at: event.at, phase: isState ? 'starts' : 'happens' });
		if (isState && length !== undefined) list.push({ ...shared, at: event.at + length, phase: 'ends' });
	});
	return list.sort((a, b) => a.at - b.at);
}
