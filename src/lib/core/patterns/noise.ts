/**
 * Smooth noise: one-dimensional gradient noise on an integer hash.
 *
 * Slopes ±[½, 1] at the lattice points, 4/3 cells a cycle. Each lattice point is a zero crossing and half of the cells
 * hold one more, so a frequency of f crosses zero 2·f times a second, as a wave of f does. Octaves are summed and divided
 * by √Σp², bent gently below 1, then lifted by v(1 + c)/(1 + c|v|), c = 0.9, to an RMS of about 0.47. The bound is 1 and the
 * first derivative is continuous.
 */
import { mix } from '../random/hash';

export const CELLS_PER_CYCLE = 4 / 3;
const LIFT = 0.9;

export interface NoisePattern {
	readonly kind: 'noise';
	/** How many layers of ever finer noise are summed, 1–8. One swings widely; more add tremble. */
	readonly octaves: number;
	/** How much faster each octave is than the one before, 1.5–4. */
	readonly lacunarity: number;
	/** How much smaller each octave is than the one before, 0–1. */
	readonly persistence: number;
}

/** Octaves worked out once: cells per cycle and weight of each. */
export interface CompiledNoise {
	readonly octaves: number;
	readonly cells: Float64Array;
	readonly weight: Float64Array;
}

export function compileNoise(pattern: NoisePattern): CompiledNoise {
	const octaves = pattern.octaves;
	const cells = new Float64Array(octaves);
	const weight = new Float64Array(octaves);
	let scale = CELLS_PER_CYCLE;
	let size = 1;
	let power = 0;
	for (let k = 0; k < octaves; k++) {
		cells[k] = scale;
		weight[k] = size;
		power += size * size;
		scale *= pattern.lacunarity;
		size *= pattern.persistence;
	}
	const norm = 1 / Math.sqrt(power);
	for (let k = 0; k < octaves; k++) weight[k]! *= norm;
	return { octaves, cells, weight };
}

/** Slope at a lattice point: ±[½, 1]. */
function slope(seed: number, cell: number): number {
	const h = mix((seed + Math.imul(cell, 0x9e3779b1)) | 0);
	const size = 0.5 + (h >>> 1) * 2.3283064365386963e-10;
	return (h & 1) === 0 ? size : -size;
}

/** One octave at position `p` (in cells), within [−1, 1]. */
export function latticeNoise(seed: number, p: number): number {
	const floor = Math.floor(p);
	const cell = floor | 0;
	const f = p - floor;
	const a = slope(seed, cell) * f;
	const b = slope(seed, (cell + 1) | 0) * (f - 1);
	return 2 * (a + (b - a) * f * f * (3 - 2 * f));
}

/** Passes |v| ≤ 0.7 and bends what is above so that it stays below 1, without a corner. */
function bend(v: number): number {
	const size = v < 0 ? -v : v;
	if (size <= 0.7) return v;
	const u = (size - 0.7) / 0.3;
	const bent = 0.7 + (0.3 * u) / (1 + u);
	return v < 0 ? -bent : bent;
}

/**
 * Adds one layer's noise to `out` (seven channels).
 * `phases` in cycles, one per active channel; `seeds` and `shifts` (in cells) one per active channel and octave.
 */
export function addNoise(
	noise: CompiledNoise,
	channels: Uint8Array,
	scales: Float64Array,
	phases: Float64Array,
	seeds: Int32Array,
	shifts: Float64Array,
	gain: Float64Array,
	out: Float64Array
): void {
	const octaves = noise.octaves;
	const { cells, weight } = noise;
	const level = gain[0]!;
	for (let j = 0, s = 0; j < channels.length; j++) {
		const phase = phases[j]!;
		let v = 0;
		for (let k = 0; k < octaves; k++, s++) v += weight[k]! * latticeNoise(seeds[s]!, phase * cells[k]! + shifts[s]!);
		if (octaves > 1) v = bend(v);
		const size = v < 0 ? -v : v;
		out[channels[j]!]! += (scales[j]! * level * v * (1 + LIFT)) / (1 + LIFT * size);
	}
}
