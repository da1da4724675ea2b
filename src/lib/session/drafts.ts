/** Changes that the server does not have yet, kept in this browser until it has. */
import { openDB, type IDBPDatabase } from 'idb';
import type { AnyPreset } from 'dinesis-runtime';
import type { Course, Wiring } from '$lib/documents';

export interface Draft {
	readonly project: string;
	readonly key: string;
	/** The version that the change began from. */
	readonly base: number;
	readonly document: AnyPreset | Wiring | Course;
}

export class Drafts {
	private readonly database: Promise<IDBPDatabase> | null;

	constructor() {
		// Private windows may forbid it: then drafts live as long as the page.
		this.database =
			typeof indexedDB === 'undefined'
				? null
				: openDB('dinesis', 1, {
						upgrade: (db) => void db.createObjectStore('drafts', { keyPath: ['project', 'key'] })
					});
		this.database?.catch(() => undefined);
	}

	async list(project: string): Promise<Draft[]> {
		const all = await this.run((db) => db.getAll('drafts'));
		return ((all ?? []) as Draft[]).filter((draft) => draft.project === project);
	}

	async keep(draft: Draft): Promise<void> {
		await this.run((db) => db.put('drafts', JSON.parse(JSON.stringify(draft))));
	}

	async drop(project: string, key: string): Promise<void> {
		await this.run((db) => db.delete('drafts', [project, key]));
	}

	private async run<T>(work: (db: IDBPDatabase) => Promise<T>): Promise<T | undefined> {
		try {
			return this.database ? await work(await this.database) : undefined;
		} catch {
			return undefined;
		}
	}
}
