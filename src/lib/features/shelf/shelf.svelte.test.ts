import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import type { ShelfEntry } from '$lib/session/api';
import { noteSeen, seenIn } from '$lib/session/places';
import { ShelfState, sorted } from './shelf.svelte';
import { since } from '$lib/ui/since';
import { sayCounts, sayNews } from './words';

const none = { shakes: 0, bobsAndLags: 0, cues: 0, events: 0, rigs: 0, courses: 0 };
const entry = (slug: string): ShelfEntry => ({
	slug,
	name: slug,
	number: 7,
	changedAt: '2026-01-01T00:00:00Z',
	counts: none,
	drawings: []
});

let answers: Record<string, { status: number; body: unknown }>;
let asked: string[];
let opened: string[];
let shelf: ShelfState;

beforeEach(() => {
	vi.useFakeTimers();
	localStorage.clear();
	answers = {};
	asked = [];
	opened = [];
	vi.stubGlobal('fetch', async (path: string, init?: { method?: string }) => {
		const call = `${init?.method ?? 'GET'} ${path}`;
		asked.push(call);
		const { status, body } = answers[call] ?? { status: 200, body: [] };
		return new Response(JSON.stringify(body), { status });
	});
	shelf = new ShelfState([entry('a'), entry('b')], (slug) => opened.push(slug));
});
afterEach(() => {
	vi.unstubAllGlobals();
	vi.useRealTimers();
});

describe('the order of the shelf', () => {
	const list: ShelfEntry[] = [
		{ ...entry('old'), name: 'Quay 10', changedAt: '2026-01-01T00:00:00Z', counts: { ...none, shakes: 9 } },
		{ ...entry('new'), name: 'quay 2', changedAt: '2026-03-01T00:00:00Z', counts: { ...none, cues: 1 } },
		{ ...entry('mid'), name: 'Abbey', changedAt: '2026-02-01T00:00:00Z', counts: { ...none, rigs: 1 } }
	];
	it.each([
		['changed', ['new', 'mid', 'old']],
		['name', ['mid', 'new', 'old']],
		['size', ['old', 'new', 'mid']]
	] as const)('%s', (by, slugs) => {
		expect(sorted(list, by).map(({ slug }) => slug)).toEqual(slugs);
	});

	it('finds by words of the name, and remembers how it was ordered', async () => {
		const one = new ShelfState(list, () => undefined);
		one.typed = '10 QUAY';
		expect(one.shown.map(({ slug }) => slug)).toEqual(['old']);
		one.sortBy('name');
		const two = new ShelfState(list, () => undefined);
		await two.open();
		expect(two.shown.map(({ slug }) => slug)).toEqual(['mid', 'new', 'old']);
	});
});

describe('what changed since one was there', () => {
	it('is asked of those that went on, and told with who did it', async () => {
		noteSeen('a', 4);
		noteSeen('b', 7);
		answers['GET /api/projects/a/people?after=4'] = { status: 200, body: [{ who: 'Ada' }, { who: '' }] };
		await shelf.open();
		expect(asked).toEqual(['GET /api/projects/a/people?after=4']);
		expect(shelf.news).toEqual({ a: '3 changes since you were here, by Ada and somebody' });
	});

	it('of one where one never was nothing is told', async () => {
		expect(seenIn('a')).toBeNull();
		await shelf.open();
		expect([asked, shelf.news]).toEqual([[], {}]);
	});

	it('names three at most', () => {
		expect(sayNews(1, [])).toBe('1 change since you were here');
		const names = ['A', 'B', 'C', 'D', 'E'].map((who) => ({ who }));
		expect(sayNews(9, names)).toBe('9 changes since you were here, by A, B, C, and 2 more');
	});
});

describe('the shelf', () => {
	it('makes an empty project and opens it', async () => {
		answers['POST /api/projects'] = { status: 201, body: { slug: 'quay', name: 'Quay' } };
		await shelf.makeEmpty('Quay');
		expect([opened, shelf.trouble]).toEqual([['quay'], []]);
	});

	it('a bad name gets a sentence and makes nothing', async () => {
		answers['POST /api/projects'] = { status: 400, body: { message: 'name: a name is needed' } };
		await shelf.makeEmpty('  ');
		expect([opened, shelf.trouble]).toEqual([[], ['name: a name is needed']]);
	});

	it('a bad file gets the places of what is wrong in it', async () => {
		const problems = [{ place: 'presets[0].amount', message: 'is "x"; a number is needed' }];
		answers['POST /api/kits'] = { status: 422, body: { message: 'no sound kit', problems } };
		await shelf.makeFrom({ name: 'k.json', bytes: new Uint8Array([123, 125]) });
		expect(shelf.trouble).toEqual(['k.json: no sound kit', 'presets[0].amount is "x"; a number is needed']);
		expect([opened, shelf.busy]).toEqual([[], false]);
	});

	it('a refused rename leaves the name; an accepted one shows it', async () => {
		answers['PATCH /api/projects/a'] = { status: 400, body: { message: 'name: too long' } };
		expect(await shelf.rename(shelf.list[0]!, 'x'.repeat(200))).toBe(false);
		expect([shelf.list[0]!.name, shelf.notes.list.at(-1)!.text]).toEqual(['a', 'name: too long']);
		answers['PATCH /api/projects/a'] = { status: 200, body: { slug: 'a', name: 'Harbour' } };
		expect(await shelf.rename(shelf.list[0]!, 'Harbour')).toBe(true);
		expect(shelf.list.map((each) => each.name)).toEqual(['Harbour', 'b']);
		asked.length = 0;
		expect(await shelf.rename(shelf.list[0]!, ' Harbour ')).toBe(true);
		expect(asked).toEqual([]);
	});

	it('what is retired can be brought back from the note at once', async () => {
		answers['PATCH /api/projects/a'] = { status: 200, body: { slug: 'a', name: 'a' } };
		answers['GET /api/projects'] = { status: 200, body: [entry('b')] };
		await shelf.retire(shelf.list[0]!);
		expect(shelf.list.map((each) => each.slug)).toEqual(['b']);
		answers['GET /api/projects'] = { status: 200, body: [entry('a'), entry('b')] };
		shelf.notes.list.at(-1)!.action!.run();
		await vi.waitFor(() => expect(shelf.list).toHaveLength(2));
	});
});

describe('what it says', () => {
	it('counts, leaving out what there is none of', () => {
		expect(sayCounts({ ...none, shakes: 1, cues: 12 })).toBe('1 shake, 12 cues');
		expect(sayCounts(none)).toBe('nothing in it yet');
	});

	it('how long ago, in the largest unit that fits', () => {
		const now = new Date('2026-06-15T12:00:00Z');
		const ago = (seconds: number): string => since(new Date(now.getTime() - seconds * 1000), now);
		expect([ago(30), ago(60), ago(3 * 3600), ago(2 * 86400), ago(400 * 86400)]).toEqual([
			'just now',
			'1 minute ago',
			'3 hours ago',
			'2 days ago',
			'last year'
		]);
		expect(since(new Date(now.getTime() + 5000), now)).toBe('just now');
	});
});
