/** The page's side of the server's endpoints. Failures are values with a sentence. */
import type { AnyPreset, Problem } from 'dinesis-runtime';
import type { Course, Wiring } from '$lib/documents';
import type { OutlineLine } from '$lib/analysis';

export interface StoredPreset {
	readonly key: string;
	readonly version: number;
	readonly savedAt: string;
	/** Its place in the project's order. */
	readonly position: string;
	readonly document: AnyPreset;
}

export interface StoredCourse {
	readonly key: string;
	readonly version: number;
	readonly savedAt: string;
	readonly position: string;
	readonly document: Course;
}

export interface StoredWiring {
	readonly version: number;
	readonly savedAt: string;
	readonly document: Wiring;
}

export interface VersionEntry {
	readonly version: number;
	readonly savedAt: string;
	readonly note: string;
}

export type Answer<T> =
	| { readonly ok: true; readonly value: T }
	| {
			readonly ok: false;
			readonly away: boolean;
			readonly status: number;
			readonly message: string;
			readonly body?: unknown;
	  };

async function call<T>(
	method: string,
	path: string,
	body?: unknown,
	raw?: string | Uint8Array<ArrayBuffer>
): Promise<Answer<T>> {
	let response: Response;
	try {
		response = await fetch(path, {
			method,
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
	/** Little drawings of its first shakes. */
	readonly drawings: readonly (readonly OutlineLine[])[];
}
export type Made = Answer<{ readonly slug: string; readonly name: string }>;

const at = (slug: string): string => `/api/projects/${encodeURIComponent(slug)}`;
const presetsOf = (slug: string): string => `${at(slug)}/presets`;

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

export const fetchPreset = (slug: string, key: string): Promise<Answer<StoredPreset>> =>
	call('GET', `${presetsOf(slug)}/${key}`);

export const createPreset = (slug: string, document: AnyPreset, note = ''): Promise<Answer<StoredPreset>> =>
	call('POST', presetsOf(slug), { document, note });

export const savePreset = (
	slug: string,
	key: string,
	base: number,
	document: AnyPreset,
	note: string
): Promise<Answer<{ version: number; savedAt: string }>> =>
	call('PUT', `${presetsOf(slug)}/${key}`, { base, document, note });

/** How many presets a page has at most. */
export const PAGE = 100;

/** A page of presets behind one (its place and its key, as in `a1 thud`; empty: from the first on), or of those that were retired. */
export const fetchPresets = (slug: string, after: string, retired = false): Promise<Answer<StoredPreset[]>> =>
	call('GET', `${presetsOf(slug)}?after=${encodeURIComponent(after)}${retired ? '&retired=1' : `&limit=${PAGE}`}`);

export const createPresets = (
	slug: string,
	documents: readonly AnyPreset[],
	note: string
): Promise<Answer<StoredPreset[]>> => call('PUT', presetsOf(slug), { documents, note });

export const retirePresets = (
	slug: string,
	keys: readonly string[],
	retired: boolean
): Promise<Answer<{ changed: number }>> => call('PATCH', presetsOf(slug), { keys, retired });

/** `of`: `presets/KEY`, `courses/KEY` or `wiring`. */
export const fetchVersions = (slug: string, of: string): Promise<Answer<VersionEntry[]>> =>
	call('GET', `${at(slug)}/${of}/versions`);

export const fetchVersion = (slug: string, of: string, version: number): Promise<Answer<AnyPreset | Course | Wiring>> =>
	call('GET', `${at(slug)}/${of}/versions/${version}`);

const coursesOf = (slug: string): string => `${at(slug)}/courses`;

export const fetchCourses = (slug: string, retired = false): Promise<Answer<StoredCourse[]>> =>
	call('GET', `${coursesOf(slug)}${retired ? '?retired=1' : ''}`);

export const createCourse = (slug: string, document: Course, note: string): Promise<Answer<StoredCourse>> =>
	call('POST', coursesOf(slug), { document, note });

export const saveCourse = (
	slug: string,
	key: string,
	base: number,
	document: Course,
	note: string
): Promise<Answer<{ version: number; savedAt: string }>> =>
	call('PUT', `${coursesOf(slug)}/${key}`, { base, document, note });

export const retireCourses = (
	slug: string,
	keys: readonly string[],
	retired: boolean
): Promise<Answer<{ changed: number }>> => call('PATCH', coursesOf(slug), { keys, retired });

export const saveWiring = (
	slug: string,
	base: number,
	document: Wiring,
	note: string
): Promise<Answer<{ version: number; savedAt: string }>> => call('PUT', `${at(slug)}/wiring`, { base, document, note });
