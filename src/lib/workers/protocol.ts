/** What the page asks of the motion worker. Everything that crosses is plain data. */
import type { Kit, Measure, Neighbour, NeighbourOptions, OutlineLine, ReadResult, ShakePreset } from '$lib/core';

/** A preset as it is shown in lists: its figures and its little drawing. */
export interface Card {
	readonly measure: Measure;
	readonly outline: readonly OutlineLine[];
}

export interface MotionDoor {
	/** Measured over 32 fixed seeds. */
	card(preset: ShakePreset): Card;
	/** Reads and checks a kit: a large one takes longer than a page may stand still. */
	read(text: string): Promise<ReadResult<Kit>>;
	neighbours(preset: ShakePreset, options: NeighbourOptions): Neighbour[];
}
