import { error, type Handle, type HandleServerError, type ServerInit } from '@sveltejs/kit';
import { pino } from 'pino';
import { database } from '$lib/server/db/connect';
import { bareOf, sentenceOf } from '$lib/server/trouble';

const log = pino({ level: process.env.LOG_LEVEL ?? 'warn' });

const isLoopback = (hostname: string): boolean => /^(127(\.\d+){3}|localhost|\[::1\])$/.test(hostname);

/** Ties the tables' classes to the connection before the first request. */
export const init: ServerInit = () => void database();

export const handle: Handle = async ({ event, resolve }) => {
	const { request, url } = event;
	// The door (`door.ts`) stands before all of this; here it stands once more, for a server without one.
	// A name that somebody else's DNS points at this machine is not ours.
	if (!process.env.DINESIS_OPEN && !isLoopback(url.hostname)) error(403, 'This Dinesis answers on loopback only.');
	if (!['GET', 'HEAD', 'OPTIONS'].includes(request.method) && request.headers.get('origin') !== url.origin)
		error(403, 'Writes are taken from Dinesis’ own pages only.');
	const response = await resolve(event);
	// A browser may hold on to a refusal for ever (410 is one of those), though what was missing has come back.
	if (response.status >= 400) response.headers.set('cache-control', 'no-store');
	response.headers.set('x-content-type-options', 'nosniff');
	response.headers.set('referrer-policy', 'same-origin');
	return response;
};

export const handleError: HandleServerError = ({ error: cause, event, status }) => {
	if (status === 404) return { message: 'There is nothing here.' };
	// A tab that was closed in the middle of its request is no failure of ours.
	if (event.request.signal.aborted || (cause as NodeJS.ErrnoException | null)?.code === 'ECONNRESET')
		return { message: 'The request was given up.' };
	log.error({ ...bareOf(cause), path: event.url.pathname }, 'request failed');
	return { message: sentenceOf(cause) };
};
