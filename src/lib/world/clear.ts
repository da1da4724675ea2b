/** How far it is free in the grounds: what a camera on a boom asks. From the list that is drawn and collided with, so that every machine gives the same. */
import type { Clear } from 'dinesis-runtime/tools';
import { SEA_LEVEL, SOLIDS, type Solid } from './grounds';

/** A box made ready: its middle, half its size, and its axes in the world, three numbers each. */
interface Box {
	readonly at: readonly number[];
	readonly half: readonly number[];
	readonly axes: readonly (readonly number[])[];
	/** Of a ball around it. */
	readonly radius: number;
}

function boxOf({ at, size, tip = 0, turn = 0 }: Solid): Box {
	const [ct, st, cy, sy] = [Math.cos(tip), Math.sin(tip), Math.cos(turn), Math.sin(turn)];
	const half = size.map((s) => s / 2);
	const axes =
		turn !== 0
			? [
					[cy, 0, -sy],
					[0, 1, 0],
					[sy, 0, cy]
				]
			: [
					[ct, st, 0],
					[-st, ct, 0],
					[0, 0, 1]
				];
	return { at, half, axes, radius: Math.hypot(...half) };
}

/** Rails are looked past: what is thinner than this hides nothing. */
const THIN = 0.1;

/** Where a line from a place enters a box, as a share of its way; Infinity: not at all. One that begins within it is not stopped. */
function enters({ at, half, axes, radius }: Box, from: Float64Array, way: readonly number[], length: number): number {
	const off = [at[0]! - from[0]!, at[1]! - from[1]!, at[2]! - from[2]!];
	// Most are too far away.
	const far = radius + length;
	if (off[0]! * off[0]! + off[1]! * off[1]! + off[2]! * off[2]! > far * far) return Infinity;
	let first = 0;
	let last = 1;
	for (let a = 0; a < 3; a++) {
		const [x, y, z] = axes[a] as [number, number, number];
		const middle = off[0]! * x + off[1]! * y + off[2]! * z;
		const along = way[0]! * x + way[1]! * y + way[2]! * z;
		const h = half[a]!;
		if (along < 1e-9 && along > -1e-9) {
			if (middle > h || middle < -h) return Infinity;
			continue;
		}
		const [one, other] = [(middle - h) / along, (middle + h) / along];
		first = Math.max(first, Math.min(one, other));
		last = Math.min(last, Math.max(one, other));
	}
	return first > 0 && first <= last ? first : Infinity;
}

/** A question to these solids; rails and the like are passed over. */
export function clearOf(solids: readonly Solid[]): Clear {
	const boxes = solids.filter(({ size }) => Math.min(...size) >= THIN).map(boxOf);
	return (from, to) => {
		const way = [to[0]! - from[0]!, to[1]! - from[1]!, to[2]! - from[2]!];
		const length = Math.hypot(way[0]!, way[1]!, way[2]!);
		let share = Infinity;
		for (const box of boxes) share = Math.min(share, enters(box, from, way, length));
		return share * length;
	};
}

/** How far it is free in the grounds at Morrowskerry. */
export const clearInGrounds: Clear = clearOf(SOLIDS);

/** Whether a place is within one of these solids; in what is thin nothing can be. */
export function withinOf(solids: readonly Solid[]): (x: number, y: number, z: number) => boolean {
	const boxes = solids.filter(({ size }) => Math.min(...size) >= THIN).map(boxOf);
	return (x, y, z) =>
		boxes.some(({ at, half, axes, radius }) => {
			const [dx, dy, dz] = [x - at[0]!, y - at[1]!, z - at[2]!];
			if (dx * dx + dy * dy + dz * dz > radius * radius) return false;
			return axes.every((axis, a) => Math.abs(dx * axis[0]! + dy * axis[1]! + dz * axis[2]!) < half[a]!);
		});
}

const withinSolids = withinOf(SOLIDS);

/** Whether a place in the grounds at Morrowskerry is within something solid, or under the sea. */
export const withinGrounds = (x: number, y: number, z: number): boolean => y < SEA_LEVEL || withinSolids(x, y, z);
