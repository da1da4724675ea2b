/** A motion in figures: what is told of each play. Formulas: docs/review.md. */
import { CHANNEL_COUNT, CHANNELS, type Channel, type Seconds } from 'dinesis-runtime/tools';
import type { Track } from '$lib/analysis';
import { channelFigures, settlesIn } from './channels';
import { comfortOf, COMFORT } from './comfort';
import type { Motion } from './motion';
import { CENTRE, EYES, seenAndFar, seenOf, type Eyes, type Seen, type Thing } from './seen';
import { densityOf, mainFrequency, type Density } from './spectrum';

interface Figure {
	readonly label: string;
	readonly unit: string;
	/** A sentence that goes on from “the figure is …”. */
	readonly says: string;
}

const SEEN = {
	near: { label: 'moves at 1 m', unit: '%', says: 'how far what stands 1 m away moves, of the picture’s height' },
	percent: { label: 'moves at 5 m', unit: '%', says: 'the same for what stands 5 m away' },
	middle: { label: 'moves at 20 m', unit: '%', says: 'the same for what stands 20 m away' },
	distant: { label: 'moves at 100 m', unit: '%', says: 'the same for what stands 100 m away' },
	nearFast: {
		label: 'fastest at 1 m',
		unit: '%/s',
		says: 'how fast what stands 1 m away moves, of the picture’s height a second'
	},
	fastest: { label: 'fastest at 5 m', unit: '%/s', says: 'the same for what stands 5 m away' },
	middleFast: { label: 'fastest at 20 m', unit: '%/s', says: 'the same for what stands 20 m away' },
	distantFast: { label: 'fastest at 100 m', unit: '%/s', says: 'the same for what stands 100 m away' },
	outOfPlace: {
		label: 'out of place',
		unit: 's',
		says: 'how long the centre is farther from its place than 2 % of the picture’s height'
	},
	offPicture: {
		label: 'off the picture',
		unit: 's',
		says: 'how long what must be seen, half way to a corner and 5 m away, is not on the picture'
	},
	smear: {
		label: 'smear',
		unit: 'px',
		says: 'its longest path within one of 60 pictures a second, shutter half open, 1080 pixels high'
	},
	smeared: { label: 'smeared', unit: 's', says: 'how long that path is longer than 12 px: it cannot be made out' }
} as const satisfies Record<string, Figure>;

export const FIGURES = { ...SEEN, ...COMFORT } as const;
export type FigureName = keyof typeof FIGURES;
export type FiguresOfPlay = Readonly<Record<FigureName, number>>;
export const FIGURE_NAMES = Object.keys(FIGURES) as readonly FigureName[];

export interface Judged {
	readonly eyes: Eyes;
	/** What must be seen. */
	readonly thing: Thing;
}
export const JUDGED: Judged = { eyes: EYES, thing: { distance: 5, at: [0.5, 0.5] } };

/** Beside what stands 5 m away. */
const OTHERS = [1, 20, 100].map((distance): Thing => ({ ...CENTRE, distance }));

/** The figures of one play. */
export function figuresOf(motion: Motion, { eyes, thing }: Judged = JUDGED): FiguresOfPlay {
	const { track, view } = motion;
	// In a flat picture all distances are one.
	const others = view === 'flat' ? [] : OTHERS;
	const { seen, far, fast } = seenAndFar(track, view, [CENTRE, thing], others, eyes);
	const [centre, must] = seen as [Seen, Seen];
	const percent = (k: number): number => ((far[k] ?? centre.farthest) / eyes.pixels) * 100;
	const speed = (k: number): number => ((fast[k] ?? centre.fastest) / eyes.pixels) * 100;
	return {
		near: percent(0),
		percent: centre.percent,
		middle: percent(1),
		distant: percent(2),
		nearFast: speed(0),
		fastest: (centre.fastest / eyes.pixels) * 100,
		middleFast: speed(1),
		distantFast: speed(2),
		outOfPlace: centre.outOfPlace,
		offPicture: must.offPicture,
		smear: must.smear,
		smeared: must.smeared,
		...comfortOf(motion, centre, eyes.pixels)
	};
}

export interface Detail {
	/** In the order of the channels. */
	readonly channels: ReturnType<typeof channelFigures>;
	/** By channel that moves: how much there is at each frequency. */
	readonly densities: Readonly<Partial<Record<Channel, Density>>>;
	/** The frequency with the most of it, in hertz. */
	readonly frequencies: Readonly<Partial<Record<Channel, number>>>;
	/** When the picture is within 5 % of its farthest for good; null: it is not, or never stops. */
	readonly settles: Seconds | null;
	/** How far the centre is from its place, in percent of the picture's height, sample by sample. */
	readonly off: Float64Array;
}

export const channelOf = ({ values, count }: Track, c: number): Float64Array =>
	Float64Array.from({ length: count }, (_, i) => values[i * CHANNEL_COUNT + c]!);

/** What is told of the one play that is looked at. */
export function detailOf({ track, view, ends }: Motion): Detail {
	const densities: Partial<Record<Channel, Density>> = {};
	const frequencies: Partial<Record<Channel, number>> = {};
	CHANNELS.forEach((channel, c) => {
		const signal = channelOf(track, c);
		if (signal.every((value) => value === 0)) return;
		const density = densityOf(signal, track.fps, { once: ends });
		densities[channel] = density;
		const main = mainFrequency(density);
		if (main > 0) frequencies[channel] = main;
	});
	const { trail } = seenOf(track, view);
	const off = Float64Array.from({ length: track.count }, (_, i) =>
		Math.sqrt(trail[2 * i]! ** 2 + trail[2 * i + 1]! ** 2)
	);
	const settles = ends ? settlesIn(off, track.fps) : null;
	return { channels: channelFigures(track), densities, frequencies, settles, off };
}
