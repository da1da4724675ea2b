import Ajv from 'ajv/dist/2020';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
	boolean,
	id,
	list,
	number,
	object,
	oneOf,
	openAs,
	optional,
	orNull,
	record,
	required,
	shakePreset,
	text,
	withDefault,
	type Shape
} from 'dinesis-runtime/tools';
import { jsonSchemaOf } from './json-schema';

const ajv = new Ajv({ strict: false });

describe('the published schema says what the reader says', () => {
	const shapes: readonly [string, Shape][] = [
		['a number', number('n', -2, 3)],
		['a whole number', number('n', 0, 4, { whole: true })],
		['yes or no', boolean('b')],
		['an id', id('of it')],
		['a choice', oneOf('c', ['x', 'y'])],
		['null or a number', orNull(number('n', 0, 1))],
		['a list', list(number('n', 0, 1), { least: 1, most: 3 })],
		['a record', record(['x', 'y'], number('n', 0, 1))],
		['a record of any names', record(null, number('n', 0, 1))],
		[
			'an object',
			object({ x: required(number('n', 0, 1)), y: optional(boolean('b')), z: withDefault(text('t', 4), 'z') })
		]
	];
	const leaf = fc.oneof(
		fc.integer({ min: -3, max: 5 }),
		fc.double({ min: -3, max: 5, noNaN: true }),
		fc.constantFrom('x', 'y', 'a-b', 'A', '', null, true, false)
	);
	const value = fc.oneof(
		leaf,
		fc.array(leaf, { maxLength: 4 }),
		fc.dictionary(fc.constantFrom('x', 'y', 'z', 'q'), leaf, { maxKeys: 4 })
	);

	it.each(shapes)('%s', (_, shape) => {
		const validate = ajv.compile(jsonSchemaOf(shape));
		const seen = { ok: 0, refused: 0 };
		fc.assert(
			fc.property(value, (given) => {
				const byReader = openAs(structuredClone(given), shape).ok;
				expect({ given, ok: validate(given) }).toEqual({ given, ok: byReader });
				seen[byReader ? 'ok' : 'refused']++;
			}),
			{ seed: 8, numRuns: 600 }
		);
		// Both happened.
		expect(Math.min(seen.ok, seen.refused)).toBeGreaterThan(0);
	});

	it('a field’s range and default stand in it as the reader has them', () => {
		const schema = jsonSchemaOf(shakePreset) as { properties: Record<string, Record<string, unknown>> };
		expect(schema.properties.amount).toMatchObject({ type: 'number', minimum: 0, maximum: 100, default: 1 });
		expect(schema.properties.tags).toMatchObject({ type: 'array', maxItems: 40, default: [] });
	});
});
