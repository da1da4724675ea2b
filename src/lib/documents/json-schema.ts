/** A shape as JSON Schema (2020-12). */
import { ID_PATTERN, type Shape } from 'dinesis-runtime/tools';

export type JsonSchema = Record<string, unknown>;

export function jsonSchemaOf(shape: Shape): JsonSchema {
	switch (shape.kind) {
		case 'number':
			return {
				type: shape.whole ? 'integer' : 'number',
				minimum: shape.min,
				maximum: shape.max,
				description: shape.what
			};
		case 'boolean':
			return { type: 'boolean', description: shape.what };
		case 'text':
			return { type: 'string', maxLength: shape.longest, minLength: shape.shortest, description: shape.what };
		case 'id':
			return { type: 'string', pattern: ID_PATTERN, description: shape.what };
		case 'oneOf':
			return { enum: [...shape.values], description: shape.what };
		case 'null':
			return { type: 'null' };
		case 'const':
			return { const: shape.value };
		case 'orNull':
			return { anyOf: [{ type: 'null' }, jsonSchemaOf(shape.inner)] };
		case 'either':
			return { anyOf: shape.choices.map((choice) => jsonSchemaOf(choice.shape)) };
		case 'kinds':
			return { oneOf: Object.values(shape.of).map(jsonSchemaOf) };
		case 'list': {
			const { most, least } = shape.limits;
			return {
				type: 'array',
				items: jsonSchemaOf(shape.item),
				...(most === undefined ? {} : { maxItems: most }),
				...(least === undefined ? {} : { minItems: least })
			};
		}
		case 'object': {
			const fields = Object.entries(shape.fields);
			return {
				type: 'object',
				properties: Object.fromEntries(
					fields.map(([name, { shape: inner, missing }]) => [
						name,
						missing === undefined ? jsonSchemaOf(inner) : { ...jsonSchemaOf(inner), default: missing }
					])
				),
				required: fields.filter(([, field]) => field.missing === undefined && !field.optional).map(([name]) => name)
			};
		}
		case 'record':
			return shape.names === null
				? { type: 'object', additionalProperties: jsonSchemaOf(shape.each) }
				: {
						type: 'object',
						properties: Object.fromEntries(shape.names.map((name) => [name, jsonSchemaOf(shape.each)]))
					};
		case 'ruled':
			return jsonSchemaOf(shape.inner);
		case 'own':
			return { ...shape.json };
	}
}
