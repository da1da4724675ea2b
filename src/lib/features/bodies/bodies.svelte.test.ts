import { describe, expect, it } from 'vitest';
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
