import { afterEach, describe, expect, it, vi } from 'vitest';
import { newCue, newPreset } from 'dinesis-runtime/tools';
import { openSession } from '$lib/session/testing/open-session';
import { BenchEvents } from './events.svelte';

afterEach(() => vi.unstubAllGlobals());

const thud = newPreset('thud', 'Thud');
const hum = { ...newPreset('hum', 'Hum'), timing: { ...newPreset('hum', 'Hum').timing, mode: 'continuous' as const } };
const HERE = [0, 1.6, -4] as const;

async function opened() {
	const { session } = openSession([
		['shake', thud],
		['shake', hum],
		['event', { id: 'bell', name: 'Bell', kind: 'moment', placed: false, tags: [], values: [] }],
		['event', { id: 'storm', name: 'Storm', kind: 'state', placed: false, tags: [], values: [] }],
		['event', { id: 'quiet', name: 'Quiet', kind: 'moment', placed: false, tags: [], values: [] }],
		['cue', newCue('c1', 'bell', 'thud')],
		['cue', { ...newCue('c2', 'storm', 'hum'), when: 'lasts' }]
	]);
	const events = new BenchEvents(session);
	await events.fetch();
	let time = 0;
	const plays = (step = 0.1): string[] => {
		events.advanceTo((time += step));
		return events.plays.filter((play) => play.stoppedAt === null).map(({ presetId }) => presetId);
	};
	return { session, events, plays };
}

describe('events on keys', () => {
	it('a moment is answered by its cues, and what they play is added to what moves already', async () => {
		const { events, plays } = await opened();
		expect(events.press('bell', 1, HERE, 0)).toBe('raised');
		events.release('bell', 50);
		expect(plays()).toEqual(['thud']);
		const offset = new Float64Array(7).fill(10);
		events.addTo(offset);
		expect([...offset].some((value) => value !== 10)).toBe(true);
		expect(events.press('quiet', 1, HERE, 100)).toBe('no cue answers it');
	});

	it('what happens in a running game is answered with its own numbers, once', async () => {
		const { session, plays } = await opened();
		let fired = [{ event: 'bell', phase: 'happens', at: 1, game: 'g', values: {}, tags: [], placed: false }];
		session.wire = { takeFired: () => fired.splice(0) } as never;
		expect(plays()).toEqual(['thud']);
		fired = [
			{ ...fired[0]!, event: 'unheard-of', phase: 'happens', at: 2, game: 'g', values: {}, tags: [], placed: false },
			{ event: 'storm', phase: 'starts', at: 2, game: 'g', values: {}, tags: [], placed: false }
		];
		expect(plays()).toEqual(['thud', 'hum']);
		fired = [{ event: 'storm', phase: 'ends', at: 3, game: 'g', values: {}, tags: [], placed: false }];
		expect(plays()).not.toContain('hum');
	});

	it('a state that is held ends with the key; one that is tapped stays until the next tap', async () => {
		const { events, plays } = await opened();
		events.press('storm', 1, HERE, 0);
		expect([plays(), events.on.has('storm')]).toEqual([['hum'], true]);
		events.release('storm', 600);
		expect([plays(), events.on.has('storm')]).toEqual([[], false]);
		events.press('storm', 1, HERE, 1000);
		events.release('storm', 1100);
		expect([plays(), events.on.has('storm')]).toEqual([['hum'], true]);
		events.press('storm', 1, HERE, 2000);
		events.release('storm', 2600);
		expect([plays(), events.on.has('storm')]).toEqual([[], false]);
		events.press('storm', 1, HERE, 3000);
		events.stopAll();
		expect(events.on.size).toBe(0);
	});

	it('a press that comes before what answers is here is not lost', async () => {
		const { session, plays } = await opened();
		const early = new BenchEvents(session);
		early.press('storm', 1, HERE, 0);
		early.release('storm', 100);
		await early.fetch();
		await Promise.resolve();
		early.advanceTo(0.1);
		expect([early.on.has('storm'), early.plays.map(({ presetId }) => presetId)]).toEqual([true, ['hum']]);
		expect(plays()).toEqual([]);
	});

	it('follows what is changed in the project meanwhile', async () => {
		const { session, events, plays } = await opened();
		session.rewire('Preset', (w) => ({
			...w,
			cues: w.cues.map((cue) => (cue.id === 'c1' ? newCue('c1', 'bell', 'hum') : cue))
		}));
		events.press('bell', 1, HERE, 0);
		expect(plays()).toEqual(['hum']);
	});
});
