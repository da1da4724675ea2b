/** What a shake preset looks like in a kit: every field with its range, its default and its meaning. */
import { EASE_NAMES, overshoots, type Ease } from '../math/ease';
import { JUMPS_BETWEEN, JUMPS_WITHIN } from '../patterns/jumps';
import type { PatternKind } from '../patterns/pattern';
import { rowOf } from '../patterns/table';
import { WAVE_SHAPES } from '../patterns/wave';
import { CHANNELS } from '../units/channels';
import { OVERLAP_RULES } from '../shake/types';
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
	own,
	record,
	required,
	ruled,
	show,
	text,
	withDefault,
	type Shape
} from './shape';

export const RANGES = {
	amplitude: 10000,
	frequency: 240,
	seconds: 3600,
	multiplier: 100,
	octaves: 8
} as const;

const isFour = (value: unknown): boolean =>
	Array.isArray(value) && value.length === 4 && value.every((n) => typeof n === 'number' && Number.isFinite(n));

const NUMBER = { type: 'number' };
const UNIT = { ...NUMBER, minimum: 0, maximum: 1 };
const named: Shape = oneOf('a named ease', EASE_NAMES);
const handles = own(
	(value, report) => {
		const [x1, , x2] = value as number[];
		if (!isFour(value)) report.add('needs four numbers, x1, y1, x2, y2');
		else if (x1! < 0 || x1! > 1 || x2! < 0 || x2! > 1) report.add('has an x outside 0–1; time cannot run backward');
	},
	{ type: 'array', prefixItems: [UNIT, NUMBER, UNIT, NUMBER], minItems: 4, maxItems: 4 }
);

/** Any ease, those that overshoot among them: for keys and jumps. */
export const ease: Shape = either('the name of an ease or four numbers [x1, y1, x2, y2]', [
	{ when: (v) => typeof v === 'string', shape: named },
	{ when: Array.isArray, shape: handles }
]);

/** An ease that stays within 0–1. */
export const quietEase = ruled(ease, (value, report) => {
	if (overshoots(value as Ease))
		report.add(`is ${show(value)}, which overshoots; a fade needs an ease that stays within 0 and 1`);
});

const seconds = (what: string, least = 0): Shape => number(`${what}, in seconds`, least, RANGES.seconds);
const multiplier = (what: string): Shape => number(what, 0, RANGES.multiplier);

/** A list of points whose `at` rises. */
export const rising = (items: Shape): Shape =>
	ruled(items, (value, report) => {
		const list = value as { at: number }[];
		for (let i = 1; i < list.length; i++)
			if (!(list[i]!.at > list[i - 1]!.at)) {
				report.enter(i);
				report.addAt('at', `is ${list[i]!.at}, not after the point before it at ${list[i - 1]!.at}; points must rise`);
				report.leave();
			}
	});

export const curvePoints = rising(
	list(
		object({
			at: required(number('place from start to end', 0, 1)),
			value: required(number('strength', 0, 10)),
			in: optional(number('slope on arrival', -1000, 1000)),
			out: optional(number('slope on leaving', -1000, 1000))
		}),
		{ least: 1, most: 64 }
	)
);

const life: Shape = either('null, { "decayHalfLife": seconds }, { "decayPerSecond": part } or { "points": [ … ] }', [
	{ when: (v) => v === null, shape: { kind: 'null' } },
	{
		when: (v) => isRecord(v) && 'decayHalfLife' in v,
		shape: object({ decayHalfLife: required(seconds('time in which the strength halves', 0.001)) })
	},
	{
		when: (v) => isRecord(v) && 'decayPerSecond' in v,
		shape: object({ decayPerSecond: required(number('part of the full strength lost each second', 0.0001, 1000)) })
	},
	{ when: (v) => isRecord(v) && 'points' in v, shape: object({ points: required(curvePoints) }) }
]);

const growth = orNull(
	object({
		from: required(number('factor at the start', 0, 100)),
		to: required(number('factor at the end', 0, 100)),
		over: required(seconds('time from one to the other'))
	})
);

const fade = object({
	time: required(seconds('length of the fade')),
	ease: withDefault(quietEase, 'smooth')
});

const timing = object({
	mode: required(oneOf('a set length, or until stopped', ['burst', 'continuous'])),
	duration: withDefault(seconds('the whole length of a burst, fades included'), 1),
	delay: withDefault(seconds('from the trigger to the start'), 0),
	fadeIn: withDefault(fade, { time: 0, ease: 'smooth' }),
	fadeOut: withDefault(fade, { time: 0, ease: 'smooth' }),
	life: withDefault(life, null),
	growth: withDefault(growth, null)
});

const patterns: Readonly<Record<PatternKind, Shape>> = {
	noise: object({
		kind: required(oneOf('the pattern', ['noise'])),
		octaves: withDefault(number('layers of finer noise', 1, RANGES.octaves, { whole: true }), 1),
		lacunarity: withDefault(number('how much faster each octave is', 1.5, 4), 2),
		persistence: withDefault(number('how much smaller each octave is', 0, 1), 0.5)
	}),
	wave: object({
		kind: required(oneOf('the pattern', ['wave'])),
		shape: withDefault(oneOf('the shape of one cycle', WAVE_SHAPES), 'sine')
	}),
	jumps: object({
		kind: required(oneOf('the pattern', ['jumps'])),
		within: withDefault(oneOf('where targets lie', JUMPS_WITHIN), 'box'),
		between: withDefault(oneOf('how it gets from one target to the next', JUMPS_BETWEEN), 'hold'),
		ease: withDefault(ease, 'smooth'),
		jitter: optional(number('how unevenly targets follow each other', 0, 1))
	}),
	keys: object({
		kind: required(oneOf('the pattern', ['keys'])),
		cycle: withDefault(seconds('length of the cycle', 0.01), 1),
		loop: withDefault(boolean('played again and again'), true)
	}),
	kick: object({
		kind: required(oneOf('the pattern', ['kick'])),
		damping: withDefault(number('damping ratio', 0.001, 0.999), 0.3)
	})
};

const isKind = (kind: unknown): kind is PatternKind => typeof kind === 'string' && Object.hasOwn(patterns, kind);

const pattern = kinds(patterns);

const start: Shape = either('"zero", "random" or a number of cycles', [
	{ when: (v) => typeof v === 'string', shape: oneOf('where the pattern begins', ['zero', 'random']) },
	{ when: (v) => typeof v === 'number', shape: number('phase in cycles', -1000, 1000) }
]);

export const key = object({
	at: required(number('place within the cycle', 0, 1)),
	value: required(number('part of the amplitude', -1, 1)),
	ease: optional(ease),
	in: optional(number('slope on arrival', -1000, 1000)),
	out: optional(number('slope on leaving', -1000, 1000))
});

const channel = object({
	amplitude: required(
		number('farthest excursion: m or px, degrees, degrees or %', -RANGES.amplitude, RANGES.amplitude)
	),
	frequency: withDefault(number('cycles a second', 0, RANGES.frequency), 1),
	start: withDefault(start, 'random'),
	keys: optional(rising(list(key, { most: 64 })))
});

const layerFields = object({
	id: required(id('of the layer')),
	name: optional(text('the name of the layer', 80)),
	amount: withDefault(multiplier('of all amplitudes of the layer'), 1),
	rate: withDefault(multiplier('of all frequencies of the layer'), 1),
	delay: withDefault(seconds('from the start of the play to that of the layer'), 0),
	mute: withDefault(boolean('left out'), false),
	seededBy: optional(id('that its chance comes from, when that was another one once')),
	pattern: required(pattern),
	channels: withDefault(record(CHANNELS, channel), {})
});

/** Where a channel begins when nothing is said hangs on the pattern. */
const layer = ruled(layerFields, undefined, (value) => {
	if (isRecord(value) && isRecord(value.pattern) && isKind(value.pattern.kind) && isRecord(value.channels))
		for (const own of Object.values(value.channels))
			if (isRecord(own) && !Object.hasOwn(own, 'start')) own.start = rowOf(value.pattern.kind).begins;
});

const reach = orNull(
	object(
		{
			full: required(number('metres at full strength', 0, 100000)),
			edge: required(number('metres from which nothing is felt', 0, 100000)),
			falloff: withDefault(quietEase, 'smooth'),
			listener: withDefault(oneOf('what the distance is measured from', ['camera', 'body']), 'camera'),
			travelSpeed: withDefault(orNull(number('metres a second at which it arrives', 0.1, 1e6)), null)
		},
		(value, report) => {
			if ((value.edge as number) < (value.full as number))
				report.addAt(
					'edge',
					`is ${show(value.edge)}, nearer than "full" at ${show(value.full)}; it must not be nearer`
				);
		}
	)
);

export const drive = object({
	parameter: required(id('of the game value')),
	to: withDefault(oneOf('what it multiplies', ['amount', 'rate']), 'amount'),
	curve: required(curvePoints)
});

export const tag = text('a tag', 40, 1);

/** A shake preset. */
export const shakePreset = object({
	id: required(id('of the preset')),
	family: required(oneOf('the family', ['shake'])),
	view: withDefault(oneOf('what it is for', ['space', 'flat']), 'space'),
	name: required(text('a name', 120, 1)),
	about: withDefault(text('a description', 4000), ''),
	tags: withDefault(list(tag, { most: 40 }), []),
	suits: withDefault(oneOf('what it was made for', ['burst', 'continuous']), 'burst'),
	amount: withDefault(multiplier('of all amplitudes'), 1),
	rate: withDefault(multiplier('of all frequencies'), 1),
	space: withDefault(oneOf('the axes it moves in', ['camera', 'world', 'source']), 'camera'),
	priority: withDefault(number('a higher one ducks the lower ones', -1000, 1000), 0),
	duck: withDefault(number('what lower priorities are multiplied by', 0, 1), 1),
	duckTime: withDefault(seconds('time to duck and to come back'), 0.1),
	timing: required(timing),
	overlap: withDefault(
		object({
			rule: withDefault(oneOf('when fired while it plays', OVERLAP_RULES), 'stack'),
			limit: withDefault(number('plays at once', 1, 64, { whole: true }), 8)
		}),
		{ rule: 'stack', limit: 8 }
	),
	reach: withDefault(reach, null),
	seed: withDefault(orNull(number('a pinned seed', -2147483648, 4294967295, { whole: true })), null),
	drives: withDefault(list(drive, { most: 16, entries: true }), []),
	layers: withDefault(list(layer, { most: 32, unique: 'id' }), []),
	origin: optional(id('of the preset this one was copied from'))
});
