/** Turns a preset into the flat arrays that a play runs on. Allocates; done once per change, never per frame. */
import { rowOf, type AnyRow } from '../patterns/table';
import { hashText } from '../random/hash';
import { CHANNELS, channelsOf } from '../units/channels';
import type { Cycles, Seconds } from '../units/quantities';
import type { Layer, ShakePreset } from './types';
import type { PatternKind } from '../patterns/pattern';
import { compileDrives, type CompiledDrive } from '../drives/drives';
import { compileGain, type Envelope } from './gain';
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
	/** The kind's row, and what it made of the pattern's numbers. */
	readonly row: AnyRow;
	readonly compiled: unknown;
	/** The row's own, at hand: it is called for each layer in each frame. */
	readonly add: AnyRow['add'];
	/** How many seeds each channel needs. */
	readonly seedsPerChannel: number;
	/** Channels below this number share one seed and one start. */
	readonly shared: number;
}

export interface CompiledShake {
	readonly preset: ShakePreset;
	readonly gain: Envelope;
	readonly layers: readonly CompiledLayer[];
	/** null: felt alike everywhere. */
	readonly reach: CompiledReach | null;
	/** null: nothing drives it. */
	readonly drives: readonly CompiledDrive[] | null;
	/** Something in it reads its age and comes to an end: it cannot run on when a play starts over. */
	readonly hangsOnAge: boolean;
}

/** A channel number's own hash, from its name, so that it does not hang on an order. */
const CHANNEL_HASHES = CHANNELS.map(hashText);
export const channelHash = (channel: number): number => CHANNEL_HASHES[channel]!;

const startOf = (start: 'zero' | 'random' | Cycles): number =>
	start === 'zero' ? 0 : start === 'random' ? NaN : start;

function compileLayer(preset: ShakePreset, layer: Layer): CompiledLayer {
	const active = channelsOf(preset.view).filter((name) => layer.channels[name] !== undefined);
	const settings = active.map((name) => layer.channels[name]!);
	const rate = preset.rate * layer.rate;
	const pattern = layer.pattern;
	const row = rowOf(pattern.kind);
	const atZero = row.beginsAtZero(pattern);
	return {
		id: layer.id,
		hash: hashText(layer.seededBy ?? layer.id),
		kind: pattern.kind,
		delay: layer.delay,
		channels: Uint8Array.from(active, (name) => CHANNELS.indexOf(name)),
		scales: Float64Array.from(settings, (c) => c.amplitude * preset.amount * layer.amount),
		frequencies: Float64Array.from(active, (name) => row.frequency(pattern, name, layer.channels) * rate),
		starts: Float64Array.from(settings, (c) => (atZero ? 0 : startOf(c.start))),
		row,
		compiled: row.compile(pattern, settings),
		add: row.add,
		seedsPerChannel: row.seeds(pattern),
		shared: row.shared(pattern)
	};
}

/** Muted layers are left out. `length` overrides a burst's duration, and lets a continuous preset go in time to be over by then. */
export function compileShake(preset: ShakePreset, length?: Seconds): CompiledShake {
	const heard = preset.layers.filter((layer) => !layer.mute);
	return {
		preset,
		gain: compileGain(preset.timing, length),
		hangsOnAge: heard.some(({ pattern }) => rowOf(pattern.kind).hangsOnAge(pattern)),
		layers: heard.map((layer) => compileLayer(preset, layer)),
		reach: compileReach(preset.reach),
		drives: compileDrives(preset.drives)
	};
}
