/** What every pattern reads: one layer of one play at one moment. The arrays hold one entry for each active channel. */
export interface Voice {
	/** Channel numbers, rising. */
	channels: Uint8Array;
	/** Amplitude × amounts, in the channel's unit. */
	scales: Float64Array;
	/** Frequency × rates, in hertz. */
	frequencies: Float64Array;
	/** Phase in cycles at the moment from which `ELAPSED` counts. */
	phases: Float64Array;
	/** `LEVEL` and `ELAPSED`: numbers in an array, so that no call boxes them. */
	readonly now: Float64Array;
}

/** What the pattern is multiplied by: gain × strength. */
export const LEVEL = 0;
/** Seconds since `phases` held. */
export const ELAPSED = 1;
