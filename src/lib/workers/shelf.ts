/**
 * Cards of presets, made by the worker once for each content and kept in this browser: what was measured yesterday is
 * there at once. Names, descriptions and tags are not part of the content.
 */
import { openDB, type IDBPDatabase } from 'idb';
import type { ShakePreset } from 'dinesis-runtime';
import { hashText } from 'dinesis-runtime/tools';
import type { MotionWorker } from './motion';
import type { Card } from './protocol';

/** Counted up when measuring changes: older cards are not looked at again. */
const EDITION = 1;

/** What a preset's motion hangs on, in short. */
export function contentOf(preset: ShakePreset): string {
	const { id, name, about, tags, suits, origin, ...motion } = preset;
	void [id, name, about, tags, suits, origin];
	const text = JSON.stringify(motion);
	return `${EDITION}:${text.length}:${hashText(text)}:${hashText(`${text}.`)}`;
}

export class Shelf {
	private readonly cards = new Map<string, Card>();
	private readonly asked = new Map<string, Promise<Card>>();
	private readonly database: Promise<IDBPDatabase> | null;

	constructor(private readonly worker: MotionWorker) {
		this.database =
			typeof indexedDB === 'undefined'
				? null
				: openDB('dinesis-cards', 2, {
						upgrade: (db) => {
							// Cards of an earlier version name their figures otherwise: they are measured anew.
							if (db.objectStoreNames.contains('cards')) db.deleteObjectStore('cards');
							db.createObjectStore('cards');
						}
					});
		this.database?.catch(() => undefined);
	}

	/** The card if it is at hand. */
	at(content: string): Card | undefined {
		return this.cards.get(content);
	}

	/** The card, measured if need be; `soon`: before what waits. */
	async card(preset: ShakePreset, soon = true): Promise<Card> {
		const content = contentOf(preset);
		const here = this.cards.get(content);
		if (here) return here;
		let asked = this.asked.get(content);
		// Asked again and more urgently: another job, whose answer comes first.
		if (!asked || soon) {
			asked = this.find(content, preset, soon);
			this.asked.set(content, asked);
		}
		return asked;
	}

	private async find(content: string, preset: ShakePreset, soon: boolean): Promise<Card> {
		const kept = (await this.database?.then((db) => db.get('cards', content)).catch(() => undefined)) as
			Card | undefined;
		const card = this.cards.get(content) ?? kept ?? (await this.worker.card(preset, soon));
		this.cards.set(content, card);
		this.asked.delete(content);
		if (!kept) void this.database?.then((db) => db.put('cards', card, content)).catch(() => undefined);
		return card;
	}
}
