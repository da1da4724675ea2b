/** The page's side of the server's endpoints. Failures are values with a sentence. */
import type { Problem } from 'dinesis-runtime';
import type { Envelope, Held, History, KindName, Scope } from '$lib/documents';
import type { Glimpse, OutlineLine } from '$lib/analysis';
import type { ChangeSent, Heard } from './outbox.svelte';

export type Answer<T> =
	| { readonly ok: true; readonly value: T }
	| {
			readonly ok: false;
			readonly away: boolean;
			readonly status: number;
			readonly message: string;
			readonly body?: unknown;
	  };

export async function call<T>(
	method: string,
	path: string,
	body?: unknown,
	raw?: string | Uint8Array<ArrayBuffer>,
	/** It is sent though the page goes away. */
	keepalive = false
): Promise<Answer<T>> {
	let response: Response;
	try {
		response = await fetch(path, {
			method,
			keepalive,
			// Without a type the server would take bytes for no body at all.
			headers: body === undefined && raw === undefined ? {} : { 'content-type': 'application/json' },
			body: raw ?? (body === undefined ? undefined : JSON.stringify(body))
		});
	} catch {
		return { ok: false, away: true, status: 0, message: 'The server does not answer.' };
	}
	const answer = (await response.json().catch(() => null)) as { message?: string } | null;
	if (response.ok) return { ok: true, value: answer as T };
	const message = answer?.message ?? `The server answered ${response.status}.`;
	return {
		ok: false,
		away: response.status >= 500 || response.status === 401,
		status: response.status,
		message,
		body: answer
	};
}

/** A project as the shelf shows it. */
export interface ShelfEntry {
	readonly slug: string;
	readonly name: string;
	readonly changedAt: string;
	readonly counts: Readonly<Record<'shakes' | 'bobsAndLags' | 'cues' | 'events' | 'rigs' | 'courses', number>>;
	/** Of its last change. */
	readonly number: number;
	/** Its first shakes: a little drawing of each, and how each moves a little picture. */
	readonly drawings: readonly { readonly lines: readonly OutlineLine[]; readonly glimpse: Glimpse }[];
}
export type Made = Answer<{ readonly slug: string; readonly name: string }>;

export const at = (slug: string): string => `/api/projects/${encodeURIComponent(slug)}`;

export const fetchShelf = (retired = false): Promise<Answer<ShelfEntry[]>> =>
	call('GET', `/api/projects${retired ? '?retired=1' : ''}`);

export const createProject = (name: string): Promise<Made> => call('POST', '/api/projects', { name });

/** A project of a kit file, with everything in it. What is wrong with the file comes back in the answer's body. */
export const createFromKit = (text: string | Uint8Array<ArrayBuffer>, name?: string): Promise<Made> =>
	call('POST', `/api/kits${name ? `?name=${encodeURIComponent(name)}` : ''}`, undefined, text);

/** The places that a refused file's answer names. */
export const problemsOf = (answer: { readonly body?: unknown }): readonly Problem[] =>
	(answer.body as { problems?: Problem[] } | null)?.problems ?? [];

export const copyProject = (slug: string, name: string): Promise<Made> => call('POST', `${at(slug)}/copy`, { name });

export const changeProject = (slug: string, change: { name?: string; retired?: boolean }): Promise<Made> =>
	call('PATCH', at(slug), change);

/** Where the whole project can be had as a file. */
export const kitAddress = (slug: string): string => `${at(slug)}/kit`;

/** How many documents one asks for at a time. */
export const PAGE = 100;

/** Documents as they are kept, in the project's order, behind one (its place and its id, as in `a1 thud`; empty: from the first on). */
export function fetchDocuments(
	slug: string,
	{
		kinds,
		after = '',
		limit,
		retired = false
	}: {
		readonly kinds: readonly KindName[];
		readonly after?: string;
		readonly limit?: number;
		readonly retired?: boolean;
	}
): Promise<Answer<Held[]>> {
	const query = new URLSearchParams({ kinds: kinds.join(',') });
	if (after) query.set('after', after);
	if (limit) query.set('limit', String(limit));
	if (retired) query.set('retired', '1');
	return call('GET', `${at(slug)}/documents?${query}`);
}

/** So many documents are asked for by name at once. */
const MOST_NAMED = 100;

/** Documents by their uuids, in use or not; those that are not there are left out. */
export async function fetchNamed(slug: string, uuids: readonly string[]): Promise<Answer<Held[]>> {
	const list: Held[] = [];
	for (let i = 0; i < uuids.length; i += MOST_NAMED) {
		const named = uuids.slice(i, i + MOST_NAMED).join(',');
		const answer = await call<Held[]>('GET', `${at(slug)}/documents?uuids=${named}`);
		if (!answer.ok) return answer;
		list.push(...answer.value);
	}
	return { ok: true, value: list };
}

/** Documents page by page, in the project's order: so many at a time that taking them in is not felt. The last answer may be a failure. */
export async function* pagesOf(
	slug: string,
	{
		kinds,
		retired,
		limit = PAGE
	}: { readonly kinds: readonly KindName[]; readonly retired?: boolean; readonly limit?: number }
): AsyncGenerator<Answer<Held[]>> {
	for (let after = ''; ;) {
		const answer = await fetchDocuments(slug, { kinds, after, limit, retired });
		yield answer;
		const last = answer.ok ? answer.value.at(-1) : undefined;
		if (!answer.ok || !last || answer.value.length < limit) return;
		after = `${last.order} ${last.id}`;
	}
}

export const sendChange = (slug: string, change: ChangeSent): Promise<Answer<Heard>> =>
	call('POST', `${at(slug)}/changes`, change);

/** A window that has a project open. */
export interface Here {
	readonly window: string;
	readonly browser: string;
	readonly who: string;
	readonly document: string;
}

export const fetchHere = (slug: string): Promise<Answer<Here[]>> => call('GET', `${at(slug)}/presence`);

export const sayHere = (slug: string, here: Here & { readonly left?: boolean }): Promise<Answer<Here[]>> =>
	call('PUT', `${at(slug)}/presence`, here, undefined, here.left === true);

/** What was made behind a number. */
export const changesSince = (slug: string, after: number): Promise<Answer<Heard>> =>
	call('GET', `${at(slug)}/changes?after=${after}`);

/** A document as it is, and as it was at a number; null: it was not made yet. */
export interface Then {
	readonly now: Held;
	readonly was: Envelope | null;
}

function asked({ uuids, kinds }: Scope, more: Readonly<Record<string, string | number | undefined>> = {}): string {
	const query = new URLSearchParams();
	if (uuids) query.set('of', uuids.join(','));
	if (kinds) query.set('kinds', kinds.join(','));
	for (const [name, value] of Object.entries(more)) if (value !== undefined) query.set(name, String(value));
	return String(query);
}

export const fetchHistory = (
	slug: string,
	scope: Scope,
	part: { readonly before?: number; readonly after?: number; readonly single?: 1 } = {}
): Promise<Answer<History>> => call('GET', `${at(slug)}/history?${asked(scope, part)}`);

export const fetchThen = (slug: string, number: number, scope: Scope): Promise<Answer<Then[]>> =>
	call('GET', `${at(slug)}/history/${number}?${asked(scope)}`);

export const sendMark = (
	slug: string,
	number: number,
	mark: { readonly name: string; readonly starred: boolean; readonly who: string }
): Promise<Answer<unknown>> => call('PUT', `${at(slug)}/history/${number}`, mark);
