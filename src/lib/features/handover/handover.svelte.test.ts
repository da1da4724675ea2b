import 'fake-indexeddb/auto';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import type { Cue, GameEvent } from 'dinesis-runtime';
import { newCue, newPreset } from 'dinesis-runtime/tools';
import { newCourse, readKit, type Course } from '$lib/documents';
import { ProjectSession } from '$lib/session/session.svelte';
import { fetchFrom, MemoryServer } from '$lib/session/testing/memory-server';
import { HandoverState } from './handover.svelte';

const hit: GameEvent = { id: 'hit', name: 'Hit', kind: 'moment', placed: false, tags: [], values: [] };
const course: Course = {
	...newCourse('walk', 'Walk'),
	events: [1, 2, 3].map((at) => ({ at, event: 'hit', length: null, values: {}, place: null, who: 0 }))
};
const goesOn = {
	...newPreset('hum', 'Hum'),
	timing: { ...newPreset('hum', 'Hum').timing, mode: 'continuous' as const }
};

let session: ProjectSession;
let desk: HandoverState;
beforeEach(async () => {
	localStorage.clear();
	const server = new MemoryServer([
		['event', hit],
		['shake', newPreset('thud', 'Thud')],
		['shake', goesOn],
		['cue', newCue('c', 'hit', 'thud') as Cue],
		['course', course]
	]);
	vi.stubGlobal('fetch', fetchFrom(server));
	session = new ProjectSession({ project: { id: 'p', slug: 'quay', name: 'Quay' }, ...server.opened() });
	await session.courses.fetch();
	desk = new HandoverState(session);
	desk.open();
});
afterEach(() => void vi.unstubAllGlobals());
const kit = () => {
	const read = readKit(desk.text!);
	if (!read.ok) throw new Error(JSON.stringify(read.problems));
	return read.value;
};

describe('what goes out', () => {
	it('is everything, or what is chosen with what it needs', () => {
		expect(kit().presets.map(({ id }) => id)).toEqual(['thud', 'hum']);
		desk.scope = 'part';
		expect(kit().presets).toEqual([]);
		desk.toggle('cue c');
		expect([kit().events, kit().presets, kit().cues].map((list) => list.map(({ id }) => id))).toEqual([
			['hit'],
			['thud'],
			['c']
		]);
		desk.toggle('cue c');
		desk.chooseTagged(['shake hum', 'shake thud'], true);
		desk.chooseTagged(['shake thud'], false);
		expect(kit().presets.map(({ id }) => id)).toEqual(['hum']);
	});

	it('must be sent as often as courses and takes had it; what no cue answers is not listed', () => {
		expect(desk.sends.map(({ event, times }) => [event.id, times])).toEqual([['hit', 3]]);
		session.rewire('more', (w) => ({
			...w,
			events: w.events.map((e) => ({ ...e, placed: true, mayCarry: ['enemy'] })),
			cues: w.cues.map((cue) => ({
				...cue,
				actions: cue.actions.map((a) => (a.kind === 'play' ? { ...a, length: 'event' as const } : a))
			}))
		}));
		expect(desk.sends[0]!.carries).toEqual(['a place', 'its length', 'perhaps tags (enemy)']);
		session.rewire('off', (w) => ({ ...w, cues: w.cues.map((cue) => ({ ...cue, on: false })) }));
		expect(desk.sends).toEqual([]);
	});

	it('is called as its language has it, and begins with a rig that goes out', () => {
		desk.target = 'names-c';
		expect([desk.file, desk.text!.includes('MOTION_EVENT_HIT')]).toEqual(['motion_names.h', true]);
		desk.target = 'calls-js';
		desk.rig = 'not-there';
		expect(desk.text).toContain('{ seed: 1 }');
		expect(desk.text).toContain('./Quay.kit.json');
		desk.target = 'glb';
		expect(desk.text).toBeNull();
	});

	it('curves are of the first that goes out where what was asked for does not', () => {
		expect(desk.of).toEqual({ preset: 'thud' });
		desk.wish = { ...desk.wish, of: { preset: 'hum' } };
		expect(desk.of).toEqual({ preset: 'hum' });
		desk.scope = 'part';
		desk.toggle('cue c');
		expect(desk.of).toEqual({ preset: 'thud' });
		desk.wish = { ...desk.wish, of: { course: 'walk' } };
		expect(desk.of).toEqual({ course: '' });
	});
});

describe('what was made before', () => {
	it('is made again as it was, and says what changed of it since, and only of it', () => {
		desk.scope = 'part';
		desk.toggle('cue c');
		desk.target = 'kit-min';
		desk.remember('part.json');
		const [kept] = desk.kept;
		expect(desk.since(kept!)).toEqual([]);
		desk.scope = 'all';
		desk.target = 'kit';
		session.change('hum', 'Amount', (p) => void (p.amount = 2));
		expect(desk.since(kept!)).toEqual([]);
		session.change('thud', 'Amount', (p) => void (p.amount = 2));
		expect(desk.since(kept!)!.map(({ id, standing }) => [id, standing])).toEqual([['thud', 'changed']]);
		desk.again(kept!);
		expect([desk.scope, [...desk.chosen], desk.target]).toEqual(['part', ['cue c'], 'kit-min']);
		// Kept in the browser, by project.
		const later = new HandoverState(session);
		expect(later.kept).toEqual([]);
		later.open();
		expect(later.kept.map(({ name }) => name)).toEqual(['part.json']);
		later.forget(later.kept[0]!);
		expect(later.kept).toEqual([]);
	});
});

it('what was handed over is remembered without recordings, which no browser has room for', async () => {
	const frames = Array.from({ length: 500 }, () => [1 / 60, 0, 0, 0, 0, 0, 1.4, 3, -1]);
	const recording = { clock: 0, moment: null, seed: 1, rig: null, viewers: 1, frames, calls: [] };
	await session.courses.add({ ...course, recording } as Course, 'recorded');
	desk.remember('quay.kit.json');
	expect(kit().courses.at(-1)!.recording).toEqual(recording);
	expect(desk.kept[0]!.kit).not.toContain('recording');
	expect(desk.since(desk.kept[0]!)).toEqual([]);
});
