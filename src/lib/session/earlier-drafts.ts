/**
 * Unsent documents that an earlier build of Dinesis left in this browser, whole, each with the version that it began from. They are taken over
 * once, as changes by field.
 */
import { openDB } from 'idb';
import type { AnyDocument, ChangePart, Wiring } from '$lib/documents';
import { newUuid } from '$lib/documents';
import type { Pending } from './pending';

const NAME = 'dinesis';
const STORE = 'drafts';

interface Draft {
	readonly project: string;
	readonly key: string;
	readonly base: number;
	readonly document: AnyDocument | Wiring;
}

/** What makes the document of a key into the draft, as it stands now; empty when nothing differs or nobody knows it. */
export type Towards = (key: string, document: AnyDocument | Wiring) => readonly ChangePart[];

export async function takeEarlierDrafts(project: string, towards: Towards): Promise<Pending[]> {
	if (typeof indexedDB === 'undefined') return [];
	try {
		const known = await indexedDB.databases?.();
		if (known && !known.some(({ name }) => name === NAME)) return [];
		const db = await openDB(NAME, 1, {
			upgrade: (made) => void made.createObjectStore(STORE, { keyPath: ['project', 'key'] })
		});
		const all = ((await db.getAll(STORE)) as Draft[]).filter((draft) => draft.project === project);
		const found = all.flatMap((draft): Pending[] => {
			// The wiring counted its own versions: of its documents nobody knows which they began from.
			const whole = !draft.key.startsWith('*wiring');
			const parts = towards(draft.key, draft.document).map((part) => (whole ? { ...part, on: draft.base } : part));
			if (parts.length === 0) return [];
			const label = 'unsaved changes';
			return [{ change: newUuid(), label, note: '', gesture: '', parts, open: false, sent: false, joins: 0 }];
		});
		for (const { key } of all) await db.delete(STORE, [project, key]);
		db.close();
		return found;
	} catch {
		return [];
	}
}
