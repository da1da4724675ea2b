/**
 * A stretch of a running game, frame by frame as it was: the same lengths, bodies and calls, from the same moment on, so that with the same
 * kit it gives the same motion to the bit. With another kit it is what the game would have shown with that.
 */
import { createRuntime, type Runtime } from 'dinesis-runtime';
import { dequal } from 'dequal/lite';
import {
	compileCurve,
	runCurve,
	VIEWERS,
	type Frame,
	type Occurrence,
	type Played,
	type Seconds
} from 'dinesis-runtime/tools';
import { bodiesOf, GROUNDED, ON_FOOT, Replayed, type Called, type Recording } from 'dinesis-runtime/wire';
import type { Course } from '../documents';
import { Recorder } from './record';
import { compileWay, isGrounded, poseAt, rides, speedAt, TRACE_NUMBERS } from './way';

type Inside = { frame: Frame; time: number; states: Set<string> };
const inside = (runtime: Runtime): Inside => runtime as unknown as Inside;

/** What a course shows of its recording: its way, what happened, how the game values stood. */
export function courseOfRecording(
	recording: Recording,
	{ events, parameters }: Pick<Played, 'events' | 'parameters'>,
	take: Pick<Course, 'id' | 'name' | 'about'>
): Course {
	const set = new Set(recording.calls.flatMap(([, c]) => (c.call === 'set' ? [c.value] : [])));
	const recorder = new Recorder(
		recording.viewers,
		parameters.filter(({ id }) => set.has(id)),
		events
	);
	const values = new Map(parameters.map(({ id, rest }) => [id, rest]));
	const times = timesOf(recording);
	let next = 0;
	recording.frames.forEach((row, frame) => {
		const time = times[frame]!;
		for (; next < recording.calls.length && recording.calls[next]![0] <= frame; next++) {
			const called = recording.calls[next]![1];
			if (called.call === 'set') values.set(called.value, called.to);
			if (called.call !== 'event') continue;
			const { event, phase, options } = called;
			const at = Math.min(time, Math.max(0, called.at - recording.clock - (recording.frames[0]?.[0] ?? 0)));
			recorder.happened(at, { event, phase, ...options } as Occurrence);
		}
		const bodies = bodiesOf(row, recording.viewers).map((body) => ({ ...body, pose: Float64Array.from(body.pose) }));
		recorder.at(time, bodies, (id) => values.get(id));
	});
	return { ...recorder.finish({ ...take, rig: recording.rig }), recording };
}

/** When each frame is, on the course: the first is its beginning. */
function timesOf({ frames }: Recording): Float64Array {
	const times = new Float64Array(frames.length);
	for (let i = 1; i < frames.length; i++) times[i] = times[i - 1]! + frames[i]![0]!;
	return times;
}

/** Whether a course is still what was recorded: what was changed of it on the timeline is played by the timeline. */
export function isAsRecorded(kit: Pick<Played, 'events' | 'parameters'>, course: Course): boolean {
	const { events, parameters } = kit;
	const known = KNOWN.get(course);
	// While one tunes a preset the course is the same one.
	if (known?.events === events && known.parameters === parameters) return known.is;
	const is = isStillSo(kit, course);
	KNOWN.set(course, { events, parameters, is });
	return is;
}

const KNOWN = new WeakMap<Course, Pick<Played, 'events' | 'parameters'> & { readonly is: boolean }>();

function isStillSo(kit: Pick<Played, 'events' | 'parameters'>, course: Course): boolean {
	const { recording } = course;
	if (!recording || recording.frames.length === 0 || course.areas.length > 0) return false;
	const was = courseOfRecording(recording, kit, course);
	return was.seconds === course.seconds && dequal(was.events, course.events) && dequal(was.values, course.values);
}

/** Steps a second of a course that a game is sent. */
const SENT_HZ = 120;

/** A course as a game plays it again: the take that it was, or its way step by step with what its timeline says. */
export function recordingOf(kit: Played, course: Course): Recording {
	if (course.recording && isAsRecorded(kit, course)) return course.recording;
	const ways = course.second ? [course, course.second] : [course];
	const bodies = ways.map((way) => ({ way: compileWay(way), pose: new Float64Array(TRACE_NUMBERS), speed: 0 }));
	const values = course.values.map(({ parameter, points }) => ({ parameter, curve: compileCurve(points), last: NaN }));
	const due = course.events
		.flatMap((event, i) => {
			const known = kit.events.find((e) => e.id === event.event);
			const options = {
				key: `take ${i}`,
				values: event.values,
				who: VIEWERS[event.who] ?? VIEWERS[0],
				...(event.length !== null && { length: event.length }),
				...(event.tags && { tags: [...(known?.tags ?? []), ...event.tags] })
			};
			const isState = known?.kind === 'state';
			const starts = { at: event.at, event, options, phase: isState ? ('starts' as const) : ('happens' as const) };
			return isState && event.length !== null
				? [
						starts,
						{
							at: event.at + event.length,
							event,
							options: { key: options.key, who: options.who },
							phase: 'ends' as const
						}
					]
				: [starts];
		})
		.sort((a, b) => a.at - b.at);
	const frames: number[][] = [];
	const calls: [number, Called][] = [];
	let next = 0;
	for (let step = 0; step <= Math.floor(course.seconds * SENT_HZ + 1e-6); step++) {
		const time = step / SENT_HZ;
		const row = [step === 0 ? 0 : 1 / SENT_HZ];
		for (const body of bodies) {
			const [x, z] = [body.pose[0]!, body.pose[2]!];
			poseAt(body.way, time, body.pose);
			const [dx, dz] = [body.pose[0]! - x, body.pose[2]! - z];
			const level = step === 0 ? 0 : Math.sqrt(dx * dx + dz * dz) * SENT_HZ;
			body.speed = body.way.trace?.speeds ? speedAt(body.way.trace, time) : level;
			row.push(
				...body.pose,
				body.speed,
				(isGrounded(body.way, time) ? GROUNDED : 0) + (rides(body.way, time) ? 0 : ON_FOOT),
				-1
			);
		}
		for (const value of values) {
			const to = runCurve(value.curve, time);
			if (to !== value.last) calls.push([step, { call: 'set', value: value.parameter, to }]);
			value.last = to;
		}
		for (; next < due.length && due[next]!.at <= time + 1e-9; next++) {
			const { at, event, options, phase } = due[next]!;
			const placed = kit.events.find((e) => e.id === event.event)?.placed;
			const { pose } = bodies[Math.min(event.who, bodies.length - 1)]!;
			const place = placed ? (event.place ?? ([pose[0]!, pose[1]!, pose[2]!] as const)) : undefined;
			calls.push([
				step,
				{
					call: 'event',
					event: event.event,
					phase,
					at: Math.min(at, time),
					options: { ...options, ...(place && { place }) }
				}
			]);
		}
		frames.push(row);
	}
	return { clock: 0, moment: null, seed: 1, rig: course.rig, viewers: ways.length, frames, calls };
}

/** By recording: whether it goes through. */
const SOUND = new WeakMap<Recording, boolean>();

export class ExactSteps {
	private readonly times: Float64Array;
	private constructor(
		private readonly recording: Recording,
		private readonly runtime: Runtime,
		private readonly played: Replayed,
		times?: Float64Array
	) {
		this.times = times ?? timesOf(recording);
	}

	/** Null where its moment cannot be gone on from. What was free behind its bodies the game told with them. */
	static of(kit: Played, recording: Recording): ExactSteps | null {
		try {
			const steps = ExactSteps.begin(kit, recording);
			// A file may hold anything: it is gone through once, before anybody relies on it.
			let sound = SOUND.get(recording);
			if (sound === undefined) SOUND.set(recording, (sound = steps.fork().goesThrough()));
			return sound ? steps : null;
		} catch {
			return null;
		}
	}

	private static begin(kit: Played, recording: Recording): ExactSteps {
		const whole = { format: 'dinesis-kit', version: 1, name: '', ...kit } as const;
		const { seed, rig, viewers } = recording;
		const runtime = createRuntime(whole, { seed, rig, viewers: viewers === 2 ? 2 : 1 });
		return new ExactSteps(recording, runtime, new Replayed(runtime, recording));
	}

	/** Whether every frame can be played and gives numbers. */
	private goesThrough(): boolean {
		const numbers = ({ camera, offset }: { camera: Float64Array; offset: Float64Array }): boolean =>
			camera.every(Number.isFinite) && offset.every(Number.isFinite);
		while (this.played.step()) if (!this.frame.cameras.every(numbers)) return false;
		return true;
	}

	fork(): ExactSteps {
		const copy = Object.assign(Object.create(Object.getPrototypeOf(this.runtime)) as Runtime, this.runtime);
		const bodies = (this.runtime as unknown as { bodies: { pose: Float64Array }[] }).bodies;
		Object.assign(copy, {
			frame: this.frame.fork(),
			states: new Set(inside(this.runtime).states),
			troubles: new Map(),
			bodies: bodies.map((body) => ({ ...body, pose: body.pose.slice() }))
		});
		const played = Object.assign(Object.create(Replayed.prototype) as Replayed, this.played, { runtime: copy });
		return new ExactSteps(this.recording, copy, played, this.times);
	}

	get frame(): Frame {
		return inside(this.runtime).frame;
	}

	/** When a step is, on the course. */
	timeOf(step: number): Seconds {
		return this.times[Math.max(0, Math.min(step, this.times.length - 1))]!;
	}

	/** The last step that is not after a time. */
	lastStep(time: Seconds): number {
		let [low, high] = [0, this.times.length - 1];
		while (low < high) {
			const middle = (low + high + 1) >> 1;
			if (this.times[middle]! <= time + 1e-9) low = middle;
			else high = middle - 1;
		}
		return low;
	}

	/** The next frame, with the bodies as they were; with a kit that it does not go through with, they stand where they stood. */
	step(): readonly {
		readonly pose: ArrayLike<number>;
		readonly speed: number;
		readonly grounded: boolean;
		readonly onFoot?: boolean;
	}[] {
		try {
			this.played.step();
		} catch {
			// It went through with the kit that was there before.
		}
		return this.played.bodies;
	}
}
