/** A way, recorded or made of places, as a pose at any time. */
import { sin } from '../math/scalar';
import { toRadians } from '../units/quantities';
import type { Seconds } from '../units/quantities';
import { compilePath, facingAt, placeAt, type CompiledPath } from './path';
import type { Trace, Way } from './types';

/** How many numbers a moment of a trace has. */
export const TRACE_NUMBERS = 5;
/** How many numbers a pose has: x, y, z of the feet, the look's orientation as a quaternion x, y, z, w. */
export const POSE_NUMBERS = 7;

export interface CompiledWay {
	readonly path: CompiledPath | null;
	readonly trace: Trace | null;
	readonly facing: Float64Array;
	readonly scratch: Float64Array;
}

export const compileWay = ({ path, trace }: Way): CompiledWay => ({
	path: trace && trace.poses.length >= TRACE_NUMBERS ? null : compilePath(path),
	trace: trace && trace.poses.length >= TRACE_NUMBERS ? trace : null,
	facing: Float64Array.of(1, 0),
	scratch: new Float64Array(TRACE_NUMBERS)
});

/** A yaw, then a pitch, in degrees, as a quaternion from `out[at]` on. */
export function putLook(yaw: number, pitch: number, out: Float64Array, at: number): void {
	const [y, p] = [toRadians(yaw) / 2, toRadians(pitch) / 2];
	const quarter = Math.PI / 2;
	const [sy, cy, sp, cp] = [sin(y), sin(y + quarter), sin(p), sin(p + quarter)];
	out[at] = cy * sp;
	out[at + 1] = sy * cp;
	out[at + 2] = -sy * sp;
	out[at + 3] = cy * cp;
}

/** The shortest way round from one angle to another, in degrees. */
const turn = (from: number, to: number): number => {
	const by = (to - from) % 360;
	return by > 180 ? by - 360 : by < -180 ? by + 360 : by;
};

/** Puts the trace's five numbers at a time into `out`: straight between its moments, angles the shorter way round. */
export function traceAt({ hz, poses }: Trace, time: Seconds, out: Float64Array): void {
	const last = poses.length / TRACE_NUMBERS - 1;
	const at = Math.min(Math.max(time * hz, 0), last);
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
	if (trace) {
		traceAt(trace, time, scratch);
		for (let c = 0; c < 3; c++) out[c] = scratch[c]!;
		putLook(scratch[3]!, scratch[4]!, out, 3);
		return;
	}
	placeAt(path!, time, out);
	facingAt(path!, time, facing, scratch);
	out[3] = out[5] = 0;
	out[4] = facing[1]!;
	out[6] = facing[0]!;
}

/** How long a path takes, pauses and all. */
export const pathSeconds = (way: Pick<Way, 'path'>): Seconds => {
	const { leaves, count } = compilePath(way.path);
	return count === 0 ? 0 : leaves[count - 1]!;
};
