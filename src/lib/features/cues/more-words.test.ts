import { describe, expect, it } from 'vitest';
import type { Cue, GameEvent, ShakePreset } from 'dinesis-runtime';
import { newCue, newPreset, NO_LINKS } from 'dinesis-runtime/tools';
import type { Wiring } from '$lib/documents';
import type { CuesState } from './cues.svelte';
import { offersOf } from './more-words';

const hit: GameEvent = {
	id: 'hit',
	name: 'Hit',
	kind: 'moment',
	placed: true,
	tags: ['blow'],
	mayCarry: ['enemy'],
	values: []
};
const fall: GameEvent = { ...hit, id: 'fall', name: 'Fall', mayCarry: ['child'] };
const hum: ShakePreset = { ...newPreset('hum', 'Hum'), timing: { ...newPreset('a', 'A').timing, mode: 'continuous' } };

/** What is offered for a cue, and what comes of one of it. */
function offered(cue: Cue, label: string) {
	let wiring: Wiring = { events: [hit, fall], parameters: [], cues: [cue], rigs: [], world: NO_LINKS };
	const desk = {
		session: {
			get wiring() {
				return wiring;
			},
			presets: [hum],
			bobs: [],
			rewire: (_: string, recipe: (w: Wiring) => Wiring) => void (wiring = recipe(wiring)),
			seal: () => undefined
		},
		preset: (id: string) => (id === 'hum' ? hum : undefined),
		change: (id: string, _: string, recipe: (cue: Cue) => Cue) =>
			void (wiring = { ...wiring, cues: wiring.cues.map((c) => (c.id === id ? recipe(c) : c)) })
	} as unknown as CuesState;
	const items = offersOf(desk, cue, hit).flatMap(({ items }) => items);
	const found = items.find((item) => item.label === label);
	found?.run();
	return { labels: items.map((item) => item.label), cue: () => wiring.cues[0]!, events: () => wiring.events };
}
const cue = newCue('c', 'hit', 'hum');

describe('what can be said more of a cue', () => {
	it('tags that its event may carry are asked for; the event’s own, which all have, are not offered', () => {
		const made = offered(cue, 'tagged enemy');
		expect(made.labels).not.toContain('tagged blow');
		expect(made.cue().conditions.tags).toEqual(['enemy']);
	});

	it('a tag that other events know comes to this one as it is asked for, in one step', () => {
		const made = offered(cue, 'tagged child, which it may carry from now on');
		expect(made.cue().conditions.tags).toEqual(['child']);
		expect(made.events()[0]!.mayCarry).toEqual(['enemy', 'child']);
		expect(made.events()[1]).toBe(fall);
	});

	it('every action may come after a time, and one that has a delay is not offered it again', () => {
		const stop = { id: '2', kind: 'stop', what: 'own', cut: false, delay: 0 } as const;
		const both = { ...cue, actions: [...cue.actions, stop] };
		expect(
			offered(both, 'stop after a time')
				.cue()
				.actions.map(({ delay }) => delay)
		).toEqual([0, 5]);
		expect(
			offered(both, 'play after a time')
				.cue()
				.actions.map(({ delay }) => delay)
		).toEqual([0.2, 0]);
		const late = { ...cue, actions: [{ ...cue.actions[0]!, delay: 1 }] };
		expect(offered(late, '').labels.filter((label) => label.endsWith('after a time'))).toEqual([]);
	});

	it('what goes on until it is stopped is offered ten seconds of its own', () => {
		const made = offered(cue, 'for a length of its own').cue().actions[0];
		expect(made).toMatchObject({ kind: 'play', length: 10 });
	});
});
