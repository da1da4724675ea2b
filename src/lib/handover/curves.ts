/**
 * Motion as curves: of a shake by itself, of a course or a take; the offset alone, or the camera's whole pose. In the tool's own world; what
 * another world makes of it is `written.ts`.
 *
 *     const curves = curvesOfShake(kit, preset, { fps: 60, seed: 1 });
 */
import type { ShakePreset } from 'dinesis-runtime';
import {
	CHANNEL_COUNT,
	CHANNELS,
	turnBy,
	type Clear,
	type Hertz,
	type Played,
	type Seconds
} from 'dinesis-runtime/tools';
import { naturalLength, sampleShake } from '../analysis';
import { CourseRun } from '../course';
import type { Course } from '../documents';
import { times, turnOfLook } from './axes';

/** What curves hold, so many numbers a moment. */
export type Content =
	/** Seven channels: x, y, z in metres (pixels), pitch, yaw, roll, fov in degrees (fov in percent in a flat view). */
	| 'offset'
	/** x, y, z in metres, a quaternion x, y, z, w, the lens's whole field of view in degrees. */
	| 'pose';

export interface Curves {
	readonly content: Content;
	readonly fps: Hertz;
	readonly count: number;
	/** `width` numbers a moment. */
	readonly values: Float64Array;
	readonly width: 7 | 8;
	/** What was made so that it goes round; empty: nothing had to be. */
	readonly said: string;
	/** A course that is seen in a flat picture: its places are pixels. */
	readonly flat: boolean;
}

/** Told how far it has come, 0–1; false gives up. */
export type Progress = (part: number) => boolean | void;

export interface ShakeOptions {
	readonly fps?: Hertz;
	readonly seed?: number;
	readonly strength?: number;
	/** How long; left out: a burst's own length, five seconds of what goes on. */
	readonly seconds?: Seconds;
	/** Goes round without a seam: what does not by itself goes over into its own beginning within so many seconds. */
	readonly loop?: Seconds | null;
}

const SEAM = 1e-9;

/** A shake by itself, from its trigger on. One that goes round is taken once it has come up in full. */
export function curvesOfShake(preset: ShakePreset, options: ShakeOptions = {}): Curves {
	const { fps = 60, seed = 1, strength = 1, loop = null } = options;
	const goesOn = preset.timing.mode === 'continuous';
	const seconds = options.seconds ?? (goesOn ? 5 : naturalLength(preset));
	const plain = { content: 'offset', fps, width: 7, flat: preset.view === 'flat' } as const;
	if (loop === null || !goesOn) {
		const track = sampleShake(preset, { seconds, fps, seed, strength });
		const said = loop !== null ? 'It is over by itself, at rest: it needs no seam.' : '';
		return { ...plain, count: track.count, values: track.values, said };
	}
	// A loop of n pictures; the one behind the last is the first again, so that whoever plays it knows how long it is.
	const n = Math.max(2, Math.round(seconds * fps));
	const settled =
		preset.timing.delay + preset.timing.fadeIn.time + Math.max(0, ...preset.layers.map(({ delay }) => delay));
	const first = Math.ceil(settled * fps);
	const whole = sampleShake(preset, { seconds: (first + 2 * n) / fps, fps, seed, strength });
	const at = (i: number, c: number): number => whole.values[(first + i) * CHANNEL_COUNT + c]!;
	let seam = 0;
	for (const i of [0, 1])
		for (let c = 0; c < CHANNEL_COUNT; c++) seam = Math.max(seam, Math.abs(at(i, c) - at(n + i, c)));
	const values = new Float64Array((n + 1) * CHANNEL_COUNT);
	const over = Math.min(n, Math.max(1, Math.round(loop * fps)));
	const byItself = seam < SEAM;
	for (let i = 0; i < n; i++)
		for (let c = 0; c < CHANNEL_COUNT; c++) {
			// At its beginning it is what follows its end, and goes over into itself.
			const share = byItself || i >= over ? 1 : smooth(i / over);
			values[i * CHANNEL_COUNT + c] = share === 1 ? at(i, c) : at(i, c) * share + at(n + i, c) * (1 - share);
		}
	values.copyWithin(n * CHANNEL_COUNT, 0, CHANNEL_COUNT);
	const said = byItself
		? 'It goes round by itself.'
		: `Its first ${Number((over / fps).toPrecision(3))} s go over from what follows its end, so that it goes round.`;
	return { ...plain, count: n + 1, values, said };
}

const smooth = (t: number): number => t * t * (3 - 2 * t);

export interface CourseOptions {
	readonly fps?: Hertz;
	readonly seed?: number;
	readonly content?: Content;
	readonly clear?: Clear;
	/** 0 the first player, 1 the second. */
	readonly who?: number;
	readonly progress?: Progress;
}

/** A course or a take; null when `progress` gave up. Throws a RangeError for a rate that is not above 0. */
export function curvesOfCourse(kit: Played, course: Course, options: CourseOptions = {}): Curves | null {
	const { fps = 60, content = 'offset', progress } = options;
	const run = courseReader(kit, course, options);
	const values = new Float64Array(run.count * run.width);
	for (let i = 0; i < run.count; i++) {
		run.read(i, values, i * run.width);
		if (progress && i % 600 === 0 && progress(i / run.count) === false) return null;
	}
	return { content, fps, count: run.count, values, width: run.width, said: '', flat: run.flat };
}

export interface CourseReader {
	readonly count: number;
	readonly width: 7 | 8;
	readonly flat: boolean;
	/** Puts moment `i` into `out` from `at` on. Only forward. */
	read(i: number, out: Float64Array, at: number): void;
}

/** A course moment by moment, so that an hour of it needs no more memory than a second. */
export function courseReader(kit: Played, course: Course, options: CourseOptions = {}): CourseReader {
	const { fps = 60, seed = 1, content = 'offset', clear, who = 0 } = options;
	if (!(fps > 0 && fps < Infinity)) throw new RangeError(`Pictures a second must be above 0; it is ${fps}.`);
	const run = new CourseRun(kit, course, { seed, clear });
	const { rig } = run.bodies[who] ?? run.bodies[0]!;
	const flat = rig.view === 'flat';
	const spot = new Float64Array(3);
	const read = (i: number, out: Float64Array, at: number): void => {
		run.advanceTo(i / fps);
		const { camera, offset } = rig;
		if (content === 'offset') return out.set(offset, at);
		const per = flat ? rig.run.view.pixelsPerMetre : 1;
		for (let c = 0; c < 3; c++) spot[c] = offset[c]! / per;
		turnBy(camera, 3, spot, 0);
		for (let c = 0; c < 3; c++) out[at + c] = camera[c]! + spot[c]!;
		const rest = [camera[3]!, camera[4]!, camera[5]!, camera[6]!] as const;
		out.set(times(rest, turnOfLook(offset[4]!, offset[3]!, offset[5]!)), at + 3);
		out[at + 7] = flat ? rig.fov : rig.fov + offset[6]!;
	};
	return { count: Math.floor(course.seconds * fps + 1e-9) + 1, width: content === 'offset' ? 7 : 8, flat, read };
}

/** What the numbers of a moment are called. */
export const namesOf = (content: Content): readonly string[] =>
	content === 'offset' ? CHANNELS : ['x', 'y', 'z', 'qx', 'qy', 'qz', 'qw', 'fov'];
