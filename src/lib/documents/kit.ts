/** A project's kit: what a game plays, and the courses that it is tried on. */
import type { Course } from './course-types';
import { settingsShape, type ProjectSettings } from './kinds/project/settings';
import { course } from './course-shape';
import {
	kitFields,
	openKitAs,
	list,
	object,
	optional,
	withDefault,
	KIT_FORMAT,
	KIT_VERSION,
	type Shape
} from 'dinesis-runtime/tools';
import type { Kit as GameKit, ReadResult } from 'dinesis-runtime';

import { jsonSchemaOf, type JsonSchema } from './json-schema';

export interface Kit extends GameKit {
	readonly courses: readonly Course[];
	/** Of the project; left out: it has none of its own. */
	readonly settings?: ProjectSettings;
}

const { world, ...rest } = kitFields;
const kitBody: Shape = object({
	...rest,
	courses: withDefault(list(course, { most: 1000, unique: 'id' }), []),
	world: world!,
	settings: optional(settingsShape)
});

/**
 * Checks a parsed kit, its courses too, and fills in what it leaves out, or says what is wrong and where. The object is the kit's own from
 * here on: pass a fresh one.
 */
export const openKit = (parsed: unknown): ReadResult<Kit> => openKitAs<Kit>(parsed, kitBody);

/** The JSON Schema (2020-12) that is published with the product. */
export function kitJsonSchema(): JsonSchema {
	const body = jsonSchemaOf(kitBody) as { properties: JsonSchema };
	return {
		$schema: 'https://json-schema.org/draft/2020-12/schema',
		title: 'Dinesis kit',
		description:
			'Presets of camera motion, the game events that set them off, and what they stand in. Units: docs/kit-format.md.',
		type: 'object',
		properties: {
			format: { const: KIT_FORMAT },
			version: { const: KIT_VERSION },
			name: { type: 'string', minLength: 1, maxLength: 120 },
			...body.properties
		},
		required: ['format', 'version', 'name']
	};
}
