/** A chart's plain data as what Chart.js draws: pure, the page's inks are given. */
import type { ChartConfiguration, ChartDataset, ScaleOptions } from 'chart.js';
import type { AnnotationOptions } from 'chartjs-plugin-annotation';
import type { ChartAxis, ChartLine, ChartSpec, LevelRow } from './spec';

/** Reads a colour of the page by its name. */
export type Inks = (name: string) => string;

/** More points than this of a line nobody sees. */
const MOST_POINTS = 700;
const FONT = { size: 11 } as const;

/** A line's points, thinned to what a screen shows; the last one is always there. */
export function pointsOf({ xs, ys }: Pick<ChartLine, 'xs' | 'ys'>): { x: number; y: number }[] {
	const every = Math.max(1, Math.ceil(xs.length / MOST_POINTS));
	const out: { x: number; y: number }[] = [];
	for (let i = 0; i < xs.length; i += every) out.push({ x: xs[i]!, y: ys[i]! });
	const end = xs.length - 1;
	if (end > 0 && end % every !== 0) out.push({ x: xs[end]!, y: ys[end]! });
	return out;
}

/** A colour with so much of it, 0–1. */
export function faint(colour: string, part: number): string {
	const hex = /^#([0-9a-f]{6})$/i.exec(colour.trim())?.[1];
	if (!hex) return colour;
	const [r, g, b] = [0, 2, 4].map((at) => parseInt(hex.slice(at, at + 2), 16));
	return `rgb(${r} ${g} ${b} / ${part * 100}%)`;
}

function scaleOf(
	axis: ChartAxis,
	inks: Inks,
	place: 'bottom' | 'left' | 'right'
): ScaleOptions<'linear' | 'logarithmic'> {
	const colour = inks(axis.ink ?? '--ink-2');
	const { ticks, write, title } = axis;
	return {
		type: axis.log ? 'logarithmic' : 'linear',
		position: place,
		min: axis.min,
		max: axis.max,
		title: { display: title !== undefined, text: title, color: colour, padding: 0, font: FONT },
		grid: { color: inks('--rule'), display: !axis.bare, drawTicks: false },
		border: { display: false },
		...(ticks && {
			afterBuildTicks: (scale: { ticks: { value: number }[] }) => void (scale.ticks = ticks.map((value) => ({ value })))
		}),
		ticks: {
			color: colour,
			font: FONT,
			padding: 4,
			maxTicksLimit: place === 'bottom' ? 9 : 7,
			// Round numbers only: what the paper ends at is none.
			includeBounds: false,
			autoSkip: ticks === undefined,
			callback: (value: string | number) => (write ? write(Number(value)) : `${Number(Number(value).toPrecision(6))}`)
		}
	} as unknown as ScaleOptions<'linear' | 'logarithmic'>;
}

const SIDES = { above: 'end', below: 'start', left: 'center', right: 'center' } as const;

function annotationsOf(spec: ChartSpec, inks: Inks): Record<string, AnnotationOptions> {
	const out: Record<string, AnnotationOptions> = {};
	spec.areas?.forEach((area, i) => {
		out[`area ${i}`] = {
			type: 'box',
			drawTime: 'beforeDatasetsDraw',
			xMin: area.from,
			xMax: area.to,
			yMin: area.low,
			yMax: area.high,
			borderWidth: 0,
			backgroundColor: faint(inks(area.ink), area.strength),
			...(area.label && {
				label: {
					display: true,
					content: area.label,
					position: { x: 'center', y: 'start' },
					color: inks('--ink-2'),
					font: { ...FONT, weight: 'normal' },
					padding: 4
				}
			})
		};
	});
	spec.marks?.forEach((mark, i) => {
		const [from, to] = [mark.from, mark.to];
		out[`mark ${i}`] = {
			type: 'line',
			drawTime: 'afterDatasetsDraw',
			...(from && to
				? { xMin: from[0], yMin: from[1], xMax: to[0], yMax: to[1] }
				: mark.x !== undefined
					? { xMin: mark.x, xMax: mark.x }
					: { yMin: mark.y, yMax: mark.y }),
			borderColor: inks(mark.ink),
			borderWidth: mark.width ?? 2,
			borderDash: [...(mark.dash ?? [])]
		};
	});
	spec.notes?.forEach((note, i) => {
		const where = note.where ?? 'above';
		out[`note ${i}`] = {
			type: 'label',
			xValue: note.x,
			yValue: note.y,
			yScaleID: note.right ? 'right' : 'y',
			content: note.text,
			color: inks(note.ink),
			font: { ...FONT, weight: note.strong ? 600 : 'normal' },
			position: {
				x: where === 'left' ? 'end' : where === 'right' ? 'start' : 'center',
				y: SIDES[where]
			},
			padding: 3
		};
	});
	return out;
}

/** Lines and dots over two axes, or three. */
export function chartConfig(spec: ChartSpec, inks: Inks): ChartConfiguration<'scatter'> {
	const lines = (spec.lines ?? []).map((line): ChartDataset<'scatter'> => ({
		label: line.label,
		data: pointsOf(line),
		showLine: true,
		pointRadius: 0,
		pointHitRadius: 0,
		borderColor: inks(line.ink),
		borderWidth: line.width ?? 2,
		borderDash: [...(line.dash ?? [])],
		yAxisID: line.right ? 'right' : 'y'
	}));
	const dots = (spec.dots ?? []).map((dots): ChartDataset<'scatter'> => ({
		label: dots.label,
		data: dots.list as unknown as { x: number; y: number }[],
		pointRadius: dots.size,
		pointHoverRadius: dots.size + 1.5,
		borderWidth: dots.hollow ? 2 : 0,
		borderColor: inks(dots.ink),
		backgroundColor: dots.hollow ? 'transparent' : inks(dots.ink)
	}));
	return {
		type: 'scatter',
		data: { datasets: [...dots, ...lines] },
		options: {
			animation: false,
			maintainAspectRatio: false,
			parsing: false,
			normalized: true,
			layout: { padding: { right: 8, top: 6 } },
			interaction: { mode: 'nearest', intersect: true },
			scales: {
				x: scaleOf(spec.x, inks, 'bottom'),
				y: scaleOf(spec.y, inks, 'left'),
				...(spec.right && { right: scaleOf({ bare: true, ...spec.right }, inks, 'right') })
			},
			plugins: {
				annotation: { clip: false, annotations: annotationsOf(spec, inks) },
				tooltip: {
					enabled: dots.length > 0,
					displayColors: false,
					filter: (item) => item.datasetIndex < dots.length,
					callbacks: { label: (item) => (item.raw as { name?: string }).name ?? '' }
				}
			}
		}
	};
}

/** Room for a figure with its unit, in pixels. */
const SAID_WIDTH = 96;

/** Level bars, one a row, each over its own full width. */
export function levelConfig(rows: readonly LevelRow[], inks: Inks): ChartConfiguration<'bar'> {
	const annotations: Record<string, AnnotationOptions> = {};
	const upright = (id: string, row: number, at: number, colour: string, width: number, dash: number[] = []): void => {
		annotations[`${id} ${row}`] = {
			type: 'line',
			xMin: at,
			xMax: at,
			yMin: row - 0.38,
			yMax: row + 0.38,
			borderColor: colour,
			borderWidth: width,
			borderDash: dash
		};
	};
	rows.forEach((row, i) => {
		upright('farthest', i, row.farthest, inks('--ink-2'), 2);
		if (row.bends !== null) upright('bends', i, row.bends, inks('--lamp'), 1.5, [3, 2]);
		if (row.most !== null) upright('most', i, row.most, inks('--danger'), 2);
	});
	const sideOf = (position: 'left' | 'right', color: string) =>
		({
			position,
			offset: true,
			grid: { display: false },
			border: { display: false },
			ticks: { color, font: { size: 12 } }
		}) as const;
	const bars = (values: number[], colours: string[] | string): ChartDataset<'bar'> => ({
		data: values,
		backgroundColor: colours,
		barPercentage: 0.75,
		categoryPercentage: 1,
		grouped: false
	});
	return {
		type: 'bar',
		data: {
			labels: rows.map(({ label }) => label),
			// What is drawn first lies above.
			datasets: [
				bars(
					rows.map(({ now }) => now),
					rows.map(({ ink }) => inks(ink))
				),
				bars(
					rows.map(({ before }) => before),
					inks('--lamp-light')
				)
			]
		},
		options: {
			indexAxis: 'y',
			animation: false,
			maintainAspectRatio: false,
			events: [],
			scales: {
				x: { min: 0, max: 1, display: false },
				y: sideOf('left', inks('--ink')),
				said: {
					...sideOf('right', inks('--ink-2')),
					axis: 'y',
					type: 'category',
					labels: rows.map(({ said }) => said),
					// Figures come and go: the bars stay.
					afterFit: (scale: { width: number }) => void (scale.width = SAID_WIDTH)
				}
			},
			plugins: { annotation: { annotations }, tooltip: { enabled: false } }
		}
	};
}
