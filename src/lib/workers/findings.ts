/** The page's side of the worker that looks at motion: what of the kit it has is not sent again. */
import { wrap, type Remote } from 'comlink';
import type { AnyDocument, Kit } from '$lib/documents';
import type { Subject } from '$lib/review';
import type { MotionFinding } from '$lib/review/findings';
import type { FindingsDoor, KitParts } from './protocol';

const LISTS = ['presets', 'events', 'parameters', 'cues', 'rigs', 'courses'] as const;

export class MotionEyes {
	private worker: Worker | null = null;
	private door: Remote<FindingsDoor> | null = null;
	private sent = new Map<string, AnyDocument>();

	/** What there is to look at; from here on it is this kit that is looked at. */
	put(kit: Kit): Promise<readonly Subject[]> {
		const lists: Record<string, KitParts['lists'][string]> = {};
		for (const list of LISTS) {
			const all = kit[list] as readonly AnyDocument[];
			const changed = all.filter((document) => this.sent.get(`${list} ${document.id}`) !== document);
			for (const document of changed) this.sent.set(`${list} ${document.id}`, document);
			lists[list] = { order: all.map(({ id }) => id), changed };
		}
		const { name, world, settings } = kit;
		return this.reach().put({ name, world, settings, lists });
	}

	find(subject: Subject): Promise<readonly MotionFinding[]> {
		return this.reach().find(subject);
	}

	close(): void {
		this.worker?.terminate();
		this.worker = this.door = null;
		this.sent = new Map();
	}

	private reach(): Remote<FindingsDoor> {
		if (!this.door) {
			this.worker = new Worker(new URL('./findings.worker.ts', import.meta.url), { type: 'module' });
			this.door = wrap<FindingsDoor>(this.worker);
		}
		return this.door;
	}
}
