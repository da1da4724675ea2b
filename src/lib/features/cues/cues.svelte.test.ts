import { describe, expect, it, vi } from 'vitest';
import type { Cue, GameEvent, ShakePreset } from 'dinesis-runtime';
import { newCue, newPlay, newPreset, NO_LINKS } from 'dinesis-runtime/tools';
import { type Wiring } from '$lib/documents';
import type { ProjectSession } from '$lib/session/session.svelte';
import { CuesState, LENGTH } from './cues.svelte';

const thud = newPreset('thud', 'Thud');
const hum: ShakePreset = { ...newPreset('hum', 'Hum'), timing: { ...thud.timing, mode: 'continuous' } };
const hit: GameEvent = {
	id: 'hit',
	name: 'Hit',
	kind: 'moment',
	placed: true,
	tags: ['blow'],
	values: [{ id: 'speed', unit: 'm/s', min: 0, max: 9 }]
};
const run: GameEvent = { ...hit, id: 'run', name: 'Run', kind: 'state', placed: false, values: [] };

function desk(cues: readonly Cue[], presets: ShakePreset[] = [thud, hum]) {
	let wiring: Wiring = {
		events: [hit, run],
		parameters: [{ id: 'cold', name: 'Cold', min: 0, max: 1, rest: 0.2 }],
		cues,
		world: NO_LINKS,
		rigs: []
	};
	const session = {
		project: { slug: 'quay' },
		presets,
		bobsAndLags: [],
		order: presets.map((p) => p.id),
		get wiring() {
			return wiring;
		},
		preset: (key: string) => presets.find((p) => p.id === key),
		onChange: () => () => undefined,
		rewire: (_: string, recipe: (w: Wiring) => Wiring) => void (wiring = recipe(wiring)),
		seal: () => undefined
	};
	const state = new CuesState(session as unknown as ProjectSession);
	const frames = (seconds: number): Float64Array => {
		let last: Float64Array = new Float64Array(7);
		for (let i = 0; i < seconds * 60; i++) last = state.frame(1 / 60);
		return last;
	};
	return { state, frames, cues: () => wiring.cues };
}

describe('a cue made of nothing', () => {
	it('is off and asks for its words; with the last of them it is on, in the same step', () => {
		const { state, cues } = desk([]);
		state.add();
		const [made] = cues();
		expect([made!.on, state.chosen]).toEqual([false, made!.id]);
		expect([state.waitsFor(made!.id, 'event'), state.waitsFor(made!.id, 'preset')]).toEqual([true, true]);
		state.say(made!, 'event', 'Event', (c) => ({ ...c, event: 'run' }));
		expect(cues()[0]).toMatchObject({ on: false, event: 'run' });
		state.say(cues()[0]!, 'preset', 'Presets', (c) => ({ ...c, actions: [newPlay('hum')] }));
		expect(cues()[0]!.on).toBe(true);
		// Switched off by hand it stays so, whatever is said from then on.
		state.change(made!.id, 'Switch off', (c) => ({ ...c, on: false }));
		state.say(cues()[0]!, 'event', 'Event', (c) => ({ ...c, event: 'hit' }));
		expect(cues()[0]).toMatchObject({ on: false, event: 'hit' });
	});

	it('where there is one preset it is meant; a cue that was there waits for nothing', () => {
		const { state, cues } = desk([newCue('c', 'hit', 'thud')], [thud]);
		state.add();
		expect(cues().map(({ id }) => state.waitsFor(id, 'preset'))).toEqual([false, false]);
		expect(cues()[1]!.on).toBe(false);
		state.say(cues()[1]!, 'event', 'Event', (c) => ({ ...c, event: 'hit' }));
		expect(cues()[1]!.on).toBe(true);
	});
});

describe('the cue desk', () => {
	it('fires an event with the number it is tried with, lights its cue, and remembers', () => {
		const by = {
			by: 'speed',
			curve: [
				{ at: 0, value: 0 },
				{ at: 1, value: 1 }
			]
		};
		const { state, frames } = desk([
			{ ...newCue('c', 'hit', 'thud'), actions: [{ ...newPlay('thud'), strength: by }] }
		]);
		// Two thirds of the range, until one says otherwise.
		expect(state.tried(hit, 'speed')).toBe(6);
		state.tryWith('hit', 'speed', 9);
		state.raise(hit, 'happens');
		frames(0.1);
		expect(state.log[0]).toBe('Thud at 1.00');
		expect([...state.lit]).toEqual(['c']);
		expect(state.lastTried('hit', 'speed')).toEqual([9]);
		frames(1);
		expect(state.lit.size).toBe(0);
	});

	it('a state is on while it is held; letting everything go ends it', () => {
		const { state, frames } = desk([{ ...newCue('c', 'run', 'hum'), when: 'lasts' }]);
		state.raise(run, 'starts');
		expect(Math.max(...frames(0.5).map(Math.abs))).toBeGreaterThan(0);
		expect([...state.held]).toEqual(['run']);
		state.stopAll();
		expect(state.held.size).toBe(0);
		expect([...frames(2)]).toEqual([0, 0, 0, 0, 0, 0, 0]);
	});

	it('what happens far away is felt less', () => {
		const reach = { full: 1, edge: 10, falloff: 'linear' as const, listener: 'camera' as const, travelSpeed: null };
		const { state, frames } = desk([newCue('c', 'hit', 'thud')], [{ ...thud, reach, seed: 4 }]);
		state.source = [0, 1.62, -1];
		state.raise(hit, 'happens');
		const near = Math.abs(frames(0.2)[1]!);
		frames(3);
		state.source = [0, 1.62, -5.5];
		state.raise(hit, 'happens');
		expect(Math.abs(frames(0.2)[1]!)).toBeCloseTo(near / 2, 6);
	});

	it('what lasts as long as its event is tried with a length', () => {
		const { state, frames } = desk([
			{ ...newCue('c', 'hit', 'thud'), actions: [{ ...newPlay('thud'), length: 'event' }] }
		]);
		expect([state.asksLength(hit), state.asksLength(run), state.triedLength(hit)]).toEqual([true, false, 3]);
		state.tryWith('hit', LENGTH, 2);
		state.raise(hit, 'happens');
		frames(1.9);
		expect(state.director.viewers[0]!.player.plays).toHaveLength(1);
		frames(0.2);
		expect(state.director.viewers[0]!.player.plays).toHaveLength(0);
	});

	it('judges cues by the presets in use, and changes them one at a time', () => {
		const { state, cues } = desk([newCue('c', 'hit', 'retired'), newCue('d', 'hit', 'thud')]);
		expect([...state.findings.keys()]).toEqual(['c']);
		expect(state.preset('retired')).toBeUndefined();
		state.change('d', 'Off', (cue) => ({ ...cue, on: false }));
		expect(cues().map((c) => c.on)).toEqual([true, false]);
	});

	it('events have test keys: nine, and nine more with Shift', () => {
		const { state } = desk([]);
		expect([state.eventOnKey(1, false)?.id, state.eventOnKey(2, false)?.id, state.eventOnKey(3, false)]).toEqual([
			'hit',
			'run',
			undefined
		]);
		expect([0, 8, 9, 17, 18].map((place) => state.keyOf(place))).toEqual(['1', '9', '⇧1', '⇧9', '']);
	});

	it('game values stand at rest until they are set', () => {
		const { state } = desk([]);
		expect(state.valueNow('cold')).toBe(0.2);
		state.setValue('cold', 0.9);
		expect([state.valueNow('cold'), state.director.viewers[0]!.player.values.get('cold')]).toEqual([0.9, 0.9]);
	});
});

describe('trying a cue', () => {
	const enemy: GameEvent = { ...hit, id: 'blow', name: 'Blow', mayCarry: ['enemy', 'friend'] };
	const only = (id: string, part: Partial<Cue['conditions']>): Cue => {
		const fresh = newCue(id, 'hit', 'thud');
		return { ...fresh, conditions: { ...fresh.conditions, ...part } };
	};

	it('what did not happen says why, for as long as one reads it', async () => {
		const { state, frames } = desk([only('c', { tags: ['enemy'] }), only('d', {})]);
		state.raise(hit, 'happens');
		frames(0.1);
		await vi.waitFor(() => expect(state.whys.get('c')).toMatchObject({ says: 'not tagged enemy', felt: false }));
		expect(state.whys.get('d')).toMatchObject({ says: '', felt: true });
		frames(7);
		expect(state.whys.size).toBe(0);
	});

	it('the trying key carries the tags that one gives it, beside the event’s own', async () => {
		const { state, frames } = desk([only('c', { tags: ['enemy', 'blow'] })]);
		const carrying = { ...hit, mayCarry: enemy.mayCarry };
		state.carry(carrying, 'enemy');
		expect(state.triedTags(carrying)).toEqual(['enemy']);
		state.raise(carrying, 'happens');
		frames(0.1);
		await vi.waitFor(() => expect(state.whys.get('c')).toMatchObject({ says: '', felt: true }));
		state.carry(carrying, 'enemy');
		expect(state.triedTags(carrying)).toEqual([]);
		// A tag that the event may not carry any more is not sent.
		state.carry(carrying, 'friend');
		expect(state.triedTags({ ...carrying, mayCarry: ['enemy'] })).toEqual([]);
	});

	it('a preset of the other view is not felt in the window, and says so', async () => {
		const flat: ShakePreset = { ...newPreset('flat', 'Flat hit'), view: 'flat' };
		const { state, frames } = desk([newCue('c', 'hit', 'flat')], [thud, flat]);
		state.raise(hit, 'happens');
		const still = frames(0.1);
		expect([...still]).toEqual([0, 0, 0, 0, 0, 0, 0]);
		await vi.waitFor(() => expect(state.whys.get('c')?.says).toBe('Flat hit: made for the other view, not felt here'));
		state.view = 'flat';
		state.raise(hit, 'happens');
		expect(frames(0.1).some((value) => value !== 0)).toBe(true);
	});

	it('an event is answered with a preset: a cue that is chosen', () => {
		const { state, cues } = desk([]);
		Object.assign(state.session, { say: () => undefined });
		state.answer(run, 'hum');
		expect(cues()).toHaveLength(1);
		expect(cues()[0]).toMatchObject({ event: 'run', when: 'lasts', id: state.chosen });
	});
});

describe('what is missing is made on the spot', () => {
	it('an event of the name that was typed, which the cue then says, in one step; the cue still waits for its preset', () => {
		const { state, cues } = desk([]);
		state.add();
		state.sayNewEvent(cues()[0]!, 'Gate opens');
		const event = state.session.wiring.events.at(-1)!;
		expect(event).toMatchObject({ id: 'gate-opens', name: 'Gate opens', kind: 'moment' });
		expect(cues()[0]).toMatchObject({ event: 'gate-opens', when: 'happens', on: false });
		expect([state.waitsFor(cues()[0]!.id, 'event'), state.waitsFor(cues()[0]!.id, 'preset')]).toEqual([false, true]);
	});

	it('a game value that a cue sets, from 0 to 1', () => {
		const fresh = newCue('c', 'hit', 'thud');
		const { state, cues } = desk([
			{ ...fresh, actions: [{ id: '1', kind: 'set', parameter: 'cold', to: 1, delay: 0 }] }
		]);
		state.sayNewValue(cues()[0]!, 'Fear', (q, parameter) => ({
			...q,
			actions: q.actions.map((a) => (a.kind === 'set' ? { ...a, parameter } : a))
		}));
		expect(state.session.wiring.parameters.at(-1)).toEqual({ id: 'fear', name: 'Fear', min: 0, max: 1, rest: 0 });
		expect(cues()[0]!.actions[0]).toMatchObject({ parameter: 'fear' });
	});
});
