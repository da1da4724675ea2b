/** What of the camera's motion is felt in the hands: how fast it moves goes to the slow motor, how fast it turns to the quick one. */
import { CHANNEL_COUNT, type View } from 'dinesis-runtime/tools';
import type { Pads } from '$lib/ui/pad.svelte';

/** Speeds at which a motor runs in full. Our own judgement: a strong blow close by reaches them. */
const FULL_M_S = 1;
const FULL_PX_S = 900;
const FULL_DEG_S = 90;

export class Felt {
	private readonly last = new Float64Array(CHANNEL_COUNT);

	constructor(private readonly pads: Pick<Pads, 'rumble'>) {}

	/** Takes the offset of a frame, `dt` seconds after the one before. `now` in milliseconds. */
	take(offset: Float64Array, view: View, dt: number, now: number): void {
		const { last } = this;
		if (dt > 0) {
			const speed = (from: number): number =>
				Math.hypot(
					offset[from]! - last[from]!,
					offset[from + 1]! - last[from + 1]!,
					offset[from + 2]! - last[from + 2]!
				) / dt;
			this.pads.rumble(speed(0) / (view === 'flat' ? FULL_PX_S : FULL_M_S), speed(3) / FULL_DEG_S, now);
		}
		last.set(offset);
	}
}
