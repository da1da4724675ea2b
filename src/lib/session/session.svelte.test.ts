import 'fake-indexeddb/auto';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { newCourse } from '$lib/documents';
import type { ShakePreset } from 'dinesis-runtime';
import { newPreset } from 'dinesis-runtime/tools';
import type { StoredPreset } from './api';
import { Drafts } from './drafts';
import { ProjectSession } from './session.svelte';

/** A server in memory with the one rule that matters: a save names the version that it began from. */
class FakeServer {
	version = 1;
	document: ShakePreset = newPreset('thud', 'Thud');
	away = false;
	saves = 0;
	readonly notes: string[] = [];

	get stored(): StoredPreset {
		return {
			key: 'thud',
			version: this.version,
			savedAt: '2026-01-01T08:00:00Z',
			position: 'a0',
			document: this.document
		};
	}

	async fetch(path: string, init: { method?: string; body?: string }): Promise<Response> {
		if (this.away) throw new TypeError('no network');
		const body = init.body ? JSON.parse(init.body) : null;
		if (init.method === 'PUT') {
			if (body.base !== this.version) return Response.json({ message: 'stale', theirs: this.stored }, { status: 409 });
			this.saves++;
			this.version++;
			this.document = body.document;
			this.notes.push(body.note);
			return Response.json({ version: this.version, savedAt: '2026-01-01T08:00:01Z' });
		}
		if (path.endsWith('/versions/1')) return Response.json({ ...newPreset('thud', 'Thud'), amount: 0.25 });
		if (init.method === 'POST')
			return Response.json(
				{ key: body.document.id, version: 1, savedAt: '2026-01-01T08:00:00Z', position: 'a0', document: body.document },
				{ status: 201 }
			);
		return Response.json({ message: 'unknown' }, { status: 404 });
	}
}

let server: FakeServer;
let session: ProjectSession;
const project = { id: 'p', slug: 'harbour', name: 'Harbour' };
/** Time in which whatever is due is sent and answered. */
const settle = async (ms = 800): Promise<void> => {
	await vi.advanceTimersByTimeAsync(ms);
};
const amount = (value: number, mark: string | null = null): void =>
	session.change('thud', 'Amount', (p) => void (p.amount = value), mark);

beforeEach(() => {
	vi.useFakeTimers({ toFake: ['setTimeout', 'clearTimeout'] });
	server = new FakeServer();
	vi.stubGlobal('fetch', (path: string, init: RequestInit) =>
		server.fetch(path, init as { method?: string; body?: string })
	);
	session = new ProjectSession(project, [server.stored]);
});
afterEach(async () => {
	await new Drafts().drop('harbour', 'thud');
	vi.useRealTimers();
	vi.unstubAllGlobals();
});

describe('keeping', () => {
	it('saves once after a run of changes, as one undo step', async () => {
		for (let i = 1; i <= 20; i++) amount(i / 10, 'amount');
		expect(session.keepingOf('thud')).toBe('changed');
		await settle();
		expect(server.saves).toBe(1);
		expect(server.document.amount).toBe(2);
		expect(session.keepingOf('thud')).toBe('kept');
		expect(session.savedOf('thud')!.version).toBe(2);
		session.undo();
		expect(session.preset('thud')!.amount).toBe(1);
		await settle();
		expect(server.document.amount).toBe(1);
	});

	it('while the server is away holds the work and sends it when it answers', async () => {
		server.away = true;
		amount(3);
		await settle();
		expect(session.keepingOf('thud')).toBe('away');
		amount(4);
		await settle(10000);
		expect(session.preset('thud')!.amount).toBe(4);
		server.away = false;
		await settle(4000);
		expect(session.keepingOf('thud')).toBe('kept');
		expect(server.document.amount).toBe(4);
	});

	it('going back to a version makes a new one and says so; undo takes it back', async () => {
		amount(2);
		await settle();
		await session.restore('thud', 1);
		expect(session.preset('thud')!.amount).toBe(0.25);
		await settle();
		expect(server.notes.at(-1)).toBe('restored version 1');
		session.undo();
		expect(session.preset('thud')!.amount).toBe(2);
	});

	it('tells listeners of every change, undone ones too', () => {
		const seen: number[] = [];
		session.onChange((p) => seen.push(p.amount));
		amount(2);
		session.undo();
		session.redo();
		expect(seen).toEqual([2, 1, 2]);
	});
});

describe('a conflict', () => {
	beforeEach(async () => {
		server.version = 5;
		server.document = { ...server.document, amount: 9 };
		amount(2);
		await settle();
	});

	it('asks, and saves nothing until there is an answer', async () => {
		expect(session.conflicts.map((c) => [c.key, c.theirs.version])).toEqual([['thud', 5]]);
		amount(2.5);
		await settle(5000);
		expect(server.saves).toBe(0);
		expect(session.keepingOf('thud')).toBe('conflict');
	});

	it('keep mine: the next version is mine', async () => {
		await session.settle('thud', 'mine');
		expect(server.version).toBe(6);
		expect(server.document.amount).toBe(2);
		expect(server.notes.at(-1)).toBe('kept over version 5');
		expect(session.conflicts).toEqual([]);
	});

	it('keep mine after the work went on: what is there now is kept', async () => {
		amount(3);
		amount(4);
		await session.settle('thud', 'mine');
		expect([server.version, server.document.amount, session.keepingOf('thud')]).toEqual([6, 4, 'kept']);
	});

	it('keep mine while somebody saved once more: it asks again and overwrites nothing', async () => {
		server.version = 6;
		server.document = { ...server.document, amount: 11 };
		await session.settle('thud', 'mine');
		expect([server.version, server.document.amount]).toEqual([6, 11]);
		expect(session.conflicts.map((c) => c.theirs.version)).toEqual([6]);
		expect(session.preset('thud')!.amount).toBe(2);
	});

	it('an answer about another document answers nothing', async () => {
		expect(await session.settle('elsewhere', 'theirs')).toBeNull();
		expect(session.conflicts).toHaveLength(1);
		expect(session.preset('thud')!.amount).toBe(2);
	});

	it('take theirs: mine is gone from the page, theirs is there', async () => {
		await session.settle('thud', 'theirs');
		expect(session.preset('thud')!.amount).toBe(9);
		await settle();
		expect(server.saves).toBe(0);
		// Undo brings mine back, and keeps it as the next version.
		session.undo();
		expect(session.preset('thud')!.amount).toBe(2);
		await settle();
		expect([server.version, server.document.amount]).toEqual([6, 2]);
		session.redo();
		await settle();
		expect([server.version, server.document.amount]).toEqual([7, 9]);
	});

	it('both: mine becomes a copy that remembers its origin', async () => {
		const key = await session.settle('thud', 'both');
		expect(session.preset(key!)).toMatchObject({ amount: 2, name: 'Thud, mine', origin: 'thud' });
		expect(session.preset('thud')!.amount).toBe(9);
	});
});

it('a page that was left while it saved meets its own save again, and does not ask about it', async () => {
	server.version = 2;
	server.document = { ...server.document, amount: 7 };
	await new Drafts().keep({ project: 'harbour', key: 'thud', base: 1, document: { ...server.document } });
	const close = session.open();
	await vi.waitFor(() => expect(session.preset('thud')!.amount).toBe(7));
	await settle();
	expect(session.conflicts).toEqual([]);
	expect(session.keepingOf('thud')).toBe('kept');
	expect(session.savedOf('thud')!.version).toBe(2);
	expect(server.saves).toBe(0);
	close();
});

describe('courses', () => {
	const walk = { ...newCourse('walk', 'Walk'), seconds: 12 };
	const stored = { key: 'walk', version: 3, savedAt: '2026-01-01T08:00:00Z', position: 'a0', document: walk };
	const sent: unknown[] = [];
	beforeEach(async () => {
		sent.length = 0;
		vi.stubGlobal('fetch', async (path: string, init: { method: string; body?: string }) => {
			const body = init.body ? JSON.parse(init.body) : null;
			sent.push([init.method, path.replace('/api/projects/harbour', ''), body?.base ?? body?.retired]);
			if (init.method === 'GET') return Response.json([stored]);
			if (init.method === 'POST')
				return Response.json(
					{ ...stored, key: body.document.id, version: 1, document: body.document },
					{ status: 201 }
				);
			return Response.json({ version: 4, savedAt: '2026-01-01T08:00:01Z', changed: 1 });
		});
		expect(await session.courses.fetch()).toBe(true);
	});

	it('come once, are changed and undone like presets, and saved under their own version', async () => {
		await session.courses.fetch();
		expect(session.courses.list).toEqual([walk]);
		expect(session.presets).toHaveLength(1);
		session.courses.change('walk', 'Length', (c) => ({ ...c, seconds: 20 }), 'seconds');
		session.courses.change('walk', 'Length', (c) => ({ ...c, seconds: 25 }), 'seconds');
		await settle();
		expect(sent).toEqual([
			['GET', '/courses', undefined],
			['PUT', '/courses/walk', 3]
		]);
		expect(session.undo()).toBe('Length in Walk');
		expect(session.courses.get('walk')).toEqual(walk);
	});

	it('a copy has an id of its own; undo of adding retires it, and a retired one comes back', async () => {
		expect(await session.courses.copy('walk')).toBe('walk-copy');
		session.undo();
		await settle(0);
		expect(session.courses.order).toEqual(['walk']);
		await session.courses.retire('walk');
		expect(session.courses.order).toEqual([]);
		session.undo();
		await settle(0);
		expect(session.courses.order).toEqual(['walk']);
		expect(sent.slice(2)).toEqual([
			['PATCH', '/courses', true],
			['PATCH', '/courses', true],
			['PATCH', '/courses', false]
		]);
	});
});

describe('drafts', () => {
	it('bring back what a closed tab did not get to send', async () => {
		await new Drafts().keep({ project: 'harbour', key: 'thud', base: 1, document: { ...server.document, amount: 7 } });
		const close = session.open();
		await vi.waitFor(() => expect(session.preset('thud')!.amount).toBe(7));
		await settle();
		expect(server.document.amount).toBe(7);
		await vi.waitFor(async () => expect(await new Drafts().list('harbour')).toEqual([]));
		close();
	});

	it('that are the same as what is kept are dropped without a word', async () => {
		await new Drafts().keep({ project: 'harbour', key: 'thud', base: 1, document: server.document });
		const close = session.open();
		await vi.waitFor(async () => expect(await new Drafts().list('harbour')).toEqual([]));
		expect(session.notices).toEqual([]);
		close();
	});
});
