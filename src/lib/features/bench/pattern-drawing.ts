import type { ShakePreset } from 'dinesis-runtime';
import {
	channelsOf,
	newPreset,
	type Channel,
	type ChannelSettings,
	type Key,
	type Layer,
	type Pattern,
	type PatternKind,
	type View
} from 'dinesis-runtime/tools';
import { sampleShake } from '$lib/analysis';
import type { KeptLayer } from './channel-edits';

/** A pattern as it begins when it is chosen. */
export function freshPattern(kind: PatternKind): Pattern {
	switch (kind) {
		case 'noise':
			return { kind, octaves: 1, lacunarity: 2, persistence: 0.5 };
		case 'wave':
			return { kind, shape: 'sine' };
		case 'jumps':
			return { kind, within: 'box', between: 'hold', ease: 'smooth' };
		case 'keys':
			return { kind, cycle: 1, loop: true };
		case 'kick':
			return { kind, damping: 0.3 };
	}
}

/** Poses to begin with: out, through the middle, a little the other way. */
export const FRESH_KEYS: readonly Key[] = [
	{ at: 0, value: 0 },
	{ at: 0.25, value: 1 },
	{ at: 0.6, value: -0.5 }
];

/** The layer with another pattern; keys that it lacks are put in, so that it moves at once. */
export function withPattern(layer: Layer, pattern: Pattern): Layer {
	if (pattern.kind !== 'keys') return { ...layer, pattern };
	const keyed = (c: ChannelSettings): ChannelSettings => (c.keys ? c : { ...c, keys: FRESH_KEYS, start: 'zero' });
	const channels = Object.fromEntries(Object.entries(layer.channels).map(([name, c]) => [name, keyed(c)]));
	return { ...layer, pattern, channels };
}

/** An SVG path of a pattern in a box of 100 × 26, drawn from the real motion: two and a half cycles, or one of keys. */
export function patternPath(pattern: Pattern, layer?: Layer): string {
	const base = newPreset('drawing', 'drawing');
	const fade = { time: 0, ease: 'linear' } as const;
	const keys = Object.values(layer?.channels ?? {}).find((c) => c.keys)?.keys ?? FRESH_KEYS;
	const drawn: Pattern = pattern.kind === 'keys' ? { ...pattern, cycle: 1 } : pattern;
	const frequency = pattern.kind === 'jumps' ? 6 : pattern.kind === 'kick' ? 3 : 2.5;
	const track = sampleShake(
		{
			...base,
			timing: { ...base.timing, mode: 'continuous', fadeIn: fade, fadeOut: fade },
			layers: [
				{ ...base.layers[0]!, pattern: drawn, channels: { x: { amplitude: 1, frequency, start: 'zero', keys } } }
			]
		},
		{ seconds: 1, fps: 100, playSeed: 12 }
	);
	let path = '';
	for (let i = 0; i < track.count; i++)
		path += `${i === 0 ? 'M' : 'L'}${i} ${(13 - track.values[i * 7]! * 11.5).toFixed(1)}`;
	return path;
}

/** Pixels of a picture 1080 high that move it as far as a metre does, 5 m away in a 60° view. */
const PIXELS_PER_METRE = 1080 / (2 * 5 * Math.tan(Math.PI / 6));
const round = (value: number): number => Number(value.toPrecision(2));

/**
 * The preset for the other kind of view. Sideways, height and roll keep what they look like; the lens is degrees in one and
 * percent in the other. Channels that a flat view has not stay in the preset, unheard, and are there again on the way back.
 */
export function withView(preset: ShakePreset, view: View): ShakePreset {
	if (preset.view === view) return preset;
	const by = view === 'flat' ? PIXELS_PER_METRE : 1 / PIXELS_PER_METRE;
	const heard = channelsOf(view);
	const changed = (name: string, c: ChannelSettings): ChannelSettings =>
		(name === 'x' || name === 'y') && typeof c?.amplitude === 'number'
			? { ...c, amplitude: round(c.amplitude * by) }
			: c;
	return {
		...preset,
		view,
		space: view === 'flat' ? 'camera' : preset.space,
		layers: preset.layers.map((kept: KeptLayer) => {
			const inView = (of: KeptLayer['channels']) =>
				Object.fromEntries(Object.entries(of).map(([n, c]) => [n, changed(n, c)]));
			// What is switched off comes back in the new unit as well.
			const layer = kept.off ? { ...kept, off: inView(kept.off) } : kept;
			const channels = inView(layer.channels);
			const first = Object.values(layer.channels)[0];
			// A layer that would fall silent moves in height instead.
			if (first && !Object.keys(channels).some((n) => heard.includes(n as Channel)))
				return { ...layer, channels: { ...channels, y: { ...first, amplitude: view === 'flat' ? 12 : 0.05 } } };
			return { ...layer, channels };
		})
	};
}
