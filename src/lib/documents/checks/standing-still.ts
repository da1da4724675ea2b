import { CHANNELS } from 'dinesis-runtime/tools';
import type { PresetCheck } from './types';

/** A pattern at 0 Hz holds one value: the camera is pushed aside and stays there. */
export const standingStill: PresetCheck = (preset) =>
	preset.layers.flatMap((layer, i) =>
		layer.mute || layer.pattern.kind === 'keys'
			? []
			: CHANNELS.filter((channel) => {
					const c = layer.channels[channel];
					return c !== undefined && c.amplitude !== 0 && c.frequency * layer.rate * preset.rate === 0;
				})
					.slice(0, 1)
					.map((channel) => ({
						check: 'standing-still',
						level: 'note' as const,
						place: `layers[${i}].channels.${channel}.frequency`,
						sentence:
							layer.pattern.kind === 'kick'
								? 'A kick at 0 Hz never begins.'
								: 'At 0 Hz the camera is held in one place for the whole play, it does not shake.'
					}))
	);
