/** What a whole kit looks like: its header, events and game values, and its lists. */
import {
	boolean,
	either,
	id,
	isRecord,
	list,
	number,
	object,
	oneOf,
	optional,
	required,
	record,
	text,
	withDefault,
	type Field,
	type Shape
} from './shape';
import { bobPreset } from './bob-shape';
import { cue } from './cue-shape';
import { lagPreset } from './lag-shape';
import { rig } from './rig-shape';
import { shakePreset, tag } from './preset-shape';

const eventValue = object({
	id: required(id('of the number')),
	unit: withDefault(text('its unit', 20), ''),
	min: withDefault(number('its least', -1e9, 1e9), 0),
	max: withDefault(number('its most', -1e9, 1e9), 1)
});

export const gameEvent: Shape = object({
	id: required(id('of the event')),
	name: required(text('a name', 120, 1)),
	kind: withDefault(oneOf('a moment, or a state with a start and an end', ['moment', 'state']), 'moment'),
	placed: withDefault(boolean('whether it has a place'), false),
	tags: withDefault(list(tag, { most: 40 }), []),
	mayCarry: optional(list(tag, { most: 40 })),
	values: withDefault(list(eventValue, { most: 16, unique: 'id' }), [])
});

export const parameter: Shape = object({
	id: required(id('of the game value')),
	name: required(text('a name', 120, 1)),
	min: withDefault(number('its least', -1e9, 1e9), 0),
	max: withDefault(number('its most', -1e9, 1e9), 1),
	rest: withDefault(number('its value at rest', -1e9, 1e9), 0)
});

export const anyPreset: Shape = either('an object with "family": "shake", "bob" or "lag"', [
	{ when: (v) => isRecord(v) && v.family === 'bob', shape: bobPreset },
	{ when: (v) => isRecord(v) && v.family === 'lag', shape: lagPreset },
	{ when: isRecord, shape: shakePreset }
]);

const numbersByName = record(null, text('the name of a number', 64));

/** What the stand-in game raises, tied to the project's own events and game values. */
export const worldLinks: Shape = object({
	events: withDefault(
		list(
			object({
				from: required(id('of a happening')),
				event: required(id('of the event')),
				numbers: withDefault(numbersByName, {})
			}),
			{ most: 1000, entries: true }
		),
		[]
	),
	values: withDefault(
		list(
			object({
				from: required(id('of a value of the stand-in game')),
				parameter: required(id('of the game value'))
			}),
			{ most: 1000, entries: true }
		),
		[]
	)
});

export const playerSetting: Shape = object({
	id: required(id('of the setting')),
	name: required(text('a name', 120, 1)),
	intensity: withDefault(number('its share of all motion', 0, 2), 1),
	rotation: withDefault(boolean('whether the camera is turned'), true),
	roll: withDefault(boolean('whether the horizon tilts'), true),
	lens: withDefault(boolean('whether the lens moves'), true),
	bob: withDefault(boolean('whether there is a head bob'), true),
	gentle: withDefault(boolean('whether it is slower and rounder'), false)
});

export const kitFields: Readonly<Record<string, Field>> = {
	events: withDefault(list(gameEvent, { most: 10000, unique: 'id' }), []),
	parameters: withDefault(list(parameter, { most: 10000, unique: 'id' }), []),
	presets: withDefault(list(anyPreset, { unique: 'id' }), []),
	cues: withDefault(list(cue, { most: 10000, unique: 'id' }), []),
	rigs: withDefault(list(rig, { most: 1000, unique: 'id' }), []),
	world: withDefault(worldLinks, { events: [], values: [] }),
	players: optional(list(playerSetting, { most: 40, unique: 'id' }))
};

export const kitBody: Shape = object(kitFields);
