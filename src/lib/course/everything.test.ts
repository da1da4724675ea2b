import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
	Director,
	NO_LINKS,
	newBob,
	newCue,
	newLag,
	newPlay,
	newPreset,
	newRig,
	type Occurrence,
	type OverlapRule
} from 'dinesis-runtime/tools';
import type { Cue, GameEvent, ShakePreset } from 'dinesis-runtime';
import { newCourse, type Kit, type Course } from '../documents';
import { Replay } from './replay';
import { CourseRun } from './run';

const event = (id: string, kind: GameEvent['kind'] = 'moment'): GameEvent => ({
	id,
	name: id,
	kind,
	placed: true,
	tags: [],
	values: [{ id: 'v', unit: '', min: 0, max: 1 }]
});
const fade = (time: number) => ({ time, ease: 'smooth' }) as const;
const shake = (id: string, rule: OverlapRule, part: Partial<ShakePreset> = {}, continuous = false): ShakePreset => {
	const base = newPreset(id, id);
	const mode = continuous ? 'continuous' : 'burst';
	const reach = { full: 2, edge: 15, falloff: 'linear', listener: 'camera', travelSpeed: 30 } as const;
	return {
		...base,
		timing: { ...base.timing, mode, duration: 1.3, delay: 0.02, fadeIn: fade(0.1), fadeOut: fade(0.5) },
		overlap: { rule, limit: 3 },
		reach,
		...part
	};
};
const kick = newPreset('k', 'k').layers[0]!;
const presets = [
	shake('stack', 'stack', { priority: 2, duck: 0.3 }),
	shake('restart', 'restart'),
	shake('extend', 'extend', {
		drives: [
			{
				parameter: 'cold',
				to: 'rate',
				curve: [
					{ at: 0, value: 1 },
					{ at: 1, value: 2 }
				]
			}
		]
	}),
	shake('ignore', 'ignore'),
	shake('hum', 'restart', {}, true),
	shake('kick', 'restart', { layers: [{ ...kick, pattern: { kind: 'kick', damping: 0.4 } }] }),
	newBob('bob', 'Bob'),
	newLag('lag', 'Lag')
];
const one = (id: string, preset: string, part: object = {}) => ({ ...newPlay(preset, id), ...part });
const lasts = { event: 'door', when: 'lasts' } as const;
const cues: Cue[] = [
	{
		...newCue('all', 'hit', 'stack'),
		actions: ['stack', 'restart', 'extend', 'ignore', 'kick'].map((p, i) => one(`${i}`, p, { delay: i * 0.03 }))
	},
	{
		...newCue('pick', 'hit', 'stack'),
		actions: [one('p', 'stack', { pick: ['stack', 'restart', 'kick'].map((preset) => ({ preset, weight: 1 })) })]
	},
	{
		...newCue('grow', 'hit', 'stack'),
		actions: [one('g', 'extend', { buildUp: { by: 0.3, most: 2, coolDown: 1 }, length: 0.9 })]
	},
	{ ...newCue('hum', 'door', 'hum'), ...lasts },
	{ ...newCue('hum-2', 'door', 'hum'), ...lasts, actions: [one('1', 'hum', { length: 'event', rate: 1.5 })] },
	{
		...newCue('set', 'stop', 'stack'),
		actions: [
			{ id: 's', kind: 'set', parameter: 'cold', to: 0.7, delay: 0.05 },
			{ id: 'x', kind: 'stop', what: 'all', cut: false, delay: 0.1 }
		]
	},
	{
		...newCue('own', 'hit', 'stack'),
		conditions: { ...newCue('', '', '').conditions, chance: 0.5 },
		actions: [one('a', 'restart', { delay: 0.4 }), { id: 'b', kind: 'stop', what: 'own', cut: false, delay: 0.6 }]
	}
];
const kit: Kit = {
	format: 'dinesis-kit',
	version: 1,
	name: 'k',
	events: [event('hit'), event('door', 'state'), event('stop')],
	parameters: [{ id: 'cold', name: 'Cold', min: 0, max: 1, rest: 0 }],
	presets,
	cues,
	rigs: [{ ...newRig('eyes', 'Eyes'), bob: 'bob', lag: 'lag' }],
	courses: [],
	world: NO_LINKS
};
const second = (max: number) => fc.double({ min: 0, max, noNaN: true });
const happening = fc.record({
	at: second(5),
	event: fc.constantFrom('hit', 'hit', 'door', 'stop'),
	length: second(2),
	place: fc.tuple(second(18), second(1), second(5)),
	who: fc.constant(0)
});
const happenings = fc.array(happening, { maxLength: 10 });
const courseOf = (
	list: readonly { at: number; event: string; length: number; place: [number, number, number]; who: number }[]
): Course => ({
	...newCourse('c', 'C'),
	seconds: 6,
	rig: 'eyes',
	path: [
		{ x: 0, y: 0, z: 0, speed: 1.4, pause: 0.5 },
		{ x: 3, y: 0, z: -4, speed: 3, pause: 0 },
		{ x: 3, y: 1, z: 0, speed: 2, pause: 0 }
	],
	events: list.map((one) => ({ ...one, values: { v: 0.5 } }))
});
const seen = ({ bodies }: CourseRun): number[] => [...bodies[0]!.rig.camera, ...bodies[0]!.rig.offset];

describe('whatever happens, between grid steps too', () => {
	it('scrubbed, forked and played on is what playing through shows, to the bit', () => {
		fc.assert(
			fc.property(happenings, fc.array(second(6), { minLength: 1, maxLength: 6 }), (list, times) => {
				const course = courseOf(list);
				const replay = new Replay(kit, course);
				const straight = new Map<number, number[]>();
				const run = new CourseRun(kit, course);
				for (const time of [...times].sort((a, b) => a - b)) {
					run.advanceTo(time);
					straight.set(time, seen(run));
					// What a fork does leaves the one it came from alone.
					run.fork().advanceTo(time + 0.4);
				}
				for (const time of times) expect(seen(replay.at(time))).toEqual(straight.get(time));
			}),
			{ seed: 31, numRuns: 40 }
		);
	});

	it('shakes are the same at 20, 30, 60, 144 and jittered frames wherever those meet, and end at nothing', () => {
		const frames = (fps: number, jitter = 0): number[] => {
			const list = Array.from({ length: 9 * fps }, (_, i) => (i + 1) / fps);
			return jitter === 0
				? list
				: [
						...list.map((t, i) => t + (jitter / fps) * Math.sin(i * 7.3)),
						...Array.from({ length: 18 }, (_, i) => (i + 1) / 2)
					].sort((a, b) => a - b);
		};
		const ways = [frames(20), frames(30), frames(60), frames(144), frames(50, 0.4)];
		fc.assert(
			fc.property(happenings, (list) => {
				const raised = list
					.flatMap(({ at, event, length, place }, i): { at: number; occurrence: Occurrence }[] => {
						const shared = { event, key: `${i}`, place, length, who: 'one', values: { v: 0.5 } };
						if (event !== 'door') return [{ at, occurrence: { ...shared, phase: 'happens' } }];
						return [
							{ at, occurrence: { ...shared, phase: 'starts' } },
							{ at: at + length, occurrence: { ...shared, phase: 'ends' } }
						];
					})
					.sort((a, b) => a.at - b.at);
				// Game values are constant within a frame, so that what they drive hangs on the frames: left out here.
				const steady = { ...kit, cues: cues.filter((cue) => cue.id !== 'set') };
				const left: number[] = [];
				const runs = ways.map((times) => {
					const director = new Director(steady, { seed: 4 });
					director.viewers[0]!.player.setRest(0, 0, 0, 0, 0, 0, 1);
					const rows = new Map<number, number[]>();
					let next = 0;
					for (const time of times) {
						for (; next < raised.length && raised[next]!.at <= time; next++)
							director.raise(raised[next]!.occurrence, raised[next]!.at);
						director.advanceTo(time);
						const half = Math.round(time * 2) / 2;
						if (Math.abs(time - half) < 1e-12) rows.set(half, [...director.viewers[0]!.player.offset]);
					}
					// Ten hits make the one that goes on longer at most so long.
					director.advanceTo(60);
					const { player } = director.viewers[0]!;
					left.push(player.plays.length + player.offset.reduce((sum, v) => sum + Math.abs(v), 0));
					return rows;
				});
				let apart = 0;
				for (const [time, row] of runs[0]!)
					for (const other of runs)
						row.forEach((v, c) => (apart = Math.max(apart, Math.abs(v - other.get(time)![c]!))));
				expect(apart).toBeLessThan(1e-12);
				expect(left).toEqual(ways.map(() => 0));
			}),
			{ seed: 32, numRuns: 40 }
		);
	});
});
