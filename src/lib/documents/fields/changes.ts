/** Changes of a kept document, field by field: found by comparing, applied, taken back, and held against one another. */
import { dequal } from 'dequal/lite';
import { newUuid } from '../uuid';
import { arrangedKeys } from './order';
import { planOf, type Plan } from './plan';
import { holdsEntries, inOrder, isEntries, isFields, planAt, planFor, toTree, type Entry, type Tree } from './tree';

/** From the document down, names of fields and ids of entries: `['layers', 'rattle', 'is', 'amount']`. Empty: the whole. */
export type Path = readonly string[];

/** A field's new value; without `to` there is none from then on. */
export interface FieldChange {
	readonly path: Path;
	readonly to?: unknown;
}

/** Whether one of two places holds the other: then a change of one is a change of both. */
export function overlap(a: Path, b: Path): boolean {
	const least = Math.min(a.length, b.length);
	for (let i = 0; i < least; i++) if (a[i] !== b[i]) return false;
	return true;
}

/** What stands at a place; undefined when there is no such place. */
export function valueAt(tree: Tree, path: Path): unknown {
	let here = tree;
	for (const step of path) {
		if (!isFields(here) || !Object.hasOwn(here, step)) return undefined;
		here = here[step];
	}
	return here;
}

/** Names that reach an object's prototype are nobody's fields. */
const isForbidden = (step: string): boolean => step === '__proto__';

/** The tree with a field changed; null when the place that the field would be in is gone. */
export function changed(tree: Tree, { path, to }: FieldChange): Tree | null {
	if (path.length === 0) return to === undefined ? null : to;
	if (path.some(isForbidden)) return null;
	if (!isFields(tree)) return null;
	const [first, ...rest] = path as [string, ...string[]];
	if (rest.length === 0) {
		if (to !== undefined) return { ...tree, [first]: to };
		const { [first]: gone, ...others } = tree;
		void gone;
		return others;
	}
	if (!Object.hasOwn(tree, first)) return null;
	const inner = changed(tree[first], { path: rest, to });
	return inner === null ? null : { ...tree, [first]: inner };
}

/** The tree with several changes, one after the other; null when one of them has no place. */
export function changedBy(tree: Tree, changes: readonly FieldChange[]): Tree | null {
	let here: Tree | null = tree;
	for (const change of changes) {
		here = changed(here, change);
		if (here === null) return null;
	}
	return here;
}

/** What takes changes back that were made to `before`, in the order in which it must be done. */
export function inverse(before: Tree, changes: readonly FieldChange[]): FieldChange[] {
	const back: FieldChange[] = [];
	let here: Tree | null = before;
	for (const change of changes) {
		const was = valueAt(here, change.path);
		back.unshift(was === undefined ? { path: change.path } : { path: change.path, to: was });
		here = changed(here, change);
		if (here === null) break;
	}
	return back;
}

/**
 * Joins changes onto earlier ones of the same document: a later value of a field stands for the earlier one, and what was set within something
 * that is set as a whole later is dropped.
 */
export function joined(earlier: readonly FieldChange[], later: readonly FieldChange[]): FieldChange[] {
	const held = (path: Path): boolean =>
		later.some((change) => change.path.length <= path.length && overlap(change.path, path));
	return [...earlier.filter((change) => !held(change.path)), ...later];
}

/** Makes an id that no entry has, for one that is put in. */
export type NewId = () => string;

/** Entries that two people put in at once must not be one. */
export const randomId: NewId = () => newUuid().slice(0, 8);

/**
 * What changed between the document that a tree shows and another: as few fields as there can be. Entries of a list are known by their own
 * id, or by being the very object that was shown; the others are taken for one another in their order.
 */
export function compare(plan: Plan, tree: Tree, view: unknown, next: unknown, newId: NewId = randomId): FieldChange[] {
	const found: FieldChange[] = [];
	walk(plan, tree, view, next, []);
	return found;

	function walk(given: Plan, tree: Tree, view: unknown, next: unknown, path: Path): void {
		if (view === next) return;
		const plan = planFor(given, next);
		if (plan !== planFor(given, view)) return replace(given, next, path);
		if (plan.kind === 'leaf') {
			if (!dequal(view, next)) found.push({ path, to: next });
			return;
		}
		if (plan.kind === 'entries') {
			if (!isEntries(plan, tree) || !holdsEntries(plan, view) || !holdsEntries(plan, next))
				return replace(given, next, path);
			return walkEntries(plan, tree, view, next, path);
		}
		if (!isFields(tree) || !isFields(view) || !isFields(next)) return replace(given, next, path);
		for (const name of Object.keys(next)) {
			if (next[name] === undefined) continue;
			const inner = planAt(plan, name);
			if (Object.hasOwn(tree, name)) walk(inner, tree[name], view[name], next[name], [...path, name]);
			else found.push({ path: [...path, name], to: toTree(inner, next[name]) });
		}
		for (const name of Object.keys(tree)) if (next[name] === undefined) found.push({ path: [...path, name] });
	}

	function replace(plan: Plan, next: unknown, path: Path): void {
		found.push({ path, to: toTree(plan, next) });
	}

	function walkEntries(
		plan: Plan & { kind: 'entries' },
		tree: Readonly<Record<string, Entry>>,
		view: readonly object[],
		next: readonly Readonly<Record<string, unknown>>[],
		path: Path
	): void {
		const entries = inOrder(tree);
		const ids = matched(
			plan.ownId,
			entries.map(({ id }) => id),
			view,
			next,
			newId
		);
		const keys = arrangedKeys(ids, new Map(entries.map(({ id, order }) => [id, order])));
		const at = new Map(entries.map((entry, i) => [entry.id, i]));
		const kept = new Set(ids);
		for (const { id } of entries) if (!kept.has(id)) found.push({ path: [...path, id] });
		ids.forEach((id, i) => {
			const order = keys.get(id)!;
			const was = at.get(id);
			if (was === undefined) return found.push({ path: [...path, id], to: { order, is: toTree(plan.item, next[i]) } });
			walk(plan.item, entries[was]!.is, view[was], next[i], [...path, id, 'is']);
			if (entries[was]!.order !== order) found.push({ path: [...path, id, 'order'], to: order });
		});
	}
}

/** The ids of a list's items, of those that were there before the same as before. */
function matched(
	ownId: boolean,
	known: readonly string[],
	view: readonly object[],
	next: readonly Readonly<Record<string, unknown>>[],
	newId: NewId
): string[] {
	const ids: (string | null)[] = next.map(() => null);
	const free = new Set(known);
	const take = (i: number, id: string): void => {
		ids[i] = id;
		free.delete(id);
	};
	if (ownId) {
		next.forEach(({ id }, i) => typeof id === 'string' && free.has(id) && take(i, id));
		const used = new Set(ids.filter((id) => id !== null));
		// A new one goes by its own id unless another goes by it already.
		next.forEach(({ id }, i) => {
			if (ids[i] !== null) return;
			ids[i] = typeof id === 'string' && !used.has(id) ? id : newId();
			used.add(ids[i]);
		});
		return ids as string[];
	}
	const shownAs = new Map(view.map((item, i) => [item, known[i]!]));
	next.forEach((item, i) => {
		const id = shownAs.get(item);
		if (id !== undefined && free.has(id)) take(i, id);
	});
	// When as many are left on both sides they were changed; more on one side were put in behind, or taken out.
	const left = known.filter((id) => free.has(id));
	next.forEach((_, i) => {
		if (ids[i] === null) ids[i] = left.shift() ?? newId();
	});
	return ids as string[];
}

export { planOf };
