import type { Cue, ShakePreset } from 'dinesis-runtime';
import { CHANNELS, isShake, type Channel } from 'dinesis-runtime/tools';
import { channelOf } from '../figures';
import { playShake, type Motion } from '../motion';
import { densityOf, mainFrequency } from '../spectrum';
import { heard, withLayers } from './shake-parts';
import type { MotionCheck } from './types';

/** So many times the energy in the same octave, and the other is not felt. */
export const TEN_TO_ONE = 10;

interface Band {
	readonly energy: number;
	readonly hertz: number;
}

/** Of each channel that moves: how much, and at which frequency most of it. */
function bandsOf({ track, ends }: Motion): Map<Channel, Band> {
	const bands = new Map<Channel, Band>();
	CHANNELS.forEach((channel, c) => {
		const signal = channelOf(track, c);
		const energy = signal.reduce((sum, v) => sum + v * v, 0) / signal.length;
		if (energy > 0) bands.set(channel, { energy, hertz: mainFrequency(densityOf(signal, track.fps, { once: ends })) });
	});
	return bands;
}

/** Whether all that the one moves is moved ten times as much, in the same octave, by the other. */
function isHidden(small: Map<Channel, Band>, large: Map<Channel, Band>): boolean {
	if (small.size === 0) return false;
	for (const [channel, { energy, hertz }] of small) {
		const over = large.get(channel);
		if (!over || over.energy <= TEN_TO_ONE * energy) return false;
		const apart = Math.abs(Math.log2(Math.max(over.hertz, 0.05) / Math.max(hertz, 0.05)));
		if (apart > 0.5) return false;
	}
	return true;
}

/** A layer that nobody feels, as another one does the same ten times as much. */
export const hiddenLayer: MotionCheck<ShakePreset> = {
	check: 'hidden-layer',
	kind: 'shake',
	why: 'Of two motions of one kind the ten times smaller is not felt: it costs and does nothing.',
	find(preset) {
		const layers = heard(preset);
		if (layers.length < 2) return [];
		const bands = new Map(
			layers.map((i) => [
				i,
				bandsOf(
					playShake(
						withLayers(preset, (l, k) => (k === i ? l : { ...l, mute: true })),
						1
					)
				)
			])
		);
		return layers.flatMap((i) => {
			const over = layers.find((k) => k !== i && isHidden(bands.get(i)!, bands.get(k)!));
			if (over === undefined) return [];
			const name = (k: number): string => preset.layers[k]!.name ?? `layer ${k + 1}`;
			return [
				{
					level: 'note' as const,
					place: `layers[${i}].amount`,
					sentence: `Nothing of ${name(i)} is felt: ${name(over)} moves the same, more than ten times as much, at about the same pace.`,
					fix: {
						label: 'Mute it',
						document: withLayers(preset, (layer, k) => (k === i ? { ...layer, mute: true } : layer))
					}
				}
			];
		});
	}
};

/** A play of a cue that nobody feels under another one that comes with it. */
export const hiddenPlay: MotionCheck<Cue> = {
	check: 'hidden-play',
	kind: 'cue',
	why: 'Of two motions of one kind the ten times smaller is not felt: it costs and does nothing.',
	find(cue, watched) {
		const plays = cue.actions.flatMap((action, i) => {
			if (action.kind !== 'play' || action.pick.length !== 1) return [];
			const preset = watched.kit.presets.find(({ id }) => id === action.pick[0]!.preset);
			if (!preset || !isShake(preset)) return [];
			const strength = typeof action.strength === 'number' ? action.strength : 1;
			const bands = bandsOf(watched.shake(preset)[0]!.motion);
			for (const [channel, band] of bands) bands.set(channel, { ...band, energy: band.energy * strength * strength });
			return [{ i, preset, delay: action.delay, bands }];
		});
		return plays.flatMap((one) => {
			const over = plays.find(
				(other) => other !== one && Math.abs(other.delay - one.delay) < 0.05 && isHidden(one.bands, other.bands)
			);
			if (!over) return [];
			return [
				{
					level: 'note' as const,
					place: `actions[${one.i}]`,
					sentence: `Nothing of “${one.preset.name}” is felt under “${over.preset.name}”, which comes with it.`,
					fix: { label: 'Take it out', document: { ...cue, actions: cue.actions.filter((_, k) => k !== one.i) } }
				}
			];
		});
	}
};
