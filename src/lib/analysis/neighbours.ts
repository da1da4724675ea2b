/**
 * Neighbours of a preset: six that all differ from it by the same step, each toward another side, in how strongly and how
 * fast they are measured to move. Random factors on the single numbers give each a character of its own; the amount and
 * the rate are then fitted so that the measured size and pace lie where they should.
 */
import type { Measure } from './measure';
import type { ShakePreset } from 'dinesis-runtime';
import { RANGES, clamp, cos, exp2, log2, sin, combine, signedUnit, toRadians } from 'dinesis-runtime/tools';

/** What may vary. What may not is locked. */
export interface Freedom {
	/** The overall size (the amount). */
	readonly size: boolean;
	/** The overall pace (the rate). */
	readonly pace: boolean;
	/** The length and the fades. */
	readonly length: boolean;
	/** Amplitudes and frequencies of the channels against each other. */
	readonly balance: boolean;
	/** Octaves, persistence, damping and the like. */
	readonly character: boolean;
}

export interface NeighbourOptions {
	/** Which six: another number gives six others. */
	readonly seed: number;
	/** How far they are, in octaves: 1 doubles or halves. Above 0, up to 3. */
	readonly step: number;
	readonly free: Freedom;
}

export interface Neighbour {
	readonly preset: ShakePreset;
	readonly measure: Measure;
	/** How many times as strong, as fast and as long as the preset it stands beside; 1: the same. */
	readonly size: number;
	readonly pace: number;
	readonly length: number;
}

export const NEIGHBOURS = 6;
const FITS = 4;

/** Three figures are as much as a hand would set. */
const tidy = (value: number): number => Number(value.toPrecision(3));
const within = (value: number, most: number): number => tidy(clamp(value, 0, most));

/** Where neighbour `k` stands: octaves of size and of pace, `step` away in all, as far as they are free. */
export function place(
	k: number,
	{ seed, step, free }: { readonly seed: number; readonly step: number; readonly free: Pick<Freedom, 'size' | 'pace'> }
): readonly [number, number] {
	if (free.size && free.pace) {
		const turn = toRadians(k * 60 + 30 * signedUnit(combine(seed, 77)));
		return [step * cos(turn), step * sin(turn)];
	}
	// With one of them free there are two sides at this distance: the character tells those on one side apart.
	const side = k % 2 ? -step : step;
	return free.size ? [side, 0] : free.pace ? [0, side] : [0, 0];
}

/** Random factors on the numbers that are free. `chance` gives a number within −1 and 1 for each question. */
function stray(preset: ShakePreset, step: number, free: Freedom, chance: () => number): ShakePreset {
	const spread = 0.6 * step;
	const factor = (): number => exp2(spread * chance());
	const longer = free.length ? exp2(step * chance()) : 1;
	const { timing } = preset;
	return {
		...preset,
		timing: free.length
			? {
					...timing,
					duration: within(timing.duration * longer, RANGES.seconds),
					fadeIn: { ...timing.fadeIn, time: within(timing.fadeIn.time * factor(), RANGES.seconds) },
					fadeOut: { ...timing.fadeOut, time: within(timing.fadeOut.time * longer, RANGES.seconds) }
				}
			: timing,
		layers: preset.layers.map((layer) => ({
			...layer,
			amount:
				free.balance && preset.layers.length > 1 ? within(layer.amount * factor(), RANGES.multiplier) : layer.amount,
			pattern: free.character ? strayPattern(layer.pattern, step, chance) : layer.pattern,
			channels: free.balance
				? Object.fromEntries(
						Object.entries(layer.channels).map(([name, c]) => [
							name,
							{
								...c,
								amplitude: clamp(tidy(c.amplitude * factor()), -RANGES.amplitude, RANGES.amplitude),
								frequency: within(c.frequency * factor(), RANGES.frequency)
							}
						])
					)
				: layer.channels
		}))
	};
}

function strayPattern(
	pattern: ShakePreset['layers'][number]['pattern'],
	step: number,
	chance: () => number
): ShakePreset['layers'][number]['pattern'] {
	switch (pattern.kind) {
		case 'noise':
			return {
				...pattern,
				octaves: clamp(Math.round(pattern.octaves + 1.6 * step * chance()), 1, 5),
				persistence: tidy(clamp(pattern.persistence + 0.2 * step * chance(), 0.1, 0.8)),
				lacunarity: tidy(clamp(pattern.lacunarity * exp2(0.4 * step * chance()), 1.5, 4))
			};
		case 'kick':
			return { ...pattern, damping: tidy(clamp(pattern.damping * exp2(step * chance()), 0.03, 0.95)) };
		case 'keys':
			return { ...pattern, cycle: tidy(clamp(pattern.cycle * exp2(0.5 * step * chance()), 0.01, RANGES.seconds)) };
		default:
			return pattern;
	}
}

const ratio = (a: number, b: number): number => (a > 0 && b > 0 ? a / b : 1);

/**
 * Six neighbours. `measure` measures a preset; the same function for all, so that figures compare.
 * The preset comes back six times, measured, when everything is locked.
 */
export function neighboursOf(
	preset: ShakePreset,
	options: NeighbourOptions,
	measure: (preset: ShakePreset) => Measure
): Neighbour[] {
	const own = measure(preset);
	const { free, step, seed } = options;
	return Array.from({ length: NEIGHBOURS }, (_, k) => {
		let question = 0;
		const chance = (): number => signedUnit(combine(combine(seed, k + 1), question++));
		const [stronger, faster] = place(k, options);
		let found = stray(preset, step, free, chance);
		let seen = measure(found);
		for (let fit = 0; fit < FITS && own.size > 0; fit++) {
			const short = (own.size * exp2(stronger)) / Math.max(seen.size, 1e-12);
			const slow = own.pace > 0 && seen.pace > 0 ? (own.pace * exp2(faster)) / seen.pace : 1;
			const near = (r: number): boolean => r > 0.98 && r < 1.02;
			if ((!free.size || near(short)) && (!free.pace || near(slow))) break;
			found = {
				...found,
				amount: free.size ? within(found.amount * short, RANGES.multiplier) : found.amount,
				rate: free.pace ? within(found.rate * slow, RANGES.multiplier) : found.rate
			};
			seen = measure(found);
		}
		return {
			preset: found,
			measure: seen,
			size: ratio(seen.size, own.size),
			pace: ratio(seen.pace, own.pace),
			length: ratio(seen.length ?? 0, own.length ?? 0)
		};
	});
}

/** How far a neighbour is from where it came, in octaves of size and pace. */
export const distanceOf = (neighbour: Neighbour): number => {
	const [s, p] = [log2(neighbour.size), log2(neighbour.pace)];
	return Math.sqrt(s * s + p * p);
};
