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

/** Whether a preset with these tags is seen. */
export function letsPass({ only, not }: Pick<LetsThrough, 'only' | 'not'>, tags: readonly string[]): boolean {
	const has = (list: readonly string[]): boolean => tags.some((tag) => list.includes(tag));
	return (only.length === 0 || has(only)) && !has(not);
}

/** May allocate. */
export function compileLets(lets: LetsThrough, all: readonly AnyPreset[]): CompiledLets {
	const { only, not, share, channels } = lets;
	return {
		presets:
			only.length + not.length === 0
				? null
				: new Set(all.filter((p) => isShake(p) && letsPass(lets, p.tags)).map((p) => p.id)),
		shares: Float64Array.from(CHANNELS, (channel) => share * (channels[channel] ?? 1))
	};
}
