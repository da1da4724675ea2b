/** Where one looks, as angles and as a quaternion. */
import { toRadians, type Degrees } from '../units/quantities';
import { sin } from './scalar';

const QUARTER = Math.PI / 2;

/** A yaw, then a pitch, as a quaternion x, y, z, w from `out[at]` on. */
export function putLook(yaw: Degrees, pitch: Degrees, out: Float64Array, at: number): void {
	const [y, p] = [toRadians(yaw) / 2, toRadians(pitch) / 2];
	const [sy, cy, sp, cp] = [sin(y), sin(y + QUARTER), sin(p), sin(p + QUARTER)];
	out[at] = cy * sp;
	out[at + 1] = sy * cp;
	out[at + 2] = -sy * sp;
	out[at + 3] = cy * cp;
}
