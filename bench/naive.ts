/** The naive way, for scale: closures for everything, a fresh object for every sample. */
import type { ShakePreset } from 'dinesis-runtime';
import { easeAt, waveAt, mix } from 'dinesis-runtime/tools';

type Offset = Record<string, number>;

export function naiveFrame(presets: readonly ShakePreset[], age: number): Offset {
	return presets
		.map((preset) => {
			const { fadeIn, fadeOut, duration } = preset.timing;
			const gain =
				easeAt(fadeIn.ease, age / fadeIn.time) *
				(1 - easeAt(fadeOut.ease, (age - (duration - fadeOut.time)) / fadeOut.time));
			return preset.layers
				.map((layer) =>
					Object.fromEntries(
						Object.entries(layer.channels).map(([name, c]) => {
							const phase = c.frequency * layer.rate * preset.rate * age;
							const noise = (): number => gradientNoise(name.length * 31 + layer.id.length)(phase * (4 / 3));
							const v = layer.pattern.kind === 'wave' ? waveAt(layer.pattern.shape, phase) : noise();
							return [name, v * c.amplitude * layer.amount * preset.amount * gain];
						})
					)
				)
				.reduce((sum, part) => merge(sum, part), {});
		})
		.reduce((sum, part) => merge(sum, part), {});
}

const merge = (a: Offset, b: Offset): Offset =>
	Object.fromEntries(
		[...new Set([...Object.keys(a), ...Object.keys(b)])].map((key) => [key, (a[key] ?? 0) + (b[key] ?? 0)])
	);

/** Noise as one would write it first: slopes by closure, two hashes a sample. */
const gradientNoise = (seed: number) => {
	const slope = (cell: number): number => {
		const h = mix(seed + Math.imul(cell, 0x9e3779b1));
		return (h & 1 ? -1 : 1) * (0.5 + (h >>> 1) / 2 ** 32);
	};
	return (p: number): number => {
		const cell = Math.floor(p);
		const f = p - cell;
		const [a, b] = [slope(cell) * f, slope(cell + 1) * (f - 1)];
		const n = 2 * (a + (b - a) * f * f * (3 - 2 * f));
		return (n * 1.9) / (1 + 0.9 * Math.abs(n));
	};
};
