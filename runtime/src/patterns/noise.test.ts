import { describe, expect, it } from 'vitest';
import { combine, mix, unit } from '../random/hash';
import type { Voice } from './voice';
import { addNoise, compileNoise, createNoiseRun } from './noise';

/** Channel x at unit amplitude and 1 Hz; `now[1]` is its phase. */
const unitVoice = (): Voice => ({
	channels: new Uint8Array(1),
	scales: Float64Array.of(1),
	frequencies: Float64Array.of(1),
	phases: Float64Array.of(0),
	now: Float64Array.of(1, 0)
});

/** One octave of a seed at unit amplitude, by its phase in cycles. */
function noiseOf(seed: number): (phase: number) => number {
	const noise = compileNoise({ kind: 'noise', octaves: 1, lacunarity: 2, persistence: 0.5 });
	const run = createNoiseRun(Int32Array.of(seed), new Float64Array(1));
	const [voice, out] = [unitVoice(), new Float64Array(7)];
	return (at) => {
		out[0] = 0;
		voice.now[1] = at;
		addNoise(noise, run, voice, out);
		return out[0];
	};
}

/** One channel of noise at unit amplitude and 1 Hz over many seeds. */
function survey(octaves: number, persistence: number, seeds = 150, seconds = 25, rate = 200) {
	const noise = compileNoise({ kind: 'noise', octaves, lacunarity: 2, persistence });
	const [voice, out] = [unitVoice(), new Float64Array(7)];
	let [square, count, most, crossings] = [0, 0, 0, 0];
	for (let s = 0; s < seeds; s++) {
		const own = Int32Array.from({ length: octaves }, (_, k) => combine(s + 1, k));
		const shifts = Float64Array.from(own, (seed) => unit(mix(seed)));
		const run = createNoiseRun(own, shifts);
		let before = 0;
		for (let i = 0; i < seconds * rate; i++) {
			out[0] = 0;
			voice.now[1] = i / rate;
			addNoise(noise, run, voice, out);
			square += out[0] ** 2;
			count++;
			most = Math.max(most, Math.abs(out[0]));
			if (i > 0 && before * out[0] < 0) crossings++;
			before = out[0];
		}
	}
	return { rms: Math.sqrt(square / count), most, crossings: crossings / seeds / seconds };
}

describe('noise', () => {
	it('crosses zero twice a cycle at one octave, within 5 %', () => {
		const { crossings } = survey(1, 0.5);
		expect(crossings).toBeGreaterThan(1.9);
		expect(crossings).toBeLessThan(2.1);
	});

	it.each([
		[1, 0.5],
		[2, 0.5],
		[3, 0.6],
		[4, 0.4],
		[6, 0.6],
		[6, 0.2]
	])('with %i octaves at persistence %f has an RMS of 0.40–0.55 and stays within 1', (octaves, persistence) => {
		const { rms, most } = survey(octaves, persistence, 60);
		expect(rms).toBeGreaterThan(0.4);
		expect(rms).toBeLessThan(0.55);
		expect(most).toBeLessThanOrEqual(1);
		expect(most).toBeGreaterThan(0.85);
	});

	it('is 0 at every lattice point and has a continuous first derivative there', () => {
		const value = noiseOf(99);
		const e = 1e-6;
		for (let cell = -3; cell < 40; cell++) {
			const at = (cell * 3) / 4;
			expect(value(at)).toBeCloseTo(0, 12);
			const left = (value(at) - value(at - e)) / e;
			const right = (value(at + e) - value(at)) / e;
			expect(Math.abs(left - right)).toBeLessThan(1e-3);
			// Slope ½–1 a cell, doubled, 4/3 cells a cycle, lifted by 1.9.
			expect(Math.abs(right)).toBeGreaterThanOrEqual((4 / 3) * 1.9 * 0.999);
			expect(Math.abs(right)).toBeLessThanOrEqual((4 / 3) * 1.9 * 2.001);
		}
	});

	it('gives the same value whichever way its phase was reached', () => {
		const [there, back] = [noiseOf(5), noiseOf(5)];
		const phases = Array.from({ length: 200 }, (_, i) => i * 0.173 - 7);
		const forth = phases.map(there);
		expect([...phases].reverse().map(back).reverse()).toEqual(forth);
	});

	it('has no period in an hour at 5 Hz: no shift matches better than chance', () => {
		const rate = 4;
		const count = 3600 * rate;
		const value = noiseOf(7);
		const values = Float64Array.from({ length: count }, (_, i) => value((i / rate) * 5 + 0.37));
		const power = values.reduce((sum, v) => sum + v * v, 0) / count;
		let most = 0;
		for (const shift of [64, 128, 192, 256, 512, 1024, 2048, 4096, 8192].flatMap((n) => [n, (n * 3 * rate) / 20]))
			if (Number.isInteger(shift)) {
				let sum = 0;
				for (let i = 0; i + shift < count; i++) sum += values[i]! * values[i + shift]!;
				most = Math.max(most, Math.abs(sum / (count - shift) / power));
			}
		expect(most).toBeLessThan(0.08);
	});
});
