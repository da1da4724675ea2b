/** Turns a preset into the flat arrays that a play runs on. Allocates; done once per change, never per frame. */
import { compileJumps, type CompiledJumps } from '../patterns/jumps';
import { compileKeys, type CompiledKeys } from '../patterns/keys';
import { compileKick, type CompiledKick } from '../patterns/kick';
import { compileNoise, type CompiledNoise } from '../patterns/noise';
import type { WaveShape } from '../patterns/wave';
import { hashText } from '../random/hash';
import { CHANNELS, channelsOf, type Channel } from '../units/channels';
import type { Cycles, Seconds } from '../units/quantities';
import type { Layer, PatternKind, ShakePreset } from '../kit/types';
import { compileDrives, type CompiledDrive } from './drives';
import { compileGain, type GainShape } from './gain';
import { compileReach, type CompiledReach } from './reach';

export interface CompiledLayer {
	readonly id: string;
	readonly hash: number;
	readonly kind: PatternKind;
	readonly delay: Seconds;
	/** Channel numbers of the active channels, rising. The arrays below hold one entry for each. */
	readonly channels: Uint8Array;
	/** Amplitude × amounts, in the channel's unit. */
	readonly scales: Float64Array;
	/** Frequency × rates, in hertz. */
	readonly frequencies: Float64Array;
	/** Where the pattern begins, in cycles; NaN for `random`. */
	readonly starts: Float64Array;
	/** How many seeds each channel needs. */
	readonly seedsPerChannel: number;
	readonly noise: CompiledNoise | null;
	readonly wave: WaveShape;
	readonly jumps: CompiledJumps | null;
	readonly kick: CompiledKick | null;
	/** One curve for each active channel. */
	readonly keys: readonly CompiledKeys[] | null;
}

export interface CompiledShake {
	readonly preset: ShakePreset;
	readonly gain: GainShape;
	readonly layers: readonly CompiledLayer[];
	/** null: felt alike everywhere. */
	readonly reach: CompiledReach | null;
	/** null: nothing drives it. */
	readonly drives: readonly CompiledDrive[] | null;
}

/** A channel number's own hash, from its name, so that it does not hang on an order. */
const CHANNEL_HASHES = CHANNELS.map(hashText);
export const channelHash = (channel: number): number => CHANNEL_HASHES[channel]!;

const startOf = (start: 'zero' | 'random' | Cycles): number =>
	start === 'zero' ? 0 : start === 'random' ? NaN : start;

/** A kick begins at 0 always, and so do keys that are played once. */
const beginsAtZero = (pattern: Layer['pattern']): boolean =>
	pattern.kind === 'kick' || (pattern.kind === 'keys' && !pattern.loop);

/** Cycles a second of a channel: its own; the cycle's for keys; one clock for the position of jumps in a disc or ball. */
function frequencyOf(layer: Layer, name: Channel, own: number): number {
	const { pattern, channels } = layer;
	if (pattern.kind === 'keys') return 1 / pattern.cycle;
	if (pattern.kind !== 'jumps' || pattern.within === 'box') return own;
	const shared: readonly Channel[] = pattern.within === 'disc' ? ['x', 'y'] : ['x', 'y', 'z'];
	const clock = shared.map((c) => channels[c]).find((c) => c !== undefined);
	return shared.includes(name) && clock ? clock.frequency : own;
}

function compileLayer(preset: ShakePreset, layer: Layer): CompiledLayer {
	const active = channelsOf(preset.view).filter((name) => layer.channels[name] !== undefined);
	const settings = active.map((name) => layer.channels[name]!);
	const rate = preset.rate * layer.rate;
	const pattern = layer.pattern;
	return {
		id: layer.id,
		hash: hashText(layer.id),
		kind: pattern.kind,
		delay: layer.delay,
		channels: Uint8Array.from(active, (name) => CHANNELS.indexOf(name)),
		scales: Float64Array.from(settings, (c) => c.amplitude * preset.amount * layer.amount),
		frequencies: Float64Array.from(active, (name, j) => frequencyOf(layer, name, settings[j]!.frequency) * rate),
		starts: Float64Array.from(settings, (c) => (beginsAtZero(pattern) ? 0 : startOf(c.start))),
		seedsPerChannel: pattern.kind === 'noise' ? pattern.octaves : 1,
		noise: pattern.kind === 'noise' ? compileNoise(pattern) : null,
		wave: pattern.kind === 'wave' ? pattern.shape : 'sine',
		jumps: pattern.kind === 'jumps' ? compileJumps(pattern) : null,
		kick: pattern.kind === 'kick' ? compileKick(pattern) : null,
		keys: pattern.kind === 'keys' ? settings.map((c) => compileKeys(c.keys ?? [], pattern.loop)) : null
	};
}

/** Muted layers are left out. `length` overrides a burst's duration. */
export function compileShake(preset: ShakePreset, length?: Seconds): CompiledShake {
	return {
		preset,
		gain: compileGain(preset.timing, length),
		layers: preset.layers.filter((layer) => !layer.mute).map((layer) => compileLayer(preset, layer)),
		reach: compileReach(preset.reach),
		drives: compileDrives(preset.drives)
	};
}
