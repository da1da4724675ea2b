import { describe, expect, it } from 'vitest';
import { newBob, newCue, newPlay, newPreset, newRig } from 'dinesis-runtime/tools';
import { newCourse, type Kit, type Course, type Waypoint } from '../documents';
import type { Cue, GameEvent, ShakePreset } from 'dinesis-runtime';
import { bakeCourse } from './bake';
import { compilePath, facingAt, placeAt } from './path';
import { CourseRun } from './run';

const way = (x: number, z: number, part: Partial<Waypoint> = {}): Waypoint => ({
	x,
	y: 0,
	z,
	speed: 2,
	pause: 0,
	...part
});
const none = { time: 0, ease: 'linear' } as const;
/** Its motion is its level: a square at 0 Hz on x. */
const level = (id: string, part: Partial<ShakePreset> = {}, mode: 'burst' | 'continuous' = 'burst'): ShakePreset => {
	const base = newPreset(id, id);
	return {
		...base,
		timing: { ...base.timing, mode, duration: 1, fadeIn: none, fadeOut: none },
		layers: [
			{
				...base.layers[0]!,
				pattern: { kind: 'wave', shape: 'square' },
				channels: { x: { amplitude: 1, frequency: 0, start: 'zero' } }
			}
		],
		...part
	};
};
const event = (id: string, kind: GameEvent['kind'] = 'moment', placed = false): GameEvent => ({
	id,
	name: id,
	kind,
	placed,
	tags: [],
	values: []
});
const cue = (event: string, preset: string, part: Partial<Cue> = {}): Cue => ({
	...newCue(`${event}-${preset}`, event, preset),
	...part
});
const kit = (cues: readonly Cue[], presets: readonly ShakePreset[]): Kit => ({
	format: 'dinesis-kit',
	version: 1,
	name: 'k',
	events: [event('hit', 'moment', true), event('run', 'state'), event('here', 'state')],
	parameters: [{ id: 'cold', name: 'Cold', min: 0, max: 1, rest: 0 }],
	presets,
	cues,
	rigs: [],
	courses: [],
	world: { events: [], values: [] }
});
const course = (part: Partial<Course> = {}): Course => ({
	id: 'c',
	name: 'C',
	about: '',
	seconds: 10,
	path: [],
	trace: null,
	second: null,
	rig: null,
	steps: false,
	events: [],
	areas: [],
	values: [],
	...part
});
const happens = (at: number, id: string, length: number | null = null) => ({
	at,
	event: id,
	length,
	values: {},
	place: null,
	who: 0
});
/** x of the offset at each whole and half second. */
const halves = (k: Kit, c: Course): number[] => {
	const run = new CourseRun(k, c);
	return Array.from({ length: c.seconds * 2 }, (_, i) => {
		run.advanceTo(i / 2);
		return run.director.viewers[0]!.player.offset[0]!;
	});
};

describe('the path', () => {
	it('is walked at its speeds, with its pauses; before and after it one stands', () => {
		const path = compilePath([way(0, 0), way(4, 0, { pause: 1, speed: 1 }), way(4, -3)]);
		const at = (t: number) => [...placeAt(path, t, new Float64Array(3))];
		expect(at(-1)).toEqual([0, 0, 0]);
		expect(at(1)).toEqual([2, 0, 0]);
		expect(at(2.5)).toEqual([4, 0, 0]);
		expect(at(4)).toEqual([4, 0, -1]);
		expect(at(99)).toEqual([4, 0, -3]);
		expect([...placeAt(compilePath([]), 3, new Float64Array(3))]).toEqual([0, 0, 0]);
	});

	it('is faced along: ahead is −z, left is positive, and a stand keeps the way one came', () => {
		const facing = (points: Waypoint[], t: number): number => {
			const out = Float64Array.of(1, 0);
			const path = compilePath(points);
			for (let s = 0; s <= t; s += 0.1) facingAt(path, s, out, new Float64Array(3));
			return (2 * Math.atan2(out[1]!, out[0]!) * 180) / Math.PI;
		};
		expect(facing([way(0, 0), way(0, -10)], 1)).toBeCloseTo(0, 9);
		expect(facing([way(0, 0), way(-10, 0)], 1)).toBeCloseTo(90, 9);
		expect(facing([way(0, 0), way(10, 0)], 1)).toBeCloseTo(-90, 9);
		expect(Math.abs(facing([way(0, 0), way(0, 10)], 1))).toBeCloseTo(180, 6);
		expect(facing([way(0, 0), way(-10, 0)], 20)).toBeCloseTo(90, 9);
	});
});

describe('a course', () => {
	it('raises its events at their times; a state lasts as long as it stands there', () => {
		const k = kit(
			[cue('hit', 'a'), cue('run', 'b', { when: 'lasts' })],
			[level('a'), level('b', { amount: 0.5 }, 'continuous')]
		);
		const c = course({ seconds: 6, events: [happens(1, 'hit'), happens(3, 'run', 1.5)] });
		expect(halves(k, c)).toEqual([0, 0, 1, 1, 0, 0, 0.5, 0.5, 0.5, 0, 0, 0]);
	});

	it('areas are on while one is within', () => {
		const k = kit([cue('here', 'b', { when: 'lasts' })], [level('b', {}, 'continuous')]);
		const c = course({
			seconds: 5,
			path: [way(0, 0), way(0, -10)],
			areas: [{ event: 'here', x: 0, z: -4.5, radius: 1.6 }]
		});
		// At two metres a second one is within from 1.45 to 3.05 s.
		expect(halves(k, c)).toEqual([0, 0, 0, 1, 1, 1, 1, 0, 0, 0]);
	});

	it('game values follow their curves, and what is far weakens as one walks away', () => {
		const drives = [
			{
				parameter: 'cold',
				to: 'amount' as const,
				curve: [
					{ at: 0, value: 0 },
					{ at: 1, value: 1 }
				]
			}
		];
		const cold = kit([cue('run', 'b', { when: 'lasts' })], [level('b', { drives }, 'continuous')]);
		const values = [
			{
				parameter: 'cold',
				points: [
					{ at: 0, value: 0 },
					{ at: 4, value: 1 }
				]
			}
		];
		const driven = halves(cold, course({ seconds: 5, values, events: [happens(0, 'run', 9)] }));
		expect(driven[4]).toBeCloseTo(0.5, 9);
		expect(driven[9]).toBeCloseTo(1, 9);
		const reach = { full: 0, edge: 10, falloff: 'linear' as const, listener: 'body' as const, travelSpeed: null };
		const long = { ...level('a', { reach }), timing: { ...level('a').timing, duration: 9 } };
		const walked = halves(
			kit([cue('hit', 'a')], [long]),
			course({ path: [way(0, 0), way(0, -20)], events: [happens(0, 'hit')] })
		);
		expect(walked[4]).toBeCloseTo(1 - 4 / 10, 9);
	});

	it('is the same to the bit however it is stepped, and each time', () => {
		const noisy = { ...newPreset('a', 'A'), overlap: { rule: 'stack' as const, limit: 3 } };
		const k = kit([{ ...cue('hit', 'a'), actions: [{ ...newPlay('a'), delay: 0.013 }] }], [noisy]);
		const c = course({ seconds: 4, events: [0.2, 0.5, 0.51, 1.7, 3].map((at) => happens(at, 'hit')) });
		const baked = bakeCourse(k, c, { fps: 60, seed: 3 })!;
		expect(baked.count).toBe(241);
		expect(bakeCourse(k, c, { fps: 60, seed: 3 })!.values).toEqual(baked.values);
		const slow = bakeCourse(k, c, { fps: 20, seed: 3 })!;
		for (let i = 0; i < slow.count; i++)
			expect(slow.values.subarray(i * 7, i * 7 + 7)).toEqual(baked.values.subarray(i * 21, i * 21 + 7));
		const jumps = new CourseRun(k, c, { seed: 3 });
		for (const t of [0.3, 0.31, 2, 3.5]) jumps.advanceTo(t);
		expect([...jumps.director.viewers[0]!.player.offset]).toEqual([...baked.values.subarray(210 * 7, 210 * 7 + 7)]);
		expect(baked.values.some((v) => v !== 0)).toBe(true);
	});

	it('a bake tells how far it is, and is given up when asked', () => {
		const parts: number[] = [];
		const c = course({ seconds: 60 });
		expect(bakeCourse(kit([], []), c, { progress: (part) => void parts.push(part) })!.count).toBe(3601);
		expect(parts).toHaveLength(7);
		expect(bakeCourse(kit([], []), c, { progress: (part) => part < 0.3 })).toBeNull();
		expect(() => bakeCourse(kit([], []), c, { fps: 0 })).toThrow(/above 0/);
	});

	it('a fall makes no step, and the landing is felt; a ladder goes on being climbed', () => {
		const bob = { ...newBob('bob', 'Bob'), landing: { dip: 0.05, most: 1, nod: 0, frequency: 2, damping: 0.5 } };
		const own: Kit = { ...kit([], []), presets: [bob], rigs: [{ ...newRig('eyes', 'Eyes'), bob: 'bob' }] };
		// Half a second of falling, 1.2 m, then standing.
		const height = (t: number): number => (t < 0.5 ? 5 : t < 1 ? 5 - 4.905 * (t - 0.5) ** 2 : 5 - 4.905 * 0.25);
		const poses = Array.from({ length: 61 }, (_, i) => [0, height(i / 30), 0, 0, 0]).flat();
		const fall = { ...newCourse('c', 'C'), seconds: 2, rig: 'eyes', trace: { hz: 30, poses } };
		const run = new CourseRun(own, fall);
		let [least, phase] = [0, 0];
		for (let t = 0; t <= 2; t += 1 / 120) {
			run.advanceTo(t);
			least = Math.min(least, run.bodies[0]!.rig.offset[1]!);
			phase = run.bodies[0]!.rig.run.phase;
		}
		expect(phase).toBe(0);
		// 4.7 m/s at the end, 5 cm for each.
		expect(least).toBeLessThan(-0.19);
		const climb = Array.from({ length: 61 }, (_, i) => [0, (i / 30) * 0.8, 0, 0, 0]).flat();
		const ladder = new CourseRun(own, { ...fall, trace: { hz: 30, poses: climb } });
		ladder.advanceTo(2);
		expect(ladder.bodies[0]!.rig.run.phase).toBeGreaterThan(0.5);
	});
});
