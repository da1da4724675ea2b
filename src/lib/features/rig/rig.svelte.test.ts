import { describe, expect, it } from 'vitest';
import type { Rig } from 'dinesis-runtime';
import {
	EYES,
	newBob,
	newCamera,
	newCue,
	newLag,
	newPreset,
	newRig,
	NO_LINKS,
	RIG_STAGES
} from 'dinesis-runtime/tools';
import { newCourse, type Course, type Wiring } from '$lib/documents';
import type { ProjectSession } from '$lib/session/session.svelte';
import { LOOP, TREADMILL } from './loop';
import { RigState } from './rig.svelte';

const bob = newBob('steps', 'Steps');
const lag = newLag('heavy', 'Heavy');
const eyes: Rig = { ...newRig('eyes', 'Eyes'), bob: 'steps', lag: 'heavy' };
const chase: Rig = { ...newRig('chase', 'Chase'), view: { ...EYES, kind: 'chase' } };
const flat: Rig = { ...newRig('flat', 'Flat'), view: { ...EYES, kind: 'flat' } };
const course = (id: string, part: Partial<Course> = {}): Course => ({
	...newCourse(id, id),
	path: [
		{ x: 0, y: 0, z: 0, speed: 1.4, pause: 0 },
		{ x: 0, y: 0, z: -20, speed: 1.4, pause: 0 }
	],
	...part
});

function desk(courses: readonly Course[] = []) {
	let wiring: Wiring = $state.raw({
		events: [{ id: 'rows', name: 'Rows', kind: 'state', placed: false, tags: [], values: [] }],
		parameters: [],
		cues: [{ ...newCue('c', 'rows', 'thud'), when: 'lasts', actions: [newCamera('chase')] }],
		world: NO_LINKS,
		rigs: [eyes, chase, flat]
	});
	const presets = [newPreset('thud', 'Thud')];
	const session = {
		get wiring() {
			return wiring;
		},
		get played() {
			return { ...wiring, presets: [...presets, bob, lag] };
		},
		presets,
		bobsAndLags: [bob, lag],
		bobs: [bob],
		lags: [lag],
		courses: { list: courses },
		rewire: (_: string, recipe: (w: Wiring) => Wiring) => void (wiring = recipe(wiring)),
		seal: () => undefined
	};
	const state = new RigState(session as unknown as ProjectSession);
	const frames = (seconds: number): number[] => {
		let pose: number[] = [];
		for (let i = 0; i < seconds * 60; i++) pose = [...state.frame(1 / 60).eyes[0]!.pose];
		return pose;
	};
	return { state, frames, rigs: () => wiring.rigs };
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

	it('a head bob alone is walked on the spot, swept from standing to the fastest and back', () => {
		const { state, frames } = desk();
		state.openAlone('steps', 'bob');
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
		state.openAlone('heavy', 'lag');
		expect(state.onTreadmill).toBe(false);
		const way = state.wayFrom(0);
		// Twenty seconds, sixty a second, six numbers.
		expect(way.length).toBe(20 * 60 * 6);
		expect([...way.subarray(0, 3)]).toEqual([12, -3, 6]);
	});
});
