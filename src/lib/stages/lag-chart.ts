/** The lag's answer as a chart, and what a hand that takes its curve means for the numbers. */
import type { LagAxis } from 'dinesis-runtime/tools';
import type { ChartSpec } from '$lib/plots/chart/spec';
import { STEP_AT, type LagCurve, type LagReading } from './lag-figures';

export type LagMode = 'step' | 'ramp' | 'way';

export interface LagDrawing {
	readonly mode: LagMode;
	readonly curve: LagCurve;
	/** Read off the answer to a step; null of anything else. */
	readonly read: LagReading | null;
	readonly axis: LagAxis;
	/** How far the step is. */
	readonly size: number;
	readonly unit: string;
	/** null: it is only looked at. */
	readonly onaxis: ((part: Partial<LagAxis>, mark: string, done: boolean) => void) | null;
}

const round = (v: number): number => Number(v.toPrecision(3));
/** What the springs of the kit may be. */
const [SLOWEST, FASTEST] = [0.05, 30];
const spring = (frequency: number): number => round(Math.min(FASTEST, Math.max(SLOWEST, frequency)));

/** Half of the way so long after the step. */
export function fromHalf(axis: LagAxis, after: number): Partial<LagAxis> {
	const late = Math.max(0.004, after);
	if (axis.follow === 'half-life') return { halfLife: round(Math.min(10, late)) };
	// About x(t) = 1 − e^(−ωt)(1 + ωt), half of the way at ωt = 1.678.
	return { frequency: spring(1.678 / (2 * Math.PI * late)) };
}

/** The first swing over the goal: when after the step, and by which part of it. */
export function fromSwing(after: number, part: number): Partial<LagAxis> {
	const over = Math.min(0.9, Math.max(0.002, part));
	// e^(−πζ/√(1−ζ²)) = over, and the peak half a damped period after the step.
	const k = -Math.log(over) / Math.PI;
	const damping = k / Math.sqrt(1 + k * k);
	return {
		damping: round(damping),
		frequency: spring(0.5 / (Math.max(0.004, after) * Math.sqrt(1 - damping * damping)))
	};
}

function rangeOf({ body, view }: LagCurve): { readonly min: number; readonly max: number } {
	let [low, high] = [Infinity, -Infinity];
	for (const list of [body, view])
		for (const v of list) {
			if (v < low) low = v;
			if (v > high) high = v;
		}
	const room = Math.max(1e-6, (high - low) * 0.08);
	return { min: low - room, max: Math.max(high + room, low + 1e-3) };
}

function gripsOf({ read, axis, size, onaxis, mode }: LagDrawing): ChartSpec['grips'] {
	if (mode !== 'step' || !read || !onaxis || axis.follow === 'none') return [];
	const { over, half } = read;
	if (axis.follow === 'spring' && over) {
		const said = `overshoots ${(over.part * 100).toFixed(1)} % after ${(over.at - STEP_AT).toFixed(2)} s`;
		return [
			{
				id: 'swing',
				x: over.at,
				y: size * (1 + over.part),
				label: 'The first swing: take it up, down, along',
				said,
				along: 'both',
				step: [0.01, size * 0.01],
				onmove: (x, y, done) => onaxis(done && x === over.at ? {} : fromSwing(x - STEP_AT, y / size - 1), 'grip', done)
			}
		];
	}
	if (half === null) return [];
	return [
		{
			id: 'half',
			x: STEP_AT + half,
			y: (size - axis.quiet) / 2,
			label: 'Half of the way: take it along',
			said: `half of the way after ${half.toFixed(3)} s`,
			along: 'x',
			step: [0.01, 0],
			onmove: (x, _, done) => onaxis(done && x === STEP_AT + half ? {} : fromHalf(axis, x - STEP_AT), 'grip', done)
		}
	];
}

export function lagChart(drawing: LagDrawing): ChartSpec {
	const { mode, curve, read, axis, size, unit } = drawing;
	const y = { ...rangeOf(curve), title: unit };
	const foot = y.min + (y.max - y.min) * 0.03;
	const over = mode === 'step' && read?.over && read.over.part > 0.002 ? read.over : null;
	const settled = mode === 'step' && axis.follow !== 'none' ? (read?.settled ?? null) : null;
	// Square steps stay square.
	const body =
		mode === 'step'
			? { xs: [0, STEP_AT, STEP_AT, curve.seconds], ys: [0, 0, size, size] }
			: { xs: curve.times, ys: curve.body };
	return {
		x: { min: 0, max: curve.seconds, title: 's' },
		y,
		lines: [
			{ label: 'where the body is', ...body, ink: '--ink-2', width: 1.6, dash: [5, 4] },
			{ label: 'where the camera is', xs: curve.times, ys: curve.view, ink: '--ink-y', width: 2.6 }
		],
		marks: [
			...(over ? [{ from: [over.at, size], to: [over.at, size * (1 + over.part)], ink: '--lamp' } as const] : []),
			...(settled !== null ? [{ from: [STEP_AT, foot], to: [STEP_AT + settled, foot], ink: '--lamp' } as const] : [])
		],
		grips: gripsOf(drawing)
	};
}
