/** Cues that are made from their ends: an event is answered with a preset, a preset is set off by an event. */
import type { Cue, GameEvent } from 'dinesis-runtime';
import { newCue } from 'dinesis-runtime/tools';
import { freeId } from './ids';
import type { Wiring } from './read-wiring';

interface Answered {
	readonly wiring: Wiring;
	/** Of the new cue. */
	readonly id: string;
}

/** A cue that answers an event with a preset, behind the others. */
export function withAnswer(wiring: Wiring, event: GameEvent, preset: string): Answered {
	const id = freeId(
		event.id,
		wiring.cues.map((cue) => cue.id)
	);
	const cue: Cue = { ...newCue(id, event.id, preset), when: event.kind === 'state' ? 'lasts' : 'happens' };
	return { wiring: { ...wiring, cues: [...wiring.cues, cue] }, id };
}

/** An event of a name that is new: a state for what goes on, else a moment; and the cue that answers it. */
export function withNewEvent(wiring: Wiring, name: string, preset: string, goesOn: boolean): Answered {
	const id = freeId(
		name,
		wiring.events.map((event) => event.id)
	);
	const kind = goesOn ? 'state' : 'moment';
	const event: GameEvent = { id, name: name.slice(0, 120), kind, placed: false, tags: [], values: [] };
	return withAnswer({ ...wiring, events: [...wiring.events, event] }, event, preset);
}
