/** Which stretches of a preset are looked at when it is measured. */
import type { ShakePreset } from 'dinesis-runtime';
import type { Seconds } from 'dinesis-runtime/tools';
import { naturalLength } from './sample';

export interface Stretch {
	readonly from: Seconds;
	readonly to: Seconds;
}

const LONGEST: Seconds = 30;
const PIECES = 6;
const PIECE: Seconds = 5;

/**
 * A burst is looked at as a whole, a very long one in six pieces spread over it; a continuous motion for six seconds
 * once it has faded in and grown.
 */
export function stretchesOf(preset: ShakePreset): readonly Stretch[] {
	const { timing } = preset;
	if (timing.mode === 'continuous') {
		const from = timing.delay + timing.fadeIn.time + (timing.growth?.over ?? 0);
		return [{ from, to: from + 6 }];
	}
	const whole = naturalLength(preset);
	if (whole <= LONGEST) return [{ from: 0, to: whole }];
	return Array.from({ length: PIECES }, (_, i) => {
		const from = ((whole - PIECE) * i) / (PIECES - 1);
		return { from, to: from + PIECE };
	});
}
