/** Where one looks, as angles and as a quaternion; vectors turned by it. */
import { PI, toDegrees, type Degrees, type Radians } from '../units/quantities';
import { steep } from './angles';
import { acos, sinTurnsInPlace } from './scalar';

const QUARTER = PI / 2;
const halves = new Float64Array(4);

/** A yaw, then a pitch, then a roll (intrinsic Y-X-Z), as a quaternion x, y, z, w from `out[at]` on. */
export function putLook(yaw: Degrees, pitch: Degrees, out: Float64Array, at: number, roll: Degrees = 0): void {
	// Half angles in turns; cosines are sines a quarter on.
	halves[0] = yaw / 720;
	halves[1] = yaw / 720 + 0.25;
	halves[2] = pitch / 720;
	halves[3] = pitch / 720 + 0.25;
	for (let i = 0; i < 4; i++) sinTurnsInPlace(halves, i);
	const sy = halves[0]!;
	const cy = halves[1]!;
	const sp = halves[2]!;
	const cp = halves[3]!;
	const qx = cy * sp;
	const qy = sy * cp;
	const qz = 0 - sy * sp;
	const qw = cy * cp;
	if (roll === 0) {
		out[at] = qx;
		out[at + 1] = qy;
		out[at + 2] = qz;
		out[at + 3] = qw;
		return;
	}
	halves[0] = roll / 720;
	halves[1] = roll / 720 + 0.25;
	sinTurnsInPlace(halves, 0);
	sinTurnsInPlace(halves, 1);
	const sr = halves[0]!;
	const cr = halves[1]!;
	out[at] = qx * cr + qy * sr;
	out[at + 1] = qy * cr - qx * sr;
	out[at + 2] = qz * cr + qw * sr;
	out[at + 3] = qw * cr - qz * sr;
}

/** Turns the vector x, y, z at `v[i]` by the quaternion at `q[at]`, or with `back` the other way, in place. */
export function turnBy(q: Float64Array, at: number, v: Float64Array, i: number, back = false): void {
	const s = back ? -1 : 1;
	const [qx, qy, qz, qw] = [s * q[at]!, s * q[at + 1]!, s * q[at + 2]!, q[at + 3]!];
	const [x, y, z] = [v[i]!, v[i + 1]!, v[i + 2]!];
	const tx = 2 * (qy * z - qz * y);
	const ty = 2 * (qz * x - qx * z);
	const tz = 2 * (qx * y - qy * x);
	v[i] = x + qw * tx + (qy * tz - qz * ty);
	v[i + 1] = y + qw * ty + (qz * tx - qx * tz);
	v[i + 2] = z + qw * tz + (qx * ty - qy * tx);
}

/** The angle of the direction (x, y) from +x, −π … π; 0 for no direction. */
export function atan2(y: number, x: number): Radians {
	const r = Math.sqrt(x * x + y * y);
	if (!(r > 0)) return 0;
	const [ax, ay] = [x < 0 ? -x : x, y < 0 ? -y : y];
	// The cosine of a small angle has few digits left, its sine has all.
	const steep = ay < ax ? QUARTER - acos(ay / r) : acos(ax / r);
	const half = x < 0 ? PI - steep : steep;
	return y < 0 ? -half : half;
}

/** Pitch, yaw and roll (Y-X-Z) of the quaternion at `q[at]`, in degrees, into `out[i]` on. */
export function anglesOf(q: Float64Array, at: number, out: Float64Array, i: number): void {
	const [x, y, z, w] = [q[at]!, q[at + 1]!, q[at + 2]!, q[at + 3]!];
	const down = 2 * (y * z - w * x);
	const level = Math.sqrt(Math.max(0, 1 - down * down));
	out[i] = toDegrees(atan2(-down, level));
	out[i + 1] = toDegrees(atan2(2 * (x * z + w * y), 1 - 2 * (x * x + y * y)));
	out[i + 2] = toDegrees(atan2(2 * (x * y + w * z), 1 - 2 * (x * x + z * z)));
}

/** The look along a way x, y, z: pitch into `out[at]`, yaw after it, in degrees. Straight up or down the yaw stays what it was. */
export function lookAlong(way: Float64Array, out: Float64Array, at: number): void {
	const [x, y, z] = [way[0]!, way[1]!, way[2]!];
	const level = Math.sqrt(x * x + z * z);
	if (level > 1e-6) out[at + 1] = toDegrees(atan2(-x, -z));
	if (level > 1e-6 || y > 1e-6 || y < -1e-6) out[at] = steep(toDegrees(atan2(y, level)));
}

/** a·b of the quaternion at `at` of `a` (with `back` its opposite) and the one in `b`, into `out`. */
export function timesQuaternion(a: Float64Array, at: number, b: Float64Array, out: Float64Array, back: boolean): void {
	const s = back ? -1 : 1;
	const [ax, ay, az, aw] = [s * a[at]!, s * a[at + 1]!, s * a[at + 2]!, a[at + 3]!];
	const [bx, by, bz, bw] = [b[0]!, b[1]!, b[2]!, b[3]!];
	out[0] = aw * bx + ax * bw + ay * bz - az * by;
	out[1] = aw * by - ax * bz + ay * bw + az * bx;
	out[2] = aw * bz + ax * by - ay * bx + az * bw;
	out[3] = aw * bw - ax * bx - ay * by - az * bz;
}
