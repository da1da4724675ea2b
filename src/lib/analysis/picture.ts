/** How far the picture moves when the camera does. */
import { cos, sin, toRadians, type View, type Degrees, type Metres } from 'dinesis-runtime/tools';

/** The view that picture movement is stated for: 60° high, 16:9, things 5 m away; a flat view is 1080 px high. */
export const REFERENCE = { fov: 60 as Degrees, aspect: 16 / 9, distance: 5 as Metres, flatHeight: 1080 } as const;

/** Half way from the centre to each corner, and the centre itself: a roll or a squeeze does not move the centre. */
const SPOTS: readonly (readonly [number, number])[] = [
	[0, 0],
	[0.5, 0.5],
	[-0.5, 0.5],
	[0.5, -0.5],
	[-0.5, -0.5]
];

/**
 * Picture movement of an offset (seven channels from `at` in `values`), in percent of the picture's height: the farthest
 * that any of five spots on the resting picture moves, for things at `distance` metres.
 */
export function pictureMovement(
	values: Float64Array,
	at: number,
	view: View,
	distance: Metres = REFERENCE.distance
): number {
	const movement = view === 'flat' ? flatMovement(values, at) : spaceMovement(values, at, distance);
	// Below this it is the rounding of the projection, not a movement.
	return movement < 1e-12 ? 0 : movement;
}

function spaceMovement(values: Float64Array, at: number, distance: Metres): number {
	const pitch = toRadians(values[at + 3]!);
	const yaw = toRadians(values[at + 4]!);
	const roll = toRadians(values[at + 5]!);
	const [cx, sx, cy, sy, cz, sz] = [cos(pitch), sin(pitch), cos(yaw), sin(yaw), cos(roll), sin(roll)];
	const half = toRadians(REFERENCE.fov / 2);
	const restHeight = sin(half) / cos(half);
	const moved = half + toRadians(values[at + 6]! / 2);
	const height = sin(moved) / cos(moved);
	let most = 0;
	for (const [u, v] of SPOTS) {
		const px = u * REFERENCE.aspect * restHeight * distance - values[at]!;
		const py = v * restHeight * distance - values[at + 1]!;
		const pz = -distance - values[at + 2]!;
		// Into the moved camera: undo yaw, then pitch, then roll.
		const ax = cy * px - sy * pz;
		const az = sy * px + cy * pz;
		const by = cx * py + sx * az;
		const bz = -sx * py + cx * az;
		const qx = cz * ax + sz * by;
		const qy = -sz * ax + cz * by;
		if (bz > -1e-3) return 1000;
		const dx = qx / (-bz * height) - u * REFERENCE.aspect;
		const dy = qy / (-bz * height) - v;
		const size = Math.sqrt(dx * dx + dy * dy);
		if (size > most) most = size;
	}
	return most * 50;
}

function flatMovement(values: Float64Array, at: number): number {
	const roll = toRadians(values[at + 5]!);
	const zoom = 1 / Math.max(0.01, 1 + values[at + 6]! / 100);
	const [c, s] = [cos(roll), sin(roll)];
	let most = 0;
	for (const [u, v] of SPOTS) {
		const px = (u * REFERENCE.aspect * REFERENCE.flatHeight) / 2 - values[at]!;
		const py = (v * REFERENCE.flatHeight) / 2 - values[at + 1]!;
		const dx = zoom * (c * px + s * py) - (u * REFERENCE.aspect * REFERENCE.flatHeight) / 2;
		const dy = zoom * (-s * px + c * py) - (v * REFERENCE.flatHeight) / 2;
		const size = Math.sqrt(dx * dx + dy * dy);
		if (size > most) most = size;
	}
	return (most / REFERENCE.flatHeight) * 100;
}
