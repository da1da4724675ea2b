import type { PlayerSetting } from 'dinesis-runtime';
import {
	id,
	list,
	NO_LINKS,
	object,
	own,
	playerSetting,
	required,
	withDefault,
	worldLinks,
	type WorldLinks
} from 'dinesis-runtime/tools';
import { kind, PRESET_KINDS, type At, type KindName, type Space } from '../types';
import { DEFAULT_SETTINGS, settingsShape, silencedId, type ProjectSettings, type Silenced } from './settings';

/** What belongs to the project itself: what the stand-in game raises, its settings, and what its kit carried that no room works on. */
export interface ProjectFacts {
	readonly id: string;
	readonly world: WorldLinks;
	readonly settings: ProjectSettings;
	/** What a game's menu offers those who want less motion. */
	readonly players: readonly PlayerSetting[];
	readonly carried: Readonly<Record<string, unknown>>;
}

/** What is left alone of a document that goes by another id. */
function silencedOf(one: Silenced, at: At): Silenced {
	const isPreset = (PRESET_KINDS as readonly KindName[]).includes(one.kind);
	const space = isPreset ? 'preset' : (one.kind as Space);
	const of = at(space, one.of);
	return of === one.of ? one : { ...one, of, id: silencedId(one.kind, of, one.check) };
}

/** There is one in each project. */
export const PROJECT_ID = 'project';

const shape = object({
	id: required(id('of the facts')),
	world: withDefault(worldLinks, NO_LINKS),
	settings: withDefault(settingsShape, DEFAULT_SETTINGS),
	players: withDefault(list(playerSetting, { most: 40, unique: 'id' }), []),
	carried: withDefault(
		own(() => undefined, {}),
		{}
	)
});

export const project = kind<ProjectFacts>({
	space: 'project',
	word: 'project',
	words: 'projects',
	shape,
	fresh: () => ({ id: PROJECT_ID, world: NO_LINKS, settings: DEFAULT_SETTINGS, players: [], carried: {} }),
	migrations: [],
	pointing: (facts, at) => ({
		...facts,
		world: {
			...facts.world,
			events: facts.world.events.map((link) => ({ ...link, event: at('event', link.event) })),
			values: facts.world.values.map((link) => ({ ...link, parameter: at('value', link.parameter) }))
		},
		settings: {
			...facts.settings,
			keys: facts.settings.keys.map((key) => ({ ...key, of: at(key.kind, key.of) }))
		}
	}),
	naming: (facts, at) => ({
		...facts,
		settings: { ...facts.settings, silenced: facts.settings.silenced.map((one) => silencedOf(one, at)) }
	})
});
