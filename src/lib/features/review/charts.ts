/** What is under review as charts: curves over each other, how much there is at each frequency, how a figure is spread. */
import { CHANNEL_COUNT, CHANNELS, unitOf, type Channel, type Seconds, type View } from 'dinesis-runtime/tools';
import type { ChartGrip, ChartLine, ChartSpec } from '$lib/plots/chart/spec';
import { inkOf } from '$lib/plots/inks';
import { octaves, seenFrequency, type Density } from '$lib/review';
import type { LookedAt } from '$lib/workers/review';
import type { Drawn } from './review.svelte';

/** Of the two sides. */
export const INK_A = '--ink-x';
export const INK_B = '--ink-pitch';
/** A line is drawn in so many parts, each by its least and its most: no peak is lost. */
const PARTS = 340;

const valueAt = ({ motion, detail }: LookedAt, drawn: Drawn, i: number): number =>
	drawn === 'picture' ? detail.off[i]! : motion.track.values[i * CHANNEL_COUNT + CHANNELS.indexOf(drawn)]!;

export const unitDrawn = (drawn: Drawn, view: View): string =>
	drawn === 'picture' ? '% of the height' : unitOf(drawn, view);
export const nameDrawn = (drawn: Drawn, view: View): string =>
	drawn === 'picture' ? 'the picture’s centre, off its place' : inkOf(drawn, view).label;

function lineOf(look: LookedAt, drawn: Drawn, label: string, ink: string, pictures: number | null): ChartLine {
	const { count, fps } = look.motion.track;
	const [xs, ys]: [number[], number[]] = [[], []];
	const shown = pictures ? Math.floor(((count - 1) / fps) * pictures) + 1 : count;
	if (pictures && shown <= PARTS) {
		// As it would be seen: each picture stands until the next.
		for (let k = 0; k < shown; k++) {
			const y = valueAt(look, drawn, Math.min(count - 1, Math.round((k / pictures) * fps)));
			xs.push(k / pictures, (k + 1) / pictures);
			ys.push(y, y);
		}
		return { label, xs, ys, ink, width: 1.6 };
	}
	const size = Math.max(1, Math.ceil(count / PARTS));
	for (let from = 0; from < count; from += size) {
		let [low, high] = [from, from];
		for (let i = from; i < Math.min(count, from + size); i++) {
			if (valueAt(look, drawn, i) < valueAt(look, drawn, low)) low = i;
			if (valueAt(look, drawn, i) > valueAt(look, drawn, high)) high = i;
		}
		for (const i of low === high ? [low] : [Math.min(low, high), Math.max(low, high)]) {
			xs.push(i / fps);
			ys.push(valueAt(look, drawn, i));
		}
	}
	return { label, xs, ys, ink, width: 1.6 };
}

/** B − A, sample by sample; where one is over it is at rest. */
function lessLine(a: LookedAt, b: LookedAt, drawn: Drawn): ChartLine {
	const { count, fps } =
		a.motion.track.count / a.motion.track.fps >= b.motion.track.count / b.motion.track.fps
			? a.motion.track
			: b.motion.track;
	const at = (look: LookedAt, time: number): number => {
		const i = Math.round(time * look.motion.track.fps);
		return i < look.motion.track.count ? valueAt(look, drawn, i) : 0;
	};
	const size = Math.max(1, Math.ceil(count / (2 * PARTS)));
	const xs = Float64Array.from({ length: Math.floor((count - 1) / size) + 1 }, (_, i) => (i * size) / fps);
	const ys = Float64Array.from(xs, (x) => at(b, x) - at(a, x));
	return { label: 'B − A', xs, ys, ink: '--ink-2', width: 1, dash: [1.5, 2.5] };
}

export interface CurvesAsked {
	readonly a: LookedAt;
	readonly b: LookedAt | null;
	readonly drawn: Drawn;
	readonly pictures: number | null;
	readonly seconds: Seconds;
	readonly time: Seconds;
	readonly onscrub: (time: Seconds) => void;
}

/** Both curves over each other, and B − A. */
export function curvesChart({ a, b, drawn, pictures, seconds, time, onscrub }: CurvesAsked): ChartSpec {
	const { view } = a.motion;
	const lines: ChartLine[] = [lineOf(a, drawn, 'A', INK_A, pictures)];
	if (b) {
		lines.push({ ...lineOf(b, drawn, 'B', INK_B, pictures), dash: [6, 3] });
		lines.push(lessLine(a, b, drawn));
	}
	let [most, least] = [0, 0];
	for (const { ys } of lines)
		for (let i = 0; i < ys.length; i++) {
			most = Math.max(most, ys[i]!);
			least = Math.min(least, ys[i]!);
		}
	// Where nothing moves, the line of nothing.
	if (most === least) most = 1;
	const room = (most - least) * 0.06;
	const grip: ChartGrip = {
		id: 'now',
		x: Math.min(seconds, time),
		y: least - room,
		label: 'Moment',
		said: `${time.toFixed(2)} s`,
		along: 'x',
		step: [1 / 60, 0],
		shape: 'foot',
		onmove: onscrub
	};
	return {
		x: { min: 0, max: seconds, title: 's' },
		y: { min: least - room, max: most + room, title: unitDrawn(drawn, view) },
		lines,
		marks: [{ x: Math.min(seconds, time), ink: '--lamp', width: 1 }],
		grips: [grip]
	};
}

/** Where the axis of frequencies begins and ends, in hertz. */
const [LOWEST, HIGHEST] = [0.2, 120];
const HALVES = [15, 30, 60] as const;

/** What folding makes of a density: all that lies above half the rate is seen below it. */
export function folded({ step, values }: Density, pictures: number): Density {
	const half = pictures / 2;
	const out = new Float64Array(Math.floor(half / step) + 1);
	for (let k = 0; k < values.length; k++) {
		const at = Math.min(out.length - 1, Math.round(seenFrequency(k * step, pictures) / step));
		out[at]! += values[k]!;
	}
	return { step, values: out };
}

/** By octave, in the channel's unit. */
function octaveLine(density: Density, label: string, ink: string, dash?: readonly number[]): ChartLine {
	const amounts = octaves(density);
	const [xs, ys]: [number[], number[]] = [[], []];
	for (let k = 1; k < amounts.length; k++) {
		const x = k * density.step;
		if (x < LOWEST || x > HIGHEST) continue;
		xs.push(x);
		ys.push(amounts[k]!);
	}
	return { label, xs, ys, ink, width: 1.5, dash };
}

export function spectrumChart(
	a: LookedAt,
	b: LookedAt | null,
	channel: Channel,
	pictures: number | null
): ChartSpec | null {
	const of = (look: LookedAt | null, label: string, ink: string, dash?: readonly number[]): ChartLine[] => {
		const density = look?.detail.densities[channel];
		if (!density) return [];
		const plain = octaveLine(density, label, ink, dash);
		if (!pictures) return [plain];
		const seen = octaveLine(folded(density, pictures), `${label} as it is seen`, '--lamp', [3, 2]);
		return [plain, seen];
	};
	const lines = [...of(a, 'A', INK_A), ...of(b, 'B', INK_B, [6, 3])];
	if (lines.length === 0) return null;
	let most = 1e-9;
	for (const { ys } of lines) for (let i = 0; i < ys.length; i++) most = Math.max(most, ys[i]!);
	return {
		x: {
			min: LOWEST,
			max: HIGHEST,
			log: true,
			title: 'Hz',
			ticks: [0.2, 0.5, 1, 2, 5, 10, 20, 50, 100],
			write: (value) => String(value)
		},
		y: { min: 0, max: most * 1.08, title: `${unitOf(channel, a.motion.view)} in an octave` },
		lines,
		marks: HALVES.map((x) => ({ x, ink: '--rule-strong', dash: [4, 3] })),
		notes: HALVES.map((x) => ({ x, y: most * 1.02, text: `½ of ${x * 2}`, ink: '--ink-2', where: 'left' }))
	};
}

const BINS = 28;

/** How many plays have how much of a figure: A upwards, B as a line over it. */
export function spreadChart(
	a: readonly number[],
	b: readonly number[] | null,
	unit: string,
	marks: { readonly here: number | null; readonly limit: number | null }
): ChartSpec {
	const all = b ? [...a, ...b] : a;
	const low = Math.min(...all);
	const high = Math.max(...all, low + 1e-9);
	const wide = (high - low) / BINS;
	const bins = (values: readonly number[]): number[] => {
		const counts = Array<number>(BINS).fill(0);
		for (const value of values) counts[Math.min(BINS - 1, Math.floor((value - low) / wide))]!++;
		return counts.map((count) => (count / values.length) * 100);
	};
	const stairs = (values: readonly number[], label: string, ink: string, dash?: readonly number[]): ChartLine => {
		const heights = bins(values);
		return {
			label,
			xs: [low, ...heights.flatMap((_, i) => [low + i * wide, low + (i + 1) * wide]), high],
			ys: [0, ...heights.flatMap((height) => [height, height]), 0],
			ink,
			width: 1.8,
			dash
		};
	};
	const lines = [stairs(a, 'A', INK_A), ...(b ? [stairs(b, 'B', INK_B, [6, 3])] : [])];
	const most = Math.max(...lines.flatMap(({ ys }) => Array.from(ys)), 1);
	const edge = (high - low) * 0.04;
	const within = marks.limit !== null && marks.limit < high + (high - low);
	return {
		x: {
			min: Math.max(0, low - edge),
			max: within ? Math.max(high + edge, marks.limit! + edge) : high + edge,
			title: unit
		},
		y: { min: 0, max: most * 1.15, title: '% of the plays' },
		lines,
		areas: bins(a).map((height, i) => ({
			from: low + i * wide,
			to: low + (i + 1) * wide,
			low: 0,
			high: height,
			ink: INK_A,
			strength: 0.12
		})),
		marks: [
			...(marks.here !== null ? [{ x: marks.here, ink: '--lamp', width: 2 }] : []),
			...(within ? [{ x: marks.limit!, ink: '--danger', width: 1.5, dash: [5, 3] }] : [])
		]
	};
}
