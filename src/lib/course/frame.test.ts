import { describe, expect, it } from 'vitest';
import { CourseRun } from './run';
import { newCourse, type Course, type Kit } from '../documents';
import { NO_LINKS, newBob, newCue, newPreset, newRig, Frame } from 'dinesis-runtime/tools';

const kit: Kit = {
	format: 'dinesis-kit',
	version: 1,
	name: 'k',
	events: [
		{ id: 'hit', name: 'Hit', kind: 'moment', placed: true, tags: [], values: [] },
		{
			id: 'step',
			name: 'Step',
			kind: 'moment',
			placed: false,
			tags: [],
			values: [{ id: 'v', unit: 'm/s', min: 0, max: 5 }]
		},
		{ id: 'zone', name: 'Zone', kind: 'state', placed: false, tags: [], values: [] }
	],
	parameters: [],
	presets: [
		newPreset('thud', 'Thud'),
		{ ...newBob('bob', 'Bob'), landing: { dip: 0.05, most: 0.3, nod: 0, frequency: 2, damping: 0.5 } }
	],
	cues: [newCue('c', 'hit', 'thud'), newCue('s', 'step', 'thud'), { ...newCue('z', 'zone', 'thud'), when: 'starts' }],
	rigs: [{ ...newRig('eyes', 'Eyes'), bob: 'bob' }],
	courses: [],
	world: { events: [{ from: 'footfall', event: 'step', numbers: { v: 'speed' } }], values: [] }
};
const course: Course = {
	...newCourse('c', 'C'),
	seconds: 8,
	rig: 'eyes',
	steps: true,
	path: [
		{ x: 0, y: 0, z: 0, speed: 1.4, pause: 1 },
		{ x: 0, y: 0, z: -7, speed: 1.4, pause: 0 }
	],
	areas: [{ event: 'zone', x: 0, z: -4, radius: 1 }],
	events: [2, 2.003, 4.5].map((at) => ({ at, event: 'hit', length: null, values: {}, place: [1, 0, 0], who: 0 }))
};
const body = (y: number, grounded = true, speed = 0) => ({ pose: Float64Array.of(0, y, 0, 0, 0), grounded, speed });

describe('a frame', () => {
	it('given the same step inputs, whoever steps it: the same to the bit', () => {
		const run = new CourseRun(kit, course);
		const frame = new Frame(kit, { rig: 'eyes', steps: true, areas: course.areas });
		let next = 0;
		for (let i = 0; i <= 8 * 120; i++) {
			const time = i / 120;
			run.advanceTo(time);
			const { pose, speed, grounded, rig } = run.bodies[0]!;
			for (; next < course.events.length && course.events[next]!.at <= time + 1e-9; next++)
				frame.director.raise(
					{ event: 'hit', phase: 'happens', key: `course ${next}`, tags: [], values: {}, place: [1, 0, 0], who: 'one' },
					Math.min(course.events[next]!.at, time)
				);
			frame.step(time, i === 0 ? 0 : 1 / 120, [{ pose, speed, grounded }]);
			expect([...frame.cameras[0]!.camera, ...frame.cameras[0]!.offset]).toEqual([...rig.camera, ...rig.offset]);
		}
		expect(frame.director.viewers[0]!.player.playsFired).toBeGreaterThan(10);
	});

	it('a fork goes its own way, and the same inputs lead to the same motion', () => {
		const frame = new Frame(kit, { rig: 'eyes', steps: true });
		const go = (which: Frame, from: number, to: number): number[] => {
			for (let i = from; i <= to; i++) which.step(i / 120, i === 0 ? 0 : 1 / 120, [body(0, true, 2)]);
			return [...which.cameras[0]!.offset];
		};
		go(frame, 0, 200);
		const fork = frame.fork();
		const ahead = go(fork, 201, 400);
		expect(go(frame, 201, 400)).toEqual(ahead);
	});

	it('lands as fast as it fell in the frame before, and only where there was no ground', () => {
		const frame = new Frame(kit, { rig: 'eyes' });
		const dip = (fall: number): number => {
			let least = 0;
			frame.step(0, 0, [body(2)]);
			for (let i = 1; i <= 12; i++) frame.step(i / 120, 1 / 120, [body(2 - (i * fall) / 120, false)]);
			for (let i = 13; i < 80; i++) {
				frame.step(i / 120, 1 / 120, [body(2 - (12 * fall) / 120)]);
				least = Math.min(least, frame.cameras[0]!.offset[1]!);
			}
			return least;
		};
		// 5 cm for each metre a second.
		expect(dip(3)).toBeCloseTo(-0.15, 2);
	});

	it('raises a foot that falls only where feet fall, and tells of it', () => {
		const heard: string[] = [];
		const frame = new Frame(kit, { rig: 'eyes', steps: true, hear: { raised: ({ event }) => heard.push(event) } });
		frame.step(0, 0, [body(0)]);
		for (let i = 1; i <= 240; i++) frame.step(i / 120, 1 / 120, [body(0, true, 1.4)]);
		// 1.9 steps a second, from rest.
		expect(heard.length).toBeGreaterThanOrEqual(3);
		expect(new Set(heard)).toEqual(new Set(['step']));
		heard.length = 0;
		for (let i = 241; i <= 480; i++) frame.step(i / 120, 1 / 120, [{ ...body(0, true, 1.4), onFoot: false }]);
		expect(heard).toEqual([]);
	});

	it('what is not looked at is worked out all the same', () => {
		const [seen, passed] = [new Frame(kit, { rig: 'eyes' }), new Frame({ ...kit, world: NO_LINKS }, { rig: 'eyes' })];
		for (const [frame, look] of [
			[seen, true],
			[passed, false]
		] as const) {
			frame.step(0, 0, [body(0)], look);
			frame.director.raise({ event: 'hit', phase: 'happens', place: [0, 0, 0] }, 0.1);
			for (let i = 1; i < 60; i++) frame.step(i / 120, 1 / 120, [body(0, true, 1)], look);
			frame.step(0.5, 1 / 120, [body(0, true, 1)]);
		}
		expect([...passed.cameras[0]!.offset]).toEqual([...seen.cameras[0]!.offset]);
	});
});
