import 'fake-indexeddb/auto';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import type { Cue, GameEvent } from 'dinesis-runtime';
import { newCue, newPreset } from 'dinesis-runtime/tools';
import { kitOfPresets, wholeKit, writeKit, type Kit } from '$lib/documents';
import { ProjectSession } from '$lib/session/session.svelte';
import { fetchFrom, MemoryServer } from '$lib/session/testing/memory-server';
import { DifferenceState } from './difference.svelte';

// Workers are not here: the kit is read and held against the project at once.
vi.mock('$lib/workers/kit', async () => {
	const documents = await import('$lib/documents');
	return {
		readArrivals: (bytes: Uint8Array, present: () => Promise<readonly never[] | null>) => ({
			cancel: () => undefined,
			done: (async () => {
				const read = documents.readKit(bytes);
				if (!read.ok) return read;
				return { ok: true, value: documents.comparedWith(documents.arrivalsOf(read.value), (await present()) ?? []) };
			})()
		})
	};
});

const hit: GameEvent = { id: 'hit', name: 'Hit', kind: 'moment', placed: false, tags: [], values: [] };
const thud = newPreset('thud', 'Thud');
const longer = { ...thud, timing: { ...thud.timing, duration: 9, fadeIn: { ...thud.timing.fadeIn, time: 0.7 } } };

let session: ProjectSession;
let desk: DifferenceState;
beforeEach(() => {
	const server = new MemoryServer([
		['shake', thud],
		['shake', newPreset('slam', 'Slam')]
	]);
	vi.stubGlobal('fetch', fetchFrom(server));
	session = new ProjectSession({ project: { id: 'p', slug: 'quay', name: 'Quay' }, ...server.opened() });
	desk = new DifferenceState(session);
});
afterEach(() => void vi.unstubAllGlobals());
const read = (kit: Kit) => desk.read({ name: 'sent.json', bytes: new TextEncoder().encode(writeKit(kit)) });
const row = (id: string) => desk.rows.find((one) => one.id === id)!;
const game = {
	...kitOfPresets('Sent', [longer]),
	events: [hit],
	cues: [newCue('c', 'hit', 'thud') as Cue]
} as Kit;

describe('a kit held against what is here', () => {
	it('tells what is changed first, then what is only there, then what is only here', async () => {
		await read(game);
		expect(desk.rows.map(({ id, apart }) => [id, apart])).toEqual([
			['thud', 'changed'],
			['hit', 'there'],
			['c', 'there'],
			['slam', 'here']
		]);
		expect(desk.lines.map(({ label }) => label)).toEqual(['length', 'fade in']);
	});

	it('a field is taken over by itself, and undo takes it back', async () => {
		await read(game);
		desk.takeField(row('thud'), desk.lines[0]!);
		expect(session.preset('thud')!.timing.duration).toBe(9);
		expect(session.preset('thud')!.timing.fadeIn.time).toBe(thud.timing.fadeIn.time);
		expect(desk.lines.map(({ label }) => label)).toEqual(['fade in']);
		session.undo();
		expect(session.preset('thud')!.timing.duration).toBe(thud.timing.duration);
	});

	it('a document is taken over whole: changed, brought in with what it points at, out of use', async () => {
		await read(game);
		desk.take(row('thud'));
		expect(session.preset('thud')).toEqual(longer);
		desk.take(row('c'));
		expect(session.wiring.events).toEqual([hit]);
		expect(session.wiring.cues).toEqual(game.cues);
		desk.take(row('slam'));
		expect(session.preset('slam')).toBeUndefined();
		expect(desk.rows).toEqual([]);
		for (let i = 0; i < 3; i++) session.undo();
		expect(desk.rows.map(({ id }) => id)).toEqual(['thud', 'hit', 'c', 'slam']);
	});

	it('all that is changed is one step, and leaves alone what is only on one side', async () => {
		await read(game);
		desk.takeChanged();
		expect(desk.rows.map(({ apart }) => apart)).toEqual(['there', 'there', 'here']);
		session.undo();
		expect(desk.rows).toHaveLength(4);
	});

	it('both are played where the kind is played, under the id that it has here', async () => {
		await read(game);
		expect(desk.playBoth(row('thud'))).toBe('/quay/bench/thud');
		expect(session.toPlay).toMatchObject({ was: longer, kind: 'shake', from: 'sent.json' });
		expect(desk.playBoth(row('hit'))).toBe(null);
	});

	it('a file that is no kit says why, and nothing is held', async () => {
		await read(game);
		await desk.read({ name: 'bad.json', bytes: new TextEncoder().encode('{"format":"other"}') });
		expect(desk.trouble.length).toBeGreaterThan(0);
		expect(desk.rows).toEqual([]);
	});

	it('the same kit is here to the letter', async () => {
		await read(wholeKit('Quay', session.presets, session.wiring, [], session.settings.now));
		expect(desk.other).not.toBe(null);
		expect(desk.rows).toEqual([]);
	});
});
