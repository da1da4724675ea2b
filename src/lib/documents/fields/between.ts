/** What differs between two kept documents of one kind, by the ids of their entries: as few fields as there can be. */
import { dequal } from 'dequal/lite';
import type { Path } from './changes';
import { LEAF, type Plan } from './plan';
import { isEntries, isFields, planAt, planFor, type Tree } from './tree';

/** A field as it is in the one and in the other; undefined where there is none. */
export interface Between {
	readonly path: Path;
	readonly from?: unknown;
	readonly to?: unknown;
}

/** From the one to the other: `{ path, to }` of each, in their order, makes the first into the second. */
export function between(plan: Plan, from: Tree, to: Tree): Between[] {
	const found: Between[] = [];
	walk(plan, from, to, []);
	return found;

	function walk(given: Plan, a: Tree, b: Tree, path: Path): void {
		if (a === b) return;
		const plan = planFor(given, b);
		if (plan === planFor(given, a) && isFields(a) && isFields(b)) {
			if (isEntries(plan, a)) return entries(plan.kind === 'entries' ? plan.item : LEAF, a, b, path);
			if (plan.kind === 'object' || plan.kind === 'record')
				return each(a, b, path, (name, path) => walk(planAt(plan, name), a[name], b[name], path));
		}
		if (!dequal(a, b)) found.push({ path, from: a, to: b });
	}

	function entries(item: Plan, a: Record<string, unknown>, b: Record<string, unknown>, path: Path): void {
		each(a, b, path, (id, path) => {
			const [was, is] = [a[id], b[id]];
			if (!isFields(was) || !isFields(is)) return walk(LEAF, was, is, path);
			walk(item, was.is, is.is, [...path, 'is']);
			if (was.order !== is.order) found.push({ path: [...path, 'order'], from: was.order, to: is.order });
		});
	}

	/** What only one of them has stands for itself; `both` looks at the others. */
	function each(
		a: Record<string, unknown>,
		b: Record<string, unknown>,
		path: Path,
		both: (name: string, path: Path) => void
	): void {
		for (const name of Object.keys(a))
			if (b[name] === undefined && a[name] !== undefined) found.push({ path: [...path, name], from: a[name] });
		for (const name of Object.keys(b)) {
			const here = [...path, name];
			if (b[name] === undefined) continue;
			if (a[name] === undefined) found.push({ path: here, to: b[name] });
			else both(name, here);
		}
	}
}
