import { channelsOf } from 'dinesis-runtime/tools';
import type { Finding, PresetCheck } from './types';

const note = (place: string, sentence: string, extra: Partial<Finding> = {}): Finding[] => [
	{ check: 'no-motion', level: 'warning', place, sentence, ...extra }
];

/** A preset that moves nothing, and why. */
export const noMotion: PresetCheck = (preset) => {
	const { layers, timing } = preset;
	if (layers.length === 0) return note('layers', 'There is no layer, so nothing moves.');
	const heard = layers.filter((layer) => !layer.mute);
	if (heard.length === 0)
		return note('layers', 'Every layer is muted, so nothing moves.', {
			fix: {
				label: 'Unmute them',
				apply: (p) => ({ ...p, layers: p.layers.map((layer) => ({ ...layer, mute: false })) })
			}
		});
	if (timing.mode === 'burst' && timing.duration === 0)
		return note('timing.duration', 'The length is 0 s, so nothing moves.');
	const { life, growth } = timing;
	if (timing.mode === 'burst' && life && 'points' in life && life.points.every((point) => point.value === 0))
		return note('timing.life', 'The strength over life is 0 throughout, so nothing moves.');
	if (timing.mode === 'continuous' && growth && growth.to === 0 && (growth.from === 0 || growth.over === 0))
		return note('timing.growth', 'It grows from nothing to nothing, so nothing moves.');
	if (preset.amount === 0) return note('amount', 'The amount is 0, so nothing moves.');
	const moves = heard.some(
		(layer) => layer.amount !== 0 && channelsOf(preset.view).some((c) => (layer.channels[c]?.amplitude ?? 0) !== 0)
	);
	return moves ? [] : note('layers[0].channels', 'No channel has an amplitude, so nothing moves.');
};
