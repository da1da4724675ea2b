import { CHANNELS, type Channel } from 'dinesis-runtime/tools';
import type { PresetCheck } from './types';

/** The frequency that is seen when `frequency` is shown at `rate` pictures a second. */
export function seenFrequency(frequency: number, rate: number): number {
	const folded = frequency % rate;
	return folded > rate / 2 ? rate - folded : folded;
}

/** A frequency above half the picture rate is not seen as set. */
export const foldedFrequency: PresetCheck = (preset, { pictureRate }) =>
	preset.layers.flatMap((layer, i) =>
		layer.mute || layer.pattern.kind === 'keys'
			? []
			: CHANNELS.flatMap((channel) => {
					const settings = layer.channels[channel];
					if (!settings || settings.amplitude === 0) return [];
					const frequency = settings.frequency * layer.rate * preset.rate;
					if (frequency <= pictureRate / 2) return [];
					const wanted = pictureRate / 2.5 / (layer.rate * preset.rate);
					return [
						{
							check: 'folded-frequency',
							level: 'warning' as const,
							place: `layers[${i}].channels.${channel}.frequency`,
							sentence: `${name(channel)} at ${round(frequency)} Hz is seen as ${round(seenFrequency(frequency, pictureRate))} Hz at ${pictureRate} pictures a second.`,
							fix: {
								label: `Lower to ${round(pictureRate / 2.5)} Hz`,
								apply: (p) => ({
									...p,
									layers: p.layers.map((l) =>
										l.id === layer.id
											? {
													...l,
													channels: { ...l.channels, [channel]: { ...l.channels[channel]!, frequency: wanted } }
												}
											: l
									)
								})
							}
						}
					];
				})
	);

const NAMES: Readonly<Record<Channel, string>> = {
	x: 'Side',
	y: 'Height',
	z: 'Depth',
	pitch: 'Pitch',
	yaw: 'Yaw',
	roll: 'Roll',
	fov: 'Field of view'
};
const name = (channel: Channel): string => NAMES[channel];
const round = (value: number): number => Math.round(value * 10) / 10;
