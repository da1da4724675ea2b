/** Curves as a chart: places or turns over time, with the keys that stand for them. */
import type { MadeCurves } from '$lib/handover/curve-file';
import type { ChartDots, ChartLine, ChartSpec } from '$lib/plots/chart/spec';

/** So many points of a line are drawn. */
const MOST = 1200;
const INKS = {
	place: ['--ink-x', '--ink-y', '--ink-z'],
	turn: ['--ink-pitch', '--ink-yaw', '--ink-roll']
} as const;
const NAMES = { place: ['x', 'y', 'z'], turn: ['pitch', 'yaw', 'roll'] } as const;

/** `turn` of a whole pose is its quaternion's first three parts. */
export function curvesChart(
	{ fine, channels }: MadeCurves,
	what: 'place' | 'turn'
): { readonly label: string; readonly about: string; readonly spec: ChartSpec } {
	const { values, width, fps, content } = fine;
	const count = values.length / width;
	const step = Math.max(1, Math.ceil(count / MOST));
	const first = what === 'place' ? 0 : 3;
	const kept = Math.floor((count - 1) / step) + 1;
	const xs = Float64Array.from({ length: kept }, (_, i) => (i * step) / fps);
	let most = 1e-6;
	const lines = [0, 1, 2].map((c): ChartLine => {
		const ys = Float64Array.from({ length: kept }, (_, i) => values[i * step * width + first + c]!);
		for (const y of ys) most = Math.max(most, Math.abs(y));
		return { label: NAMES[what][c]!, xs, ys, ink: INKS[what][c]!, width: 1.4 };
	});
	// Keys are of the target's world: drawn where the motion is at their moments.
	const dots = [0, 1, 2].map((c): ChartDots => ({
		label: `${NAMES[what][c]} keys`,
		ink: INKS[what][c]!,
		size: 2.4,
		list: (channels[first + c]?.keys ?? []).map(([time], k) => ({
			id: `${c} ${k}`,
			name: `${time} s`,
			x: time!,
			y: values[Math.min(count - 1, Math.round(time! * fps)) * width + first + c]!
		}))
	}));
	const isAngle = what === 'turn' && content === 'offset';
	const unit = what === 'place' ? 'm' : isAngle ? '°' : '';
	const seconds = (count - 1) / fps;
	return {
		label: what === 'place' ? 'Places over time' : 'Turns over time',
		about: `${Number(seconds.toFixed(2))} s, at most ${Number(most.toPrecision(3))} ${unit}`,
		spec: {
			x: { min: 0, max: Math.max(1e-3, seconds), title: 's' },
			y: { min: -most * 1.08, max: most * 1.08, title: unit || 'quaternion' },
			lines,
			dots: dots.filter(({ list }) => list.length > 0)
		}
	};
}
