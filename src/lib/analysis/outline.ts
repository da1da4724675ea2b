/** The little drawing of a preset: what its two strongest channels do over its life, at their sizes in the picture. */
import type { ShakePreset } from 'dinesis-runtime';
import { CHANNEL_COUNT, CHANNELS, type Channel } from 'dinesis-runtime/tools';
import { pictureMovement } from './picture';
import { naturalLength, sampleShake } from './sample';

export const OUTLINE_POINTS = 72;

export interface OutlineLine {
	readonly channel: Channel;
	/** `OUTLINE_POINTS` values within −1 and 1, evenly spread over the whole: 1 is the farthest that either line goes. */
	readonly values: readonly number[];
}

/** Lines of the two channels that move the picture most, the stronger one first; none when nothing moves. */
export function outlineOf(preset: ShakePreset): OutlineLine[] {
	const { timing } = preset;
	const continuous = timing.mode === 'continuous';
	const length = continuous ? Math.min(30, timing.delay + timing.fadeIn.time + 3) : naturalLength(preset);
	if (length <= 0) return [];
	const fps = (OUTLINE_POINTS - 1) / length;
	const { values } = sampleShake(preset, { seconds: length, fps, seed: 3 });
	const single = new Float64Array(CHANNEL_COUNT);
	const sizes = CHANNELS.map((channel, c) => {
		let most = 0;
		for (let i = c; i < values.length; i += CHANNEL_COUNT) most = Math.max(most, Math.abs(values[i]!));
		single.fill(0);
		single[c] = most;
		return { channel, c, most, seen: pictureMovement(single, 0, preset.view) };
	})
		.filter((line) => line.seen > 0)
		.sort((a, b) => b.seen - a.seen)
		.slice(0, 2);
	return sizes.map(({ channel, c, most, seen }) => ({
		channel,
		values: Array.from({ length: OUTLINE_POINTS }, (_, i) => {
			const value = values[i * CHANNEL_COUNT + c] ?? 0;
			return Math.round((value / most) * (seen / sizes[0]!.seen) * 1000) / 1000;
		})
	}));
}
