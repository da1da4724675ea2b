/** What a head bob looks like in a kit. */
import { BOB_SHAPES } from '../bob/types';
import { CHANNELS } from '../units/channels';
import { drive, key, RANGES, rising, tag } from './preset-shape';
import {
	id,
	list,
	number,
	object,
	oneOf,
	optional,
	orNull,
	record,
	required,
	text,
	withDefault,
	type Shape
} from './shape';

const seconds = (what: string): Shape => number(`${what}, in seconds`, 0, RANGES.seconds);
const amplitude = number('half of peak to peak: m or px, degrees, degrees or %', -RANGES.amplitude, RANGES.amplitude);

const channel = object(
	{
		amplitude: required(amplitude),
		phase: withDefault(number('place in its cycle', -1000, 1000), 0),
		shape: withDefault(oneOf('the shape of one cycle', BOB_SHAPES), 'sine'),
		every: optional(oneOf('how often it goes through its cycle', ['step', 'stride'])),
		keys: optional(rising(list(key, { least: 2, most: 64 })))
	},
	(value, report) => {
		if (value.shape === 'keys' && value.keys === undefined)
			report.addAt('keys', 'is missing; the shape "keys" needs at least two');
	}
);

const gait = object({
	id: required(id('of the gait')),
	name: optional(text('a name', 60, 1)),
	speed: required(number('metres a second that it is made for', 0.05, 100)),
	steps: required(number('steps a second at that speed', 0.05, 20)),
	channels: withDefault(record(CHANNELS, channel), {})
});

const landing = object({
	dip: required(number('metres for each metre a second of the fall', 0, 100)),
	most: required(number('metres at the deepest', 0.0001, RANGES.amplitude)),
	nod: withDefault(number('degrees down for each metre of dip', -10000, 10000), 0),
	frequency: withDefault(number('of its spring', 0.05, 30), 2),
	damping: withDefault(number('damping ratio', 0.01, 10), 0.6)
});

const idle = object({
	channels: withDefault(
		record(
			CHANNELS,
			object({
				amplitude: required(amplitude),
				frequency: withDefault(number('cycles a second', 0, RANGES.frequency), 0.25)
			})
		),
		{}
	)
});

/** A head bob. */
export const bobPreset = object({
	id: required(id('of the preset')),
	seededBy: optional(id('that its chance comes from, when that was another one once')),
	family: required(oneOf('the family', ['bob'])),
	view: withDefault(oneOf('what it is for', ['space', 'flat']), 'space'),
	name: required(text('a name', 120, 1)),
	about: withDefault(text('a description', 4000), ''),
	tags: withDefault(list(tag, { most: 40 }), []),
	amount: withDefault(number('of all amplitudes', 0, RANGES.multiplier), 1),
	gaits: withDefault(list(gait, { most: 16, unique: 'id' }), []),
	blendTime: withDefault(seconds('in which size follows the speed'), 0.3),
	settleTime: withDefault(seconds('in which it is gone where one stands'), 0.3),
	landing: withDefault(orNull(landing), null),
	idle: withDefault(orNull(idle), null),
	drives: withDefault(list(drive, { most: 16, entries: true }), [])
});
