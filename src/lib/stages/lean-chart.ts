/** The lean's answer as a chart: somebody turns for a while, strafes for a while, and stands. */
import { clockOf, EYES, GameValues, newRig, RigRun, type Lean } from 'dinesis-runtime/tools';
import type { ChartSpec } from '$lib/plots/chart/spec';

const [HZ, SECONDS] = [120, 6];
/** Turning from here to there, strafing from here to there, in seconds. */
const TURNS = [0.4, 1.9] as const;
const STRAFES = [3.2, 4.7] as const;
/** Degrees a second, metres a second. */
const [RATE, SPEED] = [90, 1.6];

export interface LeanAnswer {
	readonly times: Float64Array;
	/** Degrees. */
	readonly roll: Float64Array;
	/** Metres, or pixels of a flat picture. */
	readonly sway: Float64Array;
}

export function leanAnswer(lean: Lean): LeanAnswer {
	const run = new RigRun({ ...newRig('lean', 'Lean'), view: EYES, lean }, [], new GameValues());
	const body = new Float64Array(5);
	run.snap(body);
	const clock = clockOf(1 / HZ);
	const still = new Float64Array(7);
	const count = HZ * SECONDS + 1;
	const [times, roll, sway] = [new Float64Array(count), new Float64Array(count), new Float64Array(count)];
	for (let i = 1; i < count; i++) {
		const t = (times[i] = i / HZ);
		if (t > TURNS[0] && t <= TURNS[1]) body[3]! += RATE / HZ;
		// To the right of where one looks by now.
		const yaw = (body[3]! * Math.PI) / 180;
		if (t > STRAFES[0] && t <= STRAFES[1]) {
			body[0]! += (Math.cos(yaw) * SPEED) / HZ;
			body[2]! -= (Math.sin(yaw) * SPEED) / HZ;
		}
		run.advance(clock, { pose: body, speed: 0, grounded: true });
		run.sum(still);
		roll[i] = run.offset[5]!;
		sway[i] = run.offset[0]!;
	}
	return { times, roll, sway };
}

/** The farthest of them, but never less than `least`. */
export const farthest = (values: Float64Array, least: number): number =>
	values.reduce((most, v) => Math.max(most, Math.abs(v)), least);

export function leanChart({ times, roll, sway }: LeanAnswer, unit: 'm' | 'px'): ChartSpec {
	const rolls = farthest(roll, 0.5) * 1.15;
	const per = unit === 'px' ? 1 : 100;
	const sways = farthest(sway, unit === 'px' ? 1 : 0.02) * 1.15 * per;
	return {
		x: { min: 0, max: SECONDS, title: 's' },
		y: { min: -rolls, max: rolls, title: 'roll, degrees (left is up)', ink: '--ink-roll' },
		right: {
			min: -sways,
			max: sways,
			title: `sway, ${unit === 'px' ? 'px' : 'cm'} (right is up)`,
			ink: '--ink-x'
		},
		lines: [
			{ label: 'roll', xs: times, ys: roll, ink: '--ink-roll', width: 2.2 },
			{ label: 'sway', xs: times, ys: sway.map((v) => v * per), ink: '--ink-x', width: 2.2, dash: [6, 3], right: true }
		],
		areas: [
			{ from: TURNS[0], to: TURNS[1], ink: '--lamp-light', strength: 0.22, label: `turns left, ${RATE}°/s` },
			{ from: STRAFES[0], to: STRAFES[1], ink: '--lamp-light', strength: 0.22, label: 'strafes right, a walk' }
		],
		marks: [{ y: 0, ink: '--rule-strong', width: 1 }]
	};
}
