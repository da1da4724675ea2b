/** What a camera lag makes of a body's way. */
import { LagRun, LAG_AXES } from 'dinesis-runtime/tools';
import type { LagPreset } from 'dinesis-runtime';
import type { BodyTrack } from './track';

/** Where the view is at each moment of a body's way, beginning where the body begins. */
export function followTrack(preset: LagPreset, { times, poses }: BodyTrack): BodyTrack {
	const run = new LagRun(preset);
	const followed = new Float64Array(poses.length);
	const pose = new Float64Array(LAG_AXES.length);
	for (let i = 0; i < times.length; i++) {
		for (let c = 0; c < LAG_AXES.length; c++) pose[c] = poses[i * LAG_AXES.length + c]!;
		if (i === 0) run.snap(pose);
		else run.advance(pose, times[i]! - times[i - 1]!);
		followed.set(run.out, i * LAG_AXES.length);
	}
	return { times, poses: followed };
}
