/** Kits as they are put together to be sent out: a whole project, or some of its presets by themselves. */
import type { AnyPreset, Cue, GameEvent, GameParameter, PlayerSetting, Rig } from 'dinesis-runtime';
import { KIT_FORMAT, KIT_VERSION, NO_LINKS } from 'dinesis-runtime/tools';
import type { Course } from './course-types';
import type { Kit } from './kit';
import {
	DEFAULT_SETTINGS,
	isPlain,
	type AnyDocument,
	type KindName,
	type ProjectFacts,
	type ProjectSettings
} from './kinds';
import type { Wiring } from './read-wiring';

/** All of a project: `presets` are its shakes, head bobs and camera lags, in their order. */
export function wholeKit(
	name: string,
	presets: readonly AnyPreset[],
	wiring: Wiring,
	courses: readonly Course[],
	settings: ProjectSettings = DEFAULT_SETTINGS,
	players: readonly PlayerSetting[] = []
): Kit {
	const own = { ...(players.length > 0 && { players }), ...(!isPlain(settings) && { settings }) };
	return { format: KIT_FORMAT, version: KIT_VERSION, name, ...wiring, presets, courses, ...own };
}

/** Some presets and nothing that points at them: for another project to bring in. */
export function kitOfPresets(name: string, presets: readonly AnyPreset[]): Kit {
	return wholeKit(name, presets, { events: [], parameters: [], cues: [], world: NO_LINKS, rigs: [] }, []);
}

/** Documents by themselves, in their order, as the kit that they make up. */
export function kitOfDocuments(
	name: string,
	list: readonly { readonly kind: KindName; readonly document: AnyDocument }[]
): Kit {
	const of = <T>(...kinds: KindName[]): T[] =>
		list.filter(({ kind }) => kinds.includes(kind)).map(({ document }) => document as unknown as T);
	const [facts] = of<ProjectFacts>('project');
	const wiring = {
		events: of<GameEvent>('event'),
		parameters: of<GameParameter>('value'),
		cues: of<Cue>('cue'),
		rigs: of<Rig>('rig'),
		world: facts?.world ?? NO_LINKS
	};
	return wholeKit(
		name,
		of<AnyPreset>('shake', 'bob', 'lag'),
		wiring,
		of<Course>('course'),
		facts?.settings,
		facts?.players
	);
}
