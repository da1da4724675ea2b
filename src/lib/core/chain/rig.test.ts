import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { bakeCourse } from '../course/bake';
import { NO_LINKS } from '../course/happenings';
import { Replay } from '../course/replay';
import { CourseRun } from '../course/run';
import type { Course } from '../course/types';
import { newBob, newCourse, newCue, newLag, newPreset } from '../kit/defaults';
import type { Kit } from '../kit/types';
import { GameValues } from '../shake/drives';
import { RigRun, type Rig } from './rig';

const bob = {
	...newBob('steps', 'Steps'),
	landing: { dip: 0.02, most: 0.1, nod: 20, frequency: 2, damping: 0.5 }
};
const lag = newLag('heavy', 'Heavy');
const thud = newPreset('thud', 'Thud');
const rig = (part: Partial<Rig> = {}): Rig => ({
	id: 'eyes',
	name: 'Eyes',
	about: '',
	bob: 'steps',
	lag: 'heavy',
	ceiling: null,
	bypass: [],
	...part
});
const presets = [bob, lag, thud];
const none = new GameValues();
const body = (x: number, yaw = 0): Float64Array => Float64Array.of(x, 0, 0, yaw, 0);
const kit = (rigs: readonly Rig[]): Kit => ({
	format: 'dinesis-kit',
	version: 1,
	name: 'k',
	events: [{ id: 'hit', name: 'Hit', kind: 'moment', placed: false, tags: [], values: [] }],
	parameters: [],
	presets,
	cues: [newCue('c', 'hit', 'thud')],
	rigs,
	courses: [],
	world: NO_LINKS
});
const course: Course = {
	...newCourse('c', 'C'),
	seconds: 12,
	rig: 'eyes',
	path: [
		{ x: 0, y: 0, z: 0, speed: 1.4, pause: 1 },
		{ x: 0, y: 0, z: -7, speed: 1.4, pause: 0 }
	],
	events: [2, 2.3, 4].map((at) => ({ at, event: 'hit', length: null, values: {}, place: null, who: 0 }))
};

describe('a rig', () => {
	it('adds the bob to the shakes; each stage can be left out', () => {
		const shakes = Float64Array.of(1, 0, 0, 0, 0, 0, 0);
		const walked = (part: Partial<Rig>): number[] => {
			const run = new RigRun(rig(part), presets, none);
			run.snap(body(0));
			for (let i = 1; i <= 100; i++) run.advance(1 / 120, body(i * 0.0117), 1.4, true);
			return [...run.sum(shakes), run.camera[0]!];
		};
		const all = walked({ lag: null });
		const bare = walked({ lag: null, bypass: ['shakes'] });
		expect(all[0]! - 1).toBeCloseTo(bare[0]!, 12);
		expect(bare[1]).not.toBe(0);
		expect(walked({ lag: null, bypass: ['bob'] }).slice(0, 7)).toEqual([...shakes]);
		expect(walked({}).at(-1)!).toBeLessThan(1.17 - 0.1);
		expect(walked({ bypass: ['lag'] }).at(-1)).toBeCloseTo(1.17, 12);
		expect(walked({ ceiling: { x: 0.5 } })[0]).toBeLessThan(0.5);
		expect(walked({ ceiling: { x: 0.5 }, bypass: ['ceiling'] })[0]).toBeGreaterThan(0.9);
		expect(walked({ bob: 'gone', lag: 'gone' })[0]).toBe(1);
	});

	it('without one the camera is where the body looks from, and its motion is the shakes alone', () => {
		const run = new RigRun(null, presets, none);
		run.snap(body(0));
		run.advance(1 / 60, body(3, 90), 9, true);
		expect(run.camera[0]).toBe(3);
		expect(run.camera[4]).toBeCloseTo(Math.SQRT1_2, 12);
		expect([...run.sum(Float64Array.of(1, 2, 3, 4, 5, 6, 7))]).toEqual([1, 2, 3, 4, 5, 6, 7]);
	});

	it('whatever was walked, landed and turned: at rest it is where the game put it, to the last bit', () => {
		const act = fc.record({
			frames: fc.integer({ min: 1, max: 40 }),
			speed: fc.double({ min: 0, max: 6, noNaN: true }),
			turn: fc.double({ min: -90, max: 90, noNaN: true }),
			grounded: fc.boolean(),
			fall: fc.option(fc.double({ min: 0, max: 15, noNaN: true })),
			dt: fc.constantFrom(1 / 144, 1 / 60, 1 / 20)
		});
		fc.assert(
			fc.property(fc.array(act, { maxLength: 8 }), (acts) => {
				const run = new RigRun(rig(), presets, none);
				let [x, yaw] = [0, 0];
				run.snap(body(0));
				for (const { frames, speed, turn, grounded, fall, dt } of acts) {
					if (fall !== null) run.land(fall);
					for (let i = 0; i < frames; i++) {
						x += speed * dt;
						yaw += (turn * dt) / 2;
						run.advance(dt, body(x, yaw), speed, grounded);
					}
				}
				for (let i = 0; i < 1500; i++) run.advance(1 / 60, body(x, yaw), 0, true);
				const still = new RigRun(null, presets, none);
				still.snap(body(x, yaw));
				expect([...run.sum(new Float64Array(7))]).toEqual([0, 0, 0, 0, 0, 0, 0]);
				expect([run.camera[0], run.camera[1], run.camera[2]]).toEqual([x, 0, 0]);
				for (let c = 3; c < 7; c++) expect(run.camera[c]!).toBeCloseTo(still.camera[c]!, 12);
			}),
			{ numRuns: 300 }
		);
	});
});

describe('a course through a rig', () => {
	it('bakes bob and shakes together, and a replay shows the same at any moment', () => {
		const whole = kit([rig()]);
		const baked = bakeCourse(whole, course, { fps: 30 })!;
		const plain = bakeCourse(whole, { ...course, rig: null }, { fps: 30 })!;
		// Standing in the first second nothing moves; walking at 1.4 m/s the height goes by 1.2 cm, before the first blow.
		expect(baked.values.subarray(0, 25 * 7).every((v) => v === 0)).toBe(true);
		expect(Math.max(...Array.from({ length: 29 }, (_, i) => baked.values[(31 + i) * 7 + 1]!))).toBeGreaterThan(0.005);
		expect(plain.values.subarray(0, 60 * 7).every((v) => v === 0)).toBe(true);
		const replay = new Replay(whole, course);
		for (const t of [5, 2.5, 11, 3.1]) {
			const run = new CourseRun(whole, course);
			run.advanceTo(t);
			const { rig: seen } = replay.at(t).bodies[0]!;
			expect([...seen.offset]).toEqual([...run.bodies[0]!.rig.offset]);
			expect([...seen.camera]).toEqual([...run.bodies[0]!.rig.camera]);
		}
		const late = new CourseRun(whole, course);
		late.advanceTo(12);
		expect([...late.bodies[0]!.rig.offset]).toEqual([0, 0, 0, 0, 0, 0, 0]);
		expect(late.bodies[0]!.rig.camera[2]).toBe(-7);
	});
});
