import { describe, expect, it } from 'vitest';
import type { Cue, GameEvent, ShakePreset } from 'dinesis-runtime';
import { newCue, newPreset, type Played } from 'dinesis-runtime/tools';
import { decisionWords, newCourse, type Course } from '../documents';
import { explainCourse } from './explain';
import { CourseRun } from './run';

const blow: GameEvent = {
	id: 'blow',
	name: 'Blow',
	kind: 'moment',
	placed: true,
	tags: [],
	mayCarry: ['enemy'],
	values: []
};
const near = { full: 2, edge: 10, falloff: 'linear' as const, listener: 'body' as const, travelSpeed: null };
const thud: ShakePreset = { ...newPreset('thud', 'Thud'), reach: near };
const fresh = newCue('enemies', 'blow', 'thud');
const cue: Cue = { ...fresh, conditions: { ...fresh.conditions, tags: ['enemy'], coolDown: 0.5 } };
const kit = {
	events: [blow],
	parameters: [],
	presets: [thud],
	cues: [cue],
	rigs: [],
	world: { events: [], values: [] }
};
const at = (time: number, tags?: readonly string[], z = 0) => ({
	at: time,
	event: 'blow',
	length: null,
	values: {},
	place: [0, 0, z] as const,
	who: 0,
	...(tags && { tags })
});
const course: Course = {
	...newCourse('c', 'C'),
	seconds: 4,
	steps: false,
	path: [],
	events: [at(0.5), at(1, ['enemy']), at(1.25, ['enemy']), at(3, ['enemy', 'large'], 50)]
};

describe('what a course came to', () => {
	it('only what carries the tag is answered; each of the others says why', () => {
		const decisions = explainCourse(kit as unknown as Played, course);
		expect(decisions.map((d) => [d.at, d.kind === 'played' ? d.preset : '', decisionWords(d)])).toEqual([
			[0.5, '', 'not tagged enemy'],
			[1, 'thud', ''],
			[1.25, '', 'cooling down, 0.25 s to go'],
			[3, 'thud', 'out of reach']
		]);
	});

	it('being listened to changes nothing of the motion', () => {
		const offsets = (listens: boolean): number[] => {
			const run = new CourseRun(kit as unknown as Played, course, { seed: 3 });
			if (listens) run.director.explain(() => undefined);
			return [1, 1.1, 1.3, 2, 3.1].flatMap((time) => (run.advanceTo(time), [...run.bodies[0]!.rig.offset]));
		};
		expect(offsets(true)).toEqual(offsets(false));
	});
});
