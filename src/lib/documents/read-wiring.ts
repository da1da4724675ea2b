/** What ties a game to its motion: its events, its values and the cues. Kept and saved as one document. */
import type { Cue, Rig, ReadResult, GameEvent, GameParameter } from 'dinesis-runtime';
import {
	cue,
	gameEvent,
	parameter,
	worldLinks,
	rig,
	list,
	object,
	openAs,
	withDefault,
	type WorldLinks
} from 'dinesis-runtime/tools';

export interface Wiring {
	readonly events: readonly GameEvent[];
	readonly parameters: readonly GameParameter[];
	readonly cues: readonly Cue[];
	readonly world: WorldLinks;
	readonly rigs: readonly Rig[];
}

const wiring = object({
	events: withDefault(list(gameEvent, { most: 10000, unique: 'id' }), []),
	parameters: withDefault(list(parameter, { most: 10000, unique: 'id' }), []),
	cues: withDefault(list(cue, { most: 10000, unique: 'id' }), []),
	world: withDefault(worldLinks, { events: [], values: [] }),
	rigs: withDefault(list(rig, { most: 1000, unique: 'id' }), [])
});

/** Checks a wiring and fills in what it leaves out. The object is the wiring's own from here on. */
export const openWiring = (parsed: unknown): ReadResult<Wiring> => openAs(parsed, wiring);
