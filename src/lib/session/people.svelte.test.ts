import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import type { Here } from './api';
import { People } from './people.svelte';

const server: Here[] = [];
const sent: (Here & { left?: boolean })[] = [];
const ada: Here = { window: 'w2', browser: 'b2', who: 'Ada', document: 'thud' };
let people: People;
let end: () => void;

beforeEach(() => {
	vi.useFakeTimers();
	localStorage.clear();
	server.length = sent.length = 0;
	vi.stubGlobal('fetch', async (path: string, init: RequestInit) => {
		expect(path).toBe('/api/projects/quay/presence');
		if (init.method === 'PUT') sent.push(JSON.parse(init.body as string));
		return Response.json(server);
	});
	people = new People('quay');
	end = people.open('w1');
});
afterEach(() => {
	end();
	vi.useRealTimers();
	vi.unstubAllGlobals();
});
const settle = (ms = 0): Promise<unknown> => vi.advanceTimersByTimeAsync(ms);

describe('who else is here', () => {
	it('is whoever has another browser, each once, by the name they gave themselves', async () => {
		server.push(ada, { ...ada, window: 'w3', document: 'hum' }, { ...ada, browser: 'b4', window: 'w4', who: '' });
		server.push({ ...ada, window: 'w5', browser: localStorage.getItem('dinesis:browser')! });
		await people.refresh();
		expect(people.others.map(({ window }) => window)).toEqual(['w2', 'w4']);
		expect(people.at('thud')).toEqual(['Ada', 'somebody']);
		expect(people.at('hum')).toEqual([]);
	});

	it('hears of this window: at once, at each turn to something else, and every ten seconds', async () => {
		await settle();
		people.look('thud');
		people.look('thud');
		await settle();
		expect(sent.map(({ document }) => document)).toEqual(['', 'thud']);
		await settle(20_000);
		expect(sent).toHaveLength(4);
		expect(new Set(sent.map(({ window }) => window))).toEqual(new Set(['w1']));
	});

	it('learns one’s name, which the next page has still; and that one goes', async () => {
		people.call('  Bea ');
		await settle();
		expect([people.name, sent.at(-1)!.who]).toEqual(['Bea', 'Bea']);
		end();
		expect(sent.at(-1)!.left).toBe(true);
		const next = new People('quay');
		end = next.open('w1');
		expect(next.name).toBe('Bea');
		expect(sent.at(-1)!.browser).toBe(sent[0]!.browser);
	});
});
