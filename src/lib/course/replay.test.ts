import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { newCourse, type Kit, type Course } from '../documents';
import { newCue, newPlay, newPreset, NO_LINKS } from 'dinesis-runtime/tools';
import { Replay } from './replay';
import { CourseRun } from './run';

/** So many at once that the quietest has to go. */
const base = { ...newPreset('thud', 'Thud'), overlap: { rule: 'stack' as const, limit: 2 } };
const hum = {
	...newPreset('hum', 'Hum'),
	overlap: { rule: 'restart' as const, limit: 1 },
	timing: { ...base.timing, mode: 'continuous' as const },
	drives: [
		{
			parameter: 'cold',
			to: 'rate' as const,
			curve: [
				{ at: 0, value: 0.5 },
				{ at: 1, value: 2 }
			]
		}
	]
};
const jumpy = {
	...newPreset('jumpy', 'Jumpy'),
	overlap: { rule: 'extend' as const, limit: 1 },
	layers: [
		{
			...base.layers[0]!,
			pattern: { kind: 'jumps' as const, within: 'box' as const, between: 'eased' as const, ease: 'smooth' as const }
		}
	]
};
const any = newCue('x', 'hit', 'thud').conditions;
const kit: Kit = {
	format: 'dinesis-kit',
	version: 1,
	name: 'k',
	events: [
		{ id: 'hit', name: 'Hit', kind: 'moment', placed: true, tags: [], values: [] },
		{ id: 'run', name: 'Run', kind: 'state', placed: false, tags: [], values: [] }
	],
	parameters: [{ id: 'cold', name: 'Cold', min: 0, max: 1, rest: 0 }],
	presets: [base, hum, jumpy],
	cues: [
		{
			...newCue('hits', 'hit', 'thud'),
			conditions: { ...any, chance: 0.7, coolDown: 0.2 },
			actions: [
				{
					...newPlay('thud'),
					pick: [
						{ preset: 'thud', weight: 1 },
						{ preset: 'jumpy', weight: 2 }
					],
					delay: 0.35,
					buildUp: { by: 0.3, most: 2, coolDown: 2 }
				}
			]
		},
		{ ...newCue('runs', 'run', 'hum'), when: 'lasts' }
	],
	rigs: [],
	courses: [],
	world: NO_LINKS
};
const at = (time: number, event: string, length: number | null = null) => ({
	at: time,
	event,
	length,
	values: {},
	place: null,
	who: 0
});
const course: Course = {
	...newCourse('c', 'C'),
	seconds: 30,
	path: [
		{ x: 0, y: 0, z: 0, speed: 1.4, pause: 2 },
		{ x: 0, y: 0, z: -12, speed: 3, pause: 3 },
		{ x: 9, y: 0, z: -12, speed: 1, pause: 0 }
	],
	events: [
		...Array.from({ length: 40 }, (_, i) => at(i * 0.7, 'hit')),
		at(3, 'run', 5),
		at(12, 'run', 9),
		at(25, 'run', 4)
	],
	values: [
		{
			parameter: 'cold',
			points: [
				{ at: 0, value: 0 },
				{ at: 30, value: 1 }
			]
		}
	]
};
const state = (run: CourseRun): number[] => [
	...run.director.viewers[0]!.player.offset,
	...run.bodies[0]!.pose,
	run.director.viewers[0]!.player.plays.length
];
const played = (time: number): number[] => {
	const run = new CourseRun(kit, course, { seed: 5 });
	run.advanceTo(time);
	return state(run);
};

describe('a replay', () => {
	it('shows at any moment, forwards and backwards, exactly what playing from the start shows', () => {
		const times = fc.array(fc.double({ min: -1, max: 31, noNaN: true }), { minLength: 1, maxLength: 12 });
		fc.assert(
			fc.property(times, (list) => {
				const replay = new Replay(kit, course, { seed: 5 });
				for (const time of list) expect(state(replay.at(time))).toEqual(played(time));
			}),
			{ numRuns: 40 }
		);
		expect(played(10).some((v) => v !== 0)).toBe(true);
	});

	it('a fork goes its own way and leaves where it came from alone', () => {
		const run = new CourseRun(kit, course, { seed: 5 });
		run.advanceTo(14);
		const before = state(run);
		const fork = run.fork();
		fork.director.raise({ event: 'hit', phase: 'happens' });
		fork.director.viewers[0]!.player.stopAll(true);
		fork.advanceTo(20);
		expect(state(run)).toEqual(before);
		run.advanceTo(20);
		expect(state(run)).toEqual(played(20));
		expect(state(fork)).not.toEqual(state(run));
	});

	it('what lasts is let go in a fork as well: a play is owned by its own copy', () => {
		const run = new CourseRun(kit, course, { seed: 5 });
		run.advanceTo(19);
		const fork = run.fork();
		fork.advanceTo(24);
		const hums = fork.director.viewers[0]!.player.plays.filter((play) => play.presetId === 'hum');
		expect(hums.every((play) => play.stoppedAt !== null)).toBe(true);
	});
});
