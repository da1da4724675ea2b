/**
 * What a game raises and what that means in a project: a project has events of its own, a link says which of them is raised, and which
 * of the happening's numbers the event carries. The stand-in game says what it raises (`world/happenings.ts`).
 */
import type { GameEvent, Occurrence } from './types';
import type { Seconds } from '../units/quantities';

/** Something that happened in the world. */
export interface Happening {
	/** Its kind’s id. */
	readonly what: string;
	/** A moment happens, a state starts and ends. */
	readonly phase: Occurrence['phase'];
	/** By id. */
	readonly numbers: Readonly<Record<string, number>>;
	/** x, y, z in metres; null: none. */
	readonly place: readonly [number, number, number] | null;
	/** For states of a known length. */
	readonly length?: Seconds;
	/** Whom it happened to: the number of the viewer. */
	readonly who: number;
}

export interface EventLink {
	/** A happening's id. */
	readonly from: string;
	/** The event’s id. */
	readonly event: string;
	/** By id of a number that the event carries: the happening's number. */
	readonly numbers: Readonly<Record<string, string>>;
}

export interface ValueLink {
	/** A world value's id. */
	readonly from: string;
	/** The game value’s id. */
	readonly parameter: string;
}

export interface WorldLinks {
	/** What happenings raise. */
	readonly events: readonly EventLink[];
	/** What world values set. */
	readonly values: readonly ValueLink[];
}

export const NO_LINKS: WorldLinks = { events: [], values: [] };

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
