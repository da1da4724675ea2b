/** Numbers that events carry, renamed with everything that names them. */
import type { GameEvent } from 'dinesis-runtime';
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
