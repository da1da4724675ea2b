/** Bringing presets of another kit into a project: what is new, what is there already, what differs. */
import { dequal } from 'dequal/lite';
import { isShake, type Kit, type ShakePreset } from './types';

/** `new`: nobody has this id; `same`: it is there to the letter; `differs`: another preset has its id. */
export type Standing = 'new' | 'same' | 'differs';

export interface Arrival {
	readonly preset: ShakePreset;
	readonly standing: Standing;
}

/** What to do with a preset whose id is taken: leave what is there, put the new one in its place, or have both. */
export type Choice = 'keep' | 'replace' | 'both';

/** Every shake preset of a kit beside what the project has. Presets of other families are not among them. */
export function arrivals(kit: Kit, present: (id: string) => ShakePreset | undefined): Arrival[] {
	return kit.presets.filter(isShake).map((preset) => {
		const here = present(preset.id);
		return { preset, standing: !here ? 'new' : dequal(here, preset) ? 'same' : 'differs' };
	});
}
