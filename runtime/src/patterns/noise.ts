/**
 * Smooth noise: one-dimensional gradient noise on an integer hash.
 *
 * Slopes ±[½, 1] at the lattice points, 4/3 cells a cycle. Each lattice point is a zero crossing and half of the cells
 * hold one more, so a frequency of f crosses zero 2·f times a second, as a wave of f does. Octaves are summed and divided
 * by √Σp², bent gently below 1, then lifted by v(1 + c)/(1 + c|v|), c = 0.9, to an RMS of about 0.47. The bound is 1 and the
 * first derivative is continuous.
 */
import { mix } from '../random/hash';
import { ELAPSED, LEVEL, type Voice } from './voice';

export const CELLS_PER_CYCLE = 4 / 3;
const LIFT = 0.9;

export interface NoisePattern {
	/** Smooth noise. */
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

/** Writes twice the slope at a lattice point, ±[1, 2], to `into[i]`: a returned double would be boxed. */
function putSlope(seed: number, cell: number, into: Float64Array, i: number): void {
	const h = mix((seed + Math.imul(cell, 0x9e3779b1)) | 0);
	const size = 1 + (h >>> 1) * 4.656612873077393e-10;
	into[i] = (h & 1) === 0 ? size : -size;
}

/** Passes |v| ≤ 0.7 and bends what is above so that it stays below 1, without a corner. */
function bend(v: number): number {
	const size = v < 0 ? -v : v;
	if (size <= 0.7) return v;
	const u = (size - 0.7) / 0.3;
	const bent = 0.7 + (0.3 * u) / (1 + u);
	return v < 0 ? -bent : bent;
}

/** One layer's noise within a play: a seed, a shift (in cells) and the present cell's slopes per channel and octave. */
export interface NoiseRun {
	readonly seeds: Int32Array;
	readonly shifts: Float64Array;
	/** Cell, twice the slope at its start and at its end: hashed again only when the phase enters another cell. */
	readonly cell: Float64Array;
}

export const createNoiseRun = (seeds: Int32Array, shifts: Float64Array): NoiseRun => ({
	seeds,
	shifts,
	cell: new Float64Array(3 * seeds.length).fill(NaN)
});

/** Puts twice the slopes at both ends of slot `s`'s cell beside it. */
function hashCell(run: NoiseRun, s: number): void {
	const seed = run.seeds[s]!;
	const cell = run.cell;
	const floor = cell[3 * s]! | 0;
	putSlope(seed, floor, cell, 3 * s + 1);
	putSlope(seed, (floor + 1) | 0, cell, 3 * s + 2);
}

/** Adds one layer's noise to `out` (seven channels). */
export function addNoise(noise: CompiledNoise, run: NoiseRun, voice: Voice, out: Float64Array): void {
	const octaves = noise.octaves;
	const { cells, weight } = noise;
	const { shifts, cell } = run;
	const { channels, scales, frequencies, phases, now } = voice;
	const level = now[LEVEL]! * (1 + LIFT);
	const elapsed = now[ELAPSED]!;
	const count = channels.length;
	if (octaves === 1) {
		// The common case by itself: of one octave the weight is 1.
		const scale = cells[0]!;
		for (let j = 0, c = 0; j < count; j++, c += 3) {
			const p = (phases[j]! + frequencies[j]! * elapsed) * scale + shifts[j]!;
			const floor = Math.floor(p);
			if (cell[c]! !== floor) {
				cell[c] = floor;
				hashCell(run, j);
			}
			const f = p - floor;
			const a = cell[c + 1]! * f;
			const v = a + (cell[c + 2]! * (f - 1) - a) * f * f * (3 - 2 * f);
			out[channels[j]!]! += (scales[j]! * level * v) / (1 + LIFT * (v < 0 ? -v : v));
		}
		return;
	}
	for (let j = 0, s = 0; j < count; j++) {
		const phase = phases[j]! + frequencies[j]! * elapsed;
		let v = 0;
		let k = 0;
		do {
			const p = phase * cells[k]! + shifts[s]!;
			const floor = Math.floor(p);
			if (cell[3 * s]! !== floor) {
				cell[3 * s] = floor;
				hashCell(run, s);
			}
			const f = p - floor;
			const a = cell[3 * s + 1]! * f;
			v += weight[k]! * (a + (cell[3 * s + 2]! * (f - 1) - a) * f * f * (3 - 2 * f));
			s++;
			k++;
		} while (k < octaves);
		v = bend(v);
		out[channels[j]!]! += (scales[j]! * level * v) / (1 + LIFT * (v < 0 ? -v : v));
	}
}
