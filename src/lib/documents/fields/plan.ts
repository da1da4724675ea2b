/** Where the fields of a document are, and which of its lists are entries: read off the shape that checks it. */
import type { Shape } from 'dinesis-runtime/tools';

export type Plan =
	/** One value, however much is in it: a number, a curve, an ease, a recorded way. */
	| { readonly kind: 'leaf' }
	/** Field by field; fields that the shape does not know are one value each. */
	| { readonly kind: 'object'; readonly fields: ReadonlyMap<string, Plan> }
	| { readonly kind: 'record'; readonly each: Plan }
	/** Entries with ids: the items' own, or given when they are first read. */
	| { readonly kind: 'entries'; readonly item: Plan; readonly ownId: boolean }
	/** Objects that are told apart by "kind": of another kind, it is another value. */
	| { readonly kind: 'kinds'; readonly of: ReadonlyMap<string, Plan> };

export const LEAF: Plan = { kind: 'leaf' };
const isInner = (plan: Plan): boolean => plan.kind !== 'leaf';

/** The plan of what a shape checks. */
export function planOf(shape: Shape): Plan {
	switch (shape.kind) {
		case 'object':
			if (shape.whole) return LEAF;
			return {
				kind: 'object',
				fields: new Map(Object.entries(shape.fields).map(([name, field]) => [name, planOf(field.shape)]))
			};
		case 'record':
			return { kind: 'record', each: planOf(shape.each) };
		case 'orNull':
		case 'ruled':
			return planOf(shape.inner);
		case 'either': {
			// Between several kinds of objects a mixture of fields would be neither: then it is one value.
			const inner = shape.choices.map((choice) => planOf(choice.shape)).filter(isInner);
			return inner.length === 1 ? inner[0]! : LEAF;
		}
		case 'kinds':
			return {
				kind: 'kinds',
				of: new Map(Object.entries(shape.of).map(([name, of]) => [name, planOf(of)]))
			};
		case 'list': {
			const ownId = shape.limits.unique === 'id';
			const item = planOf(shape.item);
			return (ownId || shape.limits.entries) && isInner(item) ? { kind: 'entries', item, ownId } : LEAF;
		}
		default:
			return LEAF;
	}
}
