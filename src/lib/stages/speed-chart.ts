/** Gaits over the speed as a chart: how far the eye goes, how often a foot falls, what real heads do. */
import type { BobPreset } from 'dinesis-runtime';
import type { BobGait } from 'dinesis-runtime/tools';
import type { ChartSpec } from '$lib/plots/chart/spec';
import { REAL_HEADS, speedCurve } from './stride';
import { gaitName } from './body-changes';

export interface SpeedDrawing {
	readonly bob: BobPreset;
	/** Tried now, in metres a second. */
	readonly speed: number;
	readonly onspeed: (speed: number) => void;
	/** A gait made for another speed; null: it is only looked at. */
	readonly ongait: ((gait: BobGait, speed: number, done: boolean) => void) | null;
}

/** Speeds are taken in steps of so many metres a second. */
const STEP = 0.05;
const stepped = (speed: number): number => Math.round(speed / STEP) * STEP;
const tidy = (speed: number): number => Number(stepped(speed).toFixed(2));

export function speedChart({ bob, speed, onspeed, ongait }: SpeedDrawing): ChartSpec {
	const curve = speedCurve(bob);
	const isFlat = bob.view === 'flat';
	const per = isFlat ? 1 : 100;
	const xs = curve.map((p) => p.speed);
	const far = xs.at(-1)!;
	const tall = Math.max(isFlat ? 4 : 0.025, ...curve.map((p) => Math.max(p.height, p.side))) * per * 1.12;
	const fast = Math.max(3.4, ...curve.map((p) => p.steps)) * 1.08;
	return {
		x: { min: 0, max: far, title: 'm/s' },
		y: { min: 0, max: tall, title: isFlat ? 'px' : 'cm' },
		right: { min: 0, max: fast, title: 'steps a second' },
		lines: [
			{ label: 'up', xs, ys: curve.map((p) => p.height * per), ink: '--ink-y', width: 2.4 },
			{ label: 'side', xs, ys: curve.map((p) => p.side * per), ink: '--ink-x', dash: [6, 3] },
			{
				label: 'steps a second',
				xs,
				ys: curve.map((p) => p.steps),
				ink: '--ink-2',
				width: 1.4,
				dash: [1.5, 3],
				right: true
			}
		],
		areas: isFlat
			? []
			: REAL_HEADS.map((band) => ({
					from: band.from,
					to: Math.min(far, band.to),
					low: band.low * per,
					high: Math.min(band.high * per, tall),
					ink: '--ink-y',
					strength: 0.12
				})),
		marks: [
			...bob.gaits.map((gait) => ({ x: gait.speed, ink: '--rule-strong', width: 1.5 })),
			{ x: Math.min(far, speed), ink: '--lamp', width: 2 }
		],
		grips: [
			...(ongait
				? bob.gaits.map((gait) => ({
						id: `gait ${gait.id}`,
						x: gait.speed,
						y: tall,
						label: `Gait ${gaitName(gait)}: made for`,
						said: `${gait.speed.toFixed(2)} m/s`,
						along: 'x' as const,
						step: [STEP, 0] as const,
						shape: 'flag' as const,
						text: gaitName(gait),
						onmove: (x: number, _: number, done: boolean) => ongait(gait, Math.max(0.05, tidy(x)), done)
					}))
				: []),
			{
				id: 'speed',
				x: Math.min(far, speed),
				y: 0,
				label: 'Walking speed',
				said: `${speed.toFixed(2)} m/s`,
				along: 'x',
				step: [0.1, 0],
				shape: 'foot',
				text: speed.toFixed(2),
				onmove: (x) => onspeed(tidy(x))
			}
		]
	};
}
