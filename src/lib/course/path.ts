/** Where the body is on a path, and which way it faces. */
import type { Seconds } from 'dinesis-runtime/tools';
import type { Waypoint } from '../documents';

/** How far ahead and behind one looks to see which way the path goes: corners are turned, not snapped. */
const LOOK: Seconds = 0.3;

export interface CompiledPath {
	/** When one leaves each waypoint. */
	readonly leaves: Float64Array;
	/** When one arrives there. */
	readonly arrives: Float64Array;
	readonly spots: Float64Array;
	readonly count: number;
}

export function compilePath(path: readonly Waypoint[]): CompiledPath {
	const count = path.length;
	const leaves = new Float64Array(count);
	const arrives = new Float64Array(count);
	const spots = new Float64Array(count * 3);
	let time = 0;
	path.forEach((point, i) => {
		spots.set([point.x, point.y, point.z], i * 3);
		arrives[i] = time;
		time += point.pause;
		leaves[i] = time;
		const next = path[i + 1];
		if (!next) return;
		const [dx, dy, dz] = [next.x - point.x, next.y - point.y, next.z - point.z];
		time += Math.sqrt(dx * dx + dy * dy + dz * dz) / point.speed;
	});
	return { leaves, arrives, spots, count };
}

/** Writes x, y, z of the body at a time into `out`; before the start and after the end it stands. */
export function placeAt(path: CompiledPath, time: Seconds, out: Float64Array): Float64Array {
	const { leaves, arrives, spots, count } = path;
	if (count === 0) return out.fill(0, 0, 3);
	let i = 0;
	while (i < count - 1 && arrives[i + 1]! <= time) i++;
	const last = i === count - 1;
	const way = last ? 0 : arrives[i + 1]! - leaves[i]!;
	const part = last || time <= leaves[i]! || way <= 0 ? 0 : (time - leaves[i]!) / way;
	for (let c = 0; c < 3; c++) {
		const from = spots[i * 3 + c]!;
		out[c] = part > 0 ? from + (spots[(i + 1) * 3 + c]! - from) * part : from;
	}
	return out;
}

/**
 * Which way the body faces as the cosine and sine of half its yaw, into `out[0]` and `out[1]`: along the path from a
 * little before to a little after, level. Where it stands `out` is left as it is: it keeps facing the way it came.
 */
export function facingAt(path: CompiledPath, time: Seconds, out: Float64Array, scratch: Float64Array): void {
	placeAt(path, time - LOOK, scratch);
	const [x0, z0] = [scratch[0]!, scratch[2]!];
	placeAt(path, time + LOOK, scratch);
	const dx = scratch[0]! - x0;
	const dz = scratch[2]! - z0;
	const far = Math.sqrt(dx * dx + dz * dz);
	if (far < 1e-6) return;
	// Yaw 0 looks along −z, positive turns left: cos yaw = −dz, sin yaw = −dx. Half of it by the half-angle formulas.
	const cos = -dz / far;
	out[0] = Math.sqrt((1 + cos) / 2);
	out[1] = (dx < 0 ? 1 : -1) * Math.sqrt((1 - cos) / 2);
}
