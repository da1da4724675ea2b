/** Documents by the keys that rooms know them by: how each stands with the server, what a sentence calls it, whose history it is. */
import {
	PRESET_KINDS,
	shownOfHeld,
	WIRING_KINDS,
	type AnyDocument,
	type Held,
	type KindName,
	type MadeChange,
	type Scope
} from '$lib/documents';
import { courseId, isCourse } from './courses.svelte';
import { RIG, WIRING, type Keeping, type Saved } from './opened';
import type { WorkingCopy } from './working-copy.svelte';

export const isWiringKind = (kind: KindName): boolean => (WIRING_KINDS as readonly KindName[]).includes(kind);

/** What a sentence calls a document. */
export const nameOf = (held: Held): string =>
	isWiringKind(held.kind) ? 'the events, cues and rigs' : `“${(shownOfHeld(held) as AnyDocument).name ?? held.id}”`;

/** How sending goes. */
interface Sending {
	readonly away: boolean;
	readonly sending: boolean;
}

export class Standing {
	private wiringSaved = $state.raw<Saved>({ version: 1, savedAt: '' });

	constructor(
		private readonly work: WorkingCopy,
		private readonly outbox: Sending,
		wiring: Saved | undefined
	) {
		if (wiring) this.wiringSaved = wiring;
	}

	/** What is held of events, game values, cues, rigs and links. */
	get wiring(): Held[] {
		return WIRING_KINDS.flatMap((kind) => this.work.list(kind));
	}

	/** What is held of one document. */
	one(kind: KindName, id: string): Held | undefined {
		return this.work.find([kind], id);
	}

	/** What is held of the document or documents of a key. */
	heldOf(key: string): readonly Held[] {
		if (key === WIRING) return this.wiring;
		const held = isCourse(key)
			? this.work.find(['course'], courseId(key))
			: key.startsWith(RIG)
				? this.work.find(['rig'], key.slice(RIG.length))
				: this.work.find(PRESET_KINDS, key);
		return held ? [held] : [];
	}

	/** The versions of the wiring are the changes of any of its documents. */
	count({ parts, savedAt }: MadeChange): void {
		const ofWiring = parts.some(({ document }) => isWiringKind(this.work.get(document)?.kind ?? 'shake'));
		if (ofWiring) this.wiringSaved = { version: this.wiringSaved.version + 1, savedAt };
	}

	savedOf(key: string): Saved | undefined {
		if (key === WIRING) return this.wiringSaved;
		const [held] = this.heldOf(key);
		return held && this.work.ackedOf(held.uuid);
	}

	keepingOf(key: string): Keeping {
		const uuids = new Set(this.heldOf(key).map(({ uuid }) => uuid));
		if ([...uuids].some((uuid) => this.work.busy.has(uuid)))
			return this.outbox.away ? 'away' : this.outbox.sending ? 'saving' : 'changed';
		return this.work.refused.some(({ document }) => uuids.has(document)) ? 'refused' : 'kept';
	}

	/** Whose history a room shows: a document's, or that of events, game values, cues and rigs. */
	scopeOf(key: string): Scope {
		return key === WIRING ? { kinds: WIRING_KINDS } : { uuids: this.heldOf(key).map(({ uuid }) => uuid) };
	}

	/** What a sentence says of where somebody is. */
	placeName(key: string): string {
		if (key === '') return 'is here';
		const [held] = this.heldOf(key);
		return key === WIRING || !held ? 'is at the events, cues and rigs' : `is at ${nameOf(held)}`;
	}
}
