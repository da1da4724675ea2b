/** Points of a chart that a hand takes: a small plugin that says where they lie, and where a pointer or a key leads them. */
import type { Chart, Plugin } from 'chart.js';
import type { ChartAxis, ChartGrip } from './spec';

export interface Spot {
	readonly id: string;
	/** In CSS pixels of the canvas. */
	readonly x: number;
	readonly y: number;
}

/** Tells after every drawing where the grips lie now. */
export const gripsPlugin = (grips: () => readonly ChartGrip[], tell: (spots: readonly Spot[]) => void): Plugin => ({
	id: 'grips',
	afterUpdate(chart: Chart) {
		const { x, y } = chart.scales;
		if (x && y)
			tell(grips().map((grip) => ({ id: grip.id, x: x.getPixelForValue(grip.x), y: y.getPixelForValue(grip.y) })));
	}
});

const within = (value: number, { min, max }: ChartAxis): number => Math.min(max, Math.max(min, value));

/** Where a pointer leads a grip: the value under it, kept on the paper. */
export function under(
	scales: Chart['scales'],
	axes: { readonly x: ChartAxis; readonly y: ChartAxis },
	grip: ChartGrip,
	px: number,
	py: number
): readonly [number, number] {
	const x = within(scales.x!.getValueForPixel(px)!, axes.x);
	return [x, grip.along === 'x' ? grip.y : within(scales.y!.getValueForPixel(py)!, axes.y)];
}

/** Where a key leads a grip; null: nowhere. Shift is coarse, Alt is fine. */
export function byKey(
	event: Pick<KeyboardEvent, 'key' | 'shiftKey' | 'altKey'>,
	axes: { readonly x: ChartAxis; readonly y: ChartAxis },
	grip: ChartGrip
): readonly [number, number] | null {
	const size = event.shiftKey ? 10 : event.altKey ? 0.1 : 1;
	const [dx, dy] = [
		event.key === 'ArrowRight' ? 1 : event.key === 'ArrowLeft' ? -1 : 0,
		grip.along === 'x' ? 0 : event.key === 'ArrowUp' ? 1 : event.key === 'ArrowDown' ? -1 : 0
	];
	if (dx === 0 && dy === 0) return null;
	const [x, y] = [grip.x + dx * size * grip.step[0], grip.y + dy * size * grip.step[1]];
	return [within(x, axes.x), grip.along === 'x' ? grip.y : within(y, axes.y)];
}
