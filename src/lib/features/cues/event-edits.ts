/** Changes of an event that take along the cues which answer it. */
import type { Cue, GameEvent } from 'dinesis-runtime';
import type { CueWhen } from 'dinesis-runtime/tools';
import { freeId, type Wiring } from '$lib/documents';

/** The id that a number would have by this name; null where nothing changes. */
export function numberId(event: GameEvent, i: number, name: string): string | null {
	const others = event.values.filter((_, k) => k !== i).map((v) => v.id);
	const id = freeId(name, others);
	return name.trim() === '' || id === event.values[i]!.id ? null : id;
}

/** A number's id is what the game sends: every cue of the event that names it follows. */
export function withNumberRenamed(wiring: Wiring, event: GameEvent, i: number, id: string): Wiring {
	const before = event.values[i]!.id;
	return {
		...wiring,
		events: wiring.events.map((e) =>
			e.id === event.id ? { ...e, values: e.values.map((v, k) => (k === i ? { ...v, id } : v)) } : e
		),
		cues: wiring.cues.map((cue) =>
			cue.event !== event.id
				? cue
				: {
						...cue,
						conditions: {
							...cue.conditions,
							values: cue.conditions.values.map((b) => (b.of === before ? { ...b, of: id } : b))
						},
						actions: cue.actions.map((a) =>
							a.kind === 'play' && typeof a.strength !== 'number' && a.strength.by === before
								? { ...a, strength: { ...a.strength, by: id } }
								: a
						)
					}
		)
	};
}

/** What a cue's “when” becomes with the event's kind: a moment has neither start nor end; what happens with a state is its start. */
const whenIn = (kind: GameEvent['kind'], when: CueWhen): CueWhen =>
	kind === 'moment' ? 'happens' : when === 'happens' ? 'starts' : when;

/** A moment made a state, or the other way: its cues' words go along. `lost`: cues that asked for what a moment does not have. */
export function withKind(
	wiring: Wiring,
	event: GameEvent,
	kind: GameEvent['kind']
): { readonly wiring: Wiring; readonly lost: readonly Cue[] } {
	const own = (cue: Cue): boolean => cue.event === event.id;
	return {
		wiring: {
			...wiring,
			events: wiring.events.map((e) => (e.id === event.id ? { ...e, kind } : e)),
			cues: wiring.cues.map((cue) => (own(cue) ? { ...cue, when: whenIn(kind, cue.when) } : cue))
		},
		lost:
			kind === 'moment' ? wiring.cues.filter((cue) => own(cue) && (cue.when === 'lasts' || cue.when === 'ends')) : []
	};
}

/** Tags that an occurrence may carry; none are left out of the event. */
export function withMayCarry(wiring: Wiring, id: string, tags: readonly string[]): Wiring {
	return {
		...wiring,
		events: wiring.events.map((event) => {
			if (event.id !== id) return event;
			if (tags.length > 0) return { ...event, mayCarry: tags };
			const rest: { -readonly [K in keyof GameEvent]: GameEvent[K] } = { ...event };
			delete rest.mayCarry;
			return rest;
		})
	};
}
