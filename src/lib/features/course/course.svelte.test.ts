import 'fake-indexeddb/auto';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import {
	eventFrom,
	linkTo,
	newCourse,
	PROJECT_ID,
	type AnyDocument,
	type Course,
	type KindName,
	type Wiring
} from '$lib/documents';
import { newBob, newCue, newLag, newPreset, newRig } from 'dinesis-runtime/tools';
import { HAPPENINGS } from '$lib/world/happenings';
import { ProjectSession } from '$lib/session/session.svelte';
import { fetchFrom, MemoryServer } from '$lib/session/testing/memory-server';
import type { CourseWorker } from '$lib/workers/course';
import { CourseState, eyesOf } from './course.svelte';
import { FreePlay } from './free.svelte';

const kind = (id: string) => HAPPENINGS.find((k) => k.id === id)!;
const landing = eventFrom(kind('landing'), 'landing');
const running = eventFrom(kind('running'), 'running');
const jump = eventFrom(kind('jump'), 'jump');
const thud = newPreset('thud', 'Thud');
const hum = { ...newPreset('hum', 'Hum'), timing: { ...thud.timing, mode: 'continuous' as const } };
const wiring: Wiring = {
	events: [landing, running, jump],
	parameters: [{ id: 'cold', name: 'Cold', min: 0, max: 2, rest: 0 }],
	cues: [
		newCue('lands', 'landing', 'thud'),
		{ ...newCue('runs', 'running', 'hum'), when: 'lasts' },
		newCue('jumps', 'jump', 'thud')
	],
	world: {
		events: [linkTo(kind('landing'), landing), linkTo(kind('running'), running), linkTo(kind('jump'), jump)],
		values: [{ from: 'hold', parameter: 'cold' }]
	},
	rigs: []
};
const at = (time: number, event: string, length: number | null = null) => ({
	at: time,
	event,
	length,
	values: {},
	place: null,
	who: 0
});
const walk: Course = { ...newCourse('walk', 'Walk'), seconds: 10, events: [at(2, 'landing'), at(5, 'running', 3)] };

let session: ProjectSession;
let desk: CourseState;
const surveys: unknown[][] = [];

beforeEach(async () => {
	surveys.length = 0;
	const server = new MemoryServer([
		['shake', thud],
		['shake', hum],
		...wiring.events.map((event): [KindName, AnyDocument] => ['event', event]),
		...wiring.parameters.map((value): [KindName, AnyDocument] => ['value', value]),
		...wiring.cues.map((cue): [KindName, AnyDocument] => ['cue', cue]),
		['project', { id: PROJECT_ID, world: wiring.world, carried: {} } as AnyDocument],
		['course', walk]
	]);
	vi.stubGlobal('fetch', fetchFrom(server));
	session = new ProjectSession({
		project: { id: 'p', slug: 'quay', name: 'Quay' },
		...server.opened(({ kind }) => kind !== 'course')
	});
	await session.courses.fetch();
	const worker = { survey: (...wish: unknown[]) => void surveys.push(wish) } as unknown as CourseWorker;
	desk = new CourseState(session, worker);
	desk.open('walk');
});
const moves = (): boolean => eyesOf(desk.frame(0)!)[0]!.offset.some((v) => v !== 0);
const events = (): unknown[] => desk.course!.events.map((e) => [e.at, e.event]);

describe('a course in its room', () => {
	it('plays from where it stands to its end, and once more from the beginning', () => {
		desk.scrub(9.9);
		desk.togglePlay();
		desk.frame(0.05);
		expect(desk.time).toBeCloseTo(9.95, 9);
		desk.frame(0.5);
		expect([desk.time, desk.playing]).toEqual([10, false]);
		desk.togglePlay();
		expect([desk.time, desk.playing]).toEqual([0, true]);
	});

	it('a part is played again and again, at the speed of time', () => {
		desk.part = { from: 2, to: 4 };
		desk.scrub(3.9);
		desk.speed = 2;
		desk.togglePlay();
		desk.frame(0.2);
		expect(desk.time).toBeCloseTo(2.3, 9);
		expect(desk.playing).toBe(true);
	});

	it('scrubbing shows what is felt there; a change is felt at once', () => {
		desk.scrub(2.2);
		expect(moves()).toBe(true);
		desk.scrub(1);
		expect(moves()).toBe(false);
		desk.scrub(6);
		expect(moves()).toBe(true);
		desk.changeEvent(1, 'Move', { at: 7 }, 'at');
		expect(moves()).toBe(false);
		session.undo();
		expect(moves()).toBe(true);
	});

	it('events are added, moved past each other, copied to the playhead and taken out, each as one step', () => {
		desk.addEvent('landing', 3);
		expect(desk.course!.events[desk.chosen!.i]).toMatchObject({ at: 3, values: { speed: 7.2 } });
		desk.changeEvent(1, 'Move', { at: 6 }, 'at 1');
		desk.changeEvent(1, 'Move', { at: 6.5 }, 'at 1');
		desk.settle();
		expect(events()).toEqual([
			[2, 'landing'],
			[5, 'running'],
			[6.5, 'landing']
		]);
		expect(desk.chosen).toEqual({ kind: 'event', i: 2 });
		expect(desk.copyChosen()).toBe(true);
		desk.scrub(1);
		desk.paste();
		expect(events()[0]).toEqual([1, 'landing']);
		desk.removeChosen();
		expect(events()).toHaveLength(3);
		session.undo();
		session.undo();
		expect(events()).toHaveLength(3);
	});

	it('times snap to other events, their ends and the playhead, else to the grid', () => {
		desk.scrub(4.03);
		expect(desk.snap(2.04, 0.1)).toBe(2);
		expect(desk.snap(7.95, 0.1)).toBe(8);
		expect(desk.snap(4.06, 0.1)).toBe(4.03);
		expect(desk.snap(6.513, 0.1)).toBe(6.5);
		expect(desk.snap(2.04, 0.1, 0)).toBe(2.05);
		desk.snaps = false;
		expect(desk.snap(2.0404, 0.1)).toBe(2.04);
	});

	it('shows a part of the timeline around where one points, never beyond the ends', () => {
		desk.zoom(0.5, 2);
		expect(desk.view).toEqual({ from: 1, to: 6 });
		desk.pan(-5);
		expect(desk.view).toEqual({ from: 0, to: 5 });
		desk.zoom(9, 2);
		expect(desk.view).toEqual({ from: 0, to: 10 });
	});

	it('places are added behind the chosen one', () => {
		desk.addPlace(0, { x: 0, y: 0, z: 0 });
		desk.addPlace(0, { x: 4, y: 0, z: 0 });
		desk.chosen = { kind: 'place', way: 0, i: 0 };
		desk.addPlace(0, { x: 2, y: 0, z: 0 });
		expect(desk.course!.path.map((p) => p.x)).toEqual([0, 2, 4]);
		desk.removeChosen();
		expect(desk.course!.path.map((p) => p.x)).toEqual([0, 4]);
	});

	it('is surveyed once the hand rests, with the presets that its cues can play', () => {
		vi.useFakeTimers();
		for (let i = 0; i < 5; i++) desk.surveySoon();
		vi.advanceTimersByTime(500);
		vi.useRealTimers();
		expect(surveys).toHaveLength(1);
		expect((surveys[0]![0] as { presets: unknown[] }).presets).toHaveLength(2);
	});
});

describe('a free run', () => {
	it('fires the cues by what happens, counts it, and becomes a take that plays the same', async () => {
		const free = new FreePlay(session);
		await free.begin(1);
		const go = (seconds: number): void => {
			for (let t = 0; t < seconds; t += 1 / 60) free.frame(1 / 60);
		};
		go(0.5);
		free.jump(true);
		free.jump(false);
		go(1.5);
		expect(free.counted.jump).toEqual({ times: 1, last: null });
		expect(free.counted.landing!.times).toBe(1);
		expect(free.counted.landing!.last!).toBeCloseTo(4.3, 0);
		expect(free.said).toEqual(['Thud at 1.00', 'Thud at 1.00']);
		free.wishes[0].hold = true;
		go(1);
		expect(free.seconds).toBeCloseTo(3, 1);
		const take = free.end('Take 1')!;
		expect(free.phase).toBe('idle');
		expect(take.events.map((e) => e.event)).toEqual(['jump', 'landing']);
		expect(take.events[1]!.values.speed).toBeCloseTo(4.3, 0);
		expect(take.values[0]!.points.at(-1)!.value).toBe(2);
		const id = await session.courses.add(take);
		desk.open(id!);
		desk.scrub(take.events[1]!.at + 0.2);
		expect(moves()).toBe(true);
		expect(desk.frame(0)!.bodies[0]!.pose[2]).toBeCloseTo(8, 1);
	});

	it('areas of the open course are live', async () => {
		const free = new FreePlay(session);
		await free.begin(1, [{ event: 'running', x: 0.4, z: 8, radius: 1 }]);
		for (let i = 0; i < 30; i++) free.frame(1 / 60);
		expect(free.said).toEqual(['Hum at 1.00']);
		const take = free.end('x')!;
		expect(take.events.map((e) => e.event)).toEqual(['running']);
		expect(take.events[0]!.at).toBeLessThan(0.01);
		expect(take.events[0]!.length!).toBeCloseTo(0.5, 1);
	});

	it('is walked through the chosen rig: the head bobs with the steps, the view trails, the take keeps it', async () => {
		const key = await session.acts.add(newBob('steps', 'Steps'));
		await session.acts.add(newLag('heavy', 'Heavy'));
		expect(session.presets.map((p) => p.id)).toEqual(['thud', 'hum']);
		expect([session.bobs, session.lags].map((list) => list.map((p) => p.id))).toEqual([['steps'], ['heavy']]);
		const rig = { ...newRig('eyes', 'Eyes'), bob: key, lag: 'heavy' };
		session.rewire('New rig', (w) => ({ ...w, rigs: [rig] }));
		const free = new FreePlay(session);
		await free.begin(1, [], 'eyes');
		free.wishes[0].ahead = 1;
		let most = 0;
		let behind = 0;
		for (let i = 0; i < 90; i++) {
			free.frame(1 / 60);
			const [eye] = free.eyes();
			most = Math.max(most, Math.abs(eye!.offset[1]!));
			behind = eye!.pose[2]! - free.bodies()[0]!.pose[2]!;
		}
		expect(most).toBeGreaterThan(0.008);
		// 1.6 m/s with a half-life of 0.15 s.
		expect(behind).toBeCloseTo((1.6 * 0.15) / Math.LN2, 1);
		const take = free.end('x')!;
		expect(take.rig).toBe('eyes');
		desk.open((await session.courses.add(take))!);
		desk.scrub(1.2);
		expect(moves()).toBe(true);
		session.changeBody('steps', 'Amount', (preset) => ({ ...preset, amount: 0 }));
		expect(moves()).toBe(false);
		expect(session.undo()).toBe('Amount in Steps');
		expect(moves()).toBe(true);
	});

	it('undo of a new bob retires it among the bobs, and leaves the shakes alone', async () => {
		await session.acts.add(newBob('steps', 'Steps'));
		session.undo();
		await vi.waitFor(() => expect(session.bobs).toEqual([]));
		session.redo();
		await vi.waitFor(() => expect(session.bobs.map((b) => b.id)).toEqual(['steps']));
		expect(session.order).toEqual(['thud', 'hum']);
	});

	it('a preset that changes is felt with the next play', async () => {
		const free = new FreePlay(session);
		await free.begin(1);
		session.change('thud', 'Amount', (p) => void (p.amount = 0));
		free.jump(true);
		for (let i = 0; i < 20; i++) free.frame(1 / 60);
		expect(free.said).toHaveLength(1);
		expect(free.eyes()[0]!.offset.every((v) => v === 0)).toBe(true);
		free.end('x');
	});
});
