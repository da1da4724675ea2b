import { describe, expect, it } from 'vitest';
import type { GameEvent } from 'dinesis-runtime';
import { newCue, newPlay, NO_LINKS } from 'dinesis-runtime/tools';
import type { Wiring } from '$lib/documents';
import { numberId, withKind, withMayCarry, withNumberRenamed } from './event-edits';

const number = (id: string) => ({ id, unit: 'm/s', min: 0, max: 10 });
const hit: GameEvent = {
	id: 'hit',
	name: 'Hit',
	kind: 'moment',
	placed: true,
	tags: [],
	values: [number('speed'), number('mass')]
};
const curve = [
	{ at: 0, value: 0 },
	{ at: 1, value: 1 }
];
const answering = (id: string, event: string) => ({
	...newCue(id, event, 'thud'),
	conditions: { ...newCue(id, event, 'thud').conditions, values: [{ of: 'speed', from: 2, to: null }] },
	actions: [{ ...newPlay('thud', '1'), strength: { by: 'speed', curve } }]
});
const wiring: Wiring = {
	events: [hit, { ...hit, id: 'other' }],
	parameters: [],
	rigs: [],
	world: NO_LINKS,
	cues: [answering('a', 'hit'), answering('b', 'other')]
};

describe('a number that an event carries', () => {
	it('is named so that no other of the event is', () => {
		expect(numberId(hit, 0, 'Impact speed')).toBe('impact-speed');
		expect(numberId(hit, 0, 'mass')).not.toBe('mass');
		expect([numberId(hit, 0, 'speed'), numberId(hit, 0, '  ')]).toEqual([null, null]);
	});

	it('takes everything along that names it, in its own event’s cues', () => {
		const made = withNumberRenamed(wiring, hit, 0, 'impact');
		expect(made.events[0]!.values.map(({ id }) => id)).toEqual(['impact', 'mass']);
		const [mine, others] = made.cues;
		expect(mine!.conditions.values[0]!.of).toBe('impact');
		expect(mine!.actions[0]).toMatchObject({ strength: { by: 'impact', curve } });
		expect(others).toBe(wiring.cues[1]);
		expect(made.events[1]).toBe(wiring.events[1]);
	});
});

describe('a moment made a state, or the other way', () => {
	it('takes its cues’ words along; what happens with a state is its start', () => {
		const made = withKind(wiring, hit, 'state');
		expect(made.wiring.events[0]!.kind).toBe('state');
		expect(made.wiring.cues.map(({ when }) => when)).toEqual(['starts', 'happens']);
		expect(made.lost).toEqual([]);
	});

	it('back again; those that asked for its end or its whole length are told', () => {
		const [mine, other] = wiring.cues;
		const state = { ...hit, kind: 'state' as const };
		const cues = (['starts', 'lasts', 'ends'] as const).map((when) => ({ ...mine!, id: when, when }));
		const made = withKind({ ...wiring, events: [state], cues: [...cues, other!] }, state, 'moment');
		expect(made.wiring.cues.map(({ when }) => when)).toEqual(['happens', 'happens', 'happens', 'happens']);
		expect(made.lost.map(({ id }) => id)).toEqual(['lasts', 'ends']);
	});
});

describe('what an event may carry, and what answers it', () => {
	it('tags stand at the event; none are left out of it', () => {
		const made = withMayCarry(wiring, 'hit', ['enemy']);
		expect(made.events[0]!.mayCarry).toEqual(['enemy']);
		expect('mayCarry' in withMayCarry(made, 'hit', []).events[0]!).toBe(false);
		expect(made.events[1]).toBe(wiring.events[1]);
	});
});
