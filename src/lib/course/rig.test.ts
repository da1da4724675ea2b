import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { bakeCourse } from './bake';
import {
	clockOf,
	NO_LINKS,
	newBob,
	newCue,
	newLag,
	newLagAxis,
	newLean,
	newPreset,
	newRig,
	GameValues,
	Player,
	CameraRun,
	EYE_HEIGHT,
	EYES,
	RigRun,
	RIG_STAGES,
	type RigStage,
	type RigView
} from 'dinesis-runtime/tools';
import { Replay } from './replay';
import { CourseRun } from './run';
import { newCourse, type Course, type Kit } from '../documents';
import type { Rig } from 'dinesis-runtime';

const bob = {
	...newBob('steps', 'Steps'),
	landing: { dip: 0.02, most: 0.1, nod: 20, frequency: 2, damping: 0.5 }
};
const lag = newLag('heavy', 'Heavy');
const thud = newPreset('thud', 'Thud');
const rig = (part: Partial<Rig> = {}): Rig => ({
	...newRig('eyes', 'Eyes'),
	bob: 'steps',
	lag: 'heavy',
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
			for (let i = 1; i <= 100; i++)
				run.advance(clockOf(1 / 120), { pose: body(i * 0.0117), speed: 1.4, grounded: true });
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
		run.advance(clockOf(1 / 60), { pose: body(3, 90), speed: 9, grounded: true });
		expect(run.camera[0]).toBe(3);
		expect(run.camera[4]).toBeCloseTo(Math.SQRT1_2, 12);
		expect([...run.sum(Float64Array.of(1, 2, 3, 4, 5, 6, 7))]).toEqual([1, 2, 3, 4, 5, 6, 7]);
	});

	it('whatever plays, overlaps, restarts, is stopped, blended or cut: at rest it is where the game put it, to the last bit', () => {
		const wall = { x: [-40, 40] as const, y: null, z: null, area: null, soft: 0.5 };
		const lean = { ...newLean(), rollByTurn: 0.05, swayByStrafe: 0.02 };
		const rigs = [
			rig({ lean }),
			rig({ id: 'chase', view: { ...EYES, kind: 'chase' }, lag: 'springy', limits: wall, lean }),
			rig({
				id: 'odd',
				order: ['shakes', 'bob', 'lag', 'limits', 'lean', 'ceiling'],
				limits: wall,
				ceiling: { y: 0.05 }
			}),
			rig({ id: 'off', bypass: ['lag', 'bob'], lean })
		];
		const axis = { ...newLagAxis(), follow: 'spring' as const, frequency: 1.5, damping: 0.5 };
		const springy = { ...newLag('springy', 'Springy'), axes: { x: axis, y: axis, z: axis, yaw: axis } };
		const again = { ...thud, id: 'again', overlap: { rule: 'restart' as const, limit: 1 } };
		const all = [...presets, springy, again];
		const act = fc.record({
			frames: fc.integer({ min: 1, max: 12 }),
			speed: fc.double({ min: 0, max: 6, noNaN: true }),
			turn: fc.double({ min: -90, max: 90, noNaN: true }),
			grounded: fc.boolean(),
			fall: fc.option(fc.double({ min: 0, max: 15, noNaN: true })),
			fire: fc.constantFrom('thud', 'again', null),
			stop: fc.constantFrom('fade', 'cut', null),
			rig: fc.constantFrom('eyes', 'chase', 'odd', 'off', null),
			over: fc.constantFrom(0, 0.4, 2),
			owner: fc.constantFrom('a', null),
			dt: fc.constantFrom(1 / 144, 1 / 60, 1 / 20)
		});
		const nothing = { lag: null, bob: null, sizes: {} };
		fc.assert(
			fc.property(fc.array(act, { minLength: 1, maxLength: 6 }), (acts) => {
				const player = new Player(all, { distance: false });
				const camera = new CameraRun(rigs, all, 'eyes', player.values);
				let [x, yaw] = [0, 0];
				const pose = body(0);
				const step = (dt: number, speed: number, grounded: boolean): void => {
					pose[0] = x;
					pose[3] = yaw;
					camera.advance(clockOf(dt), { pose, speed, grounded });
					camera.sum(player.advance(dt));
				};
				camera.snap(pose);
				for (const { frames, speed, turn, grounded, fall, fire, stop, rig: to, over, owner, dt } of acts) {
					if (fall !== null) camera.land(fall);
					if (fire) player.fire(fire, {});
					if (stop) player.stopAll(stop === 'cut');
					if (to) camera.change({ ...nothing, rig: to }, over, owner);
					else if (owner) camera.letGo((other) => other === owner);
					for (let i = 0; i < frames; i++) {
						x += speed * dt;
						yaw += turn * dt;
						step(dt, speed, grounded);
					}
				}
				for (let i = 0; i < 250; i++) step(1 / 20, 0, true);
				expect([...camera.offset]).toEqual([0, 0, 0, 0, 0, 0, 0]);
				const still = new CameraRun(rigs, all, camera.run.rig!.id, player.values);
				still.snap(pose);
				expect([...camera.camera]).toEqual([...still.camera]);
				if (camera.run.view.kind === 'eyes' && Math.abs(x) < 39)
					expect([...camera.camera.subarray(0, 3)]).toEqual([x, EYE_HEIGHT, 0]);
			}),
			{ numRuns: 10_000 }
		);
	});

	it('leans into a turn and towards the side, and comes back', () => {
		const lean = { ...newLean(), rollByTurn: 0.05, swayByStrafe: 0.1, rollByStrafe: 0 };
		const run = new RigRun(rig({ bob: null, lag: null, lean }), presets, none);
		run.snap(body(0));
		for (let i = 1; i <= 600; i++) run.advance(clockOf(1 / 120), { pose: body(0, i / 4), speed: 0, grounded: true });
		// Thirty degrees a second to the left: 1.5 degrees to the left, which is positive.
		expect(run.sum(new Float64Array(7))[5]).toBeCloseTo(1.5, 6);
		const side = new RigRun(rig({ bob: null, lag: null, lean }), presets, none);
		side.snap(body(0));
		for (let i = 1; i <= 600; i++) side.advance(clockOf(1 / 120), { pose: body(i / 60), speed: 2, grounded: true });
		expect(side.sum(new Float64Array(7))[0]).toBeCloseTo(0.2, 6);
		// Looking back the same way it is the left side.
		const back = new RigRun(rig({ bob: null, lag: null, lean }), presets, none);
		back.snap(body(0, 180));
		for (let i = 1; i <= 600; i++)
			back.advance(clockOf(1 / 120), { pose: body(i / 60, 180), speed: 2, grounded: true });
		expect(back.sum(new Float64Array(7))[0]).toBeCloseTo(-0.2, 6);
		for (let i = 0; i < 1200; i++) side.advance(clockOf(1 / 120), { pose: body(10), speed: 0, grounded: true });
		expect([...side.sum(new Float64Array(7))]).toEqual([0, 0, 0, 0, 0, 0, 0]);
	});

	it('stands where its view says: behind, square to a flat picture, at a fixed place turned to the body', () => {
		const seen = (view: Partial<RigView>, pose: Float64Array): number[] => {
			const run = new RigRun(rig({ bob: null, lag: null, view: { ...EYES, ...view } }), presets, none);
			run.snap(pose);
			run.advance(clockOf(1 / 60), { pose, speed: 0, grounded: true });
			return [...run.camera];
		};
		// Four metres behind somebody who looks left along −x, no farther down than they.
		const behind = seen({ kind: 'chase', back: 4, down: 0, height: 1.5 }, Float64Array.of(1, 2, 3, 90, 0));
		[5, 3.5, 3].forEach((v, c) => expect(behind[c]).toBeCloseTo(v, 12));
		// Looking down by 30° it stands half its length higher.
		const above = seen({ kind: 'chase', back: 4, down: 30, height: 1 }, Float64Array.of(0, 0, 0, 0, 0));
		expect(above[1]).toBeCloseTo(3, 12);
		expect(above[2]).toBeCloseTo(4 * Math.cos(Math.PI / 6), 12);
		const side = seen({ kind: 'flat', height: 1 }, Float64Array.of(3, 2, 7, 90, 10));
		expect(side.slice(0, 6)).toEqual([3, 3, 7, 0, 0, 0]);
		const fixed = seen({ kind: 'fixed', place: [0, 1, 0], height: 1 }, Float64Array.of(-5, 0, 0, 0, 0));
		expect(fixed.slice(0, 3)).toEqual([0, 1, 0]);
		// To the left, −x, is a quarter turn to the left.
		expect(fixed[4]).toBeCloseTo(Math.SQRT1_2, 12);
		expect(fixed[3]).toBeCloseTo(0, 12);
	});

	it('a lag in a flat picture counts pixels', () => {
		const flatLag = { ...newLag('px', 'Px'), view: 'flat' as const, axes: { x: { ...newLagAxis(), atMost: 8 } } };
		const run = new RigRun(
			rig({ bob: null, lag: 'px', view: { ...EYES, kind: 'flat', pixelsPerMetre: 40 } }),
			[flatLag],
			none
		);
		run.snap(body(0));
		for (let i = 1; i <= 240; i++) run.advance(clockOf(1 / 120), { pose: body(i / 10), speed: 12, grounded: true });
		// Eight pixels behind are a fifth of a metre.
		expect(run.camera[0]).toBeCloseTo(24 - 0.2, 9);
	});

	it('limits after the shakes take the shake away, limits before them do not; the account says which', () => {
		const limits = { x: [0, 2] as const, y: null, z: null, area: null, soft: 0 };
		const shake = Float64Array.of(0.5, 0, 0, 0, 0, 0, 0);
		const at = (order: readonly RigStage[]): { x: number; done: number[] } => {
			const run = new RigRun(rig({ bob: null, lag: null, limits, order }), presets, none);
			run.watch();
			run.snap(body(1.8));
			run.sum(shake);
			return { x: run.camera[0]! + run.offset[0]!, done: [1, 4].map((stage) => run.done![stage * 7]!) };
		};
		expect(at(RIG_STAGES).x).toBeCloseTo(2.3, 12);
		const eaten = at(['lag', 'bob', 'lean', 'shakes', 'limits', 'ceiling']);
		expect(eaten.x).toBeCloseTo(2, 12);
		expect(eaten.done[1]).toBeCloseTo(0.5, 12);
	});

	it('a lag after the shakes smooths them away', () => {
		const peak = (order: readonly RigStage[]): number => {
			const run = new RigRun(rig({ bob: null, order }), presets, none);
			run.snap(body(0));
			let most = 0;
			for (let i = 0; i < 480; i++) {
				run.advance(clockOf(1 / 120), { pose: body(0), speed: 0, grounded: true });
				run.sum(Float64Array.of(Math.sin((i / 120) * 2 * Math.PI * 8), 0, 0, 0, 0, 0, 0));
				most = Math.max(most, Math.abs(run.camera[0]! + run.offset[0]!));
			}
			return most;
		};
		expect(peak(RIG_STAGES)).toBeGreaterThan(0.99);
		// A half-life of 0.15 s passes 8 Hz at about ln 2/(0.15·2π·8) = 0.09.
		expect(peak(['shakes', 'lag', 'limits', 'bob', 'lean', 'ceiling'])).toBeLessThan(0.2);
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

describe('where stages stand in another order', () => {
	const late = [...RIG_STAGES.filter((s) => s !== 'limits'), 'limits'] as RigStage[];

	it('limits after the shakes hold body and motion back once: the least motion is no jump', () => {
		const limits = { x: [-5, 5] as const, y: null, z: null, area: null, soft: 1 };
		const run = new RigRun(rig({ lag: null, bob: null, lean: null, order: late, limits }), presets, none);
		run.snap(body(4.8));
		const seen = (x: number): number => run.camera[0]! + run.sum(Float64Array.of(x, 0, 0, 0, 0, 0, 0))[0]!;
		const still = seen(0);
		expect(Math.abs(seen(1e-6) - still)).toBeLessThan(1e-6);
		// Beyond the margin of 1 m: 4 + u/(1 + u) with u = 0.8 + 0.1.
		expect(seen(0.1)).toBeCloseTo(4 + 0.9 / 1.9, 12);
	});

	it('a chase that looks down does not go over the top', () => {
		const view: RigView = { ...EYES, kind: 'chase', back: 4, down: 30 };
		const run = new RigRun(rig({ bob: null, lag: null, lean: null, view }), presets, none);
		const height = (pitch: number): number => {
			run.snap(Float64Array.of(0, 0, 0, 0, pitch));
			return run.camera[1]!;
		};
		const heights = [-40, -50, -58, -60, -70, -85].map(height);
		for (let i = 1; i < heights.length; i++) expect(heights[i]).toBeGreaterThanOrEqual(heights[i - 1]!);
		// Four metres above the eyes, but for the degree that is left.
		expect(heights.at(-1)).toBeCloseTo(EYE_HEIGHT + 4 * Math.sin((89 / 180) * Math.PI), 9);
	});

	it('a lag after the shakes follows them, and what is seen is told as motion from where the camera rests', () => {
		const order = ['shakes', 'lag', 'limits', 'bob', 'lean', 'ceiling'] as const;
		const slow = { ...newLag('slow', 'Slow'), axes: { x: { ...newLagAxis(), halfLife: 0.1 } } };
		const run = new RigRun(rig({ lag: 'slow', bob: null, lean: null, order }), [slow, ...presets], none);
		run.snap(body(0));
		run.sum(new Float64Array(7));
		const push = Float64Array.of(1, 0, 0, 0, 0, 0, 0);
		const seen: number[] = [];
		for (let i = 1; i <= 120; i++) {
			run.advance(clockOf(1 / 120), { pose: body(0), speed: 0, grounded: true });
			seen.push(run.sum(push)[0]!);
			expect(run.camera[0]).toBe(0);
		}
		// Pushed by 1 m within a step, it comes after by half in each 0.1 s: 12 steps.
		expect(seen[0]).toBeLessThan(0.1);
		expect((1 - seen[35]!) / (1 - seen[23]!)).toBeCloseTo(0.5, 3);
		for (let i = 0; i < 600; i++) {
			run.advance(clockOf(1 / 120), { pose: body(0), speed: 0, grounded: true });
			run.sum(new Float64Array(7));
		}
		expect([...run.offset]).toEqual([0, 0, 0, 0, 0, 0, 0]);
	});

	it('what is baked is what is seen, whatever the order', () => {
		const orders = [
			RIG_STAGES,
			['shakes', 'lag', 'limits', 'bob', 'lean', 'ceiling'],
			['bob', 'shakes', 'lag', 'limits', 'lean', 'ceiling']
		];
		const most = orders.map((order) => {
			const bake = bakeCourse(kit([rig({ order: order as RigStage[] })]), course, { fps: 30 })!;
			return Math.max(...bake.values.map(Math.abs));
		});
		for (const value of most) expect(value).toBeGreaterThan(0.05);
	});
});
