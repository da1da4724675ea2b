/**
 * Bringing a kit into a project, whole or in part: what of it is new, the same, changed, or something else under the same id; and the one
 * change that brings in what is chosen. A project is made of a kit by the same change.
 */
import { dequal } from 'dequal/lite';
import type { Rig } from 'dinesis-runtime';
import type { WorldLinks } from 'dinesis-runtime/tools';
import { keysBetween } from './fields/order';
import type { Kit } from './kit';
import { creation, fieldsTowards, type Held } from './held';
import { freeId } from './ids';
import type { ChangePart } from './judge';
import {
	DEFAULT_SETTINGS,
	documentOf,
	isPlain,
	following,
	KINDS,
	pointsAt,
	PROJECT_ID,
	treeOf,
	type AnyDocument,
	type KindName,
	type ProjectFacts,
	type Reference,
	type Space
} from './kinds';
import { newUuid } from './uuid';

/** A document of a kit. */
export interface Coming {
	readonly kind: KindName;
	readonly document: AnyDocument;
}

/**
 * `new`: nobody has this id; `same`: it is there to the letter; `changed`: it is there with other values; `clashing`: another thing has its
 * id, by its name or its kind.
 */
export type Standing = 'new' | 'same' | 'changed' | 'clashing';

export interface Arrival extends Coming {
	readonly standing: Standing;
	readonly pointsAt: readonly Reference[];
}

/** What to do with one whose id is taken: leave what is there, put the new one in its place, or have both. */
export type Choice = 'keep' | 'replace' | 'both';

const FIELDS_OF_KITS = new Set([
	'format',
	'version',
	'name',
	'events',
	'parameters',
	'presets',
	'cues',
	'rigs',
	'courses',
	'world',
	'settings',
	'players'
]);

/** All documents of a kit, of every kind, in the order of a project. */
export function arrivalsOf(kit: Kit): Coming[] {
	const all = (kind: KindName, list: readonly AnyDocument[]): Coming[] => list.map((document) => ({ kind, document }));
	const carried = Object.fromEntries(Object.entries(kit).filter(([name]) => !FIELDS_OF_KITS.has(name)));
	const facts = {
		id: PROJECT_ID,
		world: kit.world,
		settings: kit.settings ?? DEFAULT_SETTINGS,
		players: kit.players ?? [],
		carried
	} as AnyDocument;
	return [
		...kit.presets.map((document): Coming => ({ kind: document.family, document })),
		...all('event', kit.events),
		...all('value', kit.parameters),
		...all('cue', kit.cues),
		...all('rig', kit.rigs as readonly Rig[]),
		...all('course', kit.courses),
		{ kind: 'project', document: facts }
	];
}

const nameIn = (space: Space, id: string): string => `${space} ${id}`;
const placeOf = ({ kind, document }: Coming): string => nameIn(KINDS[kind].space, document.id);
const isBare = ({ world, settings, players, carried }: ProjectFacts): boolean =>
	world.events.length + world.values.length + players.length === 0 &&
	isPlain(settings) &&
	Object.keys(carried).length === 0;

/** Documents in use, by their names. */
const inUse = (held: readonly Pick<Held, 'kind' | 'id' | 'body' | 'retired'>[]) =>
	new Map(held.filter(({ retired }) => !retired).map((one) => [nameIn(KINDS[one.kind].space, one.id), one]));

/** How each of them stands beside what a project has. What says nothing (a game that raises nothing) is left out. */
export function comparedWith(
	coming: readonly Coming[],
	held: readonly Pick<Held, 'kind' | 'id' | 'body' | 'retired'>[]
): Arrival[] {
	const here = inUse(held);
	return coming.flatMap((one): Arrival[] => {
		if (one.kind === 'project' && isBare(one.document as unknown as ProjectFacts)) return [];
		const found = here.get(placeOf(one));
		return [{ ...one, standing: standingOf(one, found), pointsAt: pointsAt(one.kind, one.document) }];
	});
}

function standingOf({ kind, document }: Coming, found: Pick<Held, 'kind' | 'body'> | undefined): Standing {
	if (!found) return 'new';
	if (found.kind !== kind) return 'clashing';
	const shown = documentOf(kind, found.body);
	if (kind === 'project' && isBare(shown as unknown as ProjectFacts)) return 'new';
	if (dequal(shown, document)) return 'same';
	return shown.name === document.name ? 'changed' : 'clashing';
}

/** What can be done with one, the usual first. */
export function choicesOf(
	{ standing, kind }: Pick<Arrival, 'standing' | 'kind'>,
	held?: Pick<Held, 'kind'>
): readonly Choice[] {
	if (standing === 'changed') return ['replace', 'keep', 'both'];
	if (standing !== 'clashing') return [];
	// One of another kind cannot stand in its place.
	return held && held.kind !== kind ? ['both', 'keep'] : ['both', 'replace', 'keep'];
}

/** What of a kit is pointed at by what comes, does not come with it, and is not there either. */
export function wantedBy(
	chosen: readonly Arrival[],
	all: readonly Arrival[],
	held: readonly Pick<Held, 'kind' | 'id' | 'body' | 'retired'>[]
): Arrival[] {
	const there = inUse(held);
	const comes = new Set(chosen.map(placeOf));
	const byPlace = new Map(all.map((one) => [placeOf(one), one]));
	const wanted = new Map<string, Arrival>();
	const look = (one: Arrival): void => {
		for (const { space, id } of one.pointsAt) {
			const name = nameIn(space, id);
			const target = byPlace.get(name);
			if (!target || comes.has(name) || there.has(name) || wanted.has(name)) continue;
			wanted.set(name, target);
			look(target);
		}
	};
	for (const one of chosen) look(one);
	return [...wanted.values()];
}

/** What an arrival is called. */
export const nameOfArrival = ({ kind, document }: Coming): string =>
	kind === 'project' ? 'The project’s settings, and what the stand-in game raises' : (document.name ?? document.id);

export interface Chosen {
	readonly arrival: Arrival;
	/** Of no account where its id is free. */
	readonly choice: Choice;
}

/** Those of them that come at all: what is there to the letter, and what is to be left as it is, does not. */
const comingOf = (chosen: readonly Chosen[]): readonly Chosen[] =>
	chosen.filter(({ arrival, choice }) => arrival.standing !== 'same' && !isKept(arrival, choice));

/** What id each of a project's space has once these have come: its own, or another where something else has that. */
export function idsBringing(
	chosen: readonly Chosen[],
	held: readonly Pick<Held, 'kind' | 'id'>[]
): (space: Space, id: string) => string {
	const here = new Map(held.map((one) => [nameIn(KINDS[one.kind].space, one.id), one]));
	const taken = new Map<Space, Set<string>>();
	for (const { kind, id } of held) idsIn(KINDS[kind].space).add(id);
	for (const { arrival } of chosen) idsIn(KINDS[arrival.kind].space).add(arrival.document.id);
	const renamed = new Map<string, string>();
	for (const { arrival, choice } of comingOf(chosen)) {
		const { kind, document, standing } = arrival;
		const found = here.get(placeOf(arrival));
		// What is out of use there, and of another kind, keeps its id.
		const needs = standing === 'new' ? found !== undefined && found.kind !== kind : choice === 'both';
		if (!needs || kind === 'project') continue;
		const ids = idsIn(KINDS[kind].space);
		const id = freeId(document.id, ids);
		ids.add(id);
		renamed.set(placeOf(arrival), id);
	}
	return (space, id) => renamed.get(nameIn(space, id)) ?? id;

	function idsIn(space: Space): Set<string> {
		const known = taken.get(space);
		if (known) return known;
		const made = new Set<string>();
		taken.set(space, made);
		return made;
	}
}

/**
 * The change that brings them in, behind the project's last place. Those that get another id are pointed at under it by all that comes with
 * them. `held`: all that the project has, what is out of use as well: that comes back, with its history.
 */
export function partsBringing(chosen: readonly Chosen[], held: readonly Held[], last: string | null): ChangePart[] {
	const here = new Map(held.map((one) => [nameIn(KINDS[one.kind].space, one.id), one]));
	const todo = comingOf(chosen);
	const at = idsBringing(chosen, held);
	const places = keysBetween(last, null, todo.length);
	return todo.map(({ arrival, choice }, i): ChangePart => {
		const { kind, document } = arrival;
		const own = { ...following(kind, document, at), id: at(KINDS[kind].space, document.id) };
		const found = own.id === document.id ? here.get(placeOf(arrival)) : undefined;
		if (!found) return { document: newUuid(), fields: [creation(kind, own, places[i]!, true)] };
		if (found.retired)
			return part(found, [
				{ path: ['body'], to: treeOf(kind, own) },
				{ path: ['order'], to: places[i]! },
				{ path: ['retired'], to: false }
			]);
		const joined = kind === 'project' && choice === 'both' ? bothFacts(found, own) : own;
		return part(found, fieldsTowards(found, joined));
	});
}

const isKept = ({ standing }: Arrival, choice: Choice): boolean =>
	(standing === 'changed' || standing === 'clashing') && choice === 'keep';

const part = ({ uuid, version }: Held, fields: ChangePart['fields']): ChangePart => ({
	document: uuid,
	on: version,
	fields
});

/** What the game raised here, and what the kit's does, each once. */
function bothFacts(held: Held, coming: AnyDocument): AnyDocument {
	const [here, there] = [documentOf<ProjectFacts>(held.kind, held.body), coming as unknown as ProjectFacts];
	const union = <T>(a: readonly T[], b: readonly T[]): T[] => [
		...a,
		...b.filter((one) => !a.some((other) => dequal(one, other)))
	];
	const world: WorldLinks = {
		...here.world,
		events: union(here.world.events, there.world.events),
		values: union(here.world.values, there.world.values)
	};
	// How one works here stays; a kit's settings come where there are none yet.
	const settings = isPlain(here.settings) ? there.settings : here.settings;
	const players = [...here.players, ...there.players.filter(({ id }) => !here.players.some((one) => one.id === id))];
	return { ...here, world, settings, players, carried: { ...there.carried, ...here.carried } } as AnyDocument;
}
