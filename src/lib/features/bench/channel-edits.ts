/** Channels of a layer as the grid changes them. */
import {
	familyOf,
	RANGES,
	unitOf,
	type Channel,
	type ChannelSettings,
	type Layer,
	type View
} from 'dinesis-runtime/tools';
import { FRESH_KEYS } from './pattern-drawing';

/** What a channel begins with when it is switched on: enough to be seen, not enough to hurt. */
const BEGIN: Readonly<Record<Channel, number>> = { x: 0.05, y: 0.05, z: 0.05, pitch: 1, yaw: 1, roll: 1, fov: 2 };
const FLAT_BEGIN = 8;

/** A layer as it is kept: what was switched off stands beside what plays, and no game reads it. */
export type KeptLayer = Layer & { readonly off?: Partial<Record<Channel, ChannelSettings>> };

/** What a channel had when it was switched off; undefined: nothing that can be used. */
export function keptOf(layer: KeptLayer, channel: Channel): ChannelSettings | undefined {
	const kept: unknown = layer.off?.[channel];
	if (typeof kept !== 'object' || kept === null) return undefined;
	const { amplitude, frequency, start } = kept as ChannelSettings;
	const sound =
		Math.abs(amplitude) <= RANGES.amplitude &&
		frequency >= 0 &&
		frequency <= RANGES.frequency &&
		(start === 'random' || start === 'zero' || (start >= 0 && start < 1));
	return sound ? (kept as ChannelSettings) : undefined;
}

/** A channel as it begins: as fast as the layer, as much as the others of its family. */
export function freshChannel(layer: Layer, channel: Channel, view: View): ChannelSettings {
	const others = Object.entries(layer.channels) as [Channel, ChannelSettings][];
	const alike = others.filter(
		([name]) => unitOf(name, view) === unitOf(channel, view) && familyOf(name) === familyOf(channel)
	);
	const flat = view === 'flat' && (channel === 'x' || channel === 'y');
	return {
		amplitude: Math.abs(alike.at(-1)?.[1].amplitude ?? 0) || (flat ? FLAT_BEGIN : BEGIN[channel]),
		frequency: (alike.at(-1) ?? others[0])?.[1].frequency ?? 5,
		start: layer.pattern.kind === 'keys' ? 'zero' : 'random',
		...(layer.pattern.kind === 'keys' ? { keys: FRESH_KEYS } : {})
	};
}

/** What one step of an amplitude is worth. */
export const amplitudeStep = (channel: Channel, view: View): number =>
	view === 'space' && (channel === 'x' || channel === 'y' || channel === 'z') ? 0.0005 : 0.01;

/** The channel whose clock this one's jumps go by; null when it has its own. */
export function clockOf({ pattern, channels }: Layer, channel: Channel): Channel | null {
	if (pattern.kind !== 'jumps' || pattern.within === 'box') return null;
	const shared: readonly Channel[] = pattern.within === 'disc' ? ['x', 'y'] : ['x', 'y', 'z'];
	const clock = shared.find((c) => channels[c]);
	return shared.includes(channel) && clock && clock !== channel ? clock : null;
}

export const withChannel = (layer: Layer, channel: Channel, part: Partial<ChannelSettings>): Layer => ({
	...layer,
	channels: { ...layer.channels, [channel]: { ...layer.channels[channel]!, ...part } }
});

/** Switched off, with its numbers kept; or on, with those that it had, or as a fresh one. */
export function toggled(layer: KeptLayer, channel: Channel, view: View): KeptLayer {
	const { [channel]: present, ...rest } = layer.channels;
	if (present) return { ...layer, channels: rest, off: { ...layer.off, [channel]: present } };
	const { off: { [channel]: before, ...others } = {}, ...plain } = layer;
	void before;
	const again = keptOf(layer, channel);
	const fresh = freshChannel(layer, channel, view);
	// One that was kept from another pattern may lack what this one needs.
	const made = again ? { ...(fresh.keys && { keys: fresh.keys }), ...again } : fresh;
	const channels = { ...layer.channels, [channel]: made };
	return Object.keys(others).length > 0 ? { ...plain, channels, off: others } : { ...plain, channels };
}

/** A part of several channels at once. */
export const withChannels = (layer: Layer, channels: Iterable<Channel>, part: Partial<ChannelSettings>): Layer =>
	[...channels].filter((c) => layer.channels[c]).reduce((made, c) => withChannel(made, c, part), layer);

/**
 * One amplitude set for several channels: those of its family get the same, the others are changed in proportion, as a metre is no degree.
 */
export function amplitudesSet(layer: Layer, channel: Channel, among: Iterable<Channel>, amplitude: number): Layer {
	const before = layer.channels[channel]!.amplitude;
	const within = (v: number): number => Math.max(-RANGES.amplitude, Math.min(RANGES.amplitude, v));
	return [...among].reduce((made, c) => {
		const one = layer.channels[c];
		if (!one) return made;
		if (familyOf(c) === familyOf(channel)) return withChannel(made, c, { amplitude });
		return before === 0 ? made : withChannel(made, c, { amplitude: within((one.amplitude * amplitude) / before) });
	}, layer);
}

/** One amplitude set, the others in proportion; from nothing there is none. */
export function inProportion(layer: Layer, channel: Channel, amplitude: number): Layer {
	const by = amplitude / layer.channels[channel]!.amplitude;
	const within = (v: number): number => Math.max(-RANGES.amplitude, Math.min(RANGES.amplitude, v));
	const scaled = Object.entries(layer.channels).map(([name, c]) => [
		name,
		{ ...c, amplitude: name === channel ? amplitude : within(c.amplitude * by) }
	]);
	return { ...layer, channels: Object.fromEntries(scaled) };
}
