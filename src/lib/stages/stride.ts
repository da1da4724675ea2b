/** A head bob over one stride, as numbers to draw: each channel round the circle, and each gait's size over the speed. */
import type { BobPreset } from 'dinesis-runtime';
import { BobRun, bobSteps, CHANNELS, compileBob, type Channel } from 'dinesis-runtime/tools';

const HZ = 240;
/** Walked so long until the gait is reached and stands. */
const WARM_UP_S = 4;
/** Places of the circle that are drawn. */
export const AROUND = 144;

export interface StrideLine {
	readonly channel: Channel;
	/** At equal places of a stride from the fall of the first foot on, in the channel's unit; the last is the first again. */
	readonly values: Float64Array;
	/** The farthest from the middle. */
	readonly most: number;
}

/** What each channel does over a stride at a speed, once the gait is reached; channels that stand still are left out. */
export function strideLines(preset: BobPreset, speed: number): StrideLine[] {
	const still = { ...preset, idle: null, landing: null, drives: [] };
	const bob = compileBob(still);
	const steps = bobSteps(bob, speed);
	if (!(steps > 0)) return [];
	const run = new BobRun(bob);
	const walking = { speed, grounded: true };
	for (let i = 0; i < WARM_UP_S * HZ; i++) run.advance(1 / HZ, walking);
	// On to a stride's beginning, then in equal parts of it.
	run.advance((Math.ceil(run.phase) - run.phase) / (steps / 2), walking);
	const part = 1 / (steps / 2) / AROUND;
	const lines = CHANNELS.map((channel) => ({ channel, values: new Float64Array(AROUND + 1), most: 0 }));
	for (let i = 0; i <= AROUND; i++) {
		lines.forEach((line, c) => {
			const value = run.offset[c]!;
			line.values[i] = value;
			line.most = Math.max(line.most, Math.abs(value));
		});
		run.advance(part, walking);
	}
	return lines.filter((line) => line.most > 1e-9);
}

export interface SpeedPoint {
	readonly speed: number;
	/** Steps a second. */
	readonly steps: number;
	/** Peak to peak in metres, and sideways. */
	readonly height: number;
	readonly side: number;
}

/** Step rate and travel of the eye from standing to the fastest gait and a little beyond. */
export function speedCurve(preset: BobPreset, count = 36): SpeedPoint[] {
	const fastest = Math.max(1, ...preset.gaits.map((gait) => gait.speed)) * 1.15;
	const bob = compileBob({ ...preset, idle: null, landing: null, drives: [] });
	return Array.from({ length: count + 1 }, (_, i) => {
		const speed = (fastest * i) / count;
		const lines = i === 0 ? [] : strideLines(preset, speed);
		const travel = (channel: Channel): number => {
			const values = lines.find((line) => line.channel === channel)?.values;
			return values ? Math.max(...values) - Math.min(...values) : 0;
		};
		return { speed, steps: bobSteps(bob, speed), height: travel('y'), side: travel('x') };
	});
}

/**
 * What heads of people do, in metres from peak to peak: walking 2–5 cm up and down and 3–6 cm sideways, running 6–10 cm up and
 * down. After Murray, Drought and Kory 1964 (J. Bone Joint Surg. 46-A: the head's path, walking) and Thorstensson and others
 * 1984 (Acta Physiol. Scand. 121: the trunk, walking and running).
 */
export const REAL_HEADS = [
	{ from: 0.9, to: 2.1, low: 0.02, high: 0.05, what: 'walking' },
	{ from: 2.4, to: 5.5, low: 0.06, high: 0.1, what: 'running' }
] as const;
