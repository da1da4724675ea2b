/** Channels of a layer as the grid changes them. */
import { RANGES, type Channel, type ChannelSettings, type Layer, type View } from 'dinesis-runtime/tools';
import { FRESH_KEYS } from './pattern-drawing';

/** What a channel begins with when it is switched on: enough to be seen, not enough to hurt. */
const BEGIN: Readonly<Record<Channel, number>> = { x: 0.05, y: 0.05, z: 0.05, pitch: 1, yaw: 1, roll: 1, fov: 2 };
const FLAT_BEGIN = 8;

export const freshChannel = (layer: Layer, channel: Channel, view: View): ChannelSettings => ({
	amplitude: view === 'flat' && (channel === 'x' || channel === 'y') ? FLAT_BEGIN : BEGIN[channel],
	frequency: Object.values(layer.channels)[0]?.frequency ?? 5,
	start: layer.pattern.kind === 'keys' ? 'zero' : 'random',
	...(layer.pattern.kind === 'keys' ? { keys: FRESH_KEYS } : {})
});

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

/** Switched off, or on as a fresh one. */
export function toggled(layer: Layer, channel: Channel, view: View): Layer {
	const { [channel]: present, ...rest } = layer.channels;
	const channels = present ? rest : { ...layer.channels, [channel]: freshChannel(layer, channel, view) };
	return { ...layer, channels };
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
