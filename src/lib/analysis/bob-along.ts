/** A bob as a table of offsets: at a steady speed, or along the way of a body. */
import type { Track, BodyTrack } from './track';
import { CHANNEL_COUNT, BobRun, compileBob, type Hertz, type Seconds } from 'dinesis-runtime/tools';
import type { BobPreset } from 'dinesis-runtime';

export interface BobSampleOptions {
	/** Metres a second, from the first moment on. */
	readonly speed: number;
	readonly seconds?: Seconds;
	readonly fps?: Hertz;
	readonly seed?: number;
}

const POSE = 6;

export function sampleBob(preset: BobPreset, { speed, seconds = 5, fps = 60, seed = 1 }: BobSampleOptions): Track {
	const run = new BobRun(compileBob(preset), seed);
	const count = Math.floor(seconds * fps + 1e-9) + 1;
	const values = new Float64Array(count * CHANNEL_COUNT);
	for (let i = 1; i < count; i++) {
		run.advance(1 / fps, { speed, grounded: true });
		values.set(run.offset, i * CHANNEL_COUNT);
	}
	return { fps, count, values };
}

/** The offset at each moment of a body's way; its speed is that of the level way since the moment before. */
export function bobAlong(preset: BobPreset, { times, poses }: BodyTrack, seed = 1): Float64Array {
	const run = new BobRun(compileBob(preset), seed);
	const values = new Float64Array(times.length * CHANNEL_COUNT);
	for (let i = 1; i < times.length; i++) {
		const dt = times[i]! - times[i - 1]!;
		const [dx, dz] = [poses[i * POSE]! - poses[(i - 1) * POSE]!, poses[i * POSE + 2]! - poses[(i - 1) * POSE + 2]!];
		run.advance(dt, { speed: Math.sqrt(dx * dx + dz * dz) / dt, grounded: true });
		values.set(run.offset, i * CHANNEL_COUNT);
	}
	return values;
}
