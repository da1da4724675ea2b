/** What a number field may hold: from the same table that checks the document, so that nothing legal is clamped. */
import type { Shape } from 'dinesis-runtime/tools';

export interface Range {
	readonly min: number;
	readonly max: number;
	/** What it is where a document leaves it out; undefined where it must be there. */
	readonly reset?: number;
}

/** The shape of what stands under a name, of a list's items where none is given; null where the shape does not know it. */
export function shapeWithin(shape: Shape, name: string | null): Shape | null {
	if (shape.kind === 'orNull' || shape.kind === 'ruled') return shapeWithin(shape.inner, name);
	if (shape.kind === 'record') return shape.each;
	if (name !== null) return within(shape, name)?.shape ?? null;
	return shape.kind === 'list' ? shape.item : null;
}

/** The shape of a field, through whatever stands around it: lists, records, choices, null. */
function within(shape: Shape, name: string): { shape: Shape; missing?: unknown } | null {
	switch (shape.kind) {
		case 'object':
			return shape.fields[name] ?? null;
		case 'orNull':
		case 'ruled':
			return within(shape.inner, name);
		case 'list':
			return within(shape.item, name);
		case 'record':
			return within(shape.each, name);
		case 'either':
			return shape.choices.map((choice) => within(choice.shape, name)).find((found) => found !== null) ?? null;
		case 'kinds':
			return (
				Object.values(shape.of)
					.map((kind) => within(kind, name))
					.find((found) => found !== null) ?? null
			);
		default:
			return null;
	}
}

function numberIn(shape: Shape): { min: number; max: number } | null {
	switch (shape.kind) {
		case 'number':
			return shape;
		case 'orNull':
		case 'ruled':
			return numberIn(shape.inner);
		case 'list':
			return numberIn(shape.item);
		case 'record':
			return numberIn(shape.each);
		case 'either':
			return shape.choices.map((choice) => numberIn(choice.shape)).find((found) => found !== null) ?? null;
		default:
			return null;
	}
}

/**
 * The range of the number at a path of field names, as in `rangeOf(bobPreset, 'landing', 'nod')`. Throws an Error that names the path when
 * there is no number.
 */
export function rangeOf(shape: Shape, ...path: readonly string[]): Range {
	let here: { shape: Shape; missing?: unknown } | null = { shape };
	for (const name of path) here = here && within(here.shape, name);
	const number = here && numberIn(here.shape);
	if (!number) throw new Error(`There is no number at ${path.join('.')}.`);
	const { min, max } = number;
	return typeof here!.missing === 'number' ? { min, max, reset: here!.missing } : { min, max };
}

/** The same in another unit, so many times as large. */
export const scaled = ({ min, max, reset }: Range, by: number): Range => ({
	min: min * by,
	max: max * by,
	...(reset !== undefined && { reset: reset * by })
});
