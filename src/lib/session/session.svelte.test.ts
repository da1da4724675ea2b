import 'fake-indexeddb/auto';
import { openDB } from 'idb';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { newCourse, sayDifference, shownOfHeld, type Course } from '$lib/documents';
import type { ShakePreset } from 'dinesis-runtime';
import { newPreset } from 'dinesis-runtime/tools';
import { sinceThen } from './histories';
import { fetchFrom, MemoryServer } from './testing/memory-server';
import { ProjectSession } from './session.svelte';

let server: MemoryServer;
let session: ProjectSession;
const project = { id: 'p', slug: 'harbour', name: 'Harbour' };
const walk: Course = { ...newCourse('walk', 'Walk'), seconds: 12 };
/** Time in which whatever is due is sent and answered. */
const settle = async (ms = 800): Promise<void> => {
	await vi.advanceTimersByTimeAsync(ms);
};
const amount = (value: number, mark: string | null = null): void =>
	session.change('thud', 'Amount', (p) => void (p.amount = value), mark);
const stored = (): ShakePreset => shownOfHeld(server.find('thud')) as ShakePreset;

beforeEach(() => {
	vi.useFakeTimers({ toFake: ['setTimeout', 'clearTimeout', 'performance'] });
	server = new MemoryServer([
		['shake', newPreset('thud', 'Thud')],
		['course', walk]
	]);
	vi.stubGlobal('fetch', fetchFrom(server));
	session = new ProjectSession({ project, ...server.opened(({ kind }) => kind !== 'course') });
});
afterEach(async () => {
	await new Promise<void>((done) => {
		indexedDB.deleteDatabase('dinesis-work').onsuccess = () => done();
		done();
	});
	sessionStorage.clear();
	vi.useRealTimers();
	vi.unstubAllGlobals();
});

describe('keeping', () => {
	it('of a run of changes sends at most four a second, as one undo step', async () => {
		for (let i = 1; i <= 60; i++) {
			amount(i / 10, 'amount');
			await settle(1000 / 60);
		}
		await settle();
		expect(server.sends).toBeGreaterThanOrEqual(4);
		expect(server.sends).toBeLessThanOrEqual(6);
		expect(stored().amount).toBe(6);
		expect(session.standing.keepingOf('thud')).toBe('kept');
		session.undo();
		expect(session.preset('thud')!.amount).toBe(1);
		await settle();
		expect(stored().amount).toBe(1);
	});

	it('one change is one version', async () => {
		amount(2);
		expect(session.standing.keepingOf('thud')).toBe('changed');
		await settle();
		expect([session.standing.keepingOf('thud'), session.standing.savedOf('thud')!.version]).toEqual(['kept', 2]);
	});

	it('what is done within a moment is one change and one version, and still several steps', async () => {
		amount(2);
		await settle(300);
		session.change('thud', 'Rate', (p) => void (p.rate = 2));
		expect(server.sends).toBe(0);
		await settle(450);
		expect([server.sends, session.standing.savedOf('thud')!.version]).toEqual([1, 2]);
		amount(3);
		await settle();
		expect(session.standing.savedOf('thud')!.version).toBe(3);
		session.undo();
		session.undo();
		expect(session.preset('thud')).toMatchObject({ amount: 2, rate: 1 });
	});

	it('while the server is away holds the work and sends it when it answers', async () => {
		server.away = true;
		amount(3);
		await settle();
		expect(session.standing.keepingOf('thud')).toBe('away');
		amount(4);
		await settle(10000);
		expect(session.preset('thud')!.amount).toBe(4);
		server.away = false;
		await settle(7000);
		expect(session.standing.keepingOf('thud')).toBe('kept');
		expect(stored().amount).toBe(4);
		expect(session.notices.at(-1)!.text).toContain('answers again');
	});

	it('what the server will not take at all waits beside its field, and nothing is lost', async () => {
		server.refuses = 'Not now.';
		amount(3);
		await settle();
		expect(session.waiting.list).toMatchObject([{ mine: 3, message: 'Not now.' }]);
		expect([session.standing.keepingOf('thud'), session.preset('thud')!.amount]).toEqual(['refused', 1]);
		server.refuses = '';
		session.waiting.take(session.waiting.list[0]!.id);
		await settle();
		expect([stored().amount, session.waiting.list.length]).toEqual([3, 0]);
	});

	it('going back makes a new version and says so; undo takes it back', async () => {
		amount(2);
		await settle();
		const then = (await session.histories.then(session.standing.scopeOf('thud'), 0))!;
		session.histories.goBack('14:02', then);
		expect(session.preset('thud')!.amount).toBe(1);
		await settle();
		expect(server.changes.at(-1)!.note).toBe('went back to 14:02');
		session.undo();
		expect(session.preset('thud')!.amount).toBe(2);
	});

	it('one field goes back by itself, and what is as it was says so', async () => {
		amount(2);
		session.seal();
		session.change('thud', 'Rate', (draft) => void (draft.rate = 3));
		await settle();
		const [then] = (await session.histories.then(session.standing.scopeOf('thud'), 0))!;
		const lines = sinceThen(session.histories.held(then!.now.uuid)!, then!.was!);
		expect(lines.map(sayDifference)).toEqual(['amount 1 → 2', 'rate 1 → 3']);
		session.histories.takeBack(then!, lines[1]!);
		expect(session.preset('thud')).toMatchObject({ amount: 2, rate: 1 });
		session.histories.takeBack(then!, lines[1]!);
		expect(session.notes.list.at(-1)!.text).toBe('rate is as it was then.');
		session.undo();
		expect(session.preset('thud')).toMatchObject({ amount: 2, rate: 3 });
	});

	it('tells listeners of every change, undone ones and those of others too', async () => {
		const seen: number[] = [];
		session.onChange((p) => seen.push(p.amount));
		amount(2);
		session.undo();
		session.redo();
		expect(seen).toEqual([2, 1, 2]);
		await settle();
		server.meddle('thud', ['body', 'amount'], 8);
		amount(2.5);
		session.change('thud', 'Rate', (p) => void (p.rate = 2));
		await settle();
		expect(seen.at(-1)).toBe(8);
	});
});

describe('somebody else', () => {
	it('changed another field: both hold', async () => {
		server.meddle('thud', ['body', 'rate'], 3);
		amount(2);
		await settle();
		expect(session.preset('thud')).toMatchObject({ amount: 2, rate: 3 });
		expect(session.waiting.list).toEqual([]);
	});

	it('changed the same field first: theirs stands, mine waits with both values, who, and when', async () => {
		server.meddle('thud', ['body', 'amount'], 9, 'Bea');
		amount(2);
		await settle();
		expect(session.preset('thud')!.amount).toBe(9);
		const [waiting] = session.waiting.list;
		expect(waiting).toMatchObject({ mine: 2, who: 'Bea', savedAt: '2026-01-01T09:00:01.000Z' });
		expect(session.waiting.standing(waiting!)).toEqual({ name: 'Thud', field: 'amount', theirs: 9 });
		expect(session.standing.keepingOf('thud')).toBe('refused');
		session.waiting.take(waiting!.id);
		await settle();
		expect([stored().amount, session.standing.keepingOf('thud')]).toEqual([2, 'kept']);
	});

	it('and it may be dropped: nothing is sent', async () => {
		server.meddle('thud', ['body', 'amount'], 9);
		amount(2);
		await settle();
		const { sends } = server;
		session.waiting.drop(session.waiting.list[0]!.id);
		await settle();
		expect([server.sends, session.preset('thud')!.amount, session.standing.keepingOf('thud')]).toEqual([
			sends,
			9,
			'kept'
		]);
	});

	it('has changed what one would undo: it stays, and that is said', async () => {
		amount(2);
		await settle();
		server.meddle('thud', ['body', 'amount'], 9);
		session.change('thud', 'Rate', (p) => void (p.rate = 2));
		await settle();
		session.undo();
		session.goBack();
		expect(session.preset('thud')).toMatchObject({ amount: 9, rate: 1 });
		expect(session.notices.at(-1)!.text).toContain('somebody else has changed amount since');
		session.goBack();
		expect(session.notices.at(-1)!.text).toBe('There is nothing to undo.');
	});
});

describe('courses', () => {
	beforeEach(async () => expect(await session.courses.fetch()).toBe(true));
	const kept = (): Course => shownOfHeld(server.find('walk')) as Course;

	it('come once, are changed and undone like presets, and saved under their own version', async () => {
		const { reads } = server;
		await session.courses.fetch();
		expect([server.reads, session.presets.length]).toEqual([reads, 1]);
		expect(session.courses.list).toEqual([walk]);
		session.courses.change('walk', 'Length', (c) => ({ ...c, seconds: 20 }), 'seconds');
		session.courses.change('walk', 'Length', (c) => ({ ...c, seconds: 25 }), 'seconds');
		await settle();
		expect([kept().seconds, server.changes.length]).toEqual([25, 1]);
		expect(session.undo()).toBe('Length in Walk');
		expect(session.courses.get('walk')).toEqual(walk);
	});

	it('a copy has an id of its own; undo of adding retires it, and a retired one comes back', async () => {
		expect(await session.courses.copy('walk')).toBe('walk-copy');
		session.undo();
		expect(session.courses.order).toEqual(['walk']);
		await session.courses.retire('walk');
		expect(session.courses.order).toEqual([]);
		session.undo();
		expect(session.courses.order).toEqual(['walk']);
		await settle();
		expect(server.all.map(({ id, retired }) => [id, retired])).toEqual([
			['thud', false],
			['walk', false],
			['walk-copy', true]
		]);
	});
});

describe('a page that is left and loaded again', () => {
	it('brings back what it did not get to send, once, and undo goes on from there', async () => {
		vi.useRealTimers();
		server.away = true;
		const close = session.open();
		amount(7);
		await vi.waitFor(() => expect(session.standing.keepingOf('thud')).toBe('away'));
		close();
		await new Promise((done) => setTimeout(done, 30));
		server.away = false;
		const again = new ProjectSession({ project, ...server.opened() });
		const closeAgain = again.open();
		await vi.waitFor(() => expect(stored().amount).toBe(7));
		expect(again.preset('thud')!.amount).toBe(7);
		expect(again.notices.map((n) => n.text).join()).toContain('“Thud” were found in this browser');
		again.undo();
		expect(again.preset('thud')!.amount).toBe(1);
		await vi.waitFor(() => expect(stored().amount).toBe(1));
		expect(server.changes).toHaveLength(2);
		closeAgain();
	});
});

describe('what was out of use when the page was opened', () => {
	/** The preset is changed, taken out of use, and the page loaded again. */
	async function retiredAndLoadedAgain() {
		vi.useRealTimers();
		const close = session.open();
		amount(2);
		await session.acts.retire('thud');
		await vi.waitFor(() => expect(server.find('thud').retired).toBe(true));
		close();
		await new Promise((done) => setTimeout(done, 30));
		const again = new ProjectSession({ project, ...server.opened() });
		const closeAgain = again.open();
		await vi.waitFor(() => expect(again.undoLabel).toContain('Retire'));
		return { again, closeAgain };
	}

	it('is there once somebody else brings it back, as it is by then', async () => {
		vi.useRealTimers();
		server.meddle('thud', ['retired'], true);
		session = new ProjectSession({ project, ...server.opened() });
		const close = session.open();
		await vi.waitFor(() => expect(session.courses.order).toEqual(['walk']));
		expect(session.order).toEqual([]);
		server.meddle('thud', ['retired'], false);
		server.meddle('thud', ['body', 'amount'], 3);
		// What a window does asks for what it missed.
		await session.acts.add(newPreset('hum', 'Hum'));
		await vi.waitFor(() => expect(session.order).toEqual(['thud', 'hum']));
		expect(session.preset('thud')!.amount).toBe(3);
		close();
	});

	it('is brought back by undo after the page was loaded again, and by what that page had not sent', async () => {
		let { again, closeAgain } = await retiredAndLoadedAgain();
		expect(again.order).toEqual([]);
		again.goBack();
		await vi.waitFor(() => expect(again.order).toEqual(['thud']));
		await vi.waitFor(() => expect(server.find('thud').retired).toBe(false));
		again.goForward();
		await vi.waitFor(() => expect(server.find('thud').retired).toBe(true));
		server.away = true;
		again.goBack();
		closeAgain();
		await new Promise((done) => setTimeout(done, 30));
		server.away = false;
		again = new ProjectSession({ project, ...server.opened() });
		closeAgain = again.open();
		await vi.waitFor(() => expect(again.order).toEqual(['thud']));
		await vi.waitFor(() => expect(server.find('thud').retired).toBe(false));
		closeAgain();
	});

	it('steps that need it wait for the server, one after the other, and are not lost while it does not answer', async () => {
		const { again, closeAgain } = await retiredAndLoadedAgain();
		server.away = true;
		again.goBack();
		await vi.waitFor(() => expect(again.notices.map((n) => n.text).join()).toContain('once the server answers again'));
		expect(again.undoLabel).toContain('Retire');
		server.away = false;
		again.goBack();
		again.goBack();
		await vi.waitFor(() => expect(again.preset('thud')?.amount).toBe(1));
		closeAgain();
	});
});

describe('what an earlier build left unsent', () => {
	it('is taken over once, as changes by field, against the version it began from', async () => {
		vi.useRealTimers();
		const db = await openDB('dinesis', 1, {
			upgrade: (made) => void made.createObjectStore('drafts', { keyPath: ['project', 'key'] })
		});
		await db.put('drafts', { project: 'harbour', key: 'thud', base: 1, document: { ...stored(), amount: 7, rate: 2 } });
		await db.put('drafts', { project: 'elsewhere', key: 'thud', base: 1, document: stored() });
		server.meddle('thud', ['body', 'rate'], 5);
		const close = session.open();
		await vi.waitFor(() => expect(stored()).toMatchObject({ amount: 7, rate: 5 }));
		expect(session.waiting.list).toMatchObject([{ mine: 2, path: ['body', 'rate'] }]);
		expect(session.notices.map((n) => n.text).join()).toContain('“Thud” were found in this browser');
		expect(((await db.getAll('drafts')) as { project: string }[]).map((d) => d.project)).toEqual(['elsewhere']);
		db.close();
		close();
	});
});
