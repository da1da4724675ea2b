/** The access key that a wider address asks for, once in each browser. */
import { createHash, timingSafeEqual } from 'node:crypto';
import type { Cookies } from '@sveltejs/kit';

const COOKIE = 'dinesis-key';
const digest = (text: string): Buffer => createHash('sha256').update(`dinesis ${text}`).digest();
const wanted = (): Buffer => digest(process.env.ACCESS_KEY ?? '');

export const isKey = (text: string): boolean => timingSafeEqual(digest(text), wanted());

export const mayEnter = (cookies: Cookies): boolean => {
	const shown = Buffer.from(cookies.get(COOKIE) ?? '', 'hex');
	return shown.length === 32 && timingSafeEqual(shown, wanted());
};

export const letIn = (cookies: Cookies): void =>
	cookies.set(COOKIE, wanted().toString('hex'), {
		path: '/',
		httpOnly: true,
		sameSite: 'strict',
		secure: false,
		maxAge: 60 * 60 * 24 * 90
	});
