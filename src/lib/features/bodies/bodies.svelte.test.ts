import { describe, expect, it } from 'vitest';
import type { BobPreset } from 'dinesis-runtime';
import { newBob } from 'dinesis-runtime/tools';
import type { ProjectSession } from '$lib/session/session.svelte';
import { TREADMILL } from '$lib/stages/loop';
import { chainSession, framesOf } from '$lib/stages/testing/chain.svelte';
import { BodyState } from './bodies.svelte';

function desk() {
	const state = new BodyState(chainSession().session);
	return { state, frames: (seconds: number) => framesOf(state, seconds) };
}

describe('the bench of a head bob or a lag', () => {
	it('a head bob alone is walked on the spot, swept from standing to the fastest and back', () => {
		const { state, frames } = desk();
		state.open('steps', 'bob');
		expect(state.part).toBe('bob');
		expect(state.onTreadmill).toBe(true);
		const at = frames(2);
		expect(frames(1).slice(0, 3)).toEqual(at.slice(0, 3));
		expect(Math.max(...state.meters.bob.position)).toBeGreaterThan(0.01);
		state.sweeps = 0;
		frames(4.5);
		expect(state.walks).toBeCloseTo(1.4 * 1.15, 1);
		frames(5);
		expect(state.sweeps).toBeNull();
		expect(state.walks).toBe(0);
		state.tried = TREADMILL;
		expect(state.onTreadmill).toBe(true);
	});

	it('a lag alone follows a loop, in metres or in the pixels of a flat one', () => {
		const { state } = desk();
		state.open('heavy', 'lag');
		expect(state.onTreadmill).toBe(false);
		const way = state.wayFrom(0);
		// Twenty seconds, sixty a second, six numbers.
		expect(way.length).toBe(20 * 60 * 6);
		expect([...way.subarray(0, 3)]).toEqual([12, -3, 6]);
	});
});

/** A session that has one bob, keeps what is changed of it, and tells how it was called. */
function bobSession() {
	let bob: BobPreset = $state.raw(newBob('steps', 'Steps'));
	const other: BobPreset = { ...newBob('heavy', 'Heavy'), amount: 3 };
	const said: string[] = [];
	const { session } = chainSession();
	const mine = {
		...session,
		get bobsAndLags() {
			return [bob, other];
		},
		get bobs() {
			return [bob, other];
		},
		get played() {
			return { ...session.wiring, presets: [bob, other] };
		},
		get wiring() {
			return session.wiring;
		},
		changeBody: (_: string, label: string, recipe: (b: BobPreset) => BobPreset) => {
			said.push(label);
			bob = recipe(bob);
		},
		seal: () => said.push('|')
	};
	const state = new BodyState(mine as unknown as ProjectSession);
	state.open('steps', 'bob');
	return { state, said, bob: () => bob, tune: (amount: number) => void (bob = { ...bob, amount }) };
}

describe('A and B of a head bob', () => {
	it('what is held stays as it was while A is tuned; both walk in step', () => {
		const { state, tune } = bobSession();
		state.hold();
		tune(2);
		framesOf(state, 2);
		const [a, b] = state.frame(1 / 60).eyes;
		// Straight up and down and aside, each twice as far.
		for (const c of [0, 1]) expect(a!.offset[c]).toBeCloseTo(2 * b!.offset[c]!, 9);
		expect(Math.abs(b!.offset[1]!)).toBeGreaterThan(0);
		state.toggleBeside();
		expect([state.beside, state.frame(1 / 60).eyes.length]).toEqual([null, 1]);
		state.toggleBeside();
		expect(state.beside!.was).toMatchObject({ id: 'steps', amount: 2 });
	});

	it('is swapped and taken as one step each, under A’s own id', () => {
		const { state, said, bob, tune } = bobSession();
		state.hold();
		tune(2);
		state.swap();
		expect([bob().amount, (state.beside!.was as BobPreset).amount]).toEqual([1, 2]);
		state.takeOther();
		expect(bob()).toMatchObject({ id: 'steps', amount: 2 });
		expect(said).toEqual(['Take B', '|', 'Take B', '|']);
	});

	it('another one is held under its name, and taken it is A all the same', () => {
		const { state, bob } = bobSession();
		state.hold(state.session.bobsAndLags[1]);
		expect(state.beside!.from).toBe('Heavy');
		state.takeOther();
		expect(bob()).toMatchObject({ id: 'steps', amount: 3 });
		state.beside = null;
		state.takeOther();
		state.swap();
		expect(bob().amount).toBe(3);
	});
});
