import { afterEach, describe, expect, it, vi } from 'vitest';
import { AWAY, Health, KEY_ASKED, type Ask } from './health.svelte';

const says =
	(status: number, body: unknown): Ask =>
	async () => ({ ok: status < 300, status, json: async () => body });

afterEach(() => vi.useRealTimers());

describe('whether all is well', () => {
	it.each([
		['well', says(200, { message: '' }), ''],
		['a dead database', says(503, { message: 'The database died.' }), 'The database died.'],
		['an answer without a word', says(502, null), AWAY],
		['a key that expired', says(401, { message: 'Enter the key.' }), KEY_ASKED],
		[
			'nobody there',
			async () => {
				throw new TypeError('no network');
			},
			AWAY
		]
	])('%s', async (_, ask, message) => {
		const health = new Health(ask as Ask);
		await health.look();
		expect(health.message).toBe(message);
	});

	it('is asked every eight seconds, and every two while something is wrong, until one goes', async () => {
		vi.useFakeTimers();
		let status = 200;
		let asked = 0;
		const health = new Health(async () => {
			asked++;
			return { ok: status < 300, status, json: async () => ({ message: 'Wrong.' }) };
		});
		const end = health.watch();
		await vi.advanceTimersByTimeAsync(8000);
		expect([asked, health.message]).toEqual([1, '']);
		status = 503;
		await vi.advanceTimersByTimeAsync(8000);
		expect([asked, health.message]).toEqual([2, 'Wrong.']);
		await vi.advanceTimersByTimeAsync(4000);
		expect(asked).toBe(4);
		status = 200;
		await vi.advanceTimersByTimeAsync(2000);
		expect([asked, health.message]).toEqual([5, '']);
		end();
		await vi.advanceTimersByTimeAsync(60_000);
		expect(asked).toBe(5);
	});
});

describe('the access key', () => {
	afterEach(() => vi.unstubAllGlobals());
	const door = (status: number, headers: Record<string, string> = {}) =>
		vi.stubGlobal('fetch', async (path: string, init: RequestInit) => {
			expect([path, init.method, String(init.body as URLSearchParams)]).toEqual(['/key?to=%2F', 'POST', 'key=a+lamp']);
			return new Response(null, { status, headers });
		});
	const asked = async (): Promise<Health> => {
		let status = 401;
		const health = new Health(async () => ({ ok: status < 300, status, json: async () => ({}) }));
		await health.look();
		expect([health.keyAsked, health.message]).toEqual([true, KEY_ASKED]);
		status = 200;
		return health;
	};

	it('is entered in place, and everything goes on', async () => {
		door(200);
		const health = await asked();
		expect(await health.enter('a lamp')).toBe('');
		expect([health.keyAsked, health.message]).toEqual([false, '']);
	});

	it('that is wrong, or guessed too often, says so and leaves all as it is', async () => {
		const health = await asked();
		door(401);
		expect(await health.enter('a lamp')).toContain('not the key');
		door(429, { 'retry-after': '8' });
		expect(await health.enter('a lamp')).toContain('Wait 8 seconds');
		vi.stubGlobal('fetch', () => Promise.reject(new TypeError('no network')));
		expect(await health.enter('a lamp')).toBe(AWAY);
		expect(health.keyAsked).toBe(true);
	});
});
