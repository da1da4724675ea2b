/** The starter sets: motions that belong to no game, as kits in `starter/`, in the order in which they are shown. */
import { arrivalsOf, openKit, sayProblem, type AnyDocument, type Coming, type KindName } from '$lib/documents';
import blasts from '../../../starter/blasts-and-tremors.kit.json';
import blows from '../../../starter/blows.kit.json';
import falls from '../../../starter/falls-and-landings.kit.json';
import tools from '../../../starter/tools-and-weapons.kit.json';
import machines from '../../../starter/machines-and-vehicles.kit.json';
import ground from '../../../starter/ground-weather-water.kit.json';
import body from '../../../starter/the-body.kit.json';
import handHeld from '../../../starter/hand-held.kit.json';
import lens from '../../../starter/lens.kit.json';
import flat from '../../../starter/flat.kit.json';
import steps from '../../../starter/steps.kit.json';
import trailing from '../../../starter/trailing.kit.json';
import cameras from '../../../starter/cameras.kit.json';

/** A document of a starter set: a shake, a head bob, a lag or a rig. */
export type Starter = Coming & {
	readonly document: AnyDocument & { readonly about: string; readonly tags?: readonly string[] };
};

export interface StarterSet {
	readonly name: string;
	/** What it is for, in a sentence. */
	readonly about: string;
	readonly members: readonly Starter[];
}

const FILES: readonly { readonly name: string; readonly about: string }[] = [
	blasts,
	blows,
	falls,
	tools,
	machines,
	ground,
	body,
	handHeld,
	lens,
	flat,
	steps,
	trailing,
	cameras
];
const KINDS_OF_SETS: ReadonlySet<KindName> = new Set<KindName>(['shake', 'bob', 'lag', 'rig']);

let sets: readonly StarterSet[] | null = null;

/** All of them, read once. Throws when a file of ours is not a kit, with the place in it. */
export function starterSets(): readonly StarterSet[] {
	sets ??= FILES.map((file) => {
		const read = openKit(structuredClone(file));
		if (!read.ok) throw new Error(`${file.name}: ${read.problems.map(sayProblem).join(' ')}`);
		const members = arrivalsOf(read.value).filter(({ kind }) => KINDS_OF_SETS.has(kind)) as Starter[];
		return { name: file.name, about: file.about, members };
	});
	return sets;
}
