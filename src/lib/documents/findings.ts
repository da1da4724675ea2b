/** Everything found in a kit, document by document: what the page lists, and what `./dinesis check` tells. */
import type { BobPreset, Cue, GameEvent, Rig, ShakePreset } from 'dinesis-runtime';
import type { Course } from './course-types';
import { documentsIn } from './documents-in';
import { DEFAULT_SETTINGS, type AnyDocument, type KindName, type ProjectFacts } from './kinds';
import {
	checkBob,
	checkCourse,
	checkCue,
	checkPreset,
	checkRig,
	checkWorld,
	eventNeverComes,
	LEVELS,
	unknownDrive,
	type Finding
} from './checks';
import type { Kit } from './kit';

type Find = (document: AnyDocument, kit: Kit) => readonly Finding<AnyDocument>[];
/** So that each is checked by its own type where it is written, and all are one where they are told. */
const of = <T extends AnyDocument>(find: (document: T, kit: Kit) => readonly Finding<T>[]): Find =>
	find as unknown as Find;
const none = of(() => []);

/** What is odd about a document, beside all else of its kit; by kind. */
const FINDS: Readonly<Record<KindName, Find>> = {
	shake: of<ShakePreset>((preset, kit) => [
		...unknownDrive(preset, kit),
		...checkPreset(preset, { pictureRate: (kit.settings ?? DEFAULT_SETTINGS).frameRate })
	]),
	bob: of<BobPreset>((bob, kit) => [...checkBob(bob), ...unknownDrive(bob, kit)]),
	lag: none,
	rig: of<Rig>((rig, { presets }) => checkRig(rig, presets)),
	cue: of<Cue>(checkCue),
	event: of<GameEvent>(eventNeverComes),
	value: none,
	course: of<Course>(checkCourse),
	project: of<ProjectFacts>(({ world }, kit) => checkWorld(world, kit))
};

/** A finding and the document it is about. */
export interface Told {
	readonly kind: KindName;
	readonly document: AnyDocument;
	readonly finding: Finding<AnyDocument>;
}

/** Everything found in one document of a kit. */
export const findingsFor = (kind: KindName, document: AnyDocument, kit: Kit): Told[] =>
	FINDS[kind](document, kit).map((finding) => ({ kind, document, finding }));

export { documentsIn };

/** The gravest first; of one gravity in the order of the kit. */
export const bySeverity = (list: readonly Told[]): Told[] =>
	[...list].sort((a, b) => LEVELS[a.finding.level] - LEVELS[b.finding.level]);

/** Everything found in a kit; places begin at the kit's root. */
export function checkKit(kit: Kit): Finding<AnyDocument>[] {
	const found: Finding<AnyDocument>[] = [];
	for (const { kind, document, at } of documentsIn(kit))
		for (const finding of FINDS[kind](document, kit)) found.push({ ...finding, place: `${at}${finding.place}` });
	return found;
}
