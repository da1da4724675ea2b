/** Bringing presets and rigs of a kit into the project: what is done with each, and what is said of it. The session does it. */
import type { Arrival, Choice } from '$lib/documents';
import type { AnyPreset, Rig } from 'dinesis-runtime';

/** What is done with what a kit brings. */
export interface BringingIn {
	/** Made anew, under their own ids where these are free. */
	readonly fresh: readonly AnyPreset[];
	/** Put in the place of what is here, by its id. */
	readonly replaced: ReadonlyMap<string, AnyPreset>;
	/** How many stay as they are here, and how many were the same. */
	readonly kept: number;
	readonly same: number;
}

export function sortOut(list: readonly Arrival[], choiceOf: (id: string) => Choice): BringingIn {
	const fresh: AnyPreset[] = [];
	const replaced = new Map<string, AnyPreset>();
	let [kept, same] = [0, 0];
	for (const { preset, standing } of list) {
		const choice = standing === 'differs' ? choiceOf(preset.id) : null;
		if (standing === 'same') same++;
		else if (standing === 'new' || choice === 'both') fresh.push(preset);
		else if (choice === 'replace') replaced.set(preset.id, preset);
		else kept++;
	}
	return { fresh, replaced, kept, same };
}

/**
 * Rigs whose ids are free here, each with the bob and the lag that it came with, whatever they are called here: `keyOf` of a preset's id
 * in the kit.
 */
export function rigsAlong(
	rigs: readonly Rig[],
	present: readonly Rig[],
	keyOf: ReadonlyMap<string, string>
): readonly Rig[] {
	const at = (id: string | null): string | null => (id === null ? null : (keyOf.get(id) ?? id));
	return rigs
		.filter((rig) => !present.some((here) => here.id === rig.id))
		.map((rig) => ({ ...rig, bob: at(rig.bob), lag: at(rig.lag) }));
}

/** What came of it, in a sentence's words. */
export function sayBroughtIn({ fresh, replaced, kept, same }: BringingIn, rigs: number): string {
	return [
		`${fresh.length} brought in`,
		rigs > 0 ? `${rigs} ${rigs === 1 ? 'rig' : 'rigs'} with them` : '',
		replaced.size > 0 ? `${replaced.size} replaced` : '',
		kept > 0 ? `${kept} left as they are` : '',
		same > 0 ? `${same} were here already` : ''
	]
		.filter(Boolean)
		.join(', ');
}
