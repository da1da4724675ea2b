import { createServer, request as ask, type IncomingHttpHeaders, type Server } from 'node:http';
import { afterEach, describe, expect, it } from 'vitest';
import { Door, OUTSIDE, ownPage, type DoorOptions } from './door';

const KEY = 'a lantern at dusk';
let server: Server;
let port = 0;
afterEach(() => void server?.close());

/** A server that says "inside" to whoever is let in. */
async function opened(options: DoorOptions): Promise<void> {
	const door = new Door(options);
	server = createServer((request, response) => {
		void door.answers(request, response).then((answered) => !answered && response.end('inside'));
	});
	await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve));
	port = (server.address() as { port: number }).port;
}

interface Said {
	readonly status: number;
	readonly headers: IncomingHttpHeaders;
	readonly text: string;
}
const call = (method: string, path: string, headers: Record<string, string> = {}, body = ''): Promise<Said> =>
	new Promise((resolve, reject) => {
		const sent = ask(
			{ host: '127.0.0.1', port, method, path, headers: { host: `127.0.0.1:${port}`, ...headers } },
			(answer) => {
				let text = '';
				answer.on('data', (part: Buffer) => (text += part.toString()));
				answer.on('end', () => resolve({ status: answer.statusCode!, headers: answer.headers, text }));
			}
		);
		sent.on('error', reject);
		sent.end(body);
	});
const html = { accept: 'text/html,*/*' };
const guess = (key: string, to = '/', headers: Record<string, string> = {}): Promise<Said> =>
	call(
		'POST',
		`/key?to=${encodeURIComponent(to)}`,
		{ 'content-type': 'application/x-www-form-urlencoded', ...headers },
		`key=${encodeURIComponent(key)}`
	);

describe('without a key', () => {
	it('answers on loopback’s own names only', async () => {
		await opened({ key: null });
		for (const host of ['127.0.0.1', `localhost:${port}`, '[::1]:80'])
			expect((await call('GET', '/', { host })).text).toBe('inside');
		for (const host of ['evil.example', '127.0.0.1.evil.example:80', 'localhost.evil.example'])
			expect(await call('GET', '/', { host })).toMatchObject({
				status: 403,
				text: expect.stringMatching(/loopback only/)
			});
		for (const host of ['a b', 'x/y']) expect((await call('GET', '/', { host })).status).toBe(400);
	});
});

describe('with a key', () => {
	it('nothing is served without it: a page is the key page, all else a sentence, never a redirect', async () => {
		await opened({ key: KEY });
		const page = await call('GET', '/harbour/bench/thud?x=1', html);
		expect([page.status, page.headers['content-type']]).toEqual([401, 'text/html; charset=utf-8']);
		expect(page.text).toContain('action="/key?to=%2Fharbour%2Fbench%2Fthud%3Fx%3D1"');
		// It needs no other file.
		expect(page.text).not.toMatch(/<script|<link|src=|url\(/);
		for (const [method, path] of [
			['PUT', '/api/projects/harbour/presets/thud'],
			['GET', '/api/health'],
			['GET', '/_app/immutable/entry/start.js'],
			['GET', '/icon.svg'],
			['POST', '/']
		] as const) {
			const said = await call(method, path, { accept: '*/*' });
			expect([path, said.status, JSON.parse(said.text).message]).toEqual([
				path,
				401,
				expect.stringMatching(/access key/)
			]);
			expect(said.headers.location).toBeUndefined();
		}
		expect((await call('GET', '/', { ...html, cookie: `dinesis-key=${'0'.repeat(64)}` })).status).toBe(401);
	});

	it('lets in whoever shows it, and leads them where they were going', async () => {
		await opened({ key: KEY });
		const said = await guess(KEY, '/harbour/cues?cue=one');
		expect([said.status, said.headers.location]).toEqual([303, '/harbour/cues?cue=one']);
		const [cookie] = said.headers['set-cookie']!;
		expect(cookie).toMatch(/; HttpOnly; SameSite=Strict; /);
		expect(cookie).not.toContain('Secure');
		// The key itself is not in it.
		expect(cookie).not.toContain(encodeURIComponent(KEY));
		const shown = { cookie: `other=1; ${cookie!.split(';')[0]}` };
		expect((await call('GET', '/_app/x.js', shown)).text).toBe('inside');
		expect(await call('GET', '/key?to=/projects', { ...shown, ...html })).toMatchObject({
			status: 303,
			headers: { location: '/projects' }
		});
	});

	it('a game may ask for a kit with its project’s key: it goes on, marked, and nothing else does', async () => {
		const door = new Door({ key: KEY });
		server = createServer((request, response) => {
			void door
				.answers(request, response)
				.then((answered) => !answered && response.end(String(request.headers[OUTSIDE] ?? 'inside')));
		});
		await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve));
		port = (server.address() as { port: number }).port;
		const shows = { authorization: 'Bearer abc' };
		const kit = '/api/projects/harbour/kit';
		expect((await call('GET', kit, shows)).text).toBe('yes');
		expect((await call('OPTIONS', kit)).text).toBe('yes');
		expect((await call('GET', kit)).status).toBe(401);
		expect((await call('POST', kit, shows)).status).toBe(401);
		expect((await call('GET', '/api/projects/harbour/history', shows)).status).toBe(401);
		expect((await call('GET', '/api/projects/harbour/kit/more', shows)).status).toBe(401);
		// Nobody marks a request but the door.
		const [cookie] = (await guess(KEY)).headers['set-cookie']!;
		const own = { cookie: cookie!.split(';')[0]!, [OUTSIDE]: 'yes' };
		expect((await call('GET', kit, own)).text).toBe('inside');
	});

	it('the cookie is for encrypted connections only where the connection is', async () => {
		await opened({ key: KEY });
		const said = await guess(KEY, '/', { 'x-forwarded-proto': 'https' });
		expect(said.headers['set-cookie']![0]).toMatch(/; Secure$/);
	});

	it('takes it from its own page only, and no more than a key', async () => {
		await opened({ key: KEY });
		expect((await guess(KEY, '/', { origin: 'http://evil.example' })).status).toBe(403);
		expect((await guess(KEY, '/', { origin: `http://127.0.0.1:${port}` })).status).toBe(303);
		expect((await guess('x'.repeat(5000))).status).toBe(413);
	});

	it('five guesses are free, then each must wait twice as long, up to half a minute', async () => {
		let now = 0;
		await opened({ key: KEY, now: () => now });
		for (let i = 0; i < 5; i++) expect((await guess('wrong')).status).toBe(401);
		for (const wait of [1, 2, 4, 8, 16, 30, 30]) {
			const said = await guess(KEY);
			expect([said.status, said.headers['retry-after']]).toEqual([429, String(wait)]);
			expect(said.text).toContain(`Wait ${wait} seconds`);
			now += wait * 1000 - 1;
			expect((await guess('wrong')).status).toBe(429);
			now += 1;
			expect((await guess('wrong')).status).toBe(401);
		}
		now += 10 * 60_000;
		expect((await guess(KEY)).status).toBe(303);
		expect((await guess('wrong')).status).toBe(401);
	});
});

describe('where one is led to', () => {
	it.each([
		['/harbour/bench/thud?x=%20', '/harbour/bench/thud?x=%20'],
		['//evil.example/x', '/'],
		['/\\evil.example', '/'],
		['/x\\..\\y', '/'],
		['https://evil.example', '/'],
		['javascript:alert(1)', '/'],
		['/..//evil.example', '/'],
		['/x\n/y', '/'],
		['/api/health', '/'],
		['/_app/x.js', '/'],
		['/key', '/'],
		['', '/'],
		[null, '/']
	])('%s → %s', (to, page) => expect(ownPage(to)).toBe(page));
});
