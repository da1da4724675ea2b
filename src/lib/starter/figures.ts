/** What a starter motion does, in the numbers that its aims are written in. */
import { sampleBob, followTrack, type BodyTrack } from '$lib/analysis';
import type { AnyPreset, BobPreset, LagPreset, Rig } from 'dinesis-runtime';
import {
	CHANNELS,
	CHANNEL_COUNT,
	clockOf,
	GameValues,
	LAG_AXES,
	RigRun,
	type LagAxisName,
	type Seconds
} from 'dinesis-runtime/tools';

/** A head bob at the speed of one of its gaits, peak to peak: centimetres, or pixels in a flat view. */
export interface BobFigures {
	readonly up: number;
	readonly aside: number;
}

/** Behind a body that goes and then stands: metres, degrees or pixels, and seconds. */
export interface TrailFigures {
	/** How far behind it is in the long run, walking and running; below 0 it is ahead. */
	readonly slow: number;
	readonly fast: number;
	/** Seconds after the stop, from a run, until it stays within a twentieth of the farthest that it still had to go. */
	readonly settled: Seconds;
	/** How far past its place it swings then. */
	readonly over: number;
}

const HZ = 240;
const GOES: Seconds = 6;
const STANDS: Seconds = 8;
const WITHIN = 0.05;
/** Walking and running, in metres a second; turning, in degrees a second; in a flat view pixels a second. */
export const SPEEDS = { m: [1.6, 4.2], '°': [60, 180], px: [150, 400] } as const;
export type Unit = keyof typeof SPEEDS;

/** So long that noise has shown what it does. */
const BOB_S = 60;
const BOB_FPS = 120;
const WARM_S = 4;

export function bobFigures(bob: BobPreset, speed: number): BobFigures {
	const still = { ...bob, idle: null, drives: [] };
	const { values, count } = sampleBob(still, { speed, seconds: BOB_S, fps: BOB_FPS });
	const swing = (channel: number): number => {
		let [low, high] = [Infinity, -Infinity];
		for (let i = WARM_S * BOB_FPS; i < count; i++) {
			const value = values[i * CHANNEL_COUNT + channel]!;
			low = Math.min(low, value);
			high = Math.max(high, value);
		}
		return (high - low) * (bob.view === 'flat' ? 1 : 100);
	};
	return { up: swing(CHANNELS.indexOf('y')), aside: swing(CHANNELS.indexOf('x')) };
}

/** Where a view is behind a body that goes at a speed for six seconds and then stands for eight. */
type Behind = (speed: number) => Float64Array;

function figuresBehind(behind: Behind, unit: Unit): TrailFigures {
	const stop = GOES * HZ;
	const [slow, fast] = SPEEDS[unit].map((speed) => behind(speed)[stop]!) as [number, number];
	const run = behind(SPEEDS[unit][1]);
	const rest = run.at(-1)!;
	let most = 0;
	for (let i = stop; i < run.length; i++) most = Math.max(most, Math.abs(run[i]! - rest));
	let settled = 0;
	let over = 0;
	for (let i = stop; i < run.length; i++) {
		const off = run[i]! - rest;
		if (Math.abs(off) > WITHIN * most + 1e-9) settled = (i + 1) / HZ - GOES;
		// On the other side of its place than where it was as the body stopped.
		over = Math.max(over, -off * Math.sign(run[stop]! - rest));
	}
	return { slow, fast, settled, over };
}

const wayAt = (i: number, speed: number): number => speed * Math.min(GOES, i / HZ);
const COUNT = (GOES + STANDS) * HZ + 1;

/** Of one axis of a lag, with all that it has: what it leads by, its quiet area, the most. */
export function lagFigures(lag: LagPreset, axis: LagAxisName): TrailFigures {
	const unit: Unit = axis === 'pitch' || axis === 'yaw' || axis === 'roll' ? '°' : lag.view === 'flat' ? 'px' : 'm';
	const at = LAG_AXES.indexOf(axis);
	const times = Float64Array.from({ length: COUNT }, (_, i) => i / HZ);
	return figuresBehind((speed) => {
		const poses = new Float64Array(COUNT * LAG_AXES.length);
		for (let i = 0; i < COUNT; i++) poses[i * LAG_AXES.length + at] = wayAt(i, speed);
		const { poses: seen } = followTrack({ ...lag, snapsBeyond: null }, { times, poses } as BodyTrack);
		return times.map((_, i) => wayAt(i, speed) - seen[i * LAG_AXES.length + at]!);
	}, unit);
}

const YAW = 3;

/** Of a whole camera: how much farther than at rest it is from a body that walks ahead, sideways in a flat view. */
export function rigFigures(rig: Rig, presets: readonly AnyPreset[]): TrailFigures {
	const flat = rig.view.kind === 'flat';
	const axis = flat ? 0 : 2;
	const sign = flat ? 1 : -1;
	const still = { ...rig, bypass: [...rig.bypass, 'bob' as const, 'lean' as const] };
	return figuresBehind((speed) => {
		const run = new RigRun(still, presets, new GameValues());
		const pose = new Float64Array(YAW + 2);
		run.snap(pose);
		run.advance(clockOf(1 / HZ), { pose, speed: 0, grounded: true });
		const rest = run.camera[axis]!;
		return Float64Array.from({ length: COUNT }, (_, i) => {
			pose[axis] = sign * wayAt(i, speed);
			if (i > 0) run.advance(clockOf(1 / HZ), { pose, speed: i <= GOES * HZ ? speed : 0, grounded: true });
			return sign * (pose[axis]! - (run.camera[axis]! - rest));
		});
	}, 'm');
}
