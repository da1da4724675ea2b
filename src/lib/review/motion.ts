/**
 * What is under review, played once with a seed: of a shake what it adds; of a cue, a rig, a course or a take what is added to where the
 * camera rests, and the whole camera's path beside where the player himself looks: lag, limits, bob, lean, shakes, blends.
 */
import type { Cue, Rig, ShakePreset } from 'dinesis-runtime';
import {
	acos,
	anglesOf,
	CHANNEL_COUNT,
	putLook,
	RIG_STAGES,
	timesQuaternion,
	toDegrees,
	turnBy,
	type Clear,
	type Hertz,
	ShareRun,
	clockOf,
	type Seconds,
	type Share,
	type View
} from 'dinesis-runtime/tools';
import { naturalLength, sampleShake, type Track } from '$lib/analysis';
import { CourseRun, GRID_HZ } from '$lib/course';
import { newCourse, type Course, type Kit } from '$lib/documents';
import { subjectIn, type Subject } from './subject';

export interface Asked {
	readonly kit: Kit;
	readonly subject: Subject;
	/** Of a shake: what it is multiplied by; of a cue: where in their ranges its event's numbers are, 0–1. 1 if left out. */
	readonly strength?: number;
	/** How far it is free behind what a camera on a boom looks at; left out: everywhere. */
	readonly clear?: Clear;
	/** What the player wants of all motion; left out: all of it. */
	readonly player?: Share;
}

export interface Motion {
	readonly view: View;
	/** What is added to where the camera rests, from the trigger or from the course's beginning. Rest where another view is looked through. */
	readonly track: Track;
	/** It comes to rest by itself. */
	readonly ends: boolean;
	/** The whole camera; null: it stands nowhere, what is added is all. */
	readonly path: Path | null;
}

/** The whole camera, sample by sample. */
export interface Path {
	/** Where it is in the world, three numbers each, in metres. */
	readonly places: Float64Array;
	/** How far the horizon tilts, in degrees. */
	readonly roll: Float64Array;
	/** How fast it turns, in degrees a second, beyond what the player turned at most in the last half second: a lag may catch up. */
	readonly turning: Float64Array;
	/** How much higher it is than where the player would look from, in metres. */
	readonly heave: Float64Array;
	/** What is added to the lens that the player would look through, in degrees; in a flat picture in percent. */
	readonly lens: Float64Array;
}

/** Of a kit what a subject is played with. */
export function neededFor(kit: Kit, { kind, id }: Subject): Kit {
	const courses = kind === 'course' ? kit.courses.filter((course) => course.id === id) : [];
	if (kind !== 'shake') return { ...kit, courses };
	const presets = kit.presets.filter((preset) => preset.id === id);
	return { ...kit, presets, events: [], cues: [], rigs: [], parameters: [], courses };
}

/** Samples of a shake a second. A course has those of its grid. */
export const SHAKE_HZ: Hertz = 240;
/** After its length a motion is looked at for so long: it may not have come to rest. */
export const AFTER: Seconds = 0.25;
/** A cue is looked at for so long; a state that lasts ends after half of it. */
const CUE_SECONDS: Seconds = 6;

/** Plays it once. Throws an Error that says what is not there. */
export function playOnce(asked: Asked, seed: number): Motion {
	const { kit, subject, strength = 1 } = asked;
	if (subject.kind === 'shake') return playShake(shakeOf(kit, subject.id), seed, strength, asked.player);
	return playCourse(asked, seed);
}

export function shakeOf(kit: Kit, id: string): ShakePreset {
	const found = subjectIn<ShakePreset>(kit, { kind: 'shake', id });
	if (!found) throw new Error(`There is no shake “${id}” there.`);
	return found;
}

/** How long a shake is looked at. */
export const lookedAt = (preset: ShakePreset): Seconds => naturalLength(preset) + AFTER;

export function playShake(preset: ShakePreset, seed: number, strength = 1, player?: Share): Motion {
	// What is rounded takes longer to come to rest.
	const seconds = lookedAt(preset) + (player?.gentle ? 1 : 0);
	const track = sampleShake(preset, { seconds, fps: SHAKE_HZ, seed, strength });
	if (player) shareOf(track, player);
	return { view: preset.view, track, ends: preset.timing.mode === 'burst', path: null };
}

/** The course itself; of a cue its event, once, five metres ahead of who stands still; of a rig a walk, a turn, a run and a halt. */
export function courseFor({ kit, subject, strength = 1 }: Asked): Course {
	const { kind, id } = subject;
	const base = { ...newCourse('review', 'Review'), steps: false };
	if (kind === 'course' || kind === 'rig') {
		const found = subjectIn(kit, subject);
		if (!found) throw new Error(`There is no ${kind} “${id}” there.`);
		return kind === 'course' ? (found as unknown as Course) : { ...base, seconds: WALK_SECONDS, path: WALK, rig: id };
	}
	const cue = subjectIn<Cue>(kit, subject);
	const event = cue && kit.events.find((one) => one.id === cue.event);
	if (!cue || !event) throw new Error(`There is no cue “${id}” there, or not the event that it waits for.`);
	const values = Object.fromEntries(
		event.values.map((value) => [value.id, value.min + (value.max - value.min) * strength])
	);
	return {
		...base,
		seconds: CUE_SECONDS,
		path: [{ x: 0, y: 0, z: 0, speed: 1, pause: 0 }],
		events: [
			{
				at: 0,
				event: event.id,
				values,
				place: [0, 0, -5],
				who: 0,
				length: event.kind === 'state' ? CUE_SECONDS / 2 : null,
				tags: cue.conditions.tags
			}
		]
	};
}

const WALK: Course['path'] = [
	{ x: 0, y: 0, z: 0, speed: 1.5, pause: 1 },
	{ x: 0, y: 0, z: -6, speed: 1.5, pause: 0.5 },
	{ x: 6, y: 0, z: -7, speed: 4, pause: 0 },
	{ x: 14, y: 0, z: -5, speed: 4, pause: 0 },
	{ x: 18, y: 1.5, z: 2, speed: 2, pause: 3 }
];
const WALK_SECONDS: Seconds = 17;

/** The same rigs with nothing that moves: where the player himself looks. */
const bare = (rig: Rig): Rig => ({ ...rig, bypass: [...RIG_STAGES], motion: [] });

/** Puts what a player wants of a motion in its place. */
function shareOf({ values, count, fps }: Track, player: Share): void {
	const share = new ShareRun();
	share.set(player);
	const clock = clockOf(1 / fps);
	for (let i = 0; i < count; i++) {
		clock[1] = i === 0 ? 0 : 1 / fps;
		share.apply(clock, values.subarray(i * CHANNEL_COUNT, (i + 1) * CHANNEL_COUNT));
	}
}

function playCourse(asked: Asked, seed: number): Motion {
	const { kit, clear, player, subject } = asked;
	const course = courseFor(asked);
	const ends = subject.kind === 'cue';
	const run = new CourseRun(kit, course, { seed, clear, player });
	const own = new CourseRun({ ...kit, presets: [], rigs: kit.rigs.map(bare) }, course, { seed, clear });
	const count = Math.floor(course.seconds * GRID_HZ + 1e-9) + 1;
	const values = new Float64Array(count * CHANNEL_COUNT);
	const views: View[] = [];
	const watch = new PathWatch(count, GRID_HZ);
	for (let i = 0; i < count; i++) {
		run.advanceTo(i / GRID_HZ);
		own.advanceTo(i / GRID_HZ);
		const seen = run.bodies[0]!.rig;
		values.set(seen.offset, i * CHANNEL_COUNT);
		views.push(seen.view);
		watch.take(i, seen, own.bodies[0]!.rig);
	}
	// Metres and pixels are not told in one: that view which is seen longer.
	const view = views.filter((one) => one === 'flat').length * 2 > count ? 'flat' : 'space';
	views.forEach((one, i) => {
		if (one === view) return;
		values.fill(0, i * CHANNEL_COUNT, (i + 1) * CHANNEL_COUNT);
		for (const row of ['roll', 'turning', 'heave', 'lens'] as const) watch.path[row][i] = 0;
	});
	return { view, track: { fps: GRID_HZ, count, values }, ends, path: watch.path };
}

type Camera = CourseRun['bodies'][number]['rig'];

/** The whole camera beside where the player himself looks. */
class PathWatch {
	readonly path: Path;
	private readonly turn = Float64Array.of(0, 0, 0, 1);
	private readonly spot = new Float64Array(3);
	private chain: unknown = null;
	/** How fast the player turned. */
	private readonly turned: Float64Array;
	/** The camera's look and the player's, in this sample and in the one before. */
	private readonly looks = [0, 1, 2, 3].map(() => Float64Array.of(0, 0, 0, 1));

	constructor(
		count: number,
		private readonly fps: Hertz
	) {
		const row = (width = 1): Float64Array => new Float64Array(count * width);
		this.turned = row();
		this.path = { places: row(3), roll: row(), turning: row(), heave: row(), lens: row() };
	}

	take(i: number, seen: Camera, own: Camera): void {
		const { turn, spot, looks, path } = this;
		const [whole, player, wholeWas, playerWas] = looks as [Float64Array, Float64Array, Float64Array, Float64Array];
		const { camera, offset, view, run, fov } = seen;
		const per = view === 'flat' ? run.view.pixelsPerMetre : 1;
		for (let c = 0; c < 3; c++) spot[c] = offset[c]! / per;
		turnBy(camera, 3, spot, 0);
		for (let c = 0; c < 3; c++) path.places[3 * i + c] = camera[c]! + spot[c]!;
		wholeWas.set(whole);
		playerWas.set(player);
		putLook(offset[4]!, offset[3]!, turn, 0, offset[5]!);
		timesQuaternion(camera, 3, turn, whole, false);
		player.set(own.camera.subarray(3, 7));
		anglesOf(whole, 0, spot, 0);
		path.roll[i] = spot[2]!;
		path.heave[i] = path.places[3 * i + 1]! - own.camera[1]!;
		path.lens[i] = view === 'flat' ? offset[6]! : fov + offset[6]! - own.fov;
		// Another camera in one frame is a cut, no turn.
		const cut = i === 0 || this.chain !== run;
		this.chain = run;
		this.turned[i] = cut ? 0 : angle(playerWas, player) * this.fps;
		let most = 0;
		for (let k = Math.max(0, i - Math.round(RECENT * this.fps)); k <= i; k++) most = Math.max(most, this.turned[k]!);
		if (!cut) path.turning[i] = Math.max(0, angle(wholeWas, whole) * this.fps - most);
	}
}

/** So long a lag may take to catch up with what the player turned. */
const RECENT: Seconds = 0.5;

/** Between two looks, in degrees: of a small one the sine has digits that the cosine has lost. */
function angle(a: Float64Array, b: Float64Array): number {
	timesQuaternion(a, 0, b, between, true);
	const sine = Math.sqrt(between[0]! ** 2 + between[1]! ** 2 + between[2]! ** 2);
	const half = sine < 0.7 ? Math.PI / 2 - acos(sine) : acos(Math.min(1, Math.abs(between[3]!)));
	return toDegrees(2 * half);
}
const between = new Float64Array(4);
