/** The documents as they are shown, found by uuid, by kind and id, and as lists of each kind; and as the server has them, underneath. */
import type { Held, KindName } from '$lib/documents';
import { EMPTY, relisted, type HeldLists, type Turn } from './held-lists';

export class ShownDocuments {
	private lists = $state.raw<HeldLists>({});
	private readonly acked = new Map<string, Held>();
	private readonly shown = new Map<string, Held>();
	private readonly byId = new Map<string, string>();
	/** Ids that documents had before, for whoever still knows them so: an address, a key. */
	private readonly former = new Map<string, string>();

	/**
	 * `standing` tells what is shown of a document: what the server has, with what is on its way on top; undefined: nothing. `changed` hears of
	 * every document that is shown differently, of the id that it had before where that is another, and of it as it was.
	 */
	constructor(
		private readonly standing: (uuid: string, acked: Held | undefined) => Held | undefined,
		private readonly changed: (held: Held, from: string | undefined, before: Held | undefined) => void
	) {}

	/** Those of a kind that are in use, in the project's order. */
	list(kind: KindName): readonly Held[] {
		return this.lists[kind] ?? EMPTY;
	}

	/** A document as it is shown, also one that is out of use; depends on all of its kind. */
	get(uuid: string): Held | undefined {
		const held = this.shown.get(uuid);
		if (held) void this.lists[held.kind];
		else void this.lists;
		return held;
	}

	/** The same, for what asks once and need not hear of changes. */
	peek(uuid: string): Held | undefined {
		return this.shown.get(uuid);
	}

	/** By its id, in one of these kinds. */
	find(kinds: readonly KindName[], id: string): Held | undefined {
		for (const kind of kinds) {
			void this.lists[kind];
			const uuid = this.byId.get(`${kind} ${id}`);
			if (uuid !== undefined) return this.shown.get(uuid);
		}
		for (const kind of kinds) {
			const uuid = this.former.get(`${kind} ${id}`);
			if (uuid !== undefined) return this.shown.get(uuid);
		}
		return undefined;
	}

	/** All that is here, of every kind, in use or not. */
	all(): Held[] {
		return [...this.shown.values()];
	}

	/** Where the server has it. */
	ackedOf(uuid: string): Held | undefined {
		return this.acked.get(uuid);
	}

	/** The server has it so. It is shown with the next `show`. */
	acknowledge(held: Held): void {
		this.acked.set(held.uuid, held);
	}

	/** Shows documents anew. */
	show(uuids: readonly string[]): void {
		const turns: Turn[] = [];
		for (const uuid of new Set(uuids)) {
			const before = this.shown.get(uuid);
			const after = this.standing(uuid, this.acked.get(uuid));
			if (after === before) continue;
			// Two that were made at once may wish for one id, until the server has given each its own.
			const name = before && `${before.kind} ${before.id}`;
			if (name && this.byId.get(name) === uuid) this.byId.delete(name);
			if (after) this.shown.set(uuid, after);
			else this.shown.delete(uuid);
			turns.push({ before, after });
		}
		if (turns.length === 0) return;
		for (const { after } of turns) if (after) this.byId.set(`${after.kind} ${after.id}`, after.uuid);
		for (const { before, after } of turns) if (before && before.id !== after?.id) this.findAgain(before);
		this.lists = relisted(this.lists, turns);
		for (const { before, after } of turns) {
			if (!after) continue;
			const from = before && before.id !== after.id ? before.id : undefined;
			if (from !== undefined) this.former.set(`${after.kind} ${from}`, after.uuid);
			this.changed(after, from, before);
		}
	}

	/** An id that one document gave up may be another's, which it stood before until the server had settled it. */
	private findAgain({ kind, id }: Held): void {
		const name = `${kind} ${id}`;
		if (this.byId.has(name)) return;
		for (const held of this.shown.values()) if (held.kind === kind && held.id === id) this.byId.set(name, held.uuid);
	}
}
