/** Each channel of a motion in numbers: how far, how fast, how hard, and when it has settled. */
import { CHANNEL_COUNT, type Seconds } from 'dinesis-runtime/tools';
import type { Track } from '$lib/analysis';

export interface ChannelFigures {
	/** The largest magnitude, in the channel's unit. */
	readonly peak: number;
	/** √(mean of squares). */
	readonly rms: number;
	/** The largest first derivative, a second. */
	readonly speed: number;
	/** The largest second derivative, a second squared. */
	readonly acceleration: number;
}

/**
 * Central differences of the eighth order: of a sine of f hertz sampled h seconds apart they are off by (2πfh)⁸ ÷ 630 and ÷ 3150 of it
 * (Fornberg 1988, table 1).
 */
const FIRST = [4 / 5, -1 / 5, 4 / 105, -1 / 280] as const;
const SECOND = [-205 / 72, 8 / 5, -1 / 5, 8 / 315, -1 / 560] as const;
const REACH = 4;

/** By channel. Derivatives are taken where four samples stand on both sides; a track of fewer has none. */
export function channelFigures({ values, count, fps }: Track): ChannelFigures[] {
	return Array.from({ length: CHANNEL_COUNT }, (_, c) => {
		const of = (i: number): number => values[i * CHANNEL_COUNT + c]!;
		let [peak, squares, speed, acceleration] = [0, 0, 0, 0];
		for (let i = 0; i < count; i++) {
			const value = of(i);
			peak = Math.max(peak, Math.abs(value));
			squares += value * value;
			if (i < REACH || i >= count - REACH) continue;
			let first = 0;
			let second = SECOND[0] * value;
			for (let k = 1; k <= REACH; k++) {
				first += FIRST[k - 1]! * (of(i + k) - of(i - k));
				second += SECOND[k]! * (of(i + k) + of(i - k));
			}
			speed = Math.max(speed, Math.abs(first) * fps);
			acceleration = Math.max(acceleration, Math.abs(second) * fps * fps);
		}
		return { peak, rms: count > 0 ? Math.sqrt(squares / count) : 0, speed, acceleration };
	});
}

/** The largest first derivative of one channel, a second. */
export function speedOf({ values, count, fps }: Track, c: number): number {
	let most = 0;
	for (let i = REACH; i < count - REACH; i++) {
		const at = i * CHANNEL_COUNT + c;
		let first =
			FIRST[0] * (values[at + CHANNEL_COUNT]! - values[at - CHANNEL_COUNT]!) +
			FIRST[1] * (values[at + 2 * CHANNEL_COUNT]! - values[at - 2 * CHANNEL_COUNT]!) +
			FIRST[2] * (values[at + 3 * CHANNEL_COUNT]! - values[at - 3 * CHANNEL_COUNT]!) +
			FIRST[3] * (values[at + 4 * CHANNEL_COUNT]! - values[at - 4 * CHANNEL_COUNT]!);
		if (first < 0) first = -first;
		if (first > most) most = first;
	}
	return most * fps;
}

/**
 * When a curve has come within `share` of its largest magnitude for good, in seconds from its beginning; null: it never does, as it is
 * farther off at its end.
 */
export function settlesIn(curve: ArrayLike<number>, fps: number, share = 0.05): Seconds | null {
	let peak = 0;
	for (let i = 0; i < curve.length; i++) peak = Math.max(peak, Math.abs(curve[i]!));
	let last = -1;
	for (let i = 0; i < curve.length; i++) if (Math.abs(curve[i]!) > share * peak) last = i;
	if (last < 0) return 0;
	if (last === curve.length - 1) return null;
	// Between two samples it goes straight.
	const [above, below] = [Math.abs(curve[last]!), Math.abs(curve[last + 1]!)];
	return (last + (above - share * peak) / (above - below)) / fps;
}
