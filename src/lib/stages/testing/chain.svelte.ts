/** What trials are tested on. */
import type { Rig } from 'dinesis-runtime';
import { EYES, newBob, newCamera, newCue, newLag, newPreset, newRig, NO_LINKS } from 'dinesis-runtime/tools';
import { newCourse, type Course, type Wiring } from '$lib/documents';
import type { ProjectSession } from '$lib/session/session.svelte';
import type { Trial } from '../trial.svelte';

export const bob = newBob('steps', 'Steps');
export const lag = newLag('heavy', 'Heavy');
const eyes: Rig = { ...newRig('eyes', 'Eyes'), bob: 'steps', lag: 'heavy' };
const chase: Rig = { ...newRig('chase', 'Chase'), view: { ...EYES, kind: 'chase' } };
const flat: Rig = { ...newRig('flat', 'Flat'), view: { ...EYES, kind: 'flat' } };
export const course = (id: string, part: Partial<Course> = {}): Course => ({
	...newCourse(id, id),
	path: [
		{ x: 0, y: 0, z: 0, speed: 1.4, pause: 0 },
		{ x: 0, y: 0, z: -20, speed: 1.4, pause: 0 }
	],
	...part
});

/** A session with three rigs, a bob and a lag, and what its wiring has become. */
export function chainSession(courses: readonly Course[] = []) {
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
	return { session: session as unknown as ProjectSession, rigs: () => wiring.rigs };
}

/** Plays a trial for so long, sixty pictures a second; gives the last pose. */
export function framesOf(trial: Trial, seconds: number): number[] {
	let pose: number[] = [];
	for (let i = 0; i < seconds * 60; i++) pose = [...trial.frame(1 / 60).eyes[0]!.pose];
	return pose;
}
