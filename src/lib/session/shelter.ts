/** What must not be lost with a page, in the browser's own store, by window; and what windows left that are gone. */
import { openDB, type IDBPDatabase } from 'idb';
import type { Shelter } from './outbox.svelte';
import type { Pending } from './pending';
import type { Kept } from './working-copy.svelte';

interface Row extends Kept {
	readonly project: string;
	readonly window: string;
	/** Rises with each keeping: of two the later one counts. */
	readonly turn?: number;
}

const STORE = 'windows';
const NAME = 'dinesis-work';
const lockOf = (window: string): string => `dinesis window ${window}`;
const SESSION_KEY = 'dinesis:window';

/**
 * Where a page that goes away writes at once: its database answers only later, and may not any more. What is larger than the browser takes
 * there goes without its steps back.
 */
const LEAVING = 'dinesis:leaving';
const leavingName = (project: string, window: string): string => `${LEAVING} ${project} ${window}`;
function writeLeaving(row: Row): void {
	const name = leavingName(row.project, row.window);
	for (const one of [row, { ...row, past: [], future: [] }])
		try {
			return localStorage.setItem(name, JSON.stringify(one));
		} catch {
			// Then less of it, or what the database still takes.
		}
}
function readLeaving(name: string): Row | null {
	try {
		return JSON.parse(localStorage.getItem(name) ?? 'null') as Row | null;
	} catch {
		return null;
	}
}
function dropLeaving(row: Row | null, upTo = Infinity): void {
	if (row && (row.turn ?? 0) <= upTo) localStorage.removeItem(leavingName(row.project, row.window));
}
/** Windows of a project that wrote so. */
function leavingWindows(project: string): string[] {
	const begin = leavingName(project, '');
	try {
		const names = Array.from({ length: localStorage.length }, (_, i) => localStorage.key(i) ?? '');
		return names.filter((name) => name.startsWith(begin)).map((name) => name.slice(begin.length));
	} catch {
		return [];
	}
}
/** Of two keepings the later one. */
const later = (one: Row | null | undefined, two: Row | null): Row | null =>
	(one?.turn ?? 0) >= (two?.turn ?? -1) ? (one ?? null) : two;

/** Held for as long as the page lives: by it others know that the window is there. Resolves to false when somebody has it. */
function hold(window: string, alone = false): Promise<{ got: boolean; release: () => void }> {
	const { locks } = navigator;
	// Without locks nobody can tell whether somebody else has it.
	if (!locks) return Promise.resolve({ got: alone, release: () => undefined });
	return new Promise((resolve) => {
		void locks
			.request(lockOf(window), { ifAvailable: true }, (lock) => {
				if (!lock) return resolve({ got: false, release: () => undefined });
				return new Promise<void>((release) => resolve({ got: true, release: () => release() }));
			})
			.catch(() => resolve({ got: false, release: () => undefined }));
	});
}

/** The name of this window: the same after a reload, another in a copy of the tab. */
export async function windowName(fresh: () => string): Promise<{ name: string; release: () => void }> {
	let known: string | null = null;
	try {
		known = sessionStorage.getItem(SESSION_KEY);
	} catch {
		// Then it is new each time.
	}
	if (known) {
		const { got, release } = await hold(known, true);
		if (got) return { name: known, release };
	}
	const name = fresh();
	try {
		sessionStorage.setItem(SESSION_KEY, name);
	} catch {
		// As above.
	}
	return { name, release: (await hold(name)).release };
}

export class BrowserShelter implements Shelter {
	private readonly database: Promise<IDBPDatabase> | null;
	private last: Promise<void> = Promise.resolve();
	private turn = 0;

	constructor(
		private readonly project: string,
		private readonly window: string,
		private readonly release: () => void = () => undefined
	) {
		// Private windows may forbid it: then what is unsent lives as long as the page.
		this.database =
			typeof indexedDB === 'undefined'
				? null
				: openDB(NAME, 1, {
						upgrade: (db) => void db.createObjectStore(STORE, { keyPath: ['project', 'window'] })
					});
		this.database?.catch(() => undefined);
	}

	/** One after the other: what is kept last is what counts. */
	keep(kept: Kept): Promise<void> {
		const row = this.rowOf(kept);
		this.last = this.last.then(async () => {
			const done = await this.run((db) => db.put(STORE, JSON.parse(JSON.stringify(row)) as Row));
			if (done) dropLeaving(readLeaving(leavingName(this.project, this.window)), row.turn);
		});
		return this.last;
	}

	leave(kept: Kept): void {
		writeLeaving(this.rowOf(kept));
		void this.keep(kept);
	}

	private rowOf(kept: Kept): Row {
		const { project, window } = this;
		return { ...kept, project, window, turn: ++this.turn };
	}

	async load(): Promise<Kept | null> {
		const row = await this.read(this.window);
		this.turn = row?.turn ?? 0;
		return row;
	}

	private async read(window: string): Promise<Row | null> {
		const kept = (await this.run((db) => db.get(STORE, [this.project, window]))) as Row | undefined;
		return later(kept, readLeaving(leavingName(this.project, window)));
	}

	async orphans(): Promise<{ pending: readonly Pending[]; done: () => Promise<void> }> {
		const rows = ((await this.run((db) => db.getAll(STORE))) ?? []) as Row[];
		const ours = rows.filter(({ project }) => project === this.project).map(({ window }) => window);
		const found: Row[] = [];
		const releases: (() => void)[] = [];
		for (const window of new Set([...ours, ...leavingWindows(this.project)])) {
			if (window === this.window) continue;
			const { got, release } = await hold(window);
			if (!got) continue;
			// As it is now that nobody writes it any more.
			const row = await this.read(window);
			if (row) found.push(row);
			releases.push(release);
		}
		return {
			pending: found.flatMap((row) => row.pending),
			// Only once this window has kept them: until then they must not be nowhere.
			done: async () => {
				for (const row of found) {
					await this.run((db) => db.delete(STORE, [row.project, row.window]));
					dropLeaving(row);
				}
				for (const release of releases) release();
			}
		};
	}

	/** Once the last is kept. */
	close(): void {
		void this.last.finally(async () => {
			this.release();
			await this.run(async (db) => db.close());
		});
	}

	private async run<T>(work: (db: IDBPDatabase) => Promise<T>): Promise<T | undefined> {
		try {
			return this.database ? await work(await this.database) : undefined;
		} catch {
			return undefined;
		}
	}
}
