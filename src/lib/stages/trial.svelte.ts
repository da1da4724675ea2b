/** What a rig, a head bob or a lag is tried on: a course or the spot, what each stage does just now, what is played beside it. */
import type { Cue, Rig } from 'dinesis-runtime';
import {
	CHANNEL_COUNT,
	LAG_AXES,
	RIG_STAGES,
	type Played,
	type RigRun,
	type RigStage,
	type Seconds
} from 'dinesis-runtime/tools';
import { compileWay, poseAt, Replay, TRACE_NUMBERS, type CourseRun } from '$lib/course';
import type { AnyDocument, Course, KindName } from '$lib/documents';
import type { ProjectSession } from '$lib/session/session.svelte';
import { clearInGrounds } from '$lib/world/clear';
import { eyeOf, type Eye } from '$lib/viewport/eye';
import { LOOP, loopFor, SPOT, TREADMILL } from './loop';
import { Treadmill } from './treadmill';

/** What is tuned: a stage, or where the camera stands. */
export type Part = 'view' | RigStage;

/** Of a stage over the last seconds: how far it moved position and rotation. */
export interface Meter {
	readonly position: Float32Array;
	readonly rotation: Float32Array;
	/** All seven channels of each moment. */
	readonly channels: Float32Array;
	/** Of now. */
	metres: number;
	degrees: number;
}

/** Moments that a meter holds: one for each picture. */
export const HELD = 150;
/** No longer stretch of the course is drawn. */
const LONGEST_WAY: Seconds = 20;
/** From standing to the fastest and back. */
const SWEEP_S: Seconds = 9;
/** What a trial plays that no document has. */
export interface Added {
	readonly occurs: Course['events'];
	readonly events: Played['events'];
	readonly cues: Played['cues'];
}
/** Where what is played beside stands among what is played. */
const LIST_OF: Readonly<Partial<Record<KindName, 'presets' | 'cues' | 'events' | 'parameters'>>> = {
	shake: 'presets',
	bob: 'presets',
	lag: 'presets',
	cue: 'cues',
	event: 'events',
	value: 'parameters'
};
const NOTHING: Added = { occurs: [], events: [], cues: [] };

export abstract class Trial {
	/** What the camera is seen through; undefined: there is none. */
	abstract readonly rig: Rig | undefined;
	part = $state<Part>('lag');
	/** The course it is tried on; null: one that fits. */
	tried = $state<string | null>(null);
	time = $state(0);
	playing = $state(true);
	speed = $state(1);
	/** Metres a second on the treadmill, and in the drawing of the stride. */
	walks = $state(1.4);
	/** Since when the speed is swept from standing to the fastest and back; null: it is not. */
	sweeps = $state<Seconds | null>(null);
	/** Where in the stride one is, 0–1. */
	phase = $state(0);
	/** What is played beside what is tuned, on the right: as it was once. */
	beside = $state.raw<{ readonly was: AnyDocument; readonly kind: KindName; readonly from: string } | null>(null);
	private readonly treads = [new Treadmill(), new Treadmill()] as const;
	readonly meters: Readonly<Record<RigStage, Meter>>;
	/** Where the newest moment of the meters is. */
	head = 0;
	/** Counts up whenever meters were read; drawings hang on it. */
	beat = $state(0);
	private last: Seconds = -1;
	private seen: RigRun | null = null;

	constructor(readonly session: ProjectSession) {
		const meter = (): Meter => ({
			position: new Float32Array(HELD),
			rotation: new Float32Array(HELD),
			channels: new Float32Array(HELD * CHANNEL_COUNT),
			metres: 0,
			degrees: 0
		});
		this.meters = Object.fromEntries(RIG_STAGES.map((stage) => [stage, meter()])) as Record<RigStage, Meter>;
	}

	/** Courses that this can be tried on: those that are seen through it first. */
	readonly courses = $derived.by((): readonly Course[] => {
		const list = this.session.courses.list;
		const fits = (c: Course): boolean => this.shows(c);
		return [...list.filter(fits), ...list.filter((c) => !fits(c))];
	});

	/** Whether a course is seen through what is tried. */
	protected shows(_course: Course): boolean {
		return false;
	}
	protected get added(): Added {
		return NOTHING;
	}
	/** Whether it begins on the spot. */
	protected get standsFirst(): boolean {
		return false;
	}

	readonly course = $derived.by((): Course => {
		const { rig, tried, courses } = this;
		const fitting = courses.find((c) => this.shows(c));
		const chosen =
			tried === LOOP ? undefined : (courses.find((c) => c.id === tried) ?? (tried === null ? fitting : undefined));
		const course = chosen ?? loopFor(rig?.view.kind ?? 'eyes');
		return { ...course, rig: rig?.id ?? null, second: null };
	});

	/** What is played: on the left as it is, on the right, when something is held there, with that in its place. */
	private readonly sides = $derived.by((): readonly { readonly rig: Rig | null; readonly played: Played }[] => {
		const { session, rig = null, beside } = this;
		const { played } = session;
		if (!beside) return [{ rig, played }];
		const { was, kind } = beside;
		if (kind === 'rig')
			return [
				{ rig, played },
				{ rig: was as Rig, played }
			];
		const list = LIST_OF[kind];
		const put = (all: readonly AnyDocument[]): AnyDocument[] => all.map((one) => (one.id === was.id ? was : one));
		return [
			{ rig, played },
			{ rig, played: list ? { ...played, [list]: put(played[list]) } : played }
		];
	});

	/** Made anew whenever anything of it changes; each run stands at the same moment of the new one. */
	private readonly replays = $derived.by((): readonly Replay[] => {
		const { added } = this;
		const course = { ...this.course, events: [...this.course.events, ...added.occurs] };
		return this.sides.map(({ rig, played }) => {
			const rigs = rig ? [...played.rigs.filter(({ id }) => id !== rig.id), rig] : played.rigs;
			const cues = [
				// Here this rig is looked at, whatever the cues would show.
				...played.cues.map((cue) => ({ ...cue, actions: cue.actions.filter((action) => action.kind !== 'camera') })),
				...added.cues
			];
			return new Replay({ ...played, rigs, events: [...played.events, ...added.events], cues }, course, {
				watch: true,
				clear: clearInGrounds
			});
		});
	});

	/** Plays something as it was beside what it is. */
	holdBeside(was: AnyDocument, kind: KindName, from: string): void {
		this.beside = { was, kind, from };
		this.playing = true;
		const event = kind === 'cue' ? (was as unknown as Cue).event : kind === 'event' ? was.id : null;
		const raises = (c: Course): boolean => c.events.some((one) => one.event === event);
		// What an event sets off is only seen where it happens.
		if (event !== null && (this.onTreadmill || !raises(this.course)))
			this.tried = this.courses.find(raises)?.id ?? this.tried;
		// Both set out together, so that their steps are in step.
		for (const tread of this.treads) tread.again();
	}

	/** Something else is tried from now on. */
	protected begin(): void {
		this.time = 0;
		this.tried = null;
		this.beside = null;
		for (const meter of Object.values(this.meters)) {
			meter.position.fill(0);
			meter.rotation.fill(0);
			meter.channels.fill(0);
		}
	}
	/** The course begins anew. */
	protected again(): void {}

	scrub(time: Seconds): void {
		this.time = Math.min(Math.max(0, time), this.course.seconds);
	}

	get onTreadmill(): boolean {
		return this.tried === TREADMILL || (this.tried === null && this.standsFirst);
	}

	/** The fastest that a speed is swept to. */
	get fastest(): number {
		const bob = this.session.bobs.find((b) => b.id === this.rig?.bob);
		return Math.max(1, ...(bob?.gaits ?? []).map((gait) => gait.speed)) * 1.15;
	}

	/** A frame of the picture: moves time on when it plays, and gives what is looked at, of each side. */
	frame(dt: Seconds): { readonly eyes: readonly Eye[]; readonly time: Seconds; readonly run: CourseRun | null } {
		if (!this.onTreadmill) {
			const run = this.onCourse(dt);
			const eyes = this.replays.map((replay, i) => {
				const { rig, pose } = (i === 0 ? run : replay.at(run.now)).bodies[0]!;
				return eyeOf(rig, pose);
			});
			return { eyes, time: run.now, run };
		}
		if (this.playing) this.time += dt * this.speed;
		return { eyes: this.tread(this.playing ? dt * this.speed : 0), time: this.time, run: null };
	}

	private tread(dt: Seconds): Eye[] {
		if (this.sweeps !== null) {
			this.sweeps += dt;
			const t = this.sweeps / SWEEP_S;
			if (t >= 1) this.sweeps = null;
			this.walks = Math.round(this.fastest * Math.max(0, Math.sin(Math.PI * Math.min(1, t))) * 50) / 50;
		}
		const cameras = this.sides.map(({ rig, played }, i) => this.treads[i]!.step(played, rig, dt, this.walks));
		const { run } = cameras[0]!;
		this.phase = run.phase - Math.floor(run.phase);
		if (dt > 0) this.read(run);
		return cameras.map((camera) => eyeOf(camera, SPOT));
	}

	private onCourse(dt: Seconds): CourseRun {
		const { course } = this;
		if (this.playing) {
			const next = this.time + dt * this.speed;
			if (next >= course.seconds) {
				this.time = next % Math.max(0.1, course.seconds);
				this.again();
			} else this.time = next;
		}
		const run = this.replays[0]!.at(Math.min(this.time, course.seconds));
		const { run: chain } = run.bodies[0]!.rig;
		const moved = run.now !== this.last;
		this.last = run.now;
		this.phase = chain.phase - Math.floor(chain.phase);
		// What was changed while it stands still is read as well.
		if (moved || this.seen !== chain) this.read(chain);
		this.seen = chain;
		return run;
	}

	/** The run at any moment of the course; valid until the next call. */
	at(time: Seconds): CourseRun {
		return this.replays[0]!.at(time);
	}

	private read({ done, view }: RigRun): void {
		if (!done) return;
		this.head = (this.head + 1) % HELD;
		RIG_STAGES.forEach((stage, s) => {
			const at = s * CHANNEL_COUNT;
			const meter = this.meters[stage];
			// In a flat picture the lag is said in its pixels; limits are metres in all.
			const per = stage === 'lag' && view.kind === 'flat' ? view.pixelsPerMetre : 1;
			const [x, y, z] = [done[at]! * per, done[at + 1]! * per, done[at + 2]! * per];
			const [pitch, yaw, roll] = [done[at + 3]!, done[at + 4]!, done[at + 5]!];
			meter.metres = Math.hypot(x, y, z);
			meter.degrees = Math.hypot(pitch, yaw, roll);
			meter.position[this.head] = meter.metres;
			meter.rotation[this.head] = meter.degrees;
			for (let c = 0; c < CHANNEL_COUNT; c++)
				meter.channels[this.head * CHANNEL_COUNT + c] = done[at + c]! * (c < 3 ? per : 1);
		});
		this.beat++;
	}

	/** The body's way on the course from now on, x, y, z, pitch, yaw, roll, sixty times a second: what the lag is tried on. */
	wayFrom(from: Seconds): Float64Array {
		const { course, rig } = this;
		const hz = 60;
		const count = Math.max(2, Math.round(Math.min(LONGEST_WAY, course.seconds - from) * hz));
		const poses = new Float64Array(count * LAG_AXES.length);
		const pose = new Float64Array(TRACE_NUMBERS);
		const way = compileWay(course);
		const per = rig?.view.kind === 'flat' ? rig.view.pixelsPerMetre : 1;
		for (let i = 0; i < count; i++) {
			poseAt(way, from + i / hz, pose);
			poses.set([pose[0]! * per, pose[1]! * per, pose[2]! * per, pose[4]!, pose[3]!, 0], i * LAG_AXES.length);
		}
		return poses;
	}
}
