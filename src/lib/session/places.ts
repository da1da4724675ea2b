/** Where one was: in each project and each of its rooms, remembered by this browser. */
import type { KindName } from '$lib/documents';

/** Names the place where one was last, for the server: `/` leads there. */
export const LAST_COOKIE = 'dinesis-last';
const STORE = 'dinesis-places';
const BEGUN = 'dinesis-begun';
const MOST_PROJECTS = 50;
const YEAR_S = 60 * 60 * 24 * 365;

export interface Place {
	readonly slug: string;
	readonly room: string;
	/** The document that is open there; empty: none. */
	readonly document: string;
}

interface Remembered {
	/** The room where one was last. */
	readonly room: string;
	/** What was open last, by room. */
	readonly documents: Readonly<Record<string, string>>;
}
type Places = Readonly<Record<string, Remembered>>;

/** The place that an address inside a project means; null for other pages. */
export function placeOf(pathname: string): Place | null {
	const [slug, room, document] = pathname.split('/').filter(Boolean).map(decoded);
	return slug && room ? { slug, room, document: document ?? '' } : null;
}

/** A place as an address. */
export const addressOf = ({ slug, room, document }: Place): string =>
	['', slug, room, document].map(encodeURIComponent).join('/').replace(/\/$/, '');

/** The room where a document is worked on, and what it is called there. */
export function placeIn(kind: KindName, id: string): Omit<Place, 'slug'> {
	switch (kind) {
		case 'event':
		case 'value':
			return { room: 'cues', document: `${kind}:${id}` };
		case 'project':
			return { room: 'course', document: '' };
		case 'cue':
			return { room: 'cues', document: id };
		case 'rig':
		case 'course':
			return { room: kind, document: id };
		default:
			return { room: 'bench', document: id };
	}
}

const SUBJECT_OF: Readonly<Record<string, KindName>> = { bench: 'shake', cues: 'cue', rig: 'rig', course: 'course' };
/** What is open in one room as another has it: in the Review what is worked on, in its own room what is under review; else null. */
export function counterpart({ room, document }: Place, to: string): string | null {
	const kind = SUBJECT_OF[room];
	if (to === 'review') return kind && document && !document.includes(':') ? `${kind}:${document}` : null;
	const colon = document.indexOf(':');
	if (room !== 'review' || colon < 0 || SUBJECT_OF[to] !== document.slice(0, colon)) return null;
	return document.slice(colon + 1);
}

function decoded(part: string): string {
	try {
		return decodeURIComponent(part);
	} catch {
		return part;
	}
}

function read(): Places {
	try {
		const kept: unknown = JSON.parse(localStorage.getItem(STORE) ?? '{}');
		return typeof kept === 'object' && kept !== null ? (kept as Places) : {};
	} catch {
		return {};
	}
}

/** Remembers a place. The project comes last in the list: of many, those not opened for long are forgotten. */
export function remember(place: Place): void {
	const { slug, room, document } = place;
	const { [slug]: known, ...others } = read();
	const documents = document === '' ? known?.documents : { ...known?.documents, [room]: document };
	const kept = [...Object.entries(others).slice(1 - MOST_PROJECTS), [slug, { room, documents: documents ?? {} }]];
	try {
		localStorage.setItem(STORE, JSON.stringify(Object.fromEntries(kept)));
		window.document.cookie = `${LAST_COOKIE}=${encodeURIComponent(addressOf(place))}; path=/; max-age=${YEAR_S}; samesite=lax`;
	} catch {
		// A browser that keeps nothing begins at the beginning.
	}
}

/** What was open last in a room of a project; empty when nothing was. */
export const lastIn = (slug: string, room: string): string => {
	const document = read()[slug]?.documents?.[room];
	return typeof document === 'string' ? document : '';
};

/** Where one was last in a project: its room, and what was open there. */
export function lastPlace(slug: string): Place {
	const room = read()[slug]?.room;
	return typeof room === 'string'
		? { slug, room, document: lastIn(slug, room) }
		: { slug, room: 'bench', document: '' };
}

const SEEN = 'dinesis-seen';
function seenNumbers(): Readonly<Record<string, unknown>> {
	try {
		const kept: unknown = JSON.parse(localStorage.getItem(SEEN) ?? '{}');
		return typeof kept === 'object' && kept !== null ? (kept as Record<string, unknown>) : {};
	} catch {
		return {};
	}
}

/** The number of a project's changes that one has seen here; null: one was never there. */
export function seenIn(slug: string): number | null {
	const number = seenNumbers()[slug];
	return typeof number === 'number' ? number : null;
}

/** One has seen a project up to a number. */
export function noteSeen(slug: string, number: number): void {
	const { [slug]: before, ...others } = seenNumbers();
	if (before === number) return;
	const kept = [...Object.entries(others).slice(1 - MOST_PROJECTS), [slug, number]];
	try {
		localStorage.setItem(SEEN, JSON.stringify(Object.fromEntries(kept)));
	} catch {
		// Then the shelf does not tell what has changed since.
	}
}

/** Whether one has begun something of one's own here, or wants to hear no more of it. */
export const hasBegun = (): boolean => {
	try {
		return localStorage.getItem(BEGUN) !== null;
	} catch {
		return false;
	}
};
export function noteBegun(): void {
	try {
		localStorage.setItem(BEGUN, 'yes');
	} catch {
		// Then the line stands there again next time.
	}
}
