/** What a cue's sentence can be lengthened by: conditions, further actions, and what an action may say besides. Fetched after the first paint. */
import type { Cue, GameEvent } from 'dinesis-runtime';
import {
	newCamera,
	newPlay,
	nextActionId,
	type CameraAction,
	type CueAction,
	type CueConditions,
	type PlayAction
} from 'dinesis-runtime/tools';
import type { MenuGroup } from '$lib/ui/Menu.svelte';
import type { CuesState } from './cues.svelte';
import { gaitNamed } from '$lib/stages/body-changes';
import { withMayCarry } from './event-edits';

interface Offer {
	readonly group: string;
	readonly label: string;
	readonly run: () => void;
}

/** What an action is called where it gets a delay. */
const ACTIONS: Readonly<Record<CueAction['kind'], string>> = {
	play: 'play',
	stop: 'stop',
	set: 'set the value',
	camera: 'change the camera',
	raise: 'raise the event'
};

/** All that can be said more of a cue, by groups of a menu. */
export function offersOf(desk: CuesState, cue: Cue, event: GameEvent | undefined): readonly MenuGroup[] {
	const { wiring } = desk.session;
	const c = cue.conditions;
	const first = cue.actions.findIndex((a) => a.kind === 'play');
	const play = cue.actions[first] as PlayAction | undefined;

	/** What it plays goes on until it is stopped: a length of its own is a longer one. */
	const continuous = play?.pick.some(({ preset }) => desk.preset(preset)?.timing.mode === 'continuous') ?? false;

	const condition = (label: string, part: Partial<CueConditions>): void =>
		desk.change(cue.id, label, (q) => ({ ...q, conditions: { ...q.conditions, ...part } }));
	const add = (label: string, action: CueAction): void =>
		desk.change(cue.id, label, (q) => ({ ...q, actions: [...q.actions, action] }));
	const set = (label: string, part: Partial<PlayAction>): void =>
		desk.change(cue.id, label, (q) => ({
			...q,
			actions: q.actions.map((a, i) => (i === first ? ({ ...a, ...part } as CueAction) : a))
		}));
	function askFor(event: GameEvent, tag: string) {
		desk.session.rewire('Condition', (w) => {
			const carried = withMayCarry(w, event.id, [...(event.mayCarry ?? []), tag]);
			const cues = carried.cues.map((q) =>
				q.id === cue.id ? { ...q, conditions: { ...q.conditions, tags: [...q.conditions.tags, tag] } } : q
			);
			return { ...carried, cues };
		});
		desk.session.seal();
	}
	const middle = (min: number, max: number): number => Number((min + (max - min) * 0.2).toPrecision(2));

	const list: Offer[] = [];
	const offer = (group: string, label: string, run: () => void): void => void list.push({ group, label, run });
	for (const value of event?.values ?? []) {
		offer('only', `with ${value.id} over …`, () =>
			condition('Condition', {
				values: [...c.values, { of: value.id, from: middle(value.min, value.max), to: null }]
			})
		);
		offer('only', `with ${value.id} under …`, () =>
			condition('Condition', { values: [...c.values, { of: value.id, from: null, to: value.max }] })
		);
		if (play)
			offer('how', `strength by ${value.id}`, () =>
				set('Strength', {
					strength: {
						by: value.id,
						curve: [
							{ at: 0, value: 0.2 },
							{ at: 1, value: 1.5 }
						]
					}
				})
			);
	}
	// The event's own tags are on every occurrence: asking for them would ask for nothing.
	for (const tag of event?.mayCarry ?? [])
		if (!c.tags.includes(tag)) offer('only', `tagged ${tag}`, () => condition('Condition', { tags: [...c.tags, tag] }));
	const elsewhere = new Set(wiring.events.flatMap(({ mayCarry }) => mayCarry ?? []));
	for (const tag of elsewhere)
		if (event && !event.mayCarry?.includes(tag) && !c.tags.includes(tag))
			offer('only', `tagged ${tag}, which it may carry from now on`, () => askFor(event, tag));
	for (const p of wiring.parameters)
		offer('only', `while ${p.name} is over …`, () =>
			condition('Condition', { parameters: [...c.parameters, { of: p.id, from: middle(p.min, p.max), to: null }] })
		);
	if (c.coolDown === 0) offer('only', 'at most every so often', () => condition('Cool-down', { coolDown: 0.2 }));
	if (c.chance === 1) offer('only', 'with a chance', () => condition('Chance', { chance: 0.5 }));
	if (!c.once) offer('only', 'only once', () => condition('Once', { once: true }));
	if (play) {
		if (typeof play.strength !== 'number') offer('how', 'one strength for all', () => set('Strength', { strength: 1 }));
		if (play.length !== 'event') offer('how', 'for as long as the event', () => set('Length', { length: 'event' }));
		if (play.length === null)
			offer('how', 'for a length of its own', () => set('Length', { length: continuous ? 10 : 1 }));
		if (play.length !== null) offer('how', 'for the preset’s own length', () => set('Length', { length: null }));
		if (play.rate === 1) offer('how', 'faster or slower', () => set('Rate', { rate: 1.2 }));
		if (event?.placed)
			offer('how', play.fromPlace ? 'alike from everywhere' : 'from where it happened', () =>
				set('Place', { fromPlace: !play.fromPlace })
			);
		offer('how', play.buildUp ? 'each time alike' : 'growing with repetitions', () =>
			set('Build-up', { buildUp: play.buildUp ? null : { by: 0.25, most: 2, coolDown: 2 } })
		);
	}
	cue.actions.forEach((action, i) => {
		if (action.delay > 0) return;
		const name = ACTIONS[action.kind];
		const several = cue.actions.filter(({ kind }) => kind === action.kind).length > 1;
		offer('how', `${name}${several ? ` (${i + 1})` : ''} after a time`, () =>
			desk.change(cue.id, 'Delay', (q) => ({
				...q,
				actions: q.actions.map((a, k) => (k === i ? { ...a, delay: action.kind === 'stop' ? 5 : 0.2 } : a))
			}))
		);
	});
	const seen = cue.actions.findIndex((a) => a.kind === 'camera');
	const camera = cue.actions[seen] as CameraAction | undefined;
	if (camera)
		for (const gait of new Set(desk.session.bobs.flatMap((bob) => bob.gaits.map((g) => g.id))))
			if (!(gait in camera.sizes))
				offer('how', `${gaitNamed(desk.session.bobs, gait)} larger or smaller`, () =>
					desk.change(cue.id, `Size of ${gait}`, (q) => ({
						...q,
						actions: q.actions.map((a, i) => (i === seen ? { ...camera, sizes: { ...camera.sizes, [gait]: 1.5 } } : a))
					}))
				);
	const id = nextActionId(cue.actions);
	const preset = desk.session.presets[0];
	if (preset) offer('and', 'play something else too', () => add('Play', newPlay(preset.id, id)));
	offer('and', 'see through another rig', () => add('Camera', newCamera(wiring.rigs[0]?.id ?? null, id)));
	offer('and', 'stop something', () => add('Stop', { id, kind: 'stop', what: 'own', cut: false, delay: 0 }));
	const parameter = wiring.parameters[0];
	if (parameter)
		offer('and', 'set a game value', () =>
			add('Set', { id, kind: 'set', parameter: parameter.id, to: parameter.max, delay: 0 })
		);
	const other = wiring.events.find((e) => e.id !== cue.event && e.kind === 'moment');
	if (other) offer('and', 'raise another event', () => add('Raise', { id, kind: 'raise', event: other.id, delay: 0 }));
	return (
		[
			['only', 'Only'],
			['how', 'How it plays'],
			['and', 'And also']
		] as const
	).map(([group, title]) => ({ title, items: list.filter((offer) => offer.group === group) }));
}
