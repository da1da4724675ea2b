/**
 * Motion in the world's or the source's axes. Its position offset and its rotation, a rotation vector (pitch, yaw, roll)
 * about x, y, z, are turned into the resting camera's axes and then summed with the rest. The lens has no direction.
 */
import type { Space } from './types';

/** A resting pose: position, then a unit quaternion x, y, z, w. */
export type Pose = Float64Array;

/** Turns the vector at `at` of `v` from the camera's axes into the world's, in place; `back`: the other way. */
function turn(rest: Pose, v: Float64Array, at: number, back: boolean): void {
	const s = back ? -1 : 1;
	const [qx, qy, qz, qw] = [s * rest[3]!, s * rest[4]!, s * rest[5]!, rest[6]!];
	const [x, y, z] = [v[at]!, v[at + 1]!, v[at + 2]!];
	const tx = 2 * (qy * z - qz * y);
	const ty = 2 * (qz * x - qx * z);
	const tz = 2 * (qx * y - qy * x);
	v[at] = x + qw * tx + (qy * tz - qz * ty);
	v[at + 1] = y + qw * ty + (qz * tx - qx * tz);
	v[at + 2] = z + qw * tz + (qx * ty - qy * tx);
}

/**
 * The source's frame, as the columns of a 3 × 3 matrix in the world: −z from the resting camera to the source, +y as near to
 * up as can be. null where that is degenerate (the same point, straight up or down): then the camera's own frame counts.
 */
export function sourceAxes(
	rest: Pose,
	source: readonly [number, number, number],
	into: Float64Array
): Float64Array | null {
	const [dx, dy, dz] = [source[0] - rest[0]!, source[1] - rest[1]!, source[2] - rest[2]!];
	const far = Math.sqrt(dx * dx + dy * dy + dz * dz);
	const level = Math.sqrt(dx * dx + dz * dz);
	if (far < 1e-9 || level < 1e-9 * far) return null;
	const [zx, zy, zz] = [-dx / far, -dy / far, -dz / far];
	// x = up × z, y = z × x.
	const [xx, xz] = [zz / (level / far), -zx / (level / far)];
	into.set([xx, 0, xz, zy * xz, zz * xx - zx * xz, -zy * xx, zx, zy, zz]);
	return into;
}

/** Adds `moved` (seven channels in the axes of `space`) to `out`, in the resting camera's axes. Changes `moved`. */
export function addTurned(
	rest: Pose,
	axes: Float64Array | null,
	space: Space,
	moved: Float64Array,
	out: Float64Array
): void {
	for (let at = 0; at <= 3; at += 3) {
		if (space === 'source' && axes) {
			const [x, y, z] = [moved[at]!, moved[at + 1]!, moved[at + 2]!];
			for (let row = 0; row < 3; row++) moved[at + row] = axes[row]! * x + axes[3 + row]! * y + axes[6 + row]! * z;
		}
		if (space === 'world' || axes) turn(rest, moved, at, true);
	}
	for (let c = 0; c < moved.length; c++) out[c]! += moved[c]!;
}

export const sameAxes = (a: Float64Array | null, b: Float64Array | null): boolean =>
	a === b || (a !== null && b !== null && a.every((v, i) => v === b[i]));
