/** Figures side by side: what each side has, by how much they differ, which is milder. */
import { CHANNELS, type View } from 'dinesis-runtime/tools';
import { inkOf } from '$lib/plots/inks';
import {
	COMFORT_LIMITS,
	COMFORT_NAMES,
	FIGURE_NAMES,
	FIGURES,
	said,
	saidPlainly,
	type ComfortName,
	type FigureName
} from '$lib/review';
import type { LookedAt } from '$lib/workers/review';
import { unitOf } from 'dinesis-runtime/tools';

export interface Row {
	readonly id: string;
	readonly label: string;
	readonly unit: string;
	/** What it is, in a sentence. */
	readonly says: string;
	readonly a: number | null;
	readonly b: number | null;
	readonly milder: 'a' | 'b' | null;
	/** From here on it is too much; null: nothing is. */
	readonly limit: number | null;
	/** What is too much where the project says nothing; null: nothing is. */
	readonly usual: number | null;
}

/** How far something moves, as one reads it. */
export type Written = 'percent' | 'pixels' | 'degrees';
const FAR: readonly FigureName[] = ['near', 'percent', 'middle', 'distant'];
const FAST: readonly FigureName[] = ['nearFast', 'fastest', 'middleFast', 'distantFast'];

/** A row whose percents are written as pixels of a picture so high, or as angles of one 60° high. */
export function writtenAs(row: Row, as: Written, pixels: number): Row {
	const isFast = FAST.includes(row.id as FigureName);
	if (as === 'percent' || !(isFast || FAR.includes(row.id as FigureName))) return row;
	const turn = (percent: number): number => (Math.atan((percent / 50) * Math.tan(Math.PI / 6)) * 180) / Math.PI;
	// A speed is one around the middle of the picture, where an angle is as long as its tangent.
	const slope = (percent: number): number => (((percent / 50) * Math.tan(Math.PI / 6)) / Math.PI) * 180;
	const to = (value: number | null): number | null =>
		value === null ? null : as === 'pixels' ? (value / 100) * pixels : isFast ? slope(value) : turn(value);
	const unit = `${as === 'pixels' ? 'px' : '°'}${isFast ? '/s' : ''}`;
	return { ...row, a: to(row.a), b: to(row.b), limit: to(row.limit), unit };
}

/** Below this share of the larger both count as the same. */
const SAME = 0.01;

export function milderOf(a: number | null, b: number | null): Row['milder'] {
	if (a === null || b === null) return null;
	const larger = Math.max(Math.abs(a), Math.abs(b));
	if (larger === 0 || Math.abs(a - b) <= SAME * larger) return null;
	return Math.abs(a) < Math.abs(b) ? 'a' : 'b';
}

const isComfort = (name: FigureName): name is ComfortName => (COMFORT_NAMES as readonly FigureName[]).includes(name);
export const limitOf = (name: FigureName, own: Readonly<Partial<Record<string, number>>> = {}): number | null =>
	own[name] ?? (isComfort(name) ? COMFORT_LIMITS[name] : null);

type Sides = { readonly a: LookedAt | null; readonly b: LookedAt | null };

const rowOf = (
	id: string,
	label: string,
	unit: string,
	says: string,
	sides: Sides,
	of: (look: LookedAt) => number | null,
	limit: number | null = null
): Row => {
	const [a, b] = [sides.a && of(sides.a), sides.b && of(sides.b)];
	const usual = isComfort(id as FigureName) ? COMFORT_LIMITS[id as ComfortName] : null;
	return { id, label, unit, says, a, b, milder: milderOf(a, b), limit, usual };
};

/** In a flat picture all distances are one. */
const DISTANT: readonly FigureName[] = ['near', 'middle', 'distant', 'nearFast', 'middleFast', 'distantFast'];

export function seenRows(sides: Sides, own: Readonly<Partial<Record<string, number>>> = {}): Row[] {
	const flat = sides.a?.motion.view === 'flat';
	return [
		...FIGURE_NAMES.filter((name) => !isComfort(name) && !(flat && DISTANT.includes(name))).map((name) => {
			const { unit, says } = FIGURES[name];
			const plainly = { percent: 'farthest', fastest: 'fastest' } as const;
			const label = flat && (name === 'percent' || name === 'fastest') ? plainly[name] : FIGURES[name].label;
			return rowOf(name, label, unit, says, sides, ({ figures }) => figures[name], limitOf(name, own));
		}),
		rowOf(
			'settles',
			'settles in',
			's',
			'when the picture is within 5 % of its farthest for good; nothing where it does not end by itself',
			sides,
			({ detail }) => detail.settles
		)
	];
}

export const comfortRows = (sides: Sides, own: Readonly<Partial<Record<string, number>>> = {}): Row[] =>
	COMFORT_NAMES.map((name) =>
		rowOf(
			name,
			FIGURES[name].label,
			FIGURES[name].unit,
			FIGURES[name].says,
			sides,
			({ figures }) => figures[name],
			limitOf(name, own)
		)
	);

const CHANNEL_FIGURES = [
	['peak', 'peak', ''],
	['rms', 'RMS', ''],
	['speed', 'speed', '/s'],
	['acceleration', 'acceleration', '/s²']
] as const;

export interface ChannelRow {
	readonly label: string;
	readonly unit: string;
	/** By figure (peak, RMS, speed, acceleration): what each side has. */
	readonly cells: readonly {
		readonly id: string;
		readonly a: number;
		readonly b: number | null;
		readonly unit: string;
	}[];
	readonly hertz: { readonly a: number | null; readonly b: number | null };
}

export const CHANNEL_HEADS: readonly string[] = CHANNEL_FIGURES.map(([, label]) => label);

/** Channels that move. */
export function channelRows({ a, b }: Sides, view: View): ChannelRow[] {
	if (!a) return [];
	return CHANNELS.flatMap((channel, c): ChannelRow[] => {
		const [mine, theirs] = [a.detail.channels[c]!, b?.detail.channels[c] ?? null];
		if (mine.peak === 0 && !theirs?.peak) return [];
		const unit = unitOf(channel, view);
		return [
			{
				label: inkOf(channel, view).label,
				unit,
				cells: CHANNEL_FIGURES.map(([id, , per]) => ({
					id,
					a: mine[id],
					b: theirs && theirs[id],
					unit: `${unit}${per}`
				})),
				hertz: { a: a.detail.frequencies[channel] ?? null, b: b?.detail.frequencies[channel] ?? null }
			}
		];
	});
}

/** Three digits; a dash where there is nothing to tell. */
export const short = (value: number | null): string => (value === null ? '–' : said(value));

/** The same where less than a thousandth is nothing. */
export const plain = (value: number | null): string => (value === null ? '–' : saidPlainly(value));
