/** A part of a kit: what was chosen, and all that it needs to be played. */
import { documentsIn, pointsAt, type Kit, type KindName, type Space } from '../documents';

/** A document of a kit. */
export interface Picked {
	readonly kind: KindName;
	readonly id: string;
}

const SPACES: Readonly<Record<KindName, Space>> = {
	shake: 'preset',
	bob: 'preset',
	lag: 'preset',
	rig: 'rig',
	cue: 'cue',
	event: 'event',
	value: 'value',
	course: 'course',
	project: 'project'
};
const keyOf = (space: Space, id: string): string => `${space} ${id}`;

/** Which documents a part consists of: those that were chosen, and those that were drawn in by them. */
export interface Drawn {
	readonly chosen: ReadonlySet<string>;
	readonly needed: ReadonlySet<string>;
}

/** Whether a document is among what was drawn: `chosen`, `needed`, or not at all. */
export const standingOf = ({ chosen, needed }: Drawn, kind: KindName, id: string): 'chosen' | 'needed' | null => {
	const key = keyOf(SPACES[kind], id);
	return chosen.has(key) ? 'chosen' : needed.has(key) ? 'needed' : null;
};

/** What the chosen documents need, and what that needs: events and presets of cues, game values of presets, chains of rigs. */
export function drawIn(kit: Kit, picked: readonly Picked[]): Drawn {
	const byKey = new Map(
		[...documentsIn(kit)].map(({ kind, document }) => [keyOf(SPACES[kind], document.id), { kind, document }])
	);
	const chosen = new Set(picked.map(({ kind, id }) => keyOf(SPACES[kind], id)).filter((key) => byKey.has(key)));
	const needed = new Set<string>();
	const open = [...chosen];
	while (open.length > 0) {
		const one = byKey.get(open.pop()!);
		if (!one) continue;
		for (const { space, id } of pointsAt(one.kind, one.document)) {
			const key = keyOf(space, id);
			if (chosen.has(key) || needed.has(key) || !byKey.has(key)) continue;
			needed.add(key);
			open.push(key);
		}
	}
	return { chosen, needed };
}

/** The kit of what was drawn; everything else of the file stays as it is. Links to the world go along where both ends do. */
export function partOf(kit: Kit, drawn: Drawn): Kit {
	const goes = (space: Space, id: string): boolean =>
		drawn.chosen.has(keyOf(space, id)) || drawn.needed.has(keyOf(space, id));
	const of = <T extends { readonly id: string }>(list: readonly T[], space: Space): T[] =>
		list.filter(({ id }) => goes(space, id));
	return {
		...kit,
		events: of(kit.events, 'event'),
		parameters: of(kit.parameters, 'value'),
		presets: of(kit.presets, 'preset'),
		cues: of(kit.cues, 'cue'),
		rigs: of(kit.rigs, 'rig'),
		courses: of(kit.courses, 'course'),
		world: {
			...kit.world,
			events: kit.world.events.filter((link) => goes('event', link.event)),
			values: kit.world.values.filter((link) => goes('value', link.parameter))
		}
	};
}

/** Every document that a game plays: all but courses. */
export const everythingIn = (kit: Kit): Picked[] =>
	[...documentsIn(kit)]
		.filter(({ kind }) => kind !== 'course' && kind !== 'project')
		.map(({ kind, document }) => ({ kind, id: document.id }));

/** Those that have one of these tags: presets and events; and the cues that answer such an event or play such a preset. */
export function taggedIn(kit: Kit, tags: readonly string[]): Picked[] {
	const has = (own: readonly string[]): boolean => own.some((tag) => tags.includes(tag));
	const presets = kit.presets.filter((preset) => has(preset.tags));
	const events = kit.events.filter((event) => has(event.tags));
	const ids = new Set(presets.map(({ id }) => id));
	const named = new Set(events.map(({ id }) => id));
	const cues = kit.cues.filter(
		(cue) =>
			named.has(cue.event) ||
			cue.actions.some((action) => action.kind === 'play' && action.pick.some(({ preset }) => ids.has(preset)))
	);
	return [
		...presets.map((preset): Picked => ({ kind: preset.family, id: preset.id })),
		...events.map(({ id }): Picked => ({ kind: 'event', id })),
		...cues.map(({ id }): Picked => ({ kind: 'cue', id }))
	];
}
