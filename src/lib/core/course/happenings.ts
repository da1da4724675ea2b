/**
 * What the stand-in game raises while one walks through it, and what that means in a project: a project has events of its own,
 * a link says which of them is raised, and which of the happening's numbers the event carries.
 */
import type { EventValue, GameEvent } from '../kit/types';
import type { Occurrence } from '../cues/types';
import type { Seconds } from '../units/quantities';

export interface HappeningKind {
	readonly id: string;
	readonly name: string;
	/** What brings it about, in a few words. */
	readonly about: string;
	readonly kind: 'moment' | 'state';
	readonly placed: boolean;
	readonly numbers: readonly EventValue[];
}

const speed = (max: number): EventValue => ({ id: 'speed', unit: 'm/s', min: 0, max });

export const HAPPENINGS: readonly HappeningKind[] = [
	{
		id: 'landing',
		name: 'Landing',
		about: 'feet meet the ground after a fall',
		kind: 'moment',
		placed: false,
		numbers: [speed(12)]
	},
	{
		id: 'footfall',
		name: 'Footfall',
		about: 'each step on the ground',
		kind: 'moment',
		placed: false,
		numbers: [speed(6)]
	},
	{
		id: 'stroke',
		name: 'Stroke of the oars',
		about: 'the oars begin to pull',
		kind: 'moment',
		placed: false,
		numbers: [speed(4)]
	},
	{
		id: 'aground',
		name: 'Aground',
		about: 'the skiff runs against the rock',
		kind: 'moment',
		placed: true,
		numbers: [speed(4)]
	},
	{
		id: 'set-down',
		name: 'Load set down',
		about: 'what hangs on the crane meets the quay',
		kind: 'moment',
		placed: true,
		numbers: [speed(3)]
	},
	{ id: 'jump', name: 'Jump', about: 'leaving the ground by oneself', kind: 'moment', placed: false, numbers: [] },
	{
		id: 'impact',
		name: 'Impact of a cask',
		about: 'a cask hits the ground or a wall',
		kind: 'moment',
		placed: true,
		numbers: [speed(12)]
	},
	{
		id: 'running',
		name: 'Running',
		about: 'from the first fast steps to the last',
		kind: 'state',
		placed: false,
		numbers: []
	},
	{ id: 'creeping', name: 'Creeping', about: 'moving slowly on purpose', kind: 'state', placed: false, numbers: [] },
	{ id: 'airborne', name: 'In the air', about: 'no ground under the feet', kind: 'state', placed: false, numbers: [] },
	{ id: 'climbing', name: 'Climbing', about: 'on the ladder', kind: 'state', placed: false, numbers: [] },
	{ id: 'rowing', name: 'Rowing', about: 'in the skiff', kind: 'state', placed: false, numbers: [] },
	{
		id: 'craning',
		name: 'At the crane',
		about: 'working it: one sees its load',
		kind: 'state',
		placed: false,
		numbers: []
	},
	{ id: 'hoisting', name: 'Hoisting', about: 'the crane’s winch runs', kind: 'state', placed: false, numbers: [] },
	{ id: 'holding', name: 'Holding on', about: 'while the hold key is down', kind: 'state', placed: false, numbers: [] },
	{
		id: 'door',
		name: 'Door closing',
		about: 'the lamp room’s door falls shut behind one, in 3 s',
		kind: 'state',
		placed: true,
		numbers: []
	},
	{
		id: 'gallery',
		name: 'On the gallery',
		about: 'the balcony over the sea',
		kind: 'state',
		placed: false,
		numbers: []
	},
	{ id: 'indoors', name: 'Indoors', about: 'in the lamp room', kind: 'state', placed: false, numbers: [] },
	{
		id: 'quay',
		name: 'Down on the quay',
		about: 'the lowest level, by the water',
		kind: 'state',
		placed: false,
		numbers: []
	}
];

export interface WorldValueKind {
	readonly id: string;
	readonly name: string;
	readonly about: string;
}

/** Each from 0 to 1; a game value takes it over its own range. */
export const WORLD_VALUES: readonly WorldValueKind[] = [
	{ id: 'exertion', name: 'Exertion', about: 'grows while running and climbing, wears off at rest' },
	{ id: 'exposure', name: 'Out in the cold', about: 'grows outdoors, fastest on the gallery; wears off indoors' },
	{ id: 'hold', name: 'Holding on', about: '1 while the hold key is down' },
	{ id: 'pace', name: 'Pace', about: 'how fast one moves, 1 at a full run' }
];

/** Something that happened in the world. */
export interface Happening {
	readonly what: string;
	readonly phase: Occurrence['phase'];
	readonly numbers: Readonly<Record<string, number>>;
	readonly place: readonly [number, number, number] | null;
	/** For states of a known length. */
	readonly length?: Seconds;
	/** Whom it happened to: the number of the viewer. */
	readonly who: number;
}

export interface EventLink {
	/** A happening's id. */
	readonly from: string;
	readonly event: string;
	/** By id of a number that the event carries: the happening's number. */
	readonly numbers: Readonly<Record<string, string>>;
}

export interface ValueLink {
	/** A world value's id. */
	readonly from: string;
	readonly parameter: string;
}

export interface WorldLinks {
	readonly events: readonly EventLink[];
	readonly values: readonly ValueLink[];
}

export const NO_LINKS: WorldLinks = { events: [], values: [] };

/** A link from a happening to an event: numbers by the same name, else by the same unit, else in their order. */
export function linkTo(kind: HappeningKind, event: GameEvent): EventLink {
	const numbers: Record<string, string> = {};
	event.values.forEach((value, i) => {
		const found =
			kind.numbers.find((n) => n.id === value.id) ??
			kind.numbers.find((n) => n.unit !== '' && n.unit === value.unit) ??
			kind.numbers[i];
		if (found) numbers[value.id] = found.id;
	});
	return { from: kind.id, event: event.id, numbers };
}

/** The event that a happening's kind would be declared as. */
export const eventFrom = (kind: HappeningKind, id: string): GameEvent => ({
	id,
	name: kind.name,
	kind: kind.kind,
	placed: kind.placed,
	tags: [],
	values: kind.numbers
});

/** The names that a viewer's occurrences and mix go by, first to last. */
export const VIEWERS = ['one', 'two'] as const;

/** What the project's events make of a happening: one occurrence for each link that fits. A moment is no state, nor the other way. */
export function occurrencesOf(
	links: WorldLinks,
	events: readonly GameEvent[],
	{ what, phase, numbers, place, length, who }: Happening
): Occurrence[] {
	return links.events.flatMap((link): Occurrence[] => {
		const event = link.from === what ? events.find((e) => e.id === link.event) : undefined;
		if (!event || (event.kind === 'moment') !== (phase === 'happens')) return [];
		const values = Object.entries(link.numbers).flatMap(([to, from]) =>
			numbers[from] === undefined ? [] : [[to, numbers[from]] as const]
		);
		return [
			{
				event: event.id,
				phase,
				values: Object.fromEntries(values),
				tags: event.tags,
				place: event.placed && place ? place : undefined,
				length,
				who: VIEWERS[who],
				key: `${what} ${who}`
			}
		];
	});
}
