/** Events that nothing of the project raises: no course, no area, no link to the stand-in game, no other cue. Only a game could. */
import type { GameEvent } from 'dinesis-runtime';
import type { Kit } from '../kit';
import type { Finding } from './types';

type Raised = Pick<Kit, 'cues' | 'courses' | 'world'>;
const known = new WeakMap<object, ReadonlySet<string>>();

/** All events that something raises; the same kit is gone through once. */
function raisedIn(kit: Raised): ReadonlySet<string> {
	const before = known.get(kit);
	if (before) return before;
	const found = new Set<string>();
	for (const { events, areas } of kit.courses) for (const { event } of [...events, ...areas]) found.add(event);
	for (const { event } of kit.world.events) found.add(event);
	for (const { on, actions } of kit.cues)
		if (on) for (const action of actions) if (action.kind === 'raise') found.add(action.event);
	known.set(kit, found);
	return found;
}

export const eventNeverComes = (event: GameEvent, kit: Raised): Finding<GameEvent>[] =>
	raisedIn(kit).has(event.id)
		? []
		: [
				{
					check: 'event-never-comes',
					level: 'note',
					place: 'id',
					sentence: `Nothing here raises “${event.name}”: no course, no link to the stand-in game, no cue. It cannot be tried in a run.`
				}
			];
