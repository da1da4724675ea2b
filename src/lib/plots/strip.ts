/** The recorder paper's measures: places and times, bands of position, rotation and lens, round scales. */
import {
	CHANNELS,
	CHANNEL_COUNT,
	familyOf,
	unitOf,
	type Channel,
	type ChannelFamily,
	type Seconds,
	type View
} from 'dinesis-runtime/tools';
import { type Track } from '$lib/analysis';

export interface StripFrame {
	readonly width: number;
	readonly height: number;
	/** Seconds at the left and right ends of the paper. */
	readonly from: Seconds;
	readonly to: Seconds;
}

export const MARGIN = { left: 58, right: 14, top: 15, bottom: 27 } as const;

export const xAt = (frame: StripFrame, time: Seconds): number =>
	MARGIN.left + ((time - frame.from) / (frame.to - frame.from)) * (frame.width - MARGIN.left - MARGIN.right);

export const timeAt = (frame: StripFrame, x: number): Seconds =>
	frame.from + ((x - MARGIN.left) / (frame.width - MARGIN.left - MARGIN.right)) * (frame.to - frame.from);

export interface Band {
	readonly family: ChannelFamily;
	readonly channels: readonly Channel[];
	readonly unit: string;
	/** The scale as it is written, when lengths are written otherwise than they are kept. */
	readonly written?: number;
	/** The value at the band's edge. */
	readonly scale: number;
	readonly top: number;
	readonly bottom: number;
}

const FAMILIES: readonly ChannelFamily[] = ['position', 'rotation', 'lens'];

/** Bands for the channels that are in use, each scaled to what it has to show. */
export function layBands(channels: readonly Channel[], reach: Float64Array, view: View, height: number): Band[] {
	const used = FAMILIES.map((family) => ({ family, channels: channels.filter((c) => familyOf(c) === family) })).filter(
		(band) => band.channels.length > 0
	);
	const room = (height - MARGIN.top - MARGIN.bottom) / Math.max(1, used.length);
	return used.map(({ family, channels: own }, i) => ({
		family,
		channels: own,
		unit: unitOf(own[0]!, view),
		scale: niceAbove(Math.max(1e-6, ...own.map((c) => reach[CHANNELS.indexOf(c)]!))),
		top: MARGIN.top + i * room,
		bottom: MARGIN.top + (i + 1) * room
	}));
}

/** Bands with their scales as the project writes lengths. */
export const inWriting = (
	bands: readonly Band[],
	writing: { unit(unit: string): string; factor(unit: string): number }
): Band[] =>
	bands.map((band) => ({
		...band,
		unit: writing.unit(band.unit),
		written: band.scale * writing.factor(band.unit)
	}));

/** The next of 1, 1.5, 2, 3, 4, 5, 6, 8, 10 × a power of ten: steady enough that the scale does not flicker while tuning. */
export function niceAbove(value: number): number {
	const power = 10 ** Math.floor(Math.log10(value));
	const step = [1, 1.5, 2, 3, 4, 5, 6, 8, 10].find((s) => s * power >= value * 0.999) ?? 10;
	return step * power;
}

/** The largest size of each channel in a track. */
export function reachOf(track: Track, into = new Float64Array(CHANNEL_COUNT)): Float64Array {
	into.fill(0);
	for (let i = 0; i < track.values.length; i++) {
		const size = Math.abs(track.values[i]!);
		if (size > into[i % CHANNEL_COUNT]!) into[i % CHANNEL_COUNT] = size;
	}
	return into;
}

/** Seconds between two numbers on the ruler, so that they stand at least 52 px apart. */
export function rulerStep(seconds: Seconds, pixels: number): Seconds {
	const least = (seconds / Math.max(1, pixels)) * 52;
	const power = 10 ** Math.floor(Math.log10(least));
	return ([1, 2, 5, 10].find((s) => s * power >= least) ?? 10) * power;
}
