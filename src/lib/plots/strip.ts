/** The recorder paper: sprocket holes, a time ruler, and the motion in bands of position, rotation and lens. */
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
import { inkOf } from './inks';
import type { Dyes } from './dyes';

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

export function drawPaper(pen: CanvasRenderingContext2D, dyes: Dyes, frame: StripFrame, bands: readonly Band[]): void {
	const { width, height, from, to } = frame;
	const { paper } = dyes;
	const [left, right] = [MARGIN.left, width - MARGIN.right];
	const [top, bottom] = [MARGIN.top, height - MARGIN.bottom];
	pen.fillStyle = paper.back;
	pen.fillRect(0, 0, width, height);
	pen.fillStyle = paper.hole;
	const shift = ((from * 30) % 30) + 30;
	for (let x = left - shift + 15; x < right + 30; x += 30)
		for (const y of [7, height - 7]) {
			if (x < 8 || x > width - 6) continue;
			pen.beginPath();
			pen.arc(x, y, 3, 0, 7);
			pen.fill();
		}
	const step = rulerStep(to - from, right - left);
	pen.lineWidth = 1;
	pen.font = '11px "Hanken Grotesk Variable", sans-serif';
	pen.textBaseline = 'middle';
	pen.textAlign = 'center';
	const decimals = step < 0.1 ? 2 : step < 1 ? 1 : 0;
	for (let i = Math.ceil((from / step) * 5 - 1e-6); i <= (to / step) * 5 + 1e-6; i++) {
		const x = Math.round(xAt(frame, (i * step) / 5)) + 0.5;
		const whole = i % 5 === 0;
		pen.strokeStyle = whole ? paper.rule : paper.fine;
		pen.beginPath();
		pen.moveTo(x, top);
		pen.lineTo(x, bottom);
		pen.stroke();
		if (!whole || i < 0) continue;
		pen.fillStyle = paper.ink;
		pen.fillText(`${((i * step) / 5).toFixed(decimals)}${i === 0 ? ' s' : ''}`, x, bottom + 8);
	}
	for (const band of bands) {
		const half = (band.bottom - band.top) / 2;
		const middle = band.top + half;
		for (const level of [-1, -0.5, 0, 0.5, 1]) {
			const y = Math.round(middle - level * (half - 4)) + 0.5;
			pen.strokeStyle = level === 0 ? paper.zero : paper.fine;
			pen.beginPath();
			pen.moveTo(left, y);
			pen.lineTo(right, y);
			pen.stroke();
		}
		pen.fillStyle = paper.ink;
		pen.textAlign = 'right';
		const text = band.scale < 0.01 ? String(Number(band.scale.toPrecision(2))) : String(Number(band.scale.toFixed(3)));
		pen.fillText(`${text} ${band.unit}`, left - 8, band.top + 10);
		pen.fillText('0', left - 8, middle);
		pen.textAlign = 'center';
		if (band.top > MARGIN.top) {
			pen.strokeStyle = paper.zero;
			pen.beginPath();
			pen.moveTo(0, Math.round(band.top) + 0.5);
			pen.lineTo(width, Math.round(band.top) + 0.5);
			pen.stroke();
		}
	}
}

/** Shades the gain: full band height at a gain of 1. `gain` gives the gain at a time. */
export function drawGain(
	pen: CanvasRenderingContext2D,
	{ amber }: Dyes,
	frame: StripFrame,
	bands: readonly Band[],
	gain: (time: Seconds) => number
): void {
	const [left, right] = [MARGIN.left, frame.width - MARGIN.right];
	const levels: number[] = [];
	let most = 1;
	for (let x = left; x <= right; x += 3) {
		const level = gain(timeAt(frame, x));
		levels.push(level);
		if (level > most) most = level;
	}
	for (const band of bands) {
		const half = (band.bottom - band.top) / 2;
		const middle = band.top + half;
		const height = (half - 4) / most;
		const edge = new Path2D();
		const shape = new Path2D();
		levels.forEach((level, i) => {
			const x = left + i * 3;
			const y = middle - level * height;
			shape[i === 0 ? 'moveTo' : 'lineTo'](x, y);
			edge[i === 0 ? 'moveTo' : 'lineTo'](x, y);
		});
		for (let i = levels.length - 1; i >= 0; i--) {
			const x = left + i * 3;
			const y = middle + levels[i]! * height;
			shape.lineTo(x, y);
			edge[i === levels.length - 1 ? 'moveTo' : 'lineTo'](x, y);
		}
		pen.fillStyle = amber.fill;
		pen.fill(shape);
		pen.strokeStyle = amber.line;
		pen.globalAlpha = 0.45;
		pen.lineWidth = 1;
		pen.stroke(edge);
		pen.globalAlpha = 1;
	}
}

/** Draws each band's channels. `timeOf` gives the time of sample i; samples outside the paper are clipped. */
export function drawCurves(
	pen: CanvasRenderingContext2D,
	{ inks }: Dyes,
	frame: StripFrame,
	bands: readonly Band[],
	values: Float64Array,
	count: number,
	timeOf: (i: number) => Seconds,
	view: View,
	{ alpha = 1, width = 1.6, dots = false }: { alpha?: number; width?: number; dots?: boolean } = {}
): void {
	pen.save();
	pen.beginPath();
	pen.rect(
		MARGIN.left,
		MARGIN.top,
		frame.width - MARGIN.left - MARGIN.right,
		frame.height - MARGIN.top - MARGIN.bottom
	);
	pen.clip();
	pen.lineWidth = width;
	pen.lineJoin = 'round';
	pen.globalAlpha = alpha;
	for (const band of bands) {
		const half = (band.bottom - band.top) / 2;
		const middle = band.top + half;
		const height = (half - 4) / band.scale;
		for (const channel of band.channels) {
			const ink = inkOf(channel, view);
			const c = CHANNELS.indexOf(channel);
			pen.strokeStyle = pen.fillStyle = inks[channel];
			pen.setLineDash(dots ? [] : (ink.dash as number[]));
			pen.beginPath();
			for (let i = 0; i < count; i++) {
				const x = xAt(frame, timeOf(i));
				const y = middle - values[i * CHANNEL_COUNT + c]! * height;
				if (dots) pen.rect(x - 1.6, y - 1.6, 3.2, 3.2);
				else if (i === 0) pen.moveTo(x, y);
				else pen.lineTo(x, y);
			}
			if (dots) pen.fill();
			else pen.stroke();
		}
	}
	pen.restore();
}

/** Marks where a channel bends under its ceiling: a dashed line at the ceiling, and a bar along the stretch that is bent. */
export function drawCeilings(
	pen: CanvasRenderingContext2D,
	{ alarm }: Dyes,
	frame: StripFrame,
	bands: readonly Band[],
	ceilings: Float64Array,
	bentAt: (time: Seconds) => boolean
): void {
	const [left, right] = [MARGIN.left, frame.width - MARGIN.right];
	pen.save();
	pen.strokeStyle = pen.fillStyle = alarm;
	for (const band of bands) {
		const middle = (band.top + band.bottom) / 2;
		const height = ((band.bottom - band.top) / 2 - 4) / band.scale;
		pen.setLineDash([3, 4]);
		pen.lineWidth = 1;
		for (const channel of band.channels) {
			const most = ceilings[CHANNELS.indexOf(channel)]!;
			if (!(most <= band.scale)) continue;
			for (const side of [-1, 1]) {
				pen.beginPath();
				pen.moveTo(left, middle - side * most * height);
				pen.lineTo(right, middle - side * most * height);
				pen.stroke();
			}
		}
	}
	pen.setLineDash([]);
	for (let x = left; x < right; x += 2) if (bentAt(timeAt(frame, x))) pen.fillRect(x, MARGIN.top - 3, 2, 3);
	pen.restore();
}
