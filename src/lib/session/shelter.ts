/** What must not be lost with a page, in the browser's own store, by window; and what windows left that are gone. */
import { openDB, type IDBPDatabase } from 'idb';
import type { Shelter } from './outbox.svelte';
import type { Pending } from './pending';
import type { Kept } from './working-copy.svelte';

interface Row extends Kept {
	readonly project: string;
	readonly window: string;
}

const STORE = 'windows';
const NAME = 'dinesis-work';
const lockOf = (window: string): string => `dinesis window ${window}`;
const SESSION_KEY = 'dinesis:window';

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
		const { project, window } = this;
		this.last = this.last.then(async () => {
			await this.run((db) => db.put(STORE, JSON.parse(JSON.stringify({ ...kept, project, window })) as Row));
		});
		return this.last;
	}

	async load(): Promise<Kept | null> {
		return ((await this.run((db) => db.get(STORE, [this.project, this.window]))) as Row | undefined) ?? null;
	}

	async orphans(): Promise<{ pending: readonly Pending[]; done: () => Promise<void> }> {
		const rows = ((await this.run((db) => db.getAll(STORE))) ?? []) as Row[];
		const left = rows.filter(({ project, window }) => project === this.project && window !== this.window);
		const found: Row[] = [];
		const releases: (() => void)[] = [];
		for (const row of left) {
			const { got, release } = await hold(row.window);
			if (!got) continue;
			found.push(row);
			releases.push(release);
		}
		return {
			pending: found.flatMap((row) => row.pending),
			// Only once this window has kept them: until then they must not be nowhere.
			done: async () => {
				for (const row of found) await this.run((db) => db.delete(STORE, [row.project, row.window]));
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
