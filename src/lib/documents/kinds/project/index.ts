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
import { kind } from '../types';
import { DEFAULT_SETTINGS, settingsShape, type ProjectSettings } from './settings';

/** What belongs to the project itself: what the stand-in game raises, its settings, and what its kit carried that no room works on. */
export interface ProjectFacts {
	readonly id: string;
	readonly world: WorldLinks;
	readonly settings: ProjectSettings;
	/** What a game's menu offers those who want less motion. */
	readonly players: readonly PlayerSetting[];
	readonly carried: Readonly<Record<string, unknown>>;
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
			// What is left alone needs nothing to be there.
			keys: facts.settings.keys.map((key) => ({ ...key, of: at(key.kind, key.of) }))
		}
	})
});
