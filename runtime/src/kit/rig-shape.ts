/** What a rig looks like in a kit. */
import { EYES } from '../chain/view';
import { RIG_STAGES, VIEW_KINDS } from '../chain/types';
import { CHANNELS } from '../units/channels';
import { RANGES, tag } from './preset-shape';
import {
	boolean,
	id,
	list,
	number,
	object,
	oneOf,
	orNull,
	own,
	record,
	required,
	ruled,
	show,
	text,
	withDefault,
	type Shape
} from './shape';

const metres = (what: string): Shape => number(`${what}, in metres`, -1e6, 1e6);

/** Exactly so many numbers. */
const numbers = (count: number, what: string): Shape => list(metres(what), { least: count, most: count });
const range = ruled(numbers(2, 'an edge'), (value, report) => {
	const [from, to] = value as [number, number];
	if (to < from) report.add(`goes from ${from} to ${to}; the second must not be below the first`);
});

const nearer = object({
	off: withDefault(number('kept from what stands in its way, in metres', 0, 100), 0.2),
	least: withDefault(number('the nearest that it comes, in metres', 0, 1000), 0.6),
	comes: withDefault(number('seconds in which it comes half of the way', 0, 60), 0),
	goes: withDefault(number('seconds in which it goes half of the way out again', 0, 60), 0.3)
});

const view = object({
	kind: withDefault(oneOf('where the camera stands', VIEW_KINDS), EYES.kind),
	fov: withDefault(number('the vertical field of view, in degrees', 1, 170), EYES.fov),
	height: withDefault(metres('above the feet'), EYES.height),
	back: withDefault(number('behind the point looked at, in metres', 0, 1000), EYES.back),
	down: withDefault(number('degrees that it looks farther down', -89, 89), EYES.down),
	side: withDefault(number('to the right of the point looked at, in metres', -1000, 1000), EYES.side),
	ahead: withDefault(orNull(number('ahead of the body, what it turns to, in metres', 0, 10000)), EYES.ahead),
	nearer: withDefault(orNull(nearer), EYES.nearer),
	place: withDefault(numbers(3, 'where it stands'), EYES.place),
	yaw: withDefault(number('degrees', -3600, 3600), EYES.yaw),
	pitch: withDefault(number('degrees', -89, 89), EYES.pitch),
	turns: withDefault(boolean('whether it turns to the body'), EYES.turns),
	pixelsPerMetre: withDefault(number('pixels for each metre', 0.01, 10000), EYES.pixelsPerMetre),
	tall: withDefault(number('pixels that the picture is high', 1, 100000), EYES.tall)
});

const limits = object({
	x: withDefault(orNull(range), null),
	y: withDefault(orNull(range), null),
	z: withDefault(orNull(range), null),
	area: withDefault(orNull(list(numbers(2, 'x and z of a corner'), { least: 3, most: 64 })), null),
	soft: withDefault(number('metres from an edge at which it begins', 0, 1000), 0.5)
});

const lean = object({
	rollByTurn: withDefault(number('degrees for each degree a second', -10, 10), 0),
	rollByStrafe: withDefault(number('degrees for each metre a second', -100, 100), 0),
	swayByTurn: withDefault(number('metres or pixels for each degree a second', -100, 100), 0),
	swayByStrafe: withDefault(number('metres or pixels for each metre a second', -1000, 1000), 0),
	mostRoll: withDefault(number('degrees at most', 0, 90), 6),
	mostSway: withDefault(number('metres or pixels at most', 0, RANGES.amplitude), 0.3),
	frequency: withDefault(number('of its spring', 0.05, 30), 1.2),
	damping: withDefault(number('damping ratio', 0.05, 10), 1)
});

const motion = object({
	id: required(id('of the entry')),
	preset: required(id('of a continuous shake')),
	strength: withDefault(number('what it is multiplied by', 0, RANGES.multiplier), 1)
});

const share = number('what it is multiplied by', 0, RANGES.multiplier);
const lets = object({
	only: withDefault(list(tag, { most: 40 }), []),
	not: withDefault(list(tag, { most: 40 }), []),
	share: withDefault(share, 1),
	channels: withDefault(record(CHANNELS, share), {})
});

const stage = oneOf('a stage', RIG_STAGES);
const everyStage = own(
	(value, report) => {
		const whole = Array.isArray(value) && value.length === RIG_STAGES.length;
		if (!whole || !RIG_STAGES.every((s) => value.includes(s)))
			report.add(`is ${show(value)}; each of ${RIG_STAGES.join(', ')} is needed, once`);
	},
	{
		type: 'array',
		items: { enum: RIG_STAGES },
		minItems: RIG_STAGES.length,
		maxItems: RIG_STAGES.length,
		uniqueItems: true
	}
);

/** A rig. */
export const rig = object({
	id: required(id('of the rig')),
	name: required(text('a name', 120, 1)),
	about: withDefault(text('a description', 4000), ''),
	view: withDefault(view, EYES),
	lag: withDefault(orNull(id('of a camera lag')), null),
	limits: withDefault(orNull(limits), null),
	bob: withDefault(orNull(id('of a head bob')), null),
	lean: withDefault(orNull(lean), null),
	ceiling: withDefault(orNull(record(CHANNELS, orNull(number('the most of the channel', 0, RANGES.amplitude)))), null),
	motion: withDefault(list(motion, { most: 16, unique: 'id' }), []),
	lets: withDefault(orNull(lets), null),
	bypass: withDefault(list(stage, { most: RIG_STAGES.length }), []),
	order: withDefault(everyStage, RIG_STAGES)
});
