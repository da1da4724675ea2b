import 'fake-indexeddb/auto';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import type { GameEvent } from 'dinesis-runtime';
import { newBob, newCue, newPreset, newRig } from 'dinesis-runtime/tools';
import { kitOfPresets, newCourse, shownOfHeld, silencedId, type AnyDocument, type KindName } from '$lib/documents';
import { openSession } from './testing/open-session';

const event: GameEvent = { id: 'event', name: 'New event', kind: 'moment', placed: false, tags: [], values: [] };
const settle = (ms = 800) => vi.advanceTimersByTimeAsync(ms);
let close: () => void;
function begin() {
	const { server, session } = openSession([
		['shake', newPreset('new-shake', 'New shake')],
		['shake', newPreset('thud', 'Thud')],
		['bob', newBob('new-bob', 'New bob')],
		['rig', { ...newRig('eyes', 'Eyes'), bob: 'new-bob' }],
		['event', event],
		['cue', newCue('c', 'event', 'new-shake')],
		['course', newCourse('walk', 'Walk')]
	]);
	close = session.open();
	const one = (kind: KindName, id: string) => session.standing.one(kind, id)!;
	const there = (id: string) => shownOfHeld<AnyDocument & Record<string, unknown>>(server.find(id));
	const name = (text: string) =>
		session.rewire('Name', (w) => ({ ...w, events: w.events.map((e) => ({ ...e, name: text })) }));
	return { server, session, one, there, name, cue: () => session.wiring.cues[0]! };
}
beforeEach(() => void vi.useFakeTimers({ toFake: ['setTimeout', 'clearTimeout', 'performance'] }));
afterEach(() => {
	close();
	vi.useRealTimers();
	vi.unstubAllGlobals();
	indexedDB.deleteDatabase('dinesis-work');
});

describe('ids follow names', () => {
	it('with all that points at them, here and on the server, in one step', async () => {
		const { session, name, cue, there } = begin();
		name('Hull struck');
		expect([session.wiring.events[0]!.id, cue().event]).toEqual(['hull-struck', 'hull-struck']);
		await settle();
		expect(there('hull-struck')).toMatchObject({ id: 'hull-struck', name: 'Hull struck' });
		expect(there('c')).toMatchObject({ event: 'hull-struck' });
		session.undo();
		expect([session.wiring.events[0], cue().event]).toEqual([event, 'event']);
		session.redo();
		await settle();
		expect(there('c')).toMatchObject({ event: 'hull-struck' });
	});

	it('a preset’s, a bob’s, a course’s too; one that is taken is numbered', () => {
		const { session, cue } = begin();
		session.change('new-shake', 'Name', (p) => void (p.name = 'Thud'));
		expect(cue().actions[0]).toMatchObject({ pick: [{ preset: 'thud-2' }] });
		session.changeBody('new-bob', 'Name', (p) => ({ ...p, name: 'Brisk walk' }));
		expect(session.wiring.rigs[0]!.bob).toBe('brisk-walk');
	});

	it('what was left alone stays so under the new id', async () => {
		const { session } = begin();
		session.settings.leaveAlone({ kind: 'shake', of: 'new-shake', check: 'silent', reason: 'for the dark' });
		session.change('new-shake', 'Name', (p) => void (p.name = 'Hush'));
		expect(session.settings.now.silenced).toEqual([
			{ id: silencedId('shake', 'hush', 'silent'), kind: 'shake', of: 'hush', check: 'silent', reason: 'for the dark' }
		]);
		await settle();
		session.undo();
		expect(session.settings.now.silenced).toMatchObject([{ of: 'new-shake' }]);
	});

	it('what hangs on chance stays what it was', () => {
		const { session, one } = begin();
		session.changeBody('new-bob', 'Name', (p) => ({ ...p, name: 'Walk' }));
		expect(session.bobs[0]).toMatchObject({ id: 'walk', seededBy: 'new-bob' });
		session.names.rename(one('bob', 'walk'), 'stroll');
		expect(session.bobs[0]).toMatchObject({ id: 'stroll', seededBy: 'new-bob' });
	});

	it('no more once something was sent out, and nothing of that is a step', async () => {
		const { session, one, there, server } = begin();
		session.sentOut(kitOfPresets('Harbour', [session.preset('new-shake')!]));
		expect(session.undoLabel).toBeNull();
		await settle();
		expect(server.find('new-shake').settled).toBe(true);
		session.change('new-shake', 'Name', (p) => void (p.name = 'Boom'));
		await settle();
		expect(there('new-shake')).toMatchObject({ name: 'Boom' });
		session.change('thud', 'Name', (p) => void (p.name = 'Bang'));
		expect(one('shake', 'bang').settled).toBeFalsy();
	});

	it('whoever still knows the old one finds it; who watches hears of it', () => {
		const { session, name } = begin();
		const heard: string[] = [];
		session.onRenamed(({ id }, from) => void heard.push(`${from} → ${id}`));
		session.change('new-shake', 'Name', (p) => void (p.name = 'Boom'));
		name('Hit');
		expect(heard).toEqual(['new-shake → boom', 'event → hit']);
		expect(session.preset('new-shake')!.id).toBe('boom');
	});
});

describe('an id by hand', () => {
	it('is taken with all that points at it, and stays from then on', async () => {
		const { session, one, cue, name, there } = begin();
		expect(session.names.rename(one('event', 'event'), 'hull-hit')).toBe('');
		expect(cue().event).toBe('hull-hit');
		name('Something else');
		await settle();
		expect(there('hull-hit')).toMatchObject({ name: 'Something else' });
		session.undo();
		session.undo();
		expect([session.wiring.events[0], cue().event]).toEqual([event, 'event']);
	});

	it.each([
		['Hull hit', /a–z, 0–9/],
		['', /1 to 64/],
		['thud', /“thud” is the id of “Thud”/]
	])('“%s” cannot be one: it is told, and changes nothing', (wish, why) => {
		const { session, one, server } = begin();
		expect(session.names.rename(one('shake', 'new-shake'), wish)).toMatch(why);
		expect([session.preset('new-shake')!.id, server.sends]).toEqual(['new-shake', 0]);
	});

	it('one and the same in two spaces is no matter', () => {
		const { session, one } = begin();
		expect(session.names.rename(one('event', 'event'), 'thud')).toBe('');
		expect(session.preset('thud')!.name).toBe('Thud');
	});
});

it('a head bob that is named anew is found by the id it had, so that what shows it does not lose it', () => {
	const { session } = openSession([['bob', newBob('new-bob', 'New bob')]]);
	session.changeBody('new-bob', 'Name', (bob) => ({ ...bob, name: 'Waddle' }));
	expect(session.bobsAndLags.map(({ id }) => id)).toEqual(['waddle']);
	expect([session.body('new-bob'), session.body('waddle')].map((bob) => bob?.name)).toEqual(['Waddle', 'Waddle']);
	expect(session.body('nobody')).toBeUndefined();
});
