/** Windows that working copies are tested with: each sends by hand, and holds that what was taken stands there. */
import { expect } from 'vitest';
import type { ShakePreset } from 'dinesis-runtime';
import { newLayer, newPreset } from 'dinesis-runtime/tools';
import {
	fieldsTowards,
	overlap,
	shownOfHeld,
	valueAt,
	type AnyDocument,
	type ChangePart,
	type Held
} from '$lib/documents';
import { WorkingCopy, type Kept } from '../working-copy.svelte';
import { MemoryServer } from './memory-server';

export const thud: ShakePreset = { ...newPreset('thud', 'Thud'), layers: [newLayer('a'), newLayer('b')] };
export const makeServer = (): MemoryServer =>
	new MemoryServer([
		['shake', thud],
		['shake', newPreset('hum', 'Hum')]
	]);

/** A window: its copy, and sending by hand. */
export class Editor {
	readonly copy: WorkingCopy;
	online = true;
	kept: Kept | null = null;

	constructor(
		readonly server: MemoryServer,
		readonly name: string
	) {
		// A page is opened with what is in use.
		const inUse = server.all.filter(({ retired }) => !retired);
		this.copy = new WorkingCopy(name, inUse, server.number, {
			changed: () => undefined,
			stirred: () => undefined
		});
	}

	held(id: string): Held {
		return this.copy.find(['shake'], id)!;
	}

	shown(id = 'thud'): ShakePreset {
		return shownOfHeld<ShakePreset & AnyDocument>(this.held(id));
	}

	edit(
		id: string,
		recipe: (preset: ShakePreset) => ShakePreset,
		mark: string | null = null,
		label = 'Change'
	): boolean {
		const held = this.held(id);
		return this.copy.change(
			label,
			[{ document: held.uuid, fields: fieldsTowards(held, recipe(this.shown(id))) }],
			mark
		);
	}

	/** Sends one change, if there is one and the line holds. */
	send(answerLost = false): void {
		const next = this.online ? this.copy.next() : null;
		if (!next) return;
		const { change, note, parts } = next;
		const sent = { change, note, window: this.name, who: this.name, gesture: '', seen: this.copy.seen, parts };
		// One that is sent again stands as it did then; somebody may have changed it since.
		const again = this.server.changes.some((made) => made.change === change);
		const answer = this.server.make(JSON.parse(JSON.stringify(sent)));
		if (answer.ok && !again) this.expectThere(parts);
		if (answerLost) return;
		if (answer.ok) {
			this.copy.hear(answer.value.changes);
			this.copy.acknowledge(change);
			return;
		}
		const { refusals, changes } = (answer as unknown as { body: { refusals: never[]; changes: never[] } }).body;
		this.copy.hear(changes);
		this.copy.refuse(change, refusals);
	}

	/** What the server has taken stands there, field by field, as it was sent; ids and places of new documents are the server's to give. */
	private expectThere(parts: readonly ChangePart[]): void {
		for (const { document, fields } of parts)
			fields.forEach(({ path, to }, i) => {
				if (fields.slice(i + 1).some((later) => overlap(later.path, path))) return;
				const there = valueAt(this.server.documents.get(document), path);
				if (path.length > 0) return expect(there).toEqual(to);
				const { body } = to as Held;
				expect((there as Held).body).toEqual({ ...(body as object), id: (there as Held).id });
			});
	}

	/** What is shown is what the server has, but for what is still to be sent. */
	expectAlike(): void {
		if (!this.copy.isIdle || this.copy.seen < this.server.number) return;
		if (this.copy.wanted.length > 0) return;
		for (const held of this.server.all) {
			const here = this.copy.get(held.uuid);
			if (here || !held.retired) expect(here?.body).toEqual(held.body);
		}
	}

	hear(): void {
		if (this.online) this.copy.hear(this.server.changes.slice(this.copy.seen));
		this.fetch();
	}

	/** Asks for what came into use and is not here. */
	fetch(): void {
		const { wanted } = this.copy;
		if (this.online && wanted.length > 0) this.copy.bring(this.server.named(wanted), wanted);
	}

	sendAll(): void {
		for (let i = 0; i < 1000 && !this.copy.isIdle; i++) this.send();
	}
}

export const amount = (value: number) => (preset: ShakePreset) => ({ ...preset, amount: value });
export const rate = (value: number) => (preset: ShakePreset) => ({ ...preset, rate: value });
