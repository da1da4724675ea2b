/** What a course looks like in a kit. */
import {
	RANGES,
	boolean,
	either,
	id,
	isRecord,
	list,
	number,
	object,
	optional,
	orNull,
	required,
	own,
	record,
	rising,
	ruled,
	show,
	tag,
	text,
	withDefault,
	type Shape
} from 'dinesis-runtime/tools';
import { BODY_NUMBERS } from 'dinesis-runtime/wire';

const metres = (what: string): Shape => number(`${what}, in metres`, -1e6, 1e6);
const seconds = (what: string, least = 0): Shape => number(`${what}, in seconds`, least, RANGES.seconds);

const place = list(metres('x, y or z'), { least: 3, most: 3 });
const nothing: Shape = { kind: 'null' };

/** By id of the number: its value. */
const numbers = record(null, number('of the event', -1e9, 1e9));

const points = rising(
	list(
		object({
			at: required(seconds('from the start')),
			value: required(number('the game value', -1e9, 1e9)),
			in: optional(number('slope on arrival', -1e6, 1e6)),
			out: optional(number('slope on leaving', -1e6, 1e6))
		}),
		{ least: 1, most: 1000 }
	)
);

const path = list(
	object({
		x: required(metres('to the right')),
		y: withDefault(metres('up, of the ground'), 0),
		z: required(metres('behind; ahead is negative')),
		speed: withDefault(number('metres a second to the next', 0.01, 1000), 1.4),
		pause: withDefault(seconds('standing here first'), 0)
	}),
	{ most: 1000, entries: true }
);

/** The most moments of a trace: an hour at thirty a second. */
const MOST_POSES = 30 * 3600 * 5;

/** Times that rise, one for each moment. */
const times = ruled(list(number('seconds', 0, 1e6), { most: MOST_POSES / 5 }), (value, report) => {
	const list = value as number[];
	const bad = list.findIndex((time, i) => i > 0 && !(time > list[i - 1]!));
	if (bad >= 0) report.addAt(bad, `is ${list[bad]}, not after the one before it at ${list[bad - 1]}; times must rise`);
});

/** From when until when. */
const span = own(
	(value, report) => {
		const [from, until] = Array.isArray(value) ? (value as unknown[]) : [];
		if (typeof from !== 'number' || typeof until !== 'number' || !(from >= 0 && until >= from && until < 1e6))
			report.add(`is ${show(value)}; two times in seconds are needed, the second not before the first`);
	},
	{ type: 'array', items: { type: 'number', minimum: 0 }, minItems: 2, maxItems: 2 }
);

/** Five numbers a moment: a plain walk, for there are half a million of them. */
const poses = own(
	(value, report) => {
		if (!Array.isArray(value) || value.length % 5 !== 0)
			report.add(`is ${show(value)}; five numbers a moment are needed: x, y, z, yaw, pitch`);
		else if (value.length > MOST_POSES) report.add(`has ${value.length} numbers; at most ${MOST_POSES} are read`);
		else {
			const bad = value.findIndex((n) => typeof n !== 'number' || !Number.isFinite(n) || Math.abs(n) > 1e6);
			if (bad >= 0) report.addAt(bad, `is ${show(value[bad])}; a number within ±1000000 is needed`);
		}
	},
	{ type: 'array', items: { type: 'number' }, maxItems: MOST_POSES }
);

const recorded = object(
	{
		hz: withDefault(number('moments a second', 1, 240), 30),
		poses: required(poses),
		times: optional(times),
		speeds: optional(list(number('metres a second', 0, 10000), { most: MOST_POSES / 5 })),
		air: optional(list(span, { most: 100000 })),
		climbs: optional(list(span, { most: 100000 })),
		rides: optional(list(span, { most: 100000 }))
	},
	({ poses, times, speeds }, report) => {
		const moments = (poses as number[]).length / 5;
		for (const [name, given] of Object.entries({ times, speeds }))
			if (Array.isArray(given) && given.length !== moments)
				report.addAt(name, `has ${given.length} numbers for ${moments} moments; one for each is needed`);
	},
	{ whole: true }
);
const trace = either('null or a recorded way', [
	{ when: (v) => v === null, shape: nothing },
	{ when: isRecord, shape: recorded }
]);
const thing = object(
	{
		id: required(id('of what moved')),
		times: required(times),
		numbers: required(list(number('of a moment', -1e6, 1e6), { most: MOST_POSES }))
	},
	({ times, numbers }, report) => {
		const [moments, count] = [(times as number[]).length, (numbers as number[]).length];
		if (moments === 0 || count % moments !== 0)
			report.addAt('numbers', `has ${count} numbers for ${moments} moments; as many for each are needed`);
	},
	{ whole: true }
);
const second = either('null or the way of a second player', [
	{ when: (v) => v === null, shape: nothing },
	{ when: isRecord, shape: object({ path: withDefault(path, []), trace: withDefault(trace, null) }) }
]);

/** Frames of a recording: an hour at sixty a second. */
const MOST_FRAMES = 3600 * 60;

/** A stretch of a running game: a plain walk, for it is long. What is in its moment the run-time tells. */
const recording = own(
	(value, report) => {
		if (!isRecord(value)) return report.add(`is ${show(value)}; a recording is needed`);
		const { clock, moment, seed, rig, viewers, frames, calls } = value;
		const isNumber = (v: unknown): v is number => typeof v === 'number' && Number.isFinite(v);
		for (const [name, given] of Object.entries({ clock, seed }))
			if (!isNumber(given)) report.addAt(name, `is ${show(given)}; a number is needed`);
		if (viewers !== 1 && viewers !== 2) report.addAt('viewers', `is ${show(viewers)}; 1 or 2 is needed`);
		if (rig !== null && typeof rig !== 'string') report.addAt('rig', `is ${show(rig)}; null or an id is needed`);
		if (moment !== null && !isRecord(moment)) report.addAt('moment', `is ${show(moment)}; null or a moment is needed`);
		if (!Array.isArray(frames) || frames.length > MOST_FRAMES)
			return report.addAt('frames', `is ${show(frames)}; a list of up to ${MOST_FRAMES} frames is needed`);
		const numbers = 1 + (viewers === 2 ? 2 : 1) * BODY_NUMBERS;
		const bad = frames.findIndex(
			(row) => !Array.isArray(row) || row.length < numbers || row.length > 64 || !row.every(isNumber)
		);
		if (bad >= 0) report.addAt('frames', `has at ${bad} no ${numbers} numbers`);
		if (!Array.isArray(calls) || calls.length > MOST_FRAMES)
			return report.addAt('calls', `is ${show(calls)}; a list of calls is needed`);
		const none = calls.findIndex(
			(row) => !Array.isArray(row) || !isNumber(row[0]) || !isRecord(row[1]) || typeof row[1].call !== 'string'
		);
		if (none >= 0) report.addAt('calls', `has at ${none} no call`);
	},
	{ type: 'object', required: ['clock', 'moment', 'seed', 'rig', 'viewers', 'frames', 'calls'] }
);

/** A course. */
export const course = object({
	id: required(id('of the course')),
	name: required(text('a name', 120, 1)),
	about: withDefault(text('a description', 4000), ''),
	seconds: required(seconds('how long it is', 0.1)),
	path: withDefault(path, []),
	trace: withDefault(trace, null),
	second: withDefault(second, null),
	things: optional(list(thing, { most: 1000, unique: 'id' })),
	recording: optional(recording),
	rig: withDefault(orNull(id('of the rig')), null),
	steps: withDefault(boolean('whether feet fall on the way'), false),
	events: withDefault(
		list(
			object({
				at: required(seconds('from the start')),
				event: required(id('of the event')),
				length: withDefault(
					either('null or seconds', [
						{ when: (v) => v === null, shape: nothing },
						{ when: (v) => typeof v === 'number', shape: seconds('how long it lasts') }
					]),
					null
				),
				values: withDefault(numbers, {}),
				place: withDefault(
					either('null or three numbers', [
						{ when: (v) => v === null, shape: nothing },
						{ when: Array.isArray, shape: place }
					]),
					null
				),
				who: withDefault(number('0 for the first player, 1 for the second', 0, 1, { whole: true }), 0),
				tags: optional(list(tag, { most: 40 }))
			}),
			{ most: 100000, entries: true }
		),
		[]
	),
	areas: withDefault(
		list(
			object({
				event: required(id('of the state')),
				x: required(metres('of its middle')),
				z: required(metres('of its middle')),
				radius: required(number('metres', 0.01, 1e6))
			}),
			{ most: 1000, entries: true }
		),
		[]
	),
	values: withDefault(
		list(object({ parameter: required(id('of the game value')), points: required(points) }), {
			most: 1000,
			entries: true
		}),
		[]
	)
});
