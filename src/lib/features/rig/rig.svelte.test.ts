import { describe, expect, it } from 'vitest';
import { RIG_STAGES } from 'dinesis-runtime/tools';
import type { Course } from '$lib/documents';
import { LOOP } from '$lib/stages/loop';
import { chainSession, course, framesOf } from '$lib/stages/testing/chain.svelte';
import { RigState } from './rig.svelte';

function desk(courses: readonly Course[] = []) {
	const { session, rigs } = chainSession(courses);
	const state = new RigState(session);
	return { state, rigs, frames: (seconds: number) => framesOf(state, seconds) };
}

describe('the rig desk', () => {
	it('tries a rig on what is seen through it, by its own choice or by a cue; else on a loop', () => {
		const rowed = course('row', {
			rig: 'eyes',
			events: [{ at: 1, event: 'rows', length: 3, values: {}, place: null, who: 0 }]
		});
		const { state } = desk([course('plain'), rowed]);
		state.open('eyes');
		expect(state.course.id).toBe('row');
		state.open('chase');
		expect(state.course.id).toBe('row');
		// Here one looks at this rig, whatever the cues would show.
		expect(state.course.rig).toBe('chase');
		state.open('flat');
		expect(state.course.id).toBe('loop');
		state.tried = 'plain';
		expect(state.course.id).toBe('plain');
		state.tried = LOOP;
		expect(state.course.id).toBe('loop');
	});

	it('its meters say what each stage does', () => {
		const { state, frames } = desk([course('walk', { rig: 'eyes' })]);
		state.open('eyes');
		frames(3);
		// 1.4 m/s with a half-life of 0.15 s.
		expect(state.meters.lag.metres).toBeCloseTo((1.4 * 0.15) / Math.LN2, 2);
		expect(Math.max(...state.meters.bob.position)).toBeGreaterThan(0.011);
		expect(Math.max(...state.meters.bob.position)).toBeLessThan(0.015);
		expect(state.meters.shakes.metres).toBe(0);
		state.toggle('lag');
		frames(0.1);
		expect(state.meters.lag.metres).toBe(0);
		expect(state.rig!.bypass).toEqual(['lag']);
		state.toggle('lag');
		expect(state.rig!.bypass).toEqual([]);
	});

	it('moves a stage by one place, and not beyond the ends', () => {
		const { state, rigs } = desk();
		state.open('eyes');
		state.move('lag', -1);
		expect(rigs()[0]!.order).toEqual(RIG_STAGES);
		state.move('lag', 1);
		expect(rigs()[0]!.order.slice(0, 2)).toEqual(['limits', 'lag']);
		state.move('ceiling', 1);
		expect(rigs()[0]!.order.at(-1)).toBe('ceiling');
	});

	it('goes over to another rig in the time it takes, and back', () => {
		const { state, frames } = desk([course('walk', { rig: 'eyes', seconds: 30 })]);
		state.open('eyes');
		state.other = 'chase';
		state.over = 1;
		const here = frames(2)[1]!;
		state.goOver();
		expect(state.isOver).toBe(true);
		const half = frames(0.5)[1]!;
		const there = frames(1)[1]!;
		// Four metres of boom, twelve degrees down: 83 cm higher.
		expect(there - here).toBeCloseTo(4 * Math.sin((12 * Math.PI) / 180), 2);
		expect(half).toBeGreaterThan(here + 0.1);
		expect(half).toBeLessThan(there - 0.1);
		state.goOver();
		expect(frames(1.2)[1]!).toBeCloseTo(here, 6);
		expect(state.isOver).toBe(false);
	});
});
