/** A kit, document by document. */
import { DEFAULT_SETTINGS, PROJECT_ID, type AnyDocument, type KindName } from './kinds';
import type { Kit } from './kit';

/** What a kit says of its project. */
const factsOf = ({ world, settings = DEFAULT_SETTINGS, players = [] }: Kit): AnyDocument =>
	({ id: PROJECT_ID, world, settings, players, carried: {} }) as AnyDocument;

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
