/** A sound as a take: its onsets are an event, its loudness is a game value. */
import type { Onsets } from '../analysis';
import type { GameEvent, GameParameter } from 'dinesis-runtime';
import { newCourse, type Course } from '../documents';

export interface SoundLinks {
	/** Raised at each onset, its first number by the loudness over that number's range; null: onsets are left out. */
	readonly event: GameEvent | null;
	/** Takes the loudness over its own range; null: loudness is left out. */
	readonly parameter: GameParameter | null;
}

/** Stays on for a while after the sound, so that what it set off can end. */
const AFTER = 2;

export function soundToTake(name: string, heard: Onsets, { event, parameter }: SoundLinks): Course {
	const value = event?.values[0];
	const over = (part: number, min: number, max: number): number => Math.round((min + (max - min) * part) * 1000) / 1000;
	return {
		...newCourse('sound', name),
		seconds: Math.max(0.1, heard.seconds + AFTER),
		steps: false,
		events: event
			? heard.onsets.map(({ at, loudness }) => ({
					at: Math.round(at * 1000) / 1000,
					event: event.id,
					length: event.kind === 'state' ? 0.2 : null,
					values: value ? { [value.id]: over(loudness, value.min, value.max) } : {},
					place: null,
					who: 0
				}))
			: [],
		values: parameter
			? [
					{
						parameter: parameter.id,
						points: heard.loudness.map(({ at, value: v }) => ({ at, value: over(v, parameter.min, parameter.max) }))
					}
				]
			: []
	};
}
