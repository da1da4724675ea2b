/**
 * The ceiling: the most a channel may reach after everything is summed. Up to 0.7 of it nothing changes; beyond, with
 * k = 0.7·C, s = 0.3·C and u = (|v| − k)/s, the value bends to k + s·u/(1 + u), which never reaches C and has no corner.
 */
import { CHANNEL_COUNT, CHANNELS, type Channel } from '../units/channels';

/** Part of the ceiling up to which nothing is changed. */
export const BENDS_FROM = 0.7;

/** The most of each channel, in the channel's unit; left out or null: none. */
export type Ceilings = Readonly<Partial<Record<Channel, number | null>>>;

/** Ceilings as seven numbers in the channels' order; Infinity where there is none. Throws a RangeError below 0. */
export function compileCeilings(ceilings: Ceilings): Float64Array {
	return Float64Array.from(CHANNELS, (name) => {
		const most = ceilings[name] ?? Infinity;
		if (!(most >= 0)) throw new RangeError(`A ceiling is 0 or more; that of ${name} is ${most}.`);
		return most;
	});
}

/** Bends the seven channels from `at` in `values` under their ceilings, in place. */
export function applyCeilings(ceilings: Float64Array, values: Float64Array, at = 0): void {
	for (let c = 0; c < CHANNEL_COUNT; c++) {
		const most = ceilings[c]!;
		const v = values[at + c]!;
		const size = v < 0 ? -v : v;
		const free = BENDS_FROM * most;
		if (size <= free) continue;
		const room = most - free;
		const u = room > 0 ? (size - free) / room : 0;
		const bent = free + (room * u) / (1 + u);
		values[at + c] = v < 0 ? -bent : bent;
	}
}

/** Whether any of the seven channels from `at` is bent. */
export function isBent(ceilings: Float64Array, values: Float64Array, at = 0): boolean {
	for (let c = 0; c < CHANNEL_COUNT; c++) {
		const v = values[at + c]!;
		if ((v < 0 ? -v : v) > BENDS_FROM * ceilings[c]!) return true;
	}
	return false;
}
