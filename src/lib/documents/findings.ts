/** Everything found in a kit, document by document: what the page lists, and what `./dinesis check` tells. */
import { DEFAULT_SETTINGS, PROJECT_ID, KINDS, type AnyDocument, type KindName } from './kinds';
import { LEVELS, type Finding } from './checks';
import type { Kit } from './kit';

/** A finding and the document it is about. */
export interface Told {
	readonly kind: KindName;
	readonly document: AnyDocument;
	readonly finding: Finding<AnyDocument>;
}

/** What a kit says of its project. */
const factsOf = ({ world, settings = DEFAULT_SETTINGS }: Kit): AnyDocument =>
	({ id: PROJECT_ID, world, settings, carried: {} }) as AnyDocument;

/** All documents of a kit, each with where it stands in the file. */
export function* documentsIn(kit: Kit): Generator<{ kind: KindName; document: AnyDocument; at: string }> {
	const lists: readonly (readonly [string, readonly AnyDocument[], KindName | null])[] = [
		['presets', kit.presets, null],
		['events', kit.events, 'event'],
		['parameters', kit.parameters, 'value'],
		['cues', kit.cues, 'cue'],
		['rigs', kit.rigs, 'rig'],
		['courses', kit.courses, 'course']
	];
	for (const [name, list, kind] of lists)
		for (const [i, document] of list.entries())
			yield { kind: kind ?? (document as { family: KindName } & AnyDocument).family, document, at: `${name}[${i}].` };
	yield { kind: 'project', document: factsOf(kit), at: '' };
}

/** Everything found in one document of a kit. */
export const findingsFor = (kind: KindName, document: AnyDocument, kit: Kit): Told[] =>
	KINDS[kind].findings(document, kit).map((finding) => ({ kind, document, finding }));

/** The gravest first; of one gravity in the order of the kit. */
export const bySeverity = (list: readonly Told[]): Told[] =>
	[...list].sort((a, b) => LEVELS[a.finding.level] - LEVELS[b.finding.level]);

/** Everything found in a kit; places begin at the kit's root. */
export function checkKit(kit: Kit): Finding<AnyDocument>[] {
	const found: Finding<AnyDocument>[] = [];
	for (const { kind, document, at } of documentsIn(kit))
		for (const finding of KINDS[kind].findings(document, kit))
			found.push({ ...finding, place: `${at}${finding.place}` });
	return found;
}
