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

/**
 * What was looked through last. Space: cosines and sines of pitch, yaw and roll, half heights of the resting and of the moved picture a
 * metre away, where the camera is. Flat: cosine and sine of the roll, how much is enlarged, where the camera is in half heights.
 */
const camera = new Float64Array(11);
const [X, Y, Z] = [8, 9, 10];
const FLAT_HALF = REFERENCE.flatHeight / 2;
const REST_HALF = toRadians(REFERENCE.fov / 2);
const REST_HEIGHT = sin(REST_HALF) / cos(REST_HALF);

function lookInSpace(values: Float64Array, at: number): void {
	const pitch = toRadians(values[at + 3]!);
	const yaw = toRadians(values[at + 4]!);
	const roll = toRadians(values[at + 5]!);
	camera[0] = cos(pitch);
	camera[1] = sin(pitch);
	camera[2] = cos(yaw);
	camera[3] = sin(yaw);
	camera[4] = cos(roll);
	camera[5] = sin(roll);
	camera[6] = REST_HEIGHT;
	camera[7] = REST_HEIGHT;
	if (values[at + 6] !== 0) {
		const moved = REST_HALF + toRadians(values[at + 6]! / 2);
		camera[7] = sin(moved) / cos(moved);
	}
	for (let c = 0; c < 3; c++) camera[X + c] = values[at + c]!;
}

function lookFlat(values: Float64Array, at: number): void {
	const roll = toRadians(values[at + 5]!);
	camera[4] = cos(roll);
	camera[5] = sin(roll);
	camera[6] = 1 / Math.max(0.01, 1 + values[at + 6]! / 100);
	camera[X] = values[at]! / FLAT_HALF;
	camera[Y] = values[at + 1]! / FLAT_HALF;
}

/** Through the camera as it was looked through last; false: it is behind it. */
function seenThrough(distance: Metres, u: number, v: number, out: Float64Array): boolean {
	// One number after the other: it stands in every sample of a thousand plays.
	const wide = camera[6]! * distance;
	const px = u * REFERENCE.aspect * wide - camera[X]!;
	const py = v * wide - camera[Y]!;
	const pz = -distance - camera[Z]!;
	// Into the moved camera: undo yaw, then pitch, then roll.
	const ax = camera[2]! * px - camera[3]! * pz;
	const az = camera[3]! * px + camera[2]! * pz;
	const by = camera[0]! * py + camera[1]! * az;
	const bz = -camera[1]! * py + camera[0]! * az;
	if (bz > -1e-3) return false;
	const scale = -bz * camera[7]!;
	out[0] = (camera[4]! * ax + camera[5]! * by) / scale;
	out[1] = (-camera[5]! * ax + camera[4]! * by) / scale;
	return true;
}

function seenFlat(u: number, v: number, out: Float64Array): boolean {
	const [c, s, zoom] = [camera[4]!, camera[5]!, camera[6]!];
	const px = u * REFERENCE.aspect - camera[X]!;
	const py = v - camera[Y]!;
	out[0] = zoom * (c * px + s * py);
	out[1] = zoom * (-s * px + c * py);
	return true;
}

/** Looks through the camera that an offset (seven channels from `at` in `values`) moves; `seenOn` then says where things are. */
export function lookThrough(values: Float64Array, at: number, view: View): void {
	if (view === 'flat') lookFlat(values, at);
	else lookInSpace(values, at);
}

/**
 * Where a thing goes on the picture that stands at u, v on the resting one (in half heights and half widths from the centre, −1 to 1) and
 * `distance` metres away, into `out`: x to the right and y up in half heights of the picture, from its centre. False: it is behind the
 * camera. Of what was looked through last.
 */
export const seenOn = (view: View, distance: Metres, u: number, v: number, out: Float64Array): boolean =>
	view === 'flat' ? seenFlat(u, v, out) : seenThrough(distance, u, v, out);

/** Both at once. */
export function seenAt(
	values: Float64Array,
	at: number,
	view: View,
	distance: Metres,
	[u, v]: readonly [number, number],
	out: Float64Array
): boolean {
	lookThrough(values, at, view);
	return seenOn(view, distance, u, v, out);
}

const spot = new Float64Array(2);

function spaceMovement(values: Float64Array, at: number, distance: Metres): number {
	lookInSpace(values, at);
	let most = 0;
	for (const [u, v] of SPOTS) {
		if (!seenThrough(distance, u, v, spot)) return 1000;
		const dx = spot[0]! - u * REFERENCE.aspect;
		const dy = spot[1]! - v;
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
