/** What a bob's and a lag's numbers mean, drawn: the eye's path over a stride, and the view behind a body that stops. */
import type { BobPreset, LagPreset } from 'dinesis-runtime';
import { BobRun, compileBob, CHANNELS, LagRun, trailOf, type LagAxis } from 'dinesis-runtime/tools';

const HZ = 240;
const [X, Y] = [CHANNELS.indexOf('x'), CHANNELS.indexOf('y')];
const PAD = 10;
/** Walked so long until the gait is reached and the first stride is over. */
const WARM_UP_S = 4;

export interface EyePath {
	readonly d: string;
	readonly feet: readonly { readonly x: number; readonly y: number }[];
	/** Peak to peak, in metres. */
	readonly width: number;
	readonly height: number;
}

/** The eye from behind over one stride at a speed, fitted into a box; where the feet fall. */
export function eyePath(preset: BobPreset, speed: number, width: number, height: number, pad = PAD): EyePath {
	const run = new BobRun(compileBob({ ...preset, idle: null, drives: [] }));
	const walking = { speed, grounded: true };
	for (let i = 0; i < WARM_UP_S * HZ; i++) run.advance(1 / HZ, walking);
	const points: { x: number; y: number; falls: boolean }[] = [];
	const from = run.phase;
	while (run.phase < from + 1 && points.length < 20 * HZ) {
		const falls = run.advance(1 / HZ, walking);
		points.push({ x: run.offset[X]!, y: run.offset[Y]!, falls });
	}
	const range = (values: readonly number[]): [number, number] => [Math.min(...values), Math.max(...values)];
	const [left, right] = range(points.map((p) => p.x));
	const [low, high] = range(points.map((p) => p.y));
	const scale = Math.min(
		(width - 2 * pad) / Math.max(1e-6, right - left),
		(height - 2 * pad) / Math.max(1e-6, high - low)
	);
	const place = (p: { x: number; y: number }): { x: number; y: number } => ({
		x: width / 2 + (p.x - (left + right) / 2) * scale,
		y: height / 2 - (p.y - (low + high) / 2) * scale
	});
	const d = points.map(place).map(({ x, y }, i) => `${i === 0 ? 'M' : 'L'}${x.toFixed(1)} ${y.toFixed(1)}`);
	return { d: d.join(''), feet: points.filter((p) => p.falls).map(place), width: right - left, height: high - low };
}

export interface LagAnswer {
	readonly body: string;
	readonly view: string;
	/** How far it trails in the long run. */
	readonly trails: readonly { readonly label: string; readonly by: number }[];
	/** Seconds after the stop until it stays within a twentieth of its trail; null: not while one looks. */
	readonly settled: number | null;
	/** How far it swings past the body, as a part of its trail. */
	readonly over: number;
}

const RUN_S = 1;
const LOOK_S = 3;
const SPEEDS = { m: [1.6, 4.2], '°': [60, 180], px: [150, 400] } as const;
const WITHIN = 0.05;

/** How far an axis trails behind a body in the long run, slow and fast. */
export function trailsOf(axis: LagAxis, unit: keyof typeof SPEEDS): LagAnswer['trails'] {
	return SPEEDS[unit].map((speed, i) => ({
		label: unit === 'm' ? ['walking', 'running'][i]! : `at ${speed}${unit === 'px' ? ' px' : '°'}/s`,
		by: trailOf(axis, speed)
	}));
}

/** A body that moves for a second and stops, and the view behind it. */
export function lagAnswer(axis: LagAxis, unit: 'm' | '°' | 'px', width: number, height: number): LagAnswer {
	const preset: LagPreset = {
		id: 'one',
		family: 'lag',
		view: 'space',
		name: '',
		about: '',
		tags: [],
		axes: { x: axis },
		leadsBy: 0,
		leadHalfLife: 0,
		snapsBeyond: null
	};
	const fast = SPEEDS[unit][1];
	const run = new LagRun(preset);
	const pose = new Float64Array(6);
	run.snap(pose);
	const count = (RUN_S + LOOK_S) * HZ;
	const [bodyAt, viewAt] = [new Float64Array(count + 1), new Float64Array(count + 1)];
	for (let i = 1; i <= count; i++) {
		bodyAt[i] = pose[0] = fast * Math.min(RUN_S, i / HZ);
		viewAt[i] = run.advance(pose, 1 / HZ)[0]!;
	}
	const goal = fast * RUN_S - axis.quiet;
	const trail = Math.abs(goal - viewAt[RUN_S * HZ]!);
	let settled: number | null = 0;
	let over = 0;
	for (let i = RUN_S * HZ; i <= count; i++) {
		const off = viewAt[i]! - goal;
		if (Math.abs(off) > WITHIN * trail + 1e-9) settled = i === count ? null : (i + 1) / HZ - RUN_S;
		over = Math.max(over, trail > 1e-9 ? off / trail : 0);
	}
	const most = Math.max(fast * RUN_S, ...viewAt) * 1.04;
	const line = (values: Float64Array): string => {
		let d = '';
		for (let i = 0; i <= count; i += 6)
			d += `${i === 0 ? 'M' : 'L'}${((i / count) * width).toFixed(1)} ${(height - 4 - (values[i]! / most) * (height - 8)).toFixed(1)}`;
		return d;
	};
	return {
		body: line(bodyAt),
		view: line(viewAt),
		trails: trailsOf(axis, unit),
		settled,
		over
	};
}
