/**
 * The table of document kinds. Whatever works on documents of any kind (the store, the page's collection, undo, the routes) knows them only
 * from here: a new kind is a folder beside this file and a row in it.
 */
import type { ReadResult } from 'dinesis-runtime';
import { openAs } from 'dinesis-runtime/tools';
import { compare, changedBy } from '../fields/changes';
import { planOf, type Plan } from '../fields/plan';
import { shownOf, toTree, type Tree } from '../fields/tree';
import { bob } from './bob';
import { course } from './course';
import { cue } from './cue';
import { event } from './event';
import { lag } from './lag';
import { project } from './project';
import { rig } from './rig';
import { shake } from './shake';
import type { AnyDocument, At, Kind, KindName, Reference } from './types';
import { value } from './value';

export const KINDS: Readonly<Record<KindName, Kind>> = { shake, bob, lag, rig, cue, event, value, course, project };
export const KIND_NAMES = Object.keys(KINDS) as readonly KindName[];
export const isKind = (name: unknown): name is KindName => typeof name === 'string' && Object.hasOwn(KINDS, name);

const plans = new Map<KindName, Plan>();

/** Where the fields of a kind's documents are. */
export function planOfKind(name: KindName): Plan {
	const known = plans.get(name);
	if (known) return known;
	const plan = planOf(KINDS[name].shape);
	plans.set(name, plan);
	return plan;
}

/** The document that a kept one shows. */
export const documentOf = <T extends AnyDocument>(name: KindName, tree: Tree): T =>
	shownOf(planOfKind(name), tree) as T;

/** What a document points at. */
export function pointsAt(name: KindName, document: AnyDocument): Reference[] {
	const found: Reference[] = [];
	KINDS[name].pointing(document, (space, id) => {
		if (id !== '') found.push({ space, id });
		return id;
	});
	return found;
}

/** A document where others go by other ids; the same one where that is nothing to it. */
export function following<T extends AnyDocument>(name: KindName, document: T, at: At): T {
	let isTouched = false;
	const moved: At = (space, id) => {
		const to = at(space, id);
		isTouched ||= to !== id;
		return to;
	};
	const { pointing, naming } = KINDS[name];
	const pointed = pointing(document, moved);
	const next = naming?.(pointed, moved) ?? pointed;
	return (isTouched ? next : document) as T;
}

export const treeOf = (name: KindName, document: AnyDocument): Tree => toTree(planOfKind(name), document);

/**
 * Formats of a stored document: 0 is one as a kit has it, from before documents were kept by fields; 1 and above are trees, and each of the
 * kind's migrations brings one to the next.
 */
export const formatOf = (name: KindName): number => 1 + KINDS[name].migrations.length;

/** Checks a document of a kind and fills in what it leaves out. The value is the result's own from here on. */
export const openDocument = <T extends AnyDocument>(name: KindName, parsed: unknown): ReadResult<T> =>
	openAs<T>(parsed, KINDS[name].shape);

/**
 * A stored document as one of today: brought to the newest format, with what has come to its kind since filled in. What is not sound is
 * given back as it is: it was kept, so it is shown.
 */
export function woken(name: KindName, format: number, body: unknown): Tree {
	if (format === 0) {
		const opened = openDocument(name, structuredClone(body));
		return treeOf(name, opened.ok ? opened.value : (body as AnyDocument));
	}
	let tree: Tree = body;
	for (const migrate of KINDS[name].migrations.slice(format - 1)) tree = migrate(tree);
	const shown = documentOf(name, tree);
	const opened = openDocument(name, structuredClone(shown));
	if (!opened.ok) return tree;
	return changedBy(tree, compare(planOfKind(name), tree, shown, opened.value)) ?? tree;
}

export { PRESET_KINDS, type AnyDocument, type Kind, type KindName, type Reference, type Space } from './types';
export { PROJECT_ID, type ProjectFacts } from './project';
export {
	DEFAULT_SETTINGS,
	isPlain,
	KEY_IDS,
	silencedId,
	type KeyRow,
	type KeyTarget,
	type Person,
	type Silenced,
	type ProjectSettings
} from './project/settings';
