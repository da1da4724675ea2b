/** What a camera lag does with a step, with a ramp and with a way that was recorded, as numbers to draw. */
import type { LagPreset } from 'dinesis-runtime';
import { LAG_AXES, LagRun, type LagAxis, type LagAxisName } from 'dinesis-runtime/tools';

const HZ = 240;
/** Within this part of its way a view has settled. */
const WITHIN = 0.02;

export interface LagCurve {
	readonly seconds: number;
	readonly times: Float64Array;
	/** Where the body is and where the view is, on one axis. */
	readonly body: Float64Array;
	readonly view: Float64Array;
}

export interface LagReading {
	/** How far past the body it swings, as a part of the step, and when; null: it does not. */
	readonly over: { readonly part: number; readonly at: number } | null;
	/** Seconds after which it stays within a fiftieth; null: not while one looks. */
	readonly settled: number | null;
	/** When the error was halved for the first time; null: not while one looks. */
	readonly half: number | null;
}

const oneAxis = (preset: LagPreset, axis: LagAxis): LagPreset => ({
	...preset,
	axes: { x: axis },
	snapsBeyond: null
});

function drive(preset: LagPreset, seconds: number, bodyAt: (time: number) => number): LagCurve {
	const run = new LagRun(preset);
	const pose = new Float64Array(LAG_AXES.length);
	pose[0] = bodyAt(0);
	run.snap(pose);
	const count = Math.round(seconds * HZ);
	const [times, body, view] = [0, 1, 2].map(() => new Float64Array(count + 1)) as [
		Float64Array,
		Float64Array,
		Float64Array
	];
	view[0] = body[0] = pose[0];
	for (let i = 1; i <= count; i++) {
		times[i] = i / HZ;
		body[i] = pose[0] = bodyAt(i / HZ);
		view[i] = run.advance(pose, 1 / HZ)[0]!;
	}
	return { seconds, times, body, view };
}

/** When the body steps, in seconds. */
export const STEP_AT = 0.25;

/** A body that is somewhere else all of a sudden, by `size`. */
export const stepAnswer = (preset: LagPreset, axis: LagAxis, size: number, seconds: number): LagCurve =>
	drive(oneAxis({ ...preset, leadsBy: 0 }, axis), seconds, (time) => (time < STEP_AT ? 0 : size));

/** A body that goes at a speed for half of the time and then stands. */
export const rampAnswer = (preset: LagPreset, axis: LagAxis, speed: number, seconds: number): LagCurve =>
	drive(oneAxis(preset, axis), seconds, (time) => speed * Math.min(Math.max(0, time - STEP_AT), seconds / 2));

/** One axis of a way that was recorded: `poses` x, y, z, pitch, yaw, roll, `hz` times a second. */
export function wayAnswer(preset: LagPreset, name: LagAxisName, poses: Float64Array, hz: number): LagCurve {
	const n = LAG_AXES.length;
	const count = poses.length / n;
	const a = LAG_AXES.indexOf(name);
	const run = new LagRun(preset);
	const [times, body, view] = [0, 1, 2].map(() => new Float64Array(count)) as [
		Float64Array,
		Float64Array,
		Float64Array
	];
	for (let i = 0; i < count; i++) {
		const pose = poses.subarray(i * n, (i + 1) * n);
		if (i === 0) run.snap(pose);
		else run.advance(pose, 1 / hz);
		times[i] = i / hz;
		view[i] = run.out[a]!;
		// Yaw unwound, as the view is.
		body[i] = run.out[a]! - run.behind[a]!;
	}
	return { seconds: (count - 1) / hz, times, body, view };
}

/** What is read off the answer to a step. */
export function readStep({ times, body, view, seconds }: LagCurve, quiet: number): LagReading {
	const size = body.at(-1)!;
	const goal = size - Math.sign(size) * Math.min(quiet, Math.abs(size));
	if (goal === 0) return { over: null, settled: null, half: null };
	let over: LagReading['over'] = null;
	let settled: number | null = 0;
	let half: number | null = null;
	for (let i = 0; i < times.length; i++) {
		if (times[i]! < STEP_AT) continue;
		const part = view[i]! / goal;
		if (half === null && part >= 0.5) half = times[i]! - STEP_AT;
		if (part > 1 + 1e-4 && part - 1 > (over?.part ?? 0)) over = { part: part - 1, at: times[i]! };
		if (Math.abs(part - 1) > WITHIN) settled = i === times.length - 1 ? null : times[i]! + 1 / HZ - STEP_AT;
	}
	return { over, settled: settled !== null && settled < seconds ? settled : null, half };
}

/** How long one must look to see it settle: a few half-lives, or until the spring has died down; between 0.6 and 6 s. */
export function lookFor(axis: LagAxis): number {
	const long =
		axis.follow === 'half-life'
			? Math.max(axis.halfLife, axis.settle ?? 0) * 9
			: axis.follow === 'spring'
				? 5 / (2 * Math.PI * axis.frequency * Math.min(1, Math.max(0.12, axis.damping)))
				: 0;
	return Math.min(6, Math.max(0.6, long)) + STEP_AT;
}
