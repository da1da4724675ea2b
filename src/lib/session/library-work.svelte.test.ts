import 'fake-indexeddb/auto';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import type { ShakePreset } from 'dinesis-runtime';
import { newBob, newCue, newLag, newPreset, newRig, NO_LINKS } from 'dinesis-runtime/tools';
import {
	arrivalsOf,
	comparedWith,
	newCourse,
	PROJECT_ID,
	wholeKit,
	wiringOf,
	type AnyDocument,
	type Choice,
	type Kit
} from '$lib/documents';
import { fetchFrom, MemoryServer } from './testing/memory-server';
import { ProjectSession, WIRING } from './session.svelte';

const project = { id: 'p', slug: 'quay', name: 'Quay' };
const preset = (id: string, part: Partial<ShakePreset> = {}): ShakePreset => ({ ...newPreset(id, id), ...part });

let server: MemoryServer;
let session: ProjectSession;
const settle = (ms = 800): Promise<unknown> => vi.advanceTimersByTimeAsync(ms);
const order = (): string => session.order.join('');
const retiredIds = (): string =>
	server.all
		.filter((held) => held.retired)
		.map(({ id }) => id)
		.join('');
const facts = { id: PROJECT_ID, world: NO_LINKS, carried: {} } as AnyDocument;

beforeEach(() => {
	vi.useFakeTimers({ toFake: ['setTimeout', 'clearTimeout', 'setInterval', 'clearInterval', 'performance'] });
	server = new MemoryServer([
		...['a', 'b', 'c'].map((id): ['shake', ShakePreset] => ['shake', preset(id)]),
		['project', facts]
	]);
	vi.stubGlobal('fetch', fetchFrom(server));
	session = new ProjectSession({ project, ...server.opened() });
});
afterEach(() => {
	sessionStorage.clear();
	vi.useRealTimers();
	vi.unstubAllGlobals();
});

describe('retiring', () => {
	it('takes presets out and undo brings them back to their places', async () => {
		expect(await session.acts.retire('a', 'c')).toBe(true);
		await settle();
		expect([order(), retiredIds()]).toEqual(['b', 'ac']);
		expect(session.undoLabel).toBe('Retire 2 presets');
		session.undo();
		await settle();
		expect([order(), retiredIds()]).toEqual(['abc', '']);
		session.redo();
		expect(order()).toBe('b');
	});

	it('is held while the server is away, as every change is', async () => {
		server.away = true;
		await session.acts.retire('a');
		await settle();
		expect([order(), retiredIds()]).toEqual(['bc', '']);
		server.away = false;
		await settle(4000);
		expect(retiredIds()).toBe('a');
		expect(await session.acts.retire('gone')).toBe(false);
	});

	it('what is retired is listed and brought back one by one', async () => {
		await session.acts.retire('b');
		await settle();
		const list = await session.acts.retired();
		expect(list.ok && list.value.map(({ id }) => id)).toEqual(['b']);
		if (list.ok) session.acts.bringBack(list.value[0]!);
		await settle();
		expect([order(), retiredIds()]).toEqual(['abc', '']);
	});
});

describe('making', () => {
	it('undo retires what was added, redo brings it back: nothing of it is lost', async () => {
		expect(await session.acts.copy('a')).toBe('a-copy');
		expect(session.undoLabel).toBe('Add “a, copy”');
		session.undo();
		await settle();
		expect([order(), retiredIds()]).toEqual(['abc', 'a-copy']);
		session.redo();
		await settle();
		expect([session.order.at(-1), retiredIds()]).toEqual(['a-copy', '']);
		expect(session.preset('a-copy')!.origin).toBe('a');
	});
});

describe('a large project', () => {
	it('comes in parts and in order; the page has what it was opened for at once', async () => {
		vi.useRealTimers();
		server = new MemoryServer(['a', 'b', 'c', 'd', 'e'].map((id): ['shake', ShakePreset] => ['shake', preset(id)]));
		vi.stubGlobal('fetch', fetchFrom(server));
		session = new ProjectSession({ project, ...server.opened(({ id }) => id === 'a' || id === 'd') });
		expect([order(), session.missing]).toEqual(['ad', 3]);
		const close = session.open();
		await vi.waitFor(() => expect(session.missing).toBe(0));
		// Once for the rest of the presets, once for the courses.
		await vi.waitFor(() => expect(server.reads).toBe(2));
		expect(order()).toBe('abcde');
		close();
	});

	it('shows a change without looking at the others: their documents stay the same objects', () => {
		const before = session.presets;
		session.change('b', 'Amount', (p) => void (p.amount = 2));
		expect(session.presets.map((p, i) => p === before[i])).toEqual([true, false, true]);
	});
});

describe('bringing in', () => {
	const arriving = (kit: Partial<Kit>, choices: Record<string, Choice> = {}) => {
		const wiring = { events: [], parameters: [], cues: [], rigs: [], world: { events: [], values: [] } };
		return comparedWith(arrivalsOf({ ...wholeKit('K', [], wiring, []), ...kit }), server.all).map((arrival) => ({
			arrival,
			choice: choices[arrival.document.id] ?? 'both'
		}));
	};
	const presets = [preset('a', { amount: 3 }), preset('b', { amount: 4 }), preset('c'), preset('x')];

	it('does with each what was chosen, in one change; undo takes all of it back', async () => {
		await session.bringing.everything();
		const { sends } = server;
		const said = session.bringing.bring(arriving({ presets }, { a: 'replace' }), 'kit.json');
		expect(said).toBe('2 brought in, 1 replaced, 1 were here already');
		expect(session.preset('a')!.amount).toBe(3);
		await settle();
		expect([session.order, server.sends - sends]).toEqual([['a', 'b', 'c', 'b-2', 'x'], 1]);
		session.undo();
		expect([session.preset('a')!.amount, order()]).toEqual([1, 'abc']);
	});

	it('every kind comes along, and points at what it came with, whatever that is called here', async () => {
		await session.bringing.everything();
		const bob = newBob('steps', 'Steps');
		const lag = newLag('a', 'Lag');
		const rig = { ...newRig('eyes', 'Eyes'), bob: 'steps', lag: 'a' };
		const course = { ...newCourse('walk', 'Walk'), rig: 'eyes' };
		session.bringing.bring(arriving({ presets: [bob, lag], rigs: [rig], courses: [course] }), 'kit.json');
		await settle();
		expect(session.bobs.map((p) => p.id)).toEqual(['steps']);
		expect(session.lags[0]!.id).not.toBe('a');
		expect(session.wiring.rigs).toEqual([{ ...rig, lag: session.lags[0]!.id }]);
		expect(session.courses.get('walk')).toEqual(course);
	});

	it('what is out of use here under its id comes back, with its history', async () => {
		await session.acts.retire('b');
		await settle();
		await session.bringing.everything();
		session.bringing.bring(arriving({ presets: [preset('b', { amount: 4 })] }), 'kit.json');
		await settle();
		expect(session.preset('b')!.amount).toBe(4);
		expect(session.standing.savedOf('b')!.version).toBe(3);
	});

	it('is held here while the server is away', async () => {
		await session.bringing.everything();
		server.away = true;
		session.bringing.bring(arriving({ presets: [preset('x')] }), 'kit.json');
		expect(session.order).toContain('x');
		expect(await session.bringing.everything()).toBeNull();
	});
});

describe('several at once, and where they are used', () => {
	it('one change of many presets is one undo step', () => {
		session.acts.changeMany(['a', 'c', 'gone'], 'Tag', (p) => void p.tags.push('sea'));
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
	const kept = (): string[] => wiringOf(server.all.filter((held) => !held.retired)).cues.map((c) => c.id);

	it('is saved like a preset and undone beside presets, in the order in which things were done', async () => {
		add('1');
		session.change('a', 'Amount', (p) => void (p.amount = 2));
		await settle();
		expect([session.standing.keepingOf(WIRING), kept()]).toEqual(['kept', ['1']]);
		expect(session.standing.savedOf(WIRING)).toEqual({ version: 2, savedAt: '2026-01-01T09:00:01.000Z' });
		session.undo();
		expect([session.preset('a')!.amount, cues()]).toEqual([1, '1']);
		session.undo();
		expect(cues()).toBe('');
		await settle();
		expect(kept()).toEqual([]);
	});

	it('of two people, one at a cue and one at a rig: both hold', async () => {
		add('1');
		await settle();
		const other = new ProjectSession({ project, ...server.opened() });
		other.rewire('Rig', (w) => ({ ...w, rigs: [newRig('eyes', 'Eyes')] }));
		session.rewire('Off', (w) => ({ ...w, cues: w.cues.map((c) => ({ ...c, on: false })) }));
		await settle();
		add('2');
		await settle();
		expect(session.wiring.rigs.map((rig) => rig.id)).toEqual(['eyes']);
		expect(session.wiring.cues.map((c) => [c.id, c.on])).toEqual([
			['1', false],
			['2', true]
		]);
		expect([session.waiting.list, other.waiting.list]).toEqual([[], []]);
	});

	it('what was taken out and is made again under its id is the same document, with its versions', async () => {
		add('1');
		await settle();
		session.rewire('Out', (w) => ({ ...w, cues: [] }));
		await settle();
		add('1');
		await settle();
		expect(server.all.filter(({ kind }) => kind === 'cue')).toMatchObject([{ id: '1', version: 3, retired: false }]);
	});

	it('is put in another order by one key', async () => {
		add('1');
		add('2');
		add('3');
		await settle();
		session.rewire('Order', (w) => ({ ...w, cues: [w.cues[2]!, w.cues[0]!, w.cues[1]!] }));
		await settle();
		expect(cues()).toBe('312');
		expect(server.changes.at(-1)!.parts.map(({ fields }) => fields.map(({ path }) => path.join()))).toEqual([
			['order']
		]);
	});

	it('no preset is ever found under its key', () => {
		expect(session.preset(WIRING)).toBeUndefined();
		expect(session.presets.map((p) => p.id)).toEqual(['a', 'b', 'c']);
	});
});
