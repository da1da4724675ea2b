/** What is drawn on the recorder paper: sprocket holes, a time ruler, the gain and the motion's curves. */
import { CHANNELS, CHANNEL_COUNT, type Channel, type Seconds, type View } from 'dinesis-runtime/tools';
import type { Dyes } from './dyes';
import { inkOf } from './inks';
import { MARGIN, rulerStep, timeAt, xAt, type Band, type StripFrame } from './strip';

/** Strokes several lines in one colour at once: a call for each would cost more than the lines. */
function lines(pen: CanvasRenderingContext2D, color: string, ends: readonly (readonly number[])[]): void {
	pen.strokeStyle = color;
	pen.beginPath();
	for (const [x0, y0, x1, y1] of ends) {
		pen.moveTo(x0!, y0!);
		pen.lineTo(x1!, y1!);
	}
	pen.stroke();
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
	pen.beginPath();
	for (let x = left - shift + 15; x < right + 30; x += 30)
		for (const y of [7, height - 7]) {
			if (x < 8 || x > width - 6) continue;
			pen.moveTo(x + 3, y);
			pen.arc(x, y, 3, 0, 7);
		}
	pen.fill();
	const step = rulerStep(to - from, right - left);
	pen.lineWidth = 1;
	pen.font = '11px "Hanken Grotesk Variable", sans-serif';
	pen.textBaseline = 'middle';
	pen.textAlign = 'center';
	pen.fillStyle = paper.ink;
	const decimals = step < 0.1 ? 2 : step < 1 ? 1 : 0;
	const fine: number[][] = [];
	const rules: number[][] = [];
	const zeros: number[][] = [];
	for (let i = Math.ceil((from / step) * 5 - 1e-6); i <= (to / step) * 5 + 1e-6; i++) {
		const x = Math.round(xAt(frame, (i * step) / 5)) + 0.5;
		const whole = i % 5 === 0;
		(whole ? rules : fine).push([x, top, x, bottom]);
		if (whole && i >= 0) pen.fillText(`${((i * step) / 5).toFixed(decimals)}${i === 0 ? ' s' : ''}`, x, bottom + 8);
	}
	pen.textAlign = 'right';
	for (const band of bands) {
		const half = (band.bottom - band.top) / 2;
		const middle = band.top + half;
		for (const level of [-1, -0.5, 0, 0.5, 1]) {
			const y = Math.round(middle - level * (half - 4)) + 0.5;
			(level === 0 ? zeros : fine).push([left, y, right, y]);
		}
		const scale = band.written ?? band.scale;
		const text = scale < 0.01 ? String(Number(scale.toPrecision(2))) : String(Number(scale.toFixed(3)));
		pen.fillText(`${text} ${band.unit}`, left - 8, band.top + 10);
		pen.fillText('0', left - 8, middle);
		const y = Math.round(band.top) + 0.5;
		if (band.top > MARGIN.top) zeros.push([0, y, width, y]);
	}
	lines(pen, paper.fine, fine);
	lines(pen, paper.rule, rules);
	lines(pen, paper.zero, zeros);
}

/** Pixels between two places where the gain is asked for. */
const GAIN_STEP = 3;

/** The gain along the paper, every three pixels from its left margin. */
export function gainLevels(frame: StripFrame, gain: (time: Seconds) => number): number[] {
	const levels: number[] = [];
	for (let x: number = MARGIN.left; x <= frame.width - MARGIN.right; x += GAIN_STEP)
		levels.push(gain(timeAt(frame, x)));
	return levels;
}

/** Shades the gain: full band height at a gain of 1, or at its most where it is more. */
export function drawGain(
	pen: CanvasRenderingContext2D,
	{ amber }: Dyes,
	bands: readonly Band[],
	levels: readonly number[]
): void {
	const most = levels.reduce((a, b) => Math.max(a, b), 1);
	pen.fillStyle = amber.fill;
	pen.strokeStyle = amber.line;
	pen.lineWidth = 1;
	for (const band of bands) {
		const half = (band.bottom - band.top) / 2;
		const middle = band.top + half;
		const height = (half - 4) / most;
		pen.beginPath();
		for (let i = 0; i < levels.length; i++) pen.lineTo(MARGIN.left + i * GAIN_STEP, middle - levels[i]! * height);
		for (let i = levels.length - 1; i >= 0; i--) pen.lineTo(MARGIN.left + i * GAIN_STEP, middle + levels[i]! * height);
		pen.fill();
		pen.globalAlpha = 0.45;
		pen.stroke();
		pen.globalAlpha = 1;
	}
}

/** One channel's way over the paper; with dots, a small square at each sample. */
export interface Curve {
	readonly channel: Channel;
	readonly path: Path2D;
	readonly dots: boolean;
}

/** Each band's channels, to be drawn as often as wanted. `timeOf` gives the time of sample i. */
export function curvesOf(
	frame: StripFrame,
	bands: readonly Band[],
	values: Float64Array,
	count: number,
	timeOf: (i: number) => Seconds,
	dots = false
): Curve[] {
	const places = Float64Array.from({ length: count }, (_, i) => xAt(frame, timeOf(i)));
	return bands.flatMap((band) => {
		const half = (band.bottom - band.top) / 2;
		const middle = band.top + half;
		const height = (half - 4) / band.scale;
		return band.channels.map((channel) => {
			const path = new Path2D();
			const c = CHANNELS.indexOf(channel);
			for (let i = 0; i < count; i++) {
				const x = places[i]!;
				const y = middle - values[i * CHANNEL_COUNT + c]! * height;
				if (dots) path.rect(x - 1.6, y - 1.6, 3.2, 3.2);
				else path.lineTo(x, y);
			}
			return { channel, path, dots };
		});
	});
}

/** Draws curves in their inks; what is beside the paper is clipped. */
export function drawCurves(
	pen: CanvasRenderingContext2D,
	{ inks }: Dyes,
	frame: StripFrame,
	curves: readonly Curve[],
	view: View,
	{ alpha = 1, width = 1.6 }: { alpha?: number; width?: number } = {}
): void {
	const { left, right, top, bottom } = MARGIN;
	pen.save();
	pen.beginPath();
	pen.rect(left, top, frame.width - left - right, frame.height - top - bottom);
	pen.clip();
	pen.lineWidth = width;
	pen.lineJoin = 'round';
	pen.globalAlpha = alpha;
	for (const { channel, path, dots } of curves) {
		pen.strokeStyle = pen.fillStyle = inks[channel];
		pen.setLineDash(dots ? [] : (inkOf(channel, view).dash as number[]));
		if (dots) pen.fill(path);
		else pen.stroke(path);
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
