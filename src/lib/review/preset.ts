/** A shake under review: the figures of many plays, how they are spread, and the play that shows each best. */
import type { ShakePreset } from 'dinesis-runtime';
import { CHANNEL_COUNT, CHANNELS, type Channel, type Seconds } from 'dinesis-runtime/tools';
import { naturalLength, sampleShake } from '$lib/analysis';
import { channelFigures, settlesIn } from './channels';
import { densityOf, mainFrequency } from './spectrum';
import { seenOf } from './seen';
import { spreadOf, type Spread } from './spread';

/** What is told of each play. */
export const FIGURES = {
	percent: { label: 'farthest', unit: '%', says: 'of the picture’s height that the centre moves, things 5 m away' },
	near: { label: 'farthest at 1 m', unit: '%', says: 'the same for things 1 m away' },
	fastest: { label: 'fastest', unit: '%/s', says: 'of the picture’s height a second, at the centre' },
	outOfPlace: {
		label: 'out of place',
		unit: 's',
		says: 'the centre is farther than 2 % of the picture’s height from its place'
	},
	smear: {
		label: 'smear',
		unit: 'px',
		says: 'the longest path within one of 60 pictures a second, shutter half open, 1080 high'
	},
	roll: { label: 'roll', unit: '°', says: 'the largest' },
	turning: { label: 'turning', unit: '°/s', says: 'the fastest of pitch, yaw and roll' }
} as const;
export type FigureName = keyof typeof FIGURES;
export type FiguresOfPlay = Readonly<Record<FigureName, number>>;
export const FIGURE_NAMES = Object.keys(FIGURES) as readonly FigureName[];

export interface ReviewedShake {
	readonly seeds: number;
	/** By figure. Plays are counted from 0: seed 1 is play 0. */
	readonly spread: Readonly<Record<FigureName, Spread>>;
	readonly plays: readonly FiguresOfPlay[];
	/** Of the play in the middle: by channel its frequency with the most of it, in hertz. */
	readonly frequencies: Readonly<Partial<Record<Channel, number>>>;
	/** When the picture of the play in the middle is within 5 % of its farthest for good; null: not before its end. */
	readonly settles: Seconds | null;
}

const FPS = 240;
/** After its length a motion is looked at for so long: it may not have come to rest. */
const AFTER: Seconds = 0.25;
const [PITCH, YAW, ROLL] = [3, 4, 5];

/** Plays with the seeds 1 … `seeds` at a strength. `going` is asked after each play; false gives up: null. */
export function reviewShake(
	preset: ShakePreset,
	{
		seeds = 32,
		strength = 1,
		going = () => true
	}: { seeds?: number; strength?: number; going?: (part: number) => boolean } = {}
): ReviewedShake | null {
	const seconds = naturalLength(preset) + AFTER;
	const sampled = (seed: number) => sampleShake(preset, { seconds, fps: FPS, seed, strength });
	const plays: FiguresOfPlay[] = [];
	for (let seed = 1; seed <= seeds; seed++) {
		const track = sampled(seed);
		const centre = seenOf(track, preset.view);
		const near = preset.view === 'flat' ? centre : seenOf(track, preset.view, { distance: 1 });
		const channels = channelFigures(track);
		plays.push({
			percent: centre.percent,
			near: near.percent,
			fastest: centre.fastest / 10.8,
			outOfPlace: centre.outOfPlace,
			smear: centre.smear,
			roll: channels[ROLL]!.peak,
			turning: Math.max(channels[PITCH]!.speed, channels[YAW]!.speed, channels[ROLL]!.speed)
		});
		if (!going(seed / seeds)) return null;
	}
	const spread = Object.fromEntries(
		FIGURE_NAMES.map((name) => [name, spreadOf(plays.map((play) => play[name]))])
	) as Record<FigureName, Spread>;
	const middle = sampled(1 + spread.percent.order[Math.floor((seeds - 1) / 2)]!);
	const frequencies: Partial<Record<Channel, number>> = {};
	CHANNELS.forEach((channel, c) => {
		const signal = Float64Array.from({ length: middle.count }, (_, i) => middle.values[i * CHANNEL_COUNT + c]!);
		const main = mainFrequency(densityOf(signal, FPS, { once: preset.timing.mode === 'burst' }));
		if (main > 0) frequencies[channel] = main;
	});
	const off = Float64Array.from({ length: middle.count }, (_, i) => {
		const one = { fps: FPS, count: 1, values: middle.values.subarray(i * CHANNEL_COUNT, (i + 1) * CHANNEL_COUNT) };
		return seenOf(one, preset.view).percent;
	});
	return { seeds, spread, plays, frequencies, settles: preset.timing.mode === 'burst' ? settlesIn(off, FPS) : null };
}
