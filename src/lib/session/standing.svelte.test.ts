import 'fake-indexeddb/auto';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import type { GameEvent } from 'dinesis-runtime';
import { newCue, newPreset, newRig } from 'dinesis-runtime/tools';
import { newCourse } from '$lib/documents';
import { courseKey } from './courses.svelte';
import { RIG, WIRING } from './opened';
import { openSession } from './testing/open-session';

const hit: GameEvent = { id: 'hit', name: 'Hit', kind: 'moment', placed: false, tags: [], values: [] };
const settle = (ms = 800) => vi.advanceTimersByTimeAsync(ms);
let close: () => void;
const begin = () => {
	const { server, session } = openSession([
		['shake', newPreset('thud', 'Thud')],
		['rig', newRig('eyes', 'Eyes')],
		['event', hit],
		['cue', newCue('c', 'hit', 'thud')],
		['course', newCourse('walk', 'Walk')]
	]);
	close = session.open();
	return { server, session, standing: session.standing };
};
beforeEach(() => void vi.useFakeTimers({ toFake: ['setTimeout', 'clearTimeout', 'performance'] }));
afterEach(() => {
	close();
	vi.useRealTimers();
	vi.unstubAllGlobals();
	indexedDB.deleteDatabase('dinesis-work');
});

describe('where a document stands', () => {
	it('is known by the key a room has of it: presets, rigs, courses, and all of the wiring at once', () => {
		const { standing } = begin();
		const ids = (key: string) => standing.heldOf(key).map(({ kind, id }) => `${kind} ${id}`);
		expect(ids('thud')).toEqual(['shake thud']);
		expect(ids(`${RIG}eyes`)).toEqual(['rig eyes']);
		expect(ids(courseKey('walk'))).toEqual(['course walk']);
		expect(ids(WIRING).sort()).toEqual(['cue c', 'event hit', 'rig eyes']);
		expect(ids('gone')).toEqual([]);
	});

	it('the wiring has a version for each change of any of its parts, and a preset’s change is none', async () => {
		const { session, standing } = begin();
		expect(standing.savedOf(WIRING)!.version).toBe(1);
		session.rewire('Name', (w) => ({ ...w, events: w.events.map((e) => ({ ...e, name: 'Struck' })) }));
		await settle();
		expect(standing.savedOf(WIRING)!.version).toBe(2);
		session.change('thud', 'Amount', (p) => void (p.amount = 2));
		await settle();
		expect([standing.savedOf(WIRING)!.version, standing.savedOf('thud')!.version]).toEqual([2, 2]);
		session.rewire('Rig', (w) => ({ ...w, rigs: w.rigs.map((r) => ({ ...r, name: 'Keeper' })) }));
		await settle();
		expect([standing.savedOf(WIRING)!.version, standing.savedOf(`${RIG}eyes`)!.version]).toEqual([3, 2]);
	});

	it('what one document keeps does not speak for another', async () => {
		const { server, session, standing } = begin();
		server.away = true;
		session.change('thud', 'Amount', (p) => void (p.amount = 2));
		await settle();
		expect([standing.keepingOf('thud'), standing.keepingOf(WIRING)]).toEqual(['away', 'kept']);
		session.rewire('Name', (w) => ({ ...w, events: w.events.map((e) => ({ ...e, name: 'Struck' })) }));
		expect(standing.keepingOf(WIRING)).toBe('away');
		server.away = false;
		await settle(60_000);
		expect([standing.keepingOf('thud'), standing.keepingOf(WIRING)]).toEqual(['kept', 'kept']);
	});

	it('its history is its own; of the wiring, that of its kinds', () => {
		const { standing } = begin();
		const [thud] = standing.heldOf('thud');
		expect(standing.scopeOf('thud')).toEqual({ uuids: [thud!.uuid] });
		expect(standing.scopeOf('gone')).toEqual({ uuids: [] });
		expect(standing.scopeOf(WIRING)).toEqual({ kinds: ['event', 'value', 'cue', 'rig', 'project'] });
	});

	it('somebody is said to be at what they have open', () => {
		const { standing } = begin();
		expect(['', 'thud', courseKey('walk'), WIRING, `${RIG}eyes`, 'gone'].map((key) => standing.placeName(key))).toEqual(
			[
				'is here',
				'is at “Thud”',
				'is at “Walk”',
				'is at the events, cues and rigs',
				'is at the events, cues and rigs',
				'is at the events, cues and rigs'
			]
		);
	});
});
