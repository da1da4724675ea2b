/**
 * What a game raises and what that means in a project: a project has events of its own, a link says which of them is raised, and which
 * of the happening's numbers the event carries. The stand-in game says what it raises (`world/happenings.ts`).
 */
import type { EventValue, GameEvent } from '../kit/types';
import type { Occurrence } from './types';
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

export interface WorldValueKind {
	readonly id: string;
	readonly name: string;
	readonly about: string;
}

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
