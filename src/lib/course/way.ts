/** A way, recorded or made of places, as a pose at any time. */
import { acos, toDegrees, type Seconds } from 'dinesis-runtime/tools';
import { compilePath, facingAt, placeAt, type CompiledPath } from './path';
import type { Trace, Way } from '../documents';

/** How many numbers a pose has: x, y, z of the feet in metres, yaw and pitch of the look in degrees. */
export const TRACE_NUMBERS = 5;
/** As fast as things fall, in metres a second, each second; a fall is told by it within this part. */
const GRAVITY = 9.81;
const FALL_WITHIN = 0.35;
export interface CompiledWay {
	readonly path: CompiledPath | null;
	readonly trace: Trace | null;
	readonly facing: Float64Array;
	readonly scratch: Float64Array;
	/** By moment of the trace: 1 where it falls freely. */
	readonly falling: Uint8Array | null;
}

export function compileWay({ path, trace }: Way): CompiledWay {
	const recorded = trace && trace.poses.length >= TRACE_NUMBERS ? trace : null;
	return {
		path: recorded ? null : compilePath(path),
		trace: recorded,
		facing: Float64Array.of(1, 0),
		scratch: new Float64Array(TRACE_NUMBERS),
		// Told by the curve of its height where it is not said; for that its moments must be even.
		falling: recorded && !recorded.air && !recorded.times ? fallsOf(recorded) : null
	};
}

/** Moments at which the height curves down as a free fall does, with one beside them that does so too. */
function fallsOf({ hz, poses }: Trace): Uint8Array {
	const count = Math.floor(poses.length / TRACE_NUMBERS);
	const y = (i: number): number => poses[i * TRACE_NUMBERS + 1]!;
	const falls = new Uint8Array(count);
	const drop = GRAVITY / (hz * hz);
	for (let i = 1; i < count - 1; i++) {
		const curve = y(i + 1) - 2 * y(i) + y(i - 1);
		if (curve < -drop * (1 - FALL_WITHIN) && curve > -drop * (1 + FALL_WITHIN)) falls[i] = 1;
	}
	const sure = falls.map((is, i) => (is && (falls[i - 1] || falls[i + 1]) ? 1 : 0));
	// Within the moment before it began already to go down.
	return sure.map((is, i) => (is || (sure[i + 1] && y(i + 1) < y(i)) ? 1 : 0));
}

const within = (spans: Trace['air'], time: Seconds): boolean =>
	spans?.some(([from, until]) => time >= from - 1e-9 && time < until - 1e-9) === true;

/** Whether one climbs at a time, on a ladder. */
export const climbs = ({ trace }: CompiledWay, time: Seconds): boolean => within(trace?.climbs, time);
/** Whether something carries one at a time: no foot falls. */
export const rides = ({ trace }: CompiledWay, time: Seconds): boolean => within(trace?.rides, time);

/** Whether one stands on something at a time: a path is always on the ground, and so is a rung. */
export const isGrounded = ({ trace, falling }: CompiledWay, time: Seconds): boolean =>
	within(trace?.climbs, time) ||
	(trace?.air
		? !within(trace.air, time)
		: !trace ||
			!falling ||
			falling[Math.min(falling.length - 1, Math.max(0, Math.floor(momentAt(trace, time))))] !== 1);

/** The shortest way round from one angle to another, in degrees. */
const turn = (from: number, to: number): number => {
	const by = (to - from) % 360;
	return by > 180 ? by - 360 : by < -180 ? by + 360 : by;
};

/** The moment of a trace that a time is, with the part of the way to the next: 2.5 is halfway from the third to the fourth. */
function momentAt({ hz, times }: Trace, time: Seconds): number {
	if (!times) return time * hz;
	let [low, high] = [0, times.length - 1];
	if (high < 1 || time <= times[0]!) return 0;
	if (time >= times[high]!) return high;
	while (high - low > 1) {
		const middle = (low + high) >> 1;
		if (times[middle]! <= time) low = middle;
		else high = middle;
	}
	return low + (time - times[low]!) / (times[high]! - times[low]!);
}

/** When a moment of a trace is. */
export const timeOfMoment = ({ hz, times }: Trace, moment: number): Seconds => times?.[moment] ?? moment / hz;

/** Metres a second at a time, as they were recorded. */
export function speedAt(trace: Trace, time: Seconds): number {
	const { speeds } = trace;
	if (!speeds || speeds.length === 0) return 0;
	const at = Math.min(Math.max(momentAt(trace, time), 0), speeds.length - 1);
	const i = Math.min(Math.floor(at), Math.max(0, speeds.length - 2));
	const from = speeds[i]!;
	return from + ((speeds[i + 1] ?? from) - from) * (at - i);
}

/** Puts the trace's five numbers at a time into `out`: straight between its moments, angles the shorter way round. */
export function traceAt(trace: Trace, time: Seconds, out: Float64Array): void {
	const { poses } = trace;
	const last = poses.length / TRACE_NUMBERS - 1;
	const at = Math.min(Math.max(momentAt(trace, time), 0), last);
	const i = Math.min(Math.floor(at), Math.max(0, last - 1));
	const part = at - i;
	const [a, b] = [i * TRACE_NUMBERS, Math.min(i + 1, last) * TRACE_NUMBERS];
	for (let c = 0; c < TRACE_NUMBERS; c++) {
		const from = poses[a + c]!;
		const by = c < 3 ? poses[b + c]! - from : turn(from, poses[b + c]!);
		out[c] = from + by * part;
	}
}

/** Writes the pose at a time into `out`. A path is asked for rising times: where it stands, one keeps facing the way one came. */
export function poseAt(way: CompiledWay, time: Seconds, out: Float64Array): void {
	const { path, trace, facing, scratch } = way;
	if (trace) return traceAt(trace, time, out);
	placeAt(path!, time, out);
	facingAt(path!, time, facing, scratch);
	// Half of the yaw by its cosine; its sine tells the side.
	const half = toDegrees(acos(facing[0]!));
	out[3] = facing[1]! < 0 ? -2 * half : 2 * half;
	out[4] = 0;
}

/** How long a path takes, pauses and all. */
export const pathSeconds = (way: Pick<Way, 'path'>): Seconds => {
	const { leaves, count } = compilePath(way.path);
	return count === 0 ? 0 : leaves[count - 1]!;
};
