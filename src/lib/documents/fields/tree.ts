/**
 * A document as it is kept: like the document of a kit, but each list of entries is an object by id, so that a field keeps its path whatever
 * is put in or moved before it. What the rooms work with is always the document of a kit; it is shown from the tree, and is the same object
 * as long as nothing in it changed.
 */
import { LEAF, type Plan } from './plan';
import { byPlace, firstKeys } from './order';

/** Kept values are JSON and are never changed in place. */
export type Tree = unknown;

/** One entry of a list. */
export interface Entry {
	readonly order: string;
	readonly is: Tree;
}
export type Entries = Readonly<Record<string, Entry>>;
type Fields = Readonly<Record<string, unknown>>;

export const isFields = (value: unknown): value is Fields =>
	typeof value === 'object' && value !== null && !Array.isArray(value);

/** The plan of an object's field. */
export function planAt(plan: Plan, name: string): Plan {
	if (plan.kind === 'object') return plan.fields.get(name) ?? LEAF;
	return plan.kind === 'record' ? plan.each : LEAF;
}

/** Of objects told apart by "kind", the plan of this one. */
export function planFor(plan: Plan, value: unknown): Plan {
	if (plan.kind !== 'kinds') return plan;
	return (isFields(value) && typeof value.kind === 'string' && plan.of.get(value.kind)) || LEAF;
}

/** Whether a value is entries where the plan has them: anything else there is one value. */
export const holdsEntries = (plan: Plan, value: unknown): value is readonly Fields[] =>
	plan.kind === 'entries' && Array.isArray(value) && value.every(isFields);

/** Ids for a list's items: their own where the list says so and they are sound and differ, else 1, 2, 3 … in their order. */
export function idsOf(items: readonly Fields[], ownId: boolean, taken: ReadonlySet<string> = new Set()): string[] {
	const used = new Set(taken);
	let next = 1;
	return items.map((item) => {
		let id = ownId && typeof item.id === 'string' && !used.has(item.id) ? item.id : null;
		while (id === null || used.has(id)) id = String(next++);
		used.add(id);
		return id;
	});
}

/** What is kept of a document of a kit. */
export function toTree(given: Plan, value: unknown): Tree {
	const plan = planFor(given, value);
	if (plan.kind === 'leaf') return value;
	if (plan.kind === 'entries') {
		if (!holdsEntries(plan, value)) return value;
		const ids = idsOf(value, plan.ownId);
		const keys = firstKeys(value.length);
		return Object.fromEntries(value.map((item, i) => [ids[i]!, { order: keys[i]!, is: toTree(plan.item, item) }]));
	}
	if (!isFields(value)) return value;
	const tree: Record<string, unknown> = {};
	for (const name of Object.keys(value))
		if (value[name] !== undefined) tree[name] = toTree(planAt(plan, name), value[name]);
	return tree;
}

/** A list's entries in their order. */
export const inOrder = (entries: Entries): { id: string; order: string; is: Tree }[] =>
	Object.entries(entries)
		.map(([id, { order, is }]) => ({ id, order, is }))
		.sort(byPlace);

/** Whether a kept value at a place of entries is entries: null and what never was a list stay as they are. */
export const isEntries = (plan: Plan, tree: Tree): tree is Entries => plan.kind === 'entries' && isFields(tree);
const itemOf = (plan: Plan): Plan => (plan.kind === 'entries' ? plan.item : LEAF);

const shown = new WeakMap<object, unknown>();

/** The document of a kit that a tree keeps; the same object for the same tree. */
export function shownOf(given: Plan, tree: Tree): unknown {
	const plan = planFor(given, tree);
	if (plan.kind === 'leaf' || !isFields(tree)) return tree;
	const known = shown.get(tree);
	if (known !== undefined) return known;
	const made = isEntries(plan, tree)
		? inOrder(tree).map(({ is }) => shownOf(itemOf(plan), is))
		: Object.fromEntries(Object.keys(tree).map((name) => [name, shownOf(planAt(plan, name), tree[name])]));
	shown.set(tree, made);
	return made;
}
