/**
 * The door of the server, before everything else, its own files too: whose name is asked for, and, where others can reach it, the access
 * key. It knows nothing of the application and stands on Node's own requests.
 */
import { createHash, randomBytes, timingSafeEqual } from 'node:crypto';
import type { IncomingMessage, ServerResponse } from 'node:http';

const COOKIE = 'dinesis-key';
/** On requests of a game that comes in without the access key: it has to show its project's. Only the door writes it. */
export const OUTSIDE = 'x-dinesis-outside';
const NINETY_DAYS = 60 * 60 * 24 * 90;
const MOST_BODY = 4096;
/** Wrong guesses that an address has free; each further one doubles how long the next must wait. */
const FREE = 5;
const LONGEST_S = 30;
/** An address that has not guessed for so long begins anew. */
const FORGET_MS = 10 * 60_000;
const MOST_KNOWN = 10_000;

export interface DoorOptions {
	/** The access key; null: loopback only, and no key. */
	readonly key: string | null;
	/** Milliseconds. */
	readonly now?: () => number;
}

const digest = (text: string): Buffer => createHash('sha256').update(`dinesis ${text}`).digest();
const isLoopback = (name: string): boolean => /^(127(\.\d+){3}|localhost|\[::1\])$/.test(name);

/** Only pages of the application's own: anything else leads to its first. */
export function ownPage(to: string | null): string {
	if (to === null || !/^\/(?![/\\])[^\\\s\p{Cc}]*$/u.test(to)) return '/';
	const { origin, pathname, search } = new URL(to, 'http://own');
	const isPage = origin === 'http://own' && !/^\/(\/|api\/|_app\/|key$)/.test(pathname);
	return isPage ? `${pathname}${search}` : '/';
}

interface Guesses {
	wrong: number;
	lastAt: number;
}

export class Door {
	private readonly wanted: Buffer | null;
	private readonly now: () => number;
	private readonly guesses = new Map<string, Guesses>();

	constructor({ key, now = Date.now }: DoorOptions) {
		this.wanted = key === null ? null : digest(key);
		this.now = now;
	}

	/** Answers who may not come in. False: nothing was answered, and the request may go on. */
	async answers(request: IncomingMessage, response: ServerResponse): Promise<boolean> {
		const host = request.headers.host ?? '';
		delete request.headers[OUTSIDE];
		const name = hostName(request);
		if (name === undefined) return say(response, 400, 'The request does not say whom it is for.');
		// A name that somebody else's DNS points at this machine is not ours.
		if (this.wanted === null)
			return isLoopback(name) ? false : say(response, 403, 'This Dinesis answers on loopback only.');
		const url = new URL(request.url ?? '/', 'http://own');
		if (this.isLetIn(request)) {
			if (url.pathname !== '/key') return false;
			response.writeHead(303, { location: ownPage(url.searchParams.get('to')) }).end();
			return true;
		}
		if (isForGames(request, url)) {
			request.headers[OUTSIDE] = 'yes';
			return false;
		}
		if (url.pathname === '/key' && request.method === 'POST') return this.take(request, response, url, host);
		const asksPage =
			/\btext\/html\b/.test(request.headers.accept ?? '') && ['GET', 'HEAD'].includes(request.method ?? '');
		if (!asksPage) return say(response, 401, 'Enter the access key: open this Dinesis in a browser.');
		const to = url.pathname === '/key' ? ownPage(url.searchParams.get('to')) : ownPage(`${url.pathname}${url.search}`);
		return page(response, 401, to, '');
	}

	/** Whether a request may come in whose door is no page: whom it is for, and whether it has shown the access key where there is one. */
	stands(request: IncomingMessage): 'in' | 'outside' | 'away' {
		const name = hostName(request);
		if (name === undefined) return 'away';
		if (this.wanted === null) return isLoopback(name) ? 'in' : 'away';
		return this.isLetIn(request) ? 'in' : 'outside';
	}

	private isLetIn(request: IncomingMessage): boolean {
		const shown = new RegExp(`(?:^|;\\s*)${COOKIE}=([0-9a-f]{64})(?:;|$)`).exec(request.headers.cookie ?? '')?.[1];
		return shown !== undefined && timingSafeEqual(Buffer.from(shown, 'hex'), this.wanted!);
	}

	/** Whoever shows the right key gets in. */
	private async take(request: IncomingMessage, response: ServerResponse, url: URL, host: string): Promise<boolean> {
		const to = ownPage(url.searchParams.get('to'));
		const { origin } = request.headers;
		if (origin !== undefined && origin.replace(/^https?:\/\//, '') !== host)
			return say(response, 403, 'The key is taken from Dinesis’ own page only.');
		const address = request.socket.remoteAddress ?? '';
		const wait = this.waitOf(address);
		if (wait > 0) {
			response.setHeader('retry-after', String(wait));
			return page(response, 429, to, `Too many wrong keys. Wait ${wait} seconds, then try again.`);
		}
		const given = await bodyOf(request);
		if (given === null) return say(response, 413, 'That is too long for a key.');
		const key = new URLSearchParams(given).get('key') ?? '';
		if (!timingSafeEqual(digest(key), this.wanted!)) {
			this.note(address);
			return page(response, 401, to, 'That is not the key. Nothing else was changed; try again.');
		}
		this.guesses.delete(address);
		const parts = [
			`${COOKIE}=${this.wanted!.toString('hex')}`,
			'Path=/',
			'HttpOnly',
			'SameSite=Strict',
			`Max-Age=${NINETY_DAYS}`
		];
		if (isSecure(request)) parts.push('Secure');
		response.writeHead(303, { location: to, 'set-cookie': parts.join('; '), 'cache-control': 'no-store' }).end();
		return true;
	}

	/** Whole seconds that an address must wait before it may guess again. */
	private waitOf(address: string): number {
		const known = this.guesses.get(address);
		if (!known || known.wrong < FREE) return 0;
		const pause = Math.min(LONGEST_S, 2 ** (known.wrong - FREE)) * 1000;
		return Math.max(0, Math.ceil((known.lastAt + pause - this.now()) / 1000));
	}

	private note(address: string): void {
		const now = this.now();
		const before = this.guesses.get(address);
		const wrong = before && now - before.lastAt < FORGET_MS ? before.wrong + 1 : 1;
		this.guesses.delete(address);
		this.guesses.set(address, { wrong, lastAt: now });
		if (this.guesses.size > MOST_KNOWN) this.guesses.delete(this.guesses.keys().next().value!);
	}
}

const hostName = ({ headers }: IncomingMessage): string | undefined =>
	/^(\[[0-9a-f:.]+\]|[^:/\s]+)(:\d+)?$/i.exec(headers.host ?? '')?.[1];

/** Whether what is between the browser and us, or a proxy before us, is encrypted. */
export const isSecure = (request: IncomingMessage): boolean =>
	'encrypted' in request.socket || request.headers['x-forwarded-proto'] === 'https';

/** What a game may ask for that shows the key of its project instead: that is looked at behind the door. */
const isForGames = ({ method, headers }: IncomingMessage, { pathname }: URL): boolean =>
	((method === 'GET' && headers.authorization !== undefined) || method === 'OPTIONS') &&
	/^\/api\/projects\/[^/]+\/kit$/.test(pathname);

/** The body of a form; null when it is longer than any key. */
async function bodyOf(request: IncomingMessage): Promise<string | null> {
	let text = '';
	for await (const part of request as AsyncIterable<Buffer>) {
		text += part.toString('latin1');
		if (text.length > MOST_BODY) return null;
	}
	return text;
}

function say(response: ServerResponse, status: number, message: string): true {
	response
		.writeHead(status, {
			'content-type': 'application/json; charset=utf-8',
			'cache-control': 'no-store',
			'x-content-type-options': 'nosniff'
		})
		.end(JSON.stringify({ message, problems: [] }));
	return true;
}

const escaped = (text: string): string => text.replace(/[&<>"']/g, (c) => `&#${c.charCodeAt(0)};`);

/** The key page: one document that needs no other file. */
function page(response: ServerResponse, status: number, to: string, wrong: string): true {
	const nonce = randomBytes(16).toString('base64');
	response.writeHead(status, {
		'content-type': 'text/html; charset=utf-8',
		'cache-control': 'no-store',
		'x-content-type-options': 'nosniff',
		'referrer-policy': 'same-origin',
		'content-security-policy': `default-src 'none'; style-src 'nonce-${nonce}'; form-action 'self'; base-uri 'none'; frame-ancestors 'none'`
	}).end(`<!doctype html>
<html lang="en">
<head>
<meta charset="utf-8">
<meta name="viewport" content="width=device-width, initial-scale=1">
<title>Access key · Dinesis</title>
<style nonce="${nonce}">
body { margin: 0; background: #f3eee2; color: #1c2a3a; font: 16px/1.5 'Liberation Sans', sans-serif; }
main { max-width: 26rem; margin: 12vh auto; padding: 1.5rem; }
form { display: grid; gap: 0.75rem; }
input, button { font: inherit; padding: 0.5rem 0.75rem; border: 1px solid #c9bd9f; border-radius: 6px; background: #faf7ef; color: inherit; }
button { background: #1c2a3a; color: #faf7ef; cursor: pointer; }
p { color: #9c2617; margin: 0; }
:focus-visible { outline: 2px solid #c9730a; outline-offset: 2px; }
</style>
</head>
<body>
<main>
<h1>Access key</h1>
<form method="post" action="/key?to=${escaped(encodeURIComponent(to))}">
<label for="key">Whoever started this Dinesis set a key. Ask them for it.</label>
<input id="key" name="key" type="password" autocomplete="current-password" required maxlength="200" autofocus>
${wrong === '' ? '' : `<p role="alert">${escaped(wrong)}</p>\n`}<button>Enter</button>
</form>
</main>
</body>
</html>
`);
	return true;
}
