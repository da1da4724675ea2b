import { describe, expect, it } from 'vitest';
import { newCourse, eventFrom, linkTo, type Kit, type HappeningKind } from '../documents';
import { newCue, newPreset, NO_LINKS, occurrencesOf, type WorldLinks } from 'dinesis-runtime/tools';
import type { GameEvent } from 'dinesis-runtime';
import { CourseRun } from './run';
import { compileWay, isGrounded, pathSeconds, traceAt } from './way';

const trace = { hz: 2, poses: [0, 0, 0, 170, 0, 1, 0, -2, -170, 10, 1, 2, -2, -90, 0] };
const speed = { id: 'speed', unit: 'm/s', min: 0, max: 12 };
const kinds: readonly HappeningKind[] = [
	{ id: 'landing', name: 'Landing', about: '', kind: 'moment', placed: false, numbers: [speed] },
	{ id: 'footfall', name: 'Footfall', about: '', kind: 'moment', placed: false, numbers: [speed] },
	{ id: 'door', name: 'Door closing', about: '', kind: 'state', placed: true, numbers: [] }
];
const kind = (id: string) => kinds.find((k) => k.id === id)!;

describe('a recorded way', () => {
	it('is straight between its moments, and turns the shorter way round', () => {
		const out = new Float64Array(5);
		const at = (t: number): number[] => (traceAt(trace, t, out), [...out]);
		expect(at(0.25)).toEqual([0.5, 0, -1, 180, 5]);
		expect(at(0.75)).toEqual([1, 1, -2, -130, 5]);
		expect(at(-3)).toEqual([0, 0, 0, 170, 0]);
		expect(at(99)).toEqual([1, 2, -2, -90, 0]);
	});

	it('is in the air where its height curves as a free fall does, and on the ground on stairs', () => {
		const fall = Array.from({ length: 31 }, (_, i) => [
			0,
			i < 10 ? 3 : Math.max(0, 3 - 4.905 * ((i - 10) / 30) ** 2),
			0,
			0,
			0
		]).flat();
		const way = compileWay({ path: [], trace: { hz: 30, poses: fall } });
		expect([0.1, 0.5, 0.8, 0.95].map((t) => isGrounded(way, t))).toEqual([true, false, false, false]);
		const stairs = Array.from({ length: 61 }, (_, i) => [i * 0.05, Math.floor(i / 7) * 0.18, 0, 0, 0]).flat();
		const up = compileWay({ path: [], trace: { hz: 30, poses: stairs } });
		for (let t = 0; t < 2; t += 0.03) expect(isGrounded(up, t)).toBe(true);
	});

	it('a path knows how long it takes', () => {
		const point = { y: 0, speed: 2, pause: 0 };
		const path = [
			{ ...point, x: 0, z: 0 },
			{ ...point, x: 0, z: -8, pause: 3 }
		];
		expect(pathSeconds({ path })).toBe(7);
		expect(pathSeconds({ path: [] })).toBe(0);
	});
});

describe('what the stand-in game raises', () => {
	const landing: GameEvent = {
		...eventFrom(kind('landing'), 'thump'),
		values: [{ id: 'fall', unit: 'm/s', min: 0, max: 9 }],
		tags: ['body']
	};
	const gate: GameEvent = { ...eventFrom(kind('door'), 'gate') };

	it('is the event that a link names, with its numbers under the event’s own names', () => {
		const links: WorldLinks = { ...NO_LINKS, events: [linkTo(kind('landing'), landing), linkTo(kind('door'), gate)] };
		expect(links.events[0]!.numbers).toEqual({ fall: 'speed' });
		const fell = { what: 'landing', phase: 'happens', numbers: { speed: 4.5 }, place: null, who: 1 } as const;
		expect(occurrencesOf(links, [landing, gate], fell)).toEqual([
			expect.objectContaining({ event: 'thump', values: { fall: 4.5 }, tags: ['body'], who: 'two', phase: 'happens' })
		]);
		const shuts = { what: 'door', phase: 'starts', numbers: {}, place: [1, 2, 3], length: 3, who: 0 } as const;
		expect(occurrencesOf(links, [landing, gate], shuts)).toEqual([
			expect.objectContaining({ event: 'gate', phase: 'starts', place: [1, 2, 3], length: 3 })
		]);
	});

	it('is nothing without a link, with one to an event that is gone, or where a moment meets a state', () => {
		const fell = { what: 'landing', phase: 'happens', numbers: {}, place: null, who: 0 } as const;
		const to = (event: string): WorldLinks => ({ ...NO_LINKS, events: [{ from: 'landing', event, numbers: {} }] });
		expect(occurrencesOf(NO_LINKS, [landing], fell)).toEqual([]);
		expect(occurrencesOf(to('gone'), [landing], fell)).toEqual([]);
		expect(occurrencesOf(to('gate'), [gate], fell)).toEqual([]);
	});
});

describe('two players', () => {
	const none = { time: 0, ease: 'linear' } as const;
	const base = newPreset('step', 'Step');
	const step = {
		...base,
		timing: { ...base.timing, duration: 0.2, fadeIn: none, fadeOut: none },
		overlap: { rule: 'restart' as const, limit: 1 }
	};
	const footfall = eventFrom(kind('footfall'), 'footfall');
	const kit: Kit = {
		format: 'dinesis-kit',
		version: 1,
		name: 'k',
		events: [footfall, { id: 'hit', name: 'Hit', kind: 'moment', placed: false, tags: [], values: [] }],
		parameters: [],
		presets: [step],
		cues: [
			{ ...newCue('steps', 'footfall', 'step'), feltBy: 'one' },
			{ ...newCue('hits', 'hit', 'step'), feltBy: 'one' }
		],
		rigs: [],
		courses: [],
		world: { ...NO_LINKS, events: [linkTo(kind('footfall'), footfall)] }
	};
	const way = (speed: number) => ({
		trace: null,
		path: [
			{ x: 0, y: 0, z: 0, speed, pause: 0 },
			{ x: 0, y: 0, z: -100, speed, pause: 0 }
		]
	});

	it('each feels their own steps, as many as their own speed makes', () => {
		const course = { ...newCourse('c', 'C'), seconds: 10, ...way(1.4), second: way(3.5) };
		const run = new CourseRun(kit, course);
		const fires = [0, 0];
		let plays: unknown[] = [[], []];
		for (let t = 0; t <= 10; t += 1 / 120) {
			run.advanceTo(t);
			for (const order of run.director.done) if (order.kind === 'play') fires[order.who === 'two' ? 1 : 0]!++;
			plays = run.director.viewers.map((v) => v.player.playsFired);
		}
		// 1.9 and 2.8 steps a second.
		expect(fires[0]).toBe(18);
		expect(fires[1]).toBe(27);
		expect(plays.every((n) => Number(n) > 0)).toBe(true);
	});

	it('an event happens to whom the timeline says', () => {
		const hit = { at: 1, event: 'hit', length: null, values: {}, place: null, who: 1 };
		const course = { ...newCourse('c', 'C'), steps: false, second: { path: [], trace: null }, events: [hit] };
		const run = new CourseRun(kit, course);
		run.advanceTo(1.1);
		expect(run.director.viewers.map((v) => v.player.plays.length)).toEqual([0, 1]);
	});
});
