/** What the page asks of the motion worker. Everything that crosses is plain data. */
import type { Measure, Neighbour, NeighbourOptions, OutlineLine, ShakePreset } from '$lib/core';

/** A preset as it is shown in lists: its figures and its little drawing. */
export interface Card {
	readonly measure: Measure;
	readonly outline: readonly OutlineLine[];
}

export interface MotionDoor {
	/** Measured over 32 fixed seeds. */
	card(preset: ShakePreset): Card;
	neighbours(preset: ShakePreset, options: NeighbourOptions): Neighbour[];
}
