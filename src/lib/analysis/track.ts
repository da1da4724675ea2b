/** Motion and bodies as tables of samples. */
import type { Hertz } from 'dinesis-runtime/tools';

/** Seven channels, at a steady rate. */
export interface Track {
	readonly fps: Hertz;
	/** Number of samples: sample i is at time i / fps from the trigger. */
	readonly count: number;
	/** `count` × 7 values, a sample after the other, channels in their order. */
	readonly values: Float64Array;
}

/** Where a body was, at any moments that rise. */
export interface BodyTrack {
	readonly times: Float64Array;
	/** x, y, z in metres, pitch, yaw, roll in degrees, one moment after the other. */
	readonly poses: Float64Array;
}
