/**
 * Worlds as other engines have them: which way is up and ahead, which hand, in what lengths and angles. What the tool has is x right, y up,
 * −z ahead, right-handed, metres, degrees; the way there is a permutation of axes with signs, so that nothing is lost on it.
 */
import { anglesOf, putLook, toDegrees, toRadians } from 'dinesis-runtime/tools';

export const AXES = ['x', 'y', 'z', '-x', '-y', '-z'] as const;
export type Axis = (typeof AXES)[number];
export const ORDERS = ['xyz', 'xzy', 'yxz', 'yzx', 'zxy', 'zyx'] as const;
/** Turns about the axes that turn along, in this order. */
export type Order = (typeof ORDERS)[number];

export interface TargetWorld {
	readonly up: Axis;
	/** Never along `up`. */
	readonly ahead: Axis;
	readonly hand: 'right' | 'left';
	readonly length: 'm' | 'cm' | 'px';
	readonly angle: 'degrees' | 'radians';
	/** Angles in an order about the target's axes, or a quaternion x, y, z, w. */
	readonly rotation: Order | 'quaternion';
}

/** As the tool has it. */
export const OWN_WORLD: TargetWorld = {
	up: 'y',
	ahead: '-z',
	hand: 'right',
	length: 'm',
	angle: 'degrees',
	rotation: 'quaternion'
};

type Triple = [number, number, number];
const axisOf = (axis: Axis): Triple => {
	const at = 'xyz'.indexOf(axis.slice(-1));
	const out: Triple = [0, 0, 0];
	out[at] = axis.startsWith('-') ? -1 : 1;
	return out;
};
const cross = (a: Triple, b: Triple): Triple => [
	a[1] * b[2] - a[2] * b[1],
	a[2] * b[0] - a[0] * b[2],
	a[0] * b[1] - a[1] * b[0]
];

/** What a world makes of the tool's places and turns, and back. */
export interface Turned {
	/** By row: what of the tool's x, y, z the target's axis takes. */
	readonly rows: readonly [Triple, Triple, Triple];
	/** 1, or −1 where the hand is another one. */
	readonly mirror: 1 | -1;
	/** How many of the target's lengths a metre is. */
	readonly perMetre: number;
}

/** What is wrong with a world, as a sentence; empty: nothing. */
export const worldTrouble = ({ up, ahead }: TargetWorld): string =>
	up.slice(-1) === ahead.slice(-1)
		? `Ahead lies along ${ahead} and up along ${up}; they must be square to each other.`
		: '';

/** Throws a RangeError where up and ahead are one axis. */
export function turnedTo(world: TargetWorld): Turned {
	const trouble = worldTrouble(world);
	if (trouble) throw new RangeError(trouble);
	const [up, ahead] = [axisOf(world.up), axisOf(world.ahead)];
	// In a right-handed world ahead × up is to the right, in a left-handed one to the left.
	const right = world.hand === 'right' ? cross(ahead, up) : cross(up, ahead);
	const rows = [0, 1, 2].map((i): Triple => [right[i]!, up[i]!, 0 - ahead[i]!]) as unknown as [Triple, Triple, Triple];
	return { rows, mirror: world.hand === 'right' ? 1 : -1, perMetre: world.length === 'cm' ? 100 : 1 };
}

/** A place or a way of the tool's, in the target's axes; without its lengths. */
export const toTarget = ({ rows }: Turned, [x, y, z]: readonly [number, number, number]): Triple =>
	rows.map((row) => row[0] * x + row[1] * y + row[2] * z + 0) as Triple;

/** Back again. */
export const fromTarget = ({ rows }: Turned, v: readonly [number, number, number]): Triple =>
	[0, 1, 2].map((c) => rows[0][c]! * v[0] + rows[1][c]! * v[1] + rows[2][c]! * v[2] + 0) as Triple;

type Quaternion = readonly [number, number, number, number];

/** A turn: its axis goes along, and turns the other way round where the hand is another one. */
export function turnToTarget(turned: Turned, [x, y, z, w]: Quaternion): [number, number, number, number] {
	const [a, b, c] = toTarget(turned, [x, y, z]);
	const { mirror } = turned;
	return [mirror * a + 0, mirror * b + 0, mirror * c + 0, w];
}

export function turnFromTarget(turned: Turned, [x, y, z, w]: Quaternion): [number, number, number, number] {
	const [a, b, c] = fromTarget(turned, [x, y, z]);
	const { mirror } = turned;
	return [mirror * a + 0, mirror * b + 0, mirror * c + 0, w];
}

/** The turn that angles, in degrees about x, y, z, make in an order. */
export function turnOfAngles(
	angles: readonly [number, number, number],
	order: Order
): [number, number, number, number] {
	let turn: [number, number, number, number] = [0, 0, 0, 1];
	for (const name of order) {
		const at = 'xyz'.indexOf(name);
		const half = toRadians(angles[at]!) / 2;
		const one: [number, number, number, number] = [0, 0, 0, Math.cos(half)];
		one[at] = Math.sin(half);
		turn = times(turn, one);
	}
	return turn;
}

/** a·b: first b, then a, about the axes that stand; or first a, then b, about those that turn along. */
export function times(a: Quaternion, b: Quaternion): [number, number, number, number] {
	const [ax, ay, az, aw] = a;
	const [bx, by, bz, bw] = b;
	return [
		aw * bx + ax * bw + ay * bz - az * by,
		aw * by - ax * bz + ay * bw + az * bx,
		aw * bz + ax * by - ay * bx + az * bw,
		aw * bw - ax * bx - ay * by - az * bz
	];
}

/** The angles about x, y, z in degrees that a turn is in an order; where two of them are one, the last one is 0. */
export function anglesIn([x, y, z, w]: Quaternion, order: Order): [number, number, number] {
	// The matrix of the turn, by row and column.
	const m = [
		[1 - 2 * (y * y + z * z), 2 * (x * y - z * w), 2 * (x * z + y * w)],
		[2 * (x * y + z * w), 1 - 2 * (x * x + z * z), 2 * (y * z - x * w)],
		[2 * (x * z - y * w), 2 * (y * z + x * w), 1 - 2 * (x * x + y * y)]
	] as const;
	const [i, j, k] = [...order].map((name) => 'xyz'.indexOf(name)) as [number, number, number];
	// 1 where the order goes round as x, y, z do.
	const sign = (j - i + 3) % 3 === 1 ? 1 : -1;
	const middle = sign * m[i]![k]!;
	const out: [number, number, number] = [0, 0, 0];
	out[j] = toDegrees(Math.asin(Math.max(-1, Math.min(1, middle))));
	if (Math.abs(middle) < 1 - 1e-12) {
		out[i] = toDegrees(Math.atan2(-sign * m[j]![k]!, m[k]![k]!));
		out[k] = toDegrees(Math.atan2(-sign * m[i]![j]!, m[i]![i]!));
	} else out[i] = toDegrees(Math.atan2(sign * m[k]![j]!, m[j]![j]!));
	return out;
}

/** A look, yaw, pitch and roll in degrees, as a turn; as the camera's offset has it. */
export function turnOfLook(yaw: number, pitch: number, roll: number): [number, number, number, number] {
	const out = new Float64Array(4);
	putLook(yaw, pitch, out, 0, roll);
	return [out[0]!, out[1]!, out[2]!, out[3]!];
}

/** Pitch, yaw and roll of a turn in degrees. */
export function lookOfTurn(turn: Quaternion): [number, number, number] {
	const out = new Float64Array(3);
	anglesOf(Float64Array.from(turn), 0, out, 0);
	return [out[0]!, out[1]!, out[2]!];
}
