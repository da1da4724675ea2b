import type { ShakePreset } from 'dinesis-runtime';
import { CHANNEL_COUNT, CHANNELS, familyOf, type Channel } from 'dinesis-runtime/tools';
import { correlation } from '$lib/analysis';
import { withLayers } from './shake-parts';
import { said } from '../written';
import type { MotionCheck } from './types';

/** From here on two channels move as one. */
export const AS_ONE = 0.95;
/** The smaller of both counts from this share of the larger. */
const COUNTS = 0.25;
/** Both far apart from each other: no whole swings of one are whole swings of the other. */
const APART = 1.27;

/** Two channels that move as one: the picture goes to and fro along a line. */
export const diagonal: MotionCheck<ShakePreset> = {
	check: 'diagonal',
	kind: 'shake',
	why: 'Two channels that swing together slide the picture along a straight line: it looks like a rail, not like a shake.',
	find(preset, watched) {
		// A blow goes one way, and keys go where a hand put them.
		const wild = preset.layers.filter(
			({ mute, pattern }) => !mute && pattern.kind !== 'kick' && pattern.kind !== 'keys'
		);
		if (wild.length === 0) return [];
		const swings = (channel: Channel): boolean =>
			wild.some(({ channels }) => (channels[channel]?.amplitude ?? 0) !== 0 && channels[channel]!.frequency > 0);
		const plays = watched.shake(preset);
		for (let a = 0; a < CHANNEL_COUNT; a++)
			for (let b = a + 1; b < CHANNEL_COUNT; b++) {
				const [first, second] = [CHANNELS[a]!, CHANNELS[b]!];
				if (familyOf(first) !== familyOf(second) || !swings(first) || !swings(second)) continue;
				const least = Math.min(
					...plays.map(({ motion: { track } }) => Math.abs(correlation(track.values, track.count, CHANNEL_COUNT, a, b)))
				);
				if (least <= AS_ONE) continue;
				const { values, count } = plays[0]!.motion.track;
				let [pa, pb] = [0, 0];
				for (let i = 0; i < count; i++) {
					pa = Math.max(pa, Math.abs(values[i * CHANNEL_COUNT + a]!));
					pb = Math.max(pb, Math.abs(values[i * CHANNEL_COUNT + b]!));
				}
				if (Math.min(pa, pb) < COUNTS * Math.max(pa, pb)) continue;
				return [
					{
						level: 'warning',
						place: `layers[0].channels.${second}`,
						sentence: `${first} and ${second} move as one (correlation ${said(least)}): the picture slides along a line.`,
						fix: {
							label: `Let ${second} swing by itself`,
							document: withLayers(preset, (layer) => {
								const settings = layer.channels[second];
								if (!settings || layer.pattern.kind === 'kick' || layer.pattern.kind === 'keys') return layer;
								const apart = {
									...settings,
									frequency: Number((settings.frequency * APART).toPrecision(3)),
									start: 'random' as const
								};
								return { ...layer, channels: { ...layer.channels, [second]: apart } };
							})
						}
					}
				];
			}
		return [];
	}
};
