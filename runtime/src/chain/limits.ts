/** Limits: where the camera must stay. Held back softly, it comes ever closer to an edge and never beyond it. */
import type { Limits } from './types';

export interface CompiledLimits {
	/** By x, y, z: from, to. */
	readonly box: Float64Array;
	/** The area's edges, each by a point x, z and its unit normal inwards. */
	readonly edges: Float64Array;
	readonly soft: number;
}

type Spot = readonly [number, number];

/** Corners without dents, in the order in which one walks round them with the inside to the left. */
export function hullOf(corners: readonly Spot[]): Spot[] {
	const sorted = [...corners].sort((a, b) => a[0] - b[0] || a[1] - b[1]);
	const turnOf = (o: Spot, a: Spot, b: Spot): number => (a[0] - o[0]) * (b[1] - o[1]) - (a[1] - o[1]) * (b[0] - o[0]);
	const half = (list: readonly Spot[]): Spot[] => {
		const kept: Spot[] = [];
		for (const spot of list) {
			while (kept.length > 1 && turnOf(kept.at(-2)!, kept.at(-1)!, spot) <= 0) kept.pop();
			kept.push(spot);
		}
		return kept.slice(0, -1);
	};
	return [...half(sorted), ...half(sorted.reverse())];
}

/** What of an area lies where x (0) or z (1) is at least, with `side` −1 at most, `edge`. */
function cut(area: readonly Spot[], axis: 0 | 1, edge: number, side: 1 | -1): Spot[] {
	return area.flatMap((a, i): Spot[] => {
		const b = area[(i + 1) % area.length]!;
		const [from, to] = [(a[axis] - edge) * side, (b[axis] - edge) * side];
		const kept: Spot[] = from >= 0 ? [a] : [];
		if (from >= 0 === to >= 0) return kept;
		const t = from / (from - to);
		return [...kept, [a[0] + (b[0] - a[0]) * t, a[1] + (b[1] - a[1]) * t]];
	});
}

export function compileLimits({ x, y, z, area, soft }: Limits): CompiledLimits {
	let corners = area ? hullOf(area) : [];
	if (corners.length > 2)
		for (const [axis, range] of [
			[0, x],
			[1, z]
		] as const)
			if (range) corners = cut(cut(corners, axis, range[0], 1), axis, range[1], -1);
	// Where box and area leave nothing the box counts.
	const hull = corners.length > 2 ? hullOf(corners) : [];
	const level = hull.length > 2;
	const ranges = [level ? null : x, y, level ? null : z];
	const edges = new Float64Array(level ? hull.length * 4 : 0);
	for (let i = 0; i * 4 < edges.length; i++) {
		const [a, b] = [hull[i]!, hull[(i + 1) % hull.length]!];
		const [dx, dz] = [b[0] - a[0], b[1] - a[1]];
		const long = Math.sqrt(dx * dx + dz * dz);
		edges.set([a[0], a[1], -dz / long, dx / long], i * 4);
	}
	return { box: Float64Array.from(ranges.flatMap((range) => range ?? [-Infinity, Infinity])), edges, soft };
}

/** How far from an edge one is let, for being `far` from it (negative: beyond). */
function kept(far: number, soft: number): number {
	if (far >= soft) return far;
	if (!(soft > 0)) return 0;
	// With u the part of the margin that is used up: soft − soft·u/(1 + u), which is never 0 and has no corner.
	const u = (soft - far) / soft;
	return soft - (soft * u) / (1 + u);
}

/** Holds x, y, z at `at` within the limits, in place. Where nothing is held back nothing changes, to the last bit. */
export function applyLimits({ box, edges, soft }: CompiledLimits, pose: Float64Array, at = 0): void {
	for (let c = 0; c < 3; c++) {
		const from = box[2 * c]!;
		const to = box[2 * c + 1]!;
		const v = pose[at + c]!;
		// Where both margins meet the middle is free.
		const margin = soft * 2 > to - from ? (to - from) / 2 : soft;
		const low = v - from;
		const high = to - v;
		if (low < margin) pose[at + c] = from + kept(low, margin);
		else if (high < margin) pose[at + c] = to - kept(high, margin);
	}
	if (edges.length === 0) return;
	for (let e = 0; e < edges.length; e += 4) {
		const nx = edges[e + 2]!;
		const nz = edges[e + 3]!;
		const far = (pose[at]! - edges[e]!) * nx + (pose[at + 2]! - edges[e + 1]!) * nz;
		if (far >= soft && far >= 0) continue;
		const by = kept(far, soft) - far;
		pose[at]! += by * nx;
		pose[at + 2]! += by * nz;
	}
	putInside(edges, pose, at);
}

/** What one edge held back may have gone beyond another: then the nearest place of the area. */
function putInside(edges: Float64Array, pose: Float64Array, at: number): void {
	const [x, z] = [pose[at]!, pose[at + 2]!];
	let outside = false;
	let nearest = Infinity;
	for (let e = 0; e < edges.length; e += 4) {
		const next = e + 4 < edges.length ? e + 4 : 0;
		const [ax, az, nx, nz] = [edges[e]!, edges[e + 1]!, edges[e + 2]!, edges[e + 3]!];
		if ((x - ax) * nx + (z - az) * nz < -1e-12) outside = true;
		// Along the edge, from its corner to the next; the edge runs at a right angle to its normal.
		const long = (edges[next]! - ax) * nz - (edges[next + 1]! - az) * nx;
		const along = (x - ax) * nz - (z - az) * nx;
		const t = along < 0 ? 0 : along > long ? long : along;
		const [px, pz] = [ax + nz * t, az - nx * t];
		const away = (x - px) * (x - px) + (z - pz) * (z - pz);
		if (away >= nearest) continue;
		nearest = away;
		pose[at] = px;
		pose[at + 2] = pz;
	}
	if (outside) return;
	pose[at] = x;
	pose[at + 2] = z;
}
