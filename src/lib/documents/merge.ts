/** Bringing presets of another kit into a project: what is new, what is there already, what differs. */
import { dequal } from 'dequal/lite';
import type { AnyPreset } from 'dinesis-runtime';
import type { Kit } from './kit';

/** `new`: nobody has this id; `same`: it is there to the letter; `differs`: another preset has its id. */
export type Standing = 'new' | 'same' | 'differs';

export interface Arrival {
	readonly preset: AnyPreset;
	readonly standing: Standing;
}

/** What to do with a preset whose id is taken: leave what is there, put the new one in its place, or have both. */
export type Choice = 'keep' | 'replace' | 'both';

/** Every preset of a kit, of any family, beside what the project has. */
export function arrivals(kit: Pick<Kit, 'presets'>, present: (id: string) => AnyPreset | undefined): Arrival[] {
	return kit.presets.map((preset) => {
		const here = present(preset.id);
		return { preset, standing: !here ? 'new' : dequal(here, preset) ? 'same' : 'differs' };
	});
}
