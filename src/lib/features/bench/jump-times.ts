/**
 * The random time between two jumps, as its shortest and its longest: with a frequency f and a jitter j targets follow each other after
 * (1 − j)/f to (1 + j)/f, so that f = 2/(a + b) and j = (b − a)/(a + b).
 */
import { CHANNELS, type JumpsPattern, type Layer, type Seconds } from 'dinesis-runtime/tools';

export interface JumpTimes {
	readonly from: Seconds;
	readonly to: Seconds;
}

/** How many targets a second the layer's first channel has; a disc and a ball have one clock, which is its. */
function frequencyOf({ channels, rate }: Layer): number {
	const first = CHANNELS.find((name) => channels[name]);
	return first ? channels[first]!.frequency * rate : 0;
}

/** The times of a layer of jumps; null where it does not jump. */
export function jumpTimesOf(layer: Layer): JumpTimes | null {
	const frequency = frequencyOf(layer);
	if (layer.pattern.kind !== 'jumps' || frequency <= 0) return null;
	const { jitter = 0 } = layer.pattern;
	return { from: (1 - jitter) / frequency, to: (1 + jitter) / frequency };
}

/** The layer with these times; its channels keep their frequencies' proportions. The longer of the two is the longest. */
export function withJumpTimes(layer: Layer, { from, to }: JumpTimes): Layer {
	const [short, long] = from < to ? [from, to] : [to, from];
	const frequency = frequencyOf(layer);
	if (layer.pattern.kind !== 'jumps' || frequency <= 0 || long <= 0) return layer;
	const factor = 2 / (short + long) / frequency;
	const channels = Object.fromEntries(
		Object.entries(layer.channels).map(([name, own]) => [name, { ...own, frequency: own.frequency * factor }])
	);
	const pattern: JumpsPattern = { ...layer.pattern, jitter: (long - short) / (short + long) };
	return { ...layer, channels, pattern };
}
