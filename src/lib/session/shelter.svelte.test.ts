import 'fake-indexeddb/auto';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import type { Pending } from './pending';
import { BrowserShelter, windowName } from './shelter';
import type { Kept } from './working-copy.svelte';

/** The locks of a browser: one at a time, for as long as its holder wishes. */
class Locks {
	private readonly held = new Set<string>();
	async request(name: string, _: object, work: (lock: object | null) => unknown): Promise<void> {
		if (this.held.has(name)) return void (await work(null));
		this.held.add(name);
		await work({ name });
		this.held.delete(name);
	}
}

const pending = (change: string): Pending => ({
	change,
	label: 'Amount',
	note: '',
	gesture: '',
	parts: [{ document: 'd', on: 1, fields: [{ path: ['body', 'amount'], to: 2 }] }],
	open: false,
	sent: false,
	joins: 0
});
const kept = (...list: Pending[]): Kept => ({ seen: 3, pending: list, refused: [], past: [], future: [] });
let names = 0;
const fresh = (): string => `window-${++names}`;
const settle = (): Promise<void> => new Promise((done) => setTimeout(done, 20));
let project = '';

beforeEach(() => {
	project = `quay-${++names}`;
	sessionStorage.clear();
	localStorage.clear();
	vi.stubGlobal('navigator', { locks: new Locks() });
});
afterEach(() => {
	vi.unstubAllGlobals();
	vi.restoreAllMocks();
});

describe('the name of a window', () => {
	it('is the same after a reload, and another one in a copy of the tab', async () => {
		const first = await windowName(fresh);
		const copy = await windowName(fresh);
		expect(copy.name).not.toBe(first.name);
		sessionStorage.setItem('dinesis:window', first.name);
		first.release();
		await settle();
		expect((await windowName(fresh)).name).toBe(first.name);
	});

	it('stays without locks too', async () => {
		vi.stubGlobal('navigator', {});
		const { name } = await windowName(fresh);
		expect((await windowName(fresh)).name).toBe(name);
	});
});

describe('what a window keeps', () => {
	it('is there for it again, the last of it, by its project', async () => {
		const shelter = new BrowserShelter(project, 'one');
		expect(await shelter.load()).toBeNull();
		void shelter.keep(kept(pending('a')));
		await shelter.keep(kept(pending('b')));
		expect((await new BrowserShelter(project, 'one').load())!.pending.map(({ change }) => change)).toEqual(['b']);
		expect(await new BrowserShelter('elsewhere', 'one').load()).toBeNull();
	});

	it('a page that goes away has kept the last of it by the time it is gone', async () => {
		const shelter = new BrowserShelter(project, 'one');
		await shelter.keep(kept(pending('a')));
		// Its database does not answer any more.
		vi.spyOn(IDBObjectStore.prototype, 'put').mockImplementation(() => {
			throw new Error('gone');
		});
		shelter.leave(kept(pending('b')));
		vi.restoreAllMocks();
		const again = new BrowserShelter(project, 'one');
		expect((await again.load())!.pending.map(({ change }) => change)).toEqual(['b']);
		// What is kept from then on counts, and the note is gone.
		await again.keep(kept(pending('c')));
		expect(localStorage.length).toBe(0);
		expect((await new BrowserShelter(project, 'one').load())!.pending.map(({ change }) => change)).toEqual(['c']);
	});

	it('what a page wrote as it went is found by another window too, once', async () => {
		vi.stubGlobal('indexedDB', undefined);
		new BrowserShelter(project, 'gone').leave(kept(pending('b')));
		new BrowserShelter('elsewhere', 'gone').leave(kept(pending('not yours')));
		const heir = new BrowserShelter(project, 'heir');
		const { pending: found, done } = await heir.orphans();
		expect(found.map(({ change }) => change)).toEqual(['b']);
		await done();
		expect((await heir.orphans()).pending).toEqual([]);
	});

	it('more than the browser takes there goes without its steps back', async () => {
		const real = Storage.prototype.setItem;
		vi.spyOn(Storage.prototype, 'setItem').mockImplementation(function (this: Storage, name, value) {
			if (value.length > 2000) throw new DOMException('full', 'QuotaExceededError');
			real.call(this, name, value);
		});
		vi.stubGlobal('indexedDB', undefined);
		const step = { label: 'x'.repeat(5000), mark: null, parts: [] };
		new BrowserShelter(project, 'one').leave({ ...kept(pending('b')), past: [step] });
		expect(await new BrowserShelter(project, 'one').load()).toMatchObject({ past: [], pending: [{ change: 'b' }] });
	});

	it('is another one’s only when it is gone, and is let go of only once that one has kept it', async () => {
		const gone = new BrowserShelter(project, 'gone');
		await gone.keep(kept(pending('lost')));
		const living = await windowName(fresh);
		await new BrowserShelter(project, living.name).keep(kept(pending('not yours')));
		const heir = new BrowserShelter(project, 'heir');
		const { pending: found, done } = await heir.orphans();
		expect(found.map(({ change }) => change)).toEqual(['lost']);
		// Until it is kept here, somebody else may still find it.
		expect(await new BrowserShelter(project, 'gone').load()).not.toBeNull();
		await done();
		expect(await new BrowserShelter(project, 'gone').load()).toBeNull();
		expect(await new BrowserShelter(project, living.name).load()).not.toBeNull();
	});

	it('of two heirs one gets it', async () => {
		await new BrowserShelter(project, 'gone').keep(kept(pending('lost')));
		const [one, two] = [new BrowserShelter(project, 'one'), new BrowserShelter(project, 'two')];
		const both = await Promise.all([one.orphans(), two.orphans()]);
		expect(both.flatMap((each) => each.pending)).toHaveLength(1);
		for (const each of both) await each.done();
	});

	it('a browser that forbids it keeps nothing, and nothing breaks', async () => {
		vi.stubGlobal('indexedDB', undefined);
		const shelter = new BrowserShelter(project, 'one');
		await shelter.keep(kept(pending('a')));
		expect(await shelter.load()).toBeNull();
		expect((await shelter.orphans()).pending).toEqual([]);
		shelter.close();
	});
});
