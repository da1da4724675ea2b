import 'fake-indexeddb/auto';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import type { ShakePreset } from 'dinesis-runtime';
import { newBob, newCue, newLag, newPreset, newRig, NO_LINKS } from 'dinesis-runtime/tools';
import { type Arrival, type Wiring } from '$lib/documents';
import { Drafts } from './drafts';
import { ProjectSession, WIRING } from './session.svelte';

const project = { id: 'p', slug: 'quay', name: 'Quay' };
const preset = (id: string, part: Partial<ShakePreset> = {}): ShakePreset => ({ ...newPreset(id, id), ...part });
const stored = (document: ShakePreset, index: number) => ({
	key: document.id,
	version: 1,
	savedAt: '2026-01-01T08:00:00Z',
	position: `a${String(index).padStart(3, '0')}`,
	document
});
const empty: Wiring = { events: [], parameters: [], cues: [], world: NO_LINKS, rigs: [] };

/** A server in memory for whole libraries and the wiring. */
class Server {
	wiring = { version: 1, savedAt: '2026-01-01T08:00:00Z', document: empty };
	presets = ['a', 'b', 'c', 'd', 'e'].map((id, i) => stored(preset(id), i));
	retired = new Set<string>();
	refuses = false;
	readonly calls: string[] = [];

	async fetch(path: string, init: RequestInit = {}): Promise<Response> {
		const url = new URL(path, 'http://quay');
		const body = init.body ? JSON.parse(init.body as string) : null;
		this.calls.push(`${init.method} ${url.pathname.split('/quay/')[1]}`);
		if (this.refuses) return Response.json({ message: 'Not now.' }, { status: 422 });
		if (url.pathname.endsWith('/wiring')) {
			if (body.base !== this.wiring.version)
				return Response.json({ message: 'stale', theirs: this.wiring }, { status: 409 });
			this.wiring = { version: body.base + 1, savedAt: '2026-01-01T08:00:01Z', document: body.document };
			return Response.json({ version: this.wiring.version, savedAt: this.wiring.savedAt });
		}
		if (init.method === 'GET') {
			const after = url.searchParams.get('after')!;
			const list = this.presets.filter((p) => this.retired.has(p.key) === url.searchParams.has('retired'));
			return Response.json(
				list.filter((p) => `${p.position} ${p.key}` > after).slice(0, Number(url.searchParams.get('limit') ?? 100))
			);
		}
		if (init.method === 'PATCH') {
			for (const key of body.keys) this.retired[body.retired ? 'add' : 'delete'](key);
			return Response.json({ changed: body.keys.length });
		}
		if (init.method === 'PUT' && body.documents) {
			const made = (body.documents as ShakePreset[]).map((document) => {
				const taken = this.presets.some((p) => p.key === document.id);
				const own = taken ? { ...document, id: `${document.id}-2` } : document;
				const row = stored(own, this.presets.length);
				this.presets.push(row);
				return row;
			});
			return Response.json(made, { status: 201 });
		}
		if (init.method === 'POST') {
			const row = stored(body.document, this.presets.length);
			this.presets.push(row);
			return Response.json(row, { status: 201 });
		}
		return Response.json({ version: body.base + 1, savedAt: '2026-01-01T08:00:01Z' });
	}
}

let server: Server;
let session: ProjectSession;
const settle = (ms = 800): Promise<unknown> => vi.advanceTimersByTimeAsync(ms);
const order = (): string => session.order.join('');

beforeEach(() => {
	vi.useFakeTimers({ toFake: ['setTimeout', 'clearTimeout', 'setInterval', 'clearInterval'] });
	server = new Server();
	vi.stubGlobal('fetch', (path: string, init?: RequestInit) => server.fetch(path, init));
	session = new ProjectSession(project, server.presets.slice(0, 3), 3, server.wiring);
});
afterEach(async () => {
	await new Drafts().drop('quay', WIRING);
	vi.useRealTimers();
	vi.unstubAllGlobals();
});

describe('retiring', () => {
	it('takes presets out and undo brings them back to their places', async () => {
		expect(await session.retire('a', 'c')).toBe(true);
		expect([order(), [...server.retired].join('')]).toEqual(['b', 'ac']);
		expect(session.undoLabel).toBe('Retire 2 presets');
		session.undo();
		await settle(0);
		expect([order(), server.retired.size]).toEqual(['abc', 0]);
		session.redo();
		await settle(0);
		expect(order()).toBe('b');
	});

	it('does nothing when the server refuses, and says why', async () => {
		server.refuses = true;
		expect(await session.retire('a')).toBe(false);
		expect([order(), session.undoLabel, session.notices.at(-1)!.text]).toEqual(['abc', null, 'Not now.']);
	});

	it('what is retired is listed and brought back one by one', async () => {
		await session.retire('b');
		const list = await session.retired();
		expect(list.ok && list.value.map((p) => p.key)).toEqual(['b']);
		await session.bringBack(stored(preset('b'), 1));
		expect([order(), server.retired.size]).toEqual(['abc', 0]);
	});
});

describe('making', () => {
	it('undo retires what was added, redo brings it back: nothing of it is lost', async () => {
		expect(await session.copy('a')).toBe('a-copy');
		expect(session.undoLabel).toBe('Add “a, copy”');
		session.undo();
		await settle(0);
		expect([order(), [...server.retired]]).toEqual(['abc', ['a-copy']]);
		session.redo();
		await settle(0);
		expect([session.order.at(-1), server.retired.size]).toEqual(['a-copy', 0]);
		expect(session.preset('a-copy')!.origin).toBe('a');
	});
});

describe('a large project', () => {
	it('comes in parts and in order; the page has what it was opened for at once', async () => {
		session = new ProjectSession(project, [server.presets[0]!, server.presets[3]!], 5, server.wiring);
		expect([order(), session.missing]).toEqual(['ad', 3]);
		const close = session.open();
		await vi.waitFor(() => expect(session.missing).toBe(0));
		expect(order()).toBe('abcde');
		expect(server.calls.filter((call) => call === 'GET presets')).toHaveLength(1);
		close();
	});
});

describe('bringing in', () => {
	const list: Arrival[] = [
		{ preset: preset('a', { amount: 3 }), standing: 'differs' },
		{ preset: preset('b', { amount: 4 }), standing: 'differs' },
		{ preset: preset('c'), standing: 'same' },
		{ preset: preset('x'), standing: 'new' },
		{ preset: preset('e', { amount: 5 }), standing: 'differs' }
	];
	const choices: Record<string, 'keep' | 'replace' | 'both'> = { a: 'replace', b: 'both', e: 'keep' };

	it('does with each what was chosen; undo takes it back in two steps', async () => {
		const said = await session.bringIn(list, (id) => choices[id]!, 'kit.json');
		expect(said).toBe('2 brought in, 1 replaced, 1 left as they are, 1 were here already');
		expect(session.preset('a')!.amount).toBe(3);
		expect(session.order).toEqual(['a', 'b', 'c', 'b-2', 'x']);
		session.undo();
		expect(session.preset('a')!.amount).toBe(1);
		session.undo();
		await settle(0);
		expect(order()).toBe('abc');
	});

	it('head bobs, lags and rigs come along; a rig keeps what it came with, whatever that is called here', async () => {
		const [bob, lag] = [newBob('steps', 'Steps'), newLag('a', 'Lag')];
		const arriving = [bob, lag].map((preset) => ({ preset, standing: preset.id === 'a' ? 'differs' : 'new' }) as const);
		const rig = { ...newRig('eyes', 'Eyes'), bob: 'steps', lag: 'a' };
		const said = await session.bringIn(arriving, () => 'both', 'kit.json', [rig]);
		expect(said).toBe('2 brought in, 1 rig with them');
		expect(session.bobs.map((p) => p.id)).toEqual(['steps']);
		expect(session.wiring.rigs).toEqual([{ ...rig, lag: session.lags[0]!.id }]);
		expect(session.lags[0]!.id).not.toBe('a');
		// One that is here stays as it is.
		await session.bringIn([], () => 'both', 'kit.json', [{ ...rig, name: 'Other' }]);
		expect(session.wiring.rigs[0]!.name).toBe('Eyes');
	});

	it('nothing is done when the server refuses', async () => {
		server.refuses = true;
		expect(await session.bringIn(list, (id) => choices[id]!, 'kit.json')).toBeNull();
		expect([session.preset('a')!.amount, order()]).toEqual([1, 'abc']);
	});
});

describe('several at once, and where they are used', () => {
	it('one change of many presets is one undo step', () => {
		session.changeMany(['a', 'c', 'gone'], 'Tag', (p) => void p.tags.push('sea'));
		expect(session.presets.map((p) => p.tags.length)).toEqual([1, 0, 1]);
		session.undo();
		expect(session.presets.map((p) => p.tags.length)).toEqual([0, 0, 0]);
	});

	it('cues that play or stop a preset are its uses', () => {
		const stop = { id: '21', kind: 'stop' as const, what: { preset: 'a' }, cut: false, delay: 0 };
		session.rewire('w', (w) => ({
			...w,
			cues: [newCue('1', 'e', 'b'), newCue('2', 'e', 'a'), { ...newCue('3', 'e', 'c'), actions: [stop] }]
		}));
		expect([session.usesOf('a'), session.usesOf('b'), session.usesOf('d')]).toEqual([[2, 3], [1], []]);
	});
});

describe('the wiring', () => {
	const add = (id: string): void => session.rewire('Add', (w) => ({ ...w, cues: [...w.cues, newCue(id, 'e', 'a')] }));
	const cues = (): string => session.wiring.cues.map((c) => c.id).join('');

	it('is saved like a preset and undone beside presets, in the order in which things were done', async () => {
		add('1');
		session.change('a', 'Amount', (p) => void (p.amount = 2));
		await settle();
		expect([session.keepingOf(WIRING), session.savedOf(WIRING)!.version]).toEqual(['kept', 2]);
		expect(server.wiring.document.cues).toHaveLength(1);
		session.undo();
		expect([session.preset('a')!.amount, cues()]).toEqual([1, '1']);
		session.undo();
		expect(cues()).toBe('');
		await settle();
		expect(server.wiring.document.cues).toHaveLength(0);
	});

	it('a stale save asks; taking theirs shows it, keeping mine saves over it', async () => {
		server.wiring = { ...server.wiring, version: 4, document: { ...empty, cues: [newCue('9', 'e', 'a')] } };
		add('1');
		await settle();
		expect(session.conflicts.map((c) => c.key)).toEqual([WIRING]);
		await session.settle(WIRING, 'theirs');
		expect([cues(), session.savedOf(WIRING)!.version]).toEqual(['9', 4]);
		server.wiring = { ...server.wiring, version: 7 };
		add('2');
		await settle();
		await session.settle(WIRING, 'mine');
		expect([server.wiring.version, server.wiring.document.cues.map((c) => c.id)]).toEqual([8, ['9', '2']]);
	});

	it('mine as a copy: theirs stands, what differs in mine beside it, off, as one more version', async () => {
		const cue = newCue('9', 'e', 'a');
		server.wiring = { ...server.wiring, version: 4, document: { ...empty, cues: [cue] } };
		session.rewire('Add', (w) => ({ ...w, cues: [{ ...cue, feltBy: 'everyone' }, newCue('1', 'e', 'a')] }));
		await settle();
		expect(await session.settle(WIRING, 'both')).toBeNull();
		expect(session.wiring.cues.map((c) => [c.id, c.on, c.feltBy])).toEqual([
			['9', true, cue.feltBy],
			['9-mine', false, 'everyone'],
			['1', true, cue.feltBy]
		]);
		await settle();
		expect([server.wiring.version, server.wiring.document.cues.length]).toEqual([5, 3]);
	});

	it('what a closed tab did not get to send is brought back', async () => {
		const document = { ...empty, cues: [newCue('5', 'e', 'a')] };
		await new Drafts().keep({ project: 'quay', key: WIRING, base: 1, document });
		const close = session.open();
		await vi.waitFor(() => expect(cues()).toBe('5'));
		expect(session.notices.at(-1)!.text).toContain('the events, cues and rigs');
		close();
	});

	it('no preset is ever found under its key', () => {
		expect(session.preset(WIRING)).toBeUndefined();
		expect(session.presets.map((p) => p.id)).toEqual(['a', 'b', 'c']);
	});
});
