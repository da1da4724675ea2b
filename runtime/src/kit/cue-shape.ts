/** What a cue looks like in a kit. */
import { CUE_WHENS, FELT_BY, PICKS } from '../cues/types';
import { curvePoints, RANGES, tag } from './preset-shape';
import {
	boolean,
	either,
	id,
	isRecord,
	kinds,
	list,
	number,
	object,
	oneOf,
	optional,
	orNull,
	record,
	required,
	ruled,
	show,
	withDefault,
	type Shape
} from './shape';

const seconds = (what: string): Shape => number(`${what}, in seconds`, 0, RANGES.seconds);

const bound = object(
	{
		of: required(id('of the number or the game value')),
		from: withDefault(orNull(number('its least', -1e9, 1e9)), null),
		to: withDefault(orNull(number('its most', -1e9, 1e9)), null)
	},
	(value, report) => {
		const { from, to } = value as { from: number | null; to: number | null };
		if (from !== null && to !== null && to < from)
			report.addAt('to', `is ${show(to)}, below "from" at ${show(from)}; it must not be below`);
	}
);

const conditions = object({
	tags: withDefault(list(tag, { most: 40 }), []),
	values: withDefault(list(bound, { most: 16 }), []),
	parameters: withDefault(list(bound, { most: 16 }), []),
	chance: withDefault(number('how often it answers', 0, 1), 1),
	coolDown: withDefault(seconds('time in which it does not answer again'), 0),
	once: withDefault(boolean('only the first time'), false)
});

const amount: Shape = either('a number, or { "by": a number of the event, "curve": [ … ] }', [
	{ when: (v) => typeof v === 'number', shape: number('strength', 0, 10) },
	{ when: isRecord, shape: object({ by: required(id('of the number')), curve: required(curvePoints) }) }
]);

const length: Shape = either('null, "event" or seconds', [
	{ when: (v) => v === null, shape: { kind: 'null' } },
	{ when: (v) => v === 'event', shape: { kind: 'const', value: 'event' } },
	{ when: (v) => typeof v === 'number', shape: number('length in seconds', 0, RANGES.seconds) }
]);

const stopped: Shape = either('"own", "all", { "preset": id } or { "tag": tag }', [
	{ when: (v) => typeof v === 'string', shape: oneOf('what is stopped', ['own', 'all']) },
	{ when: (v) => isRecord(v) && 'preset' in v, shape: object({ preset: required(id('of the preset')) }) },
	{ when: (v) => isRecord(v) && 'tag' in v, shape: object({ tag: required(tag) }) }
]);

const sizes = record(null, number('what the gait is multiplied by', 0, 20));

const delay = withDefault(seconds('from the event to the action'), 0);
/** What every action has beside its own. */
const own = {
	// Filled in by `actionList` where it is left out.
	id: optional(id('of the action')),
	seededBy: optional(id('that its chance comes from, when that was another one once'))
};
const actions: Readonly<Record<string, Shape>> = {
	play: object({
		...own,
		kind: required(oneOf('the action', ['play'])),
		pick: required(
			list(
				object({
					preset: required(id('of the preset')),
					weight: withDefault(number('how often, against the others', 0, 1000), 1)
				}),
				{ least: 1, most: 32, entries: true }
			)
		),
		picks: optional(oneOf('how it is picked', PICKS)),
		strength: withDefault(amount, 1),
		length: withDefault(length, null),
		rate: withDefault(number('of all frequencies', 0, RANGES.multiplier), 1),
		delay,
		fromPlace: withDefault(boolean('felt from where it happened'), true),
		buildUp: withDefault(
			orNull(
				object({
					by: required(number('what each repetition adds', 0, 10)),
					most: required(number('the most it comes to', 1, 100)),
					coolDown: required(seconds('without a repetition until it comes down')),
					downOver: optional(seconds('from the most down to 1'))
				})
			),
			null
		)
	}),
	stop: object({
		...own,
		kind: required(oneOf('the action', ['stop'])),
		what: withDefault(stopped, 'own'),
		cut: withDefault(boolean('at once, without the fade'), false),
		delay
	}),
	set: object({
		...own,
		kind: required(oneOf('the action', ['set'])),
		parameter: required(id('of the game value')),
		to: required(number('its new value', -1e9, 1e9)),
		delay
	}),
	camera: object({
		...own,
		kind: required(oneOf('the action', ['camera'])),
		rig: withDefault(orNull(id('of the rig')), null),
		lag: withDefault(orNull(id('of the camera lag')), null),
		bob: withDefault(orNull(id('of the head bob')), null),
		sizes: withDefault(sizes, {}),
		over: withDefault(seconds('that it takes; 0 cuts'), 0.6),
		delay
	}),
	raise: object({
		...own,
		kind: required(oneOf('the action', ['raise'])),
		event: required(id('of the event')),
		delay
	})
};

/** Actions that came without ids get 1, 2, 3 … in their order: what they remember and their chance hang on it. */
const actionList = ruled(list(kinds(actions), { most: 32, unique: 'id' }), undefined, (value) => {
	if (!Array.isArray(value)) return;
	const taken = new Set(value.map((entry) => (isRecord(entry) ? entry.id : undefined)));
	value.forEach((entry, i) => {
		if (!isRecord(entry) || Object.hasOwn(entry, 'id')) return;
		let free = i + 1;
		while (taken.has(String(free))) free++;
		taken.add((entry.id = String(free)));
	});
});

/** A cue. */
export const cue = object({
	id: required(id('of the cue')),
	seededBy: optional(id('that its chance comes from, when that was another one once')),
	on: withDefault(boolean('whether it does anything'), true),
	event: required(id('of the event')),
	when: withDefault(oneOf('at a moment, or with a state', CUE_WHENS), 'happens'),
	conditions: withDefault(conditions, {
		tags: [],
		values: [],
		parameters: [],
		chance: 1,
		coolDown: 0,
		once: false
	}),
	actions: withDefault(actionList, []),
	feltBy: withDefault(oneOf('who feels it', FELT_BY), 'reach')
});
