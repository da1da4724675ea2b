/** What ties a game to its motion: its events, its values and the cues. Kept and saved as one document. */
import type { Cue } from '../cues/types';
import { cue } from './cue-shape';
import type { Rig } from '../chain/types';
import type { WorldLinks } from '../cues/links';
import { gameEvent, parameter, worldLinks } from './kit-shape';
import type { ReadResult } from './read-preset';
import { rig } from './rig-shape';
import { list, object, refuseDangerous, Report, withDefault } from './shape';
import type { GameEvent, GameParameter } from './types';

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
export function openWiring(parsed: unknown): ReadResult<Wiring> {
	const report = new Report();
	refuseDangerous(parsed, report);
	if (report.problems.length === 0) wiring.check(parsed, report);
	if (report.problems.length > 0) return { ok: false, problems: report.problems };
	return { ok: true, value: parsed as Wiring };
}
