/** Linking what the stand-in game raises to a project's own events. */
import type { EventLink, EventValue } from 'dinesis-runtime/tools';
import type { GameEvent } from 'dinesis-runtime';

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
