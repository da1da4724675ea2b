/** What a rig lets through of what cues play, compiled. */
import { isShake } from '../shake/types';
import type { AnyPreset } from '../kit/types';
import { CHANNELS } from '../units/channels';
import type { LetsThrough } from '../chain/types';

export interface CompiledLets {
	/** Ids of the presets that are seen; null: all. */
	readonly presets: ReadonlySet<string> | null;
	/** By channel, what they are multiplied by. */
	readonly shares: Float64Array;
}

/** May allocate. */
export function compileLets({ only, not, share, channels }: LetsThrough, all: readonly AnyPreset[]): CompiledLets {
	const has = (tags: readonly string[], of: readonly string[]): boolean => of.some((tag) => tags.includes(tag));
	const passes = (tags: readonly string[]): boolean => (only.length === 0 || has(tags, only)) && !has(tags, not);
	return {
		presets:
			only.length + not.length === 0 ? null : new Set(all.filter((p) => isShake(p) && passes(p.tags)).map((p) => p.id)),
		shares: Float64Array.from(CHANNELS, (channel) => share * (channels[channel] ?? 1))
	};
}
