/**
 * Documents with undo, saved as ever new versions, with drafts for when the server is away and a question when somebody else
 * saved first. It knows no kind of document: a host says how one is sent and what it is called. Nothing a user did is lost.
 */
import type { Draft as ImmerDraft } from 'immer';
import { dequal } from 'dequal';
import { History } from './history';
import type { AnyPreset } from 'dinesis-runtime';
import { type Course, type Wiring } from '$lib/documents';
import type { Answer } from './api';
import { Drafts } from './drafts';
import type { Tabs } from './tabs';

export type Kept = AnyPreset | Wiring | Course;
export type Documents = Record<string, Kept>;

/** How a document stands with the server. */
export type Keeping = 'kept' | 'changed' | 'saving' | 'away' | 'conflict' | 'refused';

export interface Saved {
	readonly version: number;
	readonly savedAt: string;
	readonly position: string;
}

export interface StoredDocument extends Saved {
	readonly key: string;
	readonly document: Kept;
}

export interface Conflict {
	readonly key: string;
	readonly theirs: StoredDocument;
}

export interface KeeperHost {
	/** Sends a document to the server with the version that it began from. */
	send(key: string, base: number, document: Kept, note: string): Promise<Answer<{ version: number; savedAt: string }>>;
	/** What a sentence calls it: “Thud”, the cues. */
	nameOf(key: string): string;
	/** Hears of every document that changed, however it came about. */
	changed(key: string, document: Kept): void;
	say(text: string): void;
}

const SAVE_AFTER_MS = 700;
const DRAFT_AFTER_MS = 150;
const RETRY_MS = 3000;

export class Keeper {
	/** Changes with every change to any document: what depends on documents reads it. */
	documents = $state.raw<Documents>({});
	undoLabel = $state<string | null>(null);
	redoLabel = $state<string | null>(null);
	/** Questions that wait for an answer, by the document: each holds its own saves back, and nothing else. */
	conflicts = $state.raw<Readonly<Record<string, Conflict>>>({});
	private saved = $state.raw<Record<string, Saved>>({});
	private keeping = $state.raw<Record<string, Keeping>>({});
	private readonly history: History<Documents>;
	private readonly notes = new Map<string, string>();
	private readonly timers = new Map<string, ReturnType<typeof setTimeout>>();
	private readonly draftTimers = new Map<string, ReturnType<typeof setTimeout>>();
	private closed = false;
	private drafts: Drafts | null = null;
	private tabs: Tabs | null = null;

	constructor(
		private readonly project: string,
		first: readonly StoredDocument[],
		private readonly host: KeeperHost
	) {
		this.history = new History<Documents>(Object.fromEntries(first.map((d) => [d.key, d.document])));
		this.documents = this.history.present;
		this.saved = Object.fromEntries(first.map((d) => [d.key, savedOf(d)]));
	}

	/** Begins what needs a browser: drafts, and telling other tabs. */
	open(tabs: Tabs): void {
		this.drafts = new Drafts();
		this.tabs = tabs;
	}

	savedOf(key: string): Saved | undefined {
		return this.saved[key];
	}

	keepingOf(key: string): Keeping {
		return this.keeping[key] ?? 'kept';
	}

	/** One undoable step; changes with the same mark, one after the other, are one step. */
	change(label: string, recipe: (draft: ImmerDraft<Documents>) => void, mark: string | null = null): void {
		if (this.history.change(label, recipe, mark)) this.publish();
	}

	/** An act that is no change of a document, but can be taken back. */
	note(label: string, act: { undo: () => void; redo: () => void }): void {
		this.history.note(label, act);
		this.showLabels();
	}

	/** Everything that `work` changes and notes is one step. */
	group(label: string, work: () => void): void {
		if (this.history.group(label, work)) this.showLabels();
	}

	/** Ends a gesture. */
	seal(): void {
		this.history.seal();
	}

	undo(): string | null {
		const label = this.history.undo();
		if (label !== null) this.publish();
		return label;
	}

	redo(): string | null {
		const label = this.history.redo();
		if (label !== null) this.publish();
		return label;
	}

	/** Says beside a document's next version why it was made. */
	because(key: string, note: string): void {
		this.notes.set(key, note);
	}

	/** Takes over what the server has, as a change that undo passes by. */
	take(list: readonly StoredDocument[]): void {
		this.history.accept((draft) => {
			for (const { key, document } of list) draft[key] = document as ImmerDraft<Kept>;
		});
		this.saved = { ...this.saved, ...Object.fromEntries(list.map((stored) => [stored.key, savedOf(stored)])) };
		this.publish(new Set(list.map((stored) => stored.key)));
	}

	/** As `take`, of one that had changes of its own here: they are given up. */
	takeInstead(stored: StoredDocument): void {
		this.take([stored]);
		this.answered(stored.key);
		this.setKeeping(stored.key, 'kept');
		void this.drafts?.drop(this.project, stored.key);
	}

	/** As `takeInstead`, as a step that undo takes back: then mine is here again, to be kept as the next version. */
	takeTheirs(key: string): void {
		const conflict = this.conflicts[key];
		if (!conflict) return;
		const mine = this.documents[key]!;
		const theirs = conflict.theirs.document;
		const put = (document: Kept): void => {
			this.history.accept((draft) => void (draft[key] = document as ImmerDraft<Kept>));
			this.publish();
		};
		this.takeInstead(conflict.theirs);
		this.note(`Take theirs of ${this.host.nameOf(key)}`, { undo: () => put(mine), redo: () => put(theirs) });
	}

	/** Answers a question by saving what is here over what is there. */
	async keepMine(key: string): Promise<void> {
		const conflict = this.conflicts[key];
		if (!conflict) return;
		const { version, savedAt } = conflict.theirs;
		this.saved = { ...this.saved, [key]: { ...this.saved[key]!, version, savedAt } };
		this.because(key, `kept over version ${version}`);
		this.answered(key);
		this.setKeeping(key, 'changed');
		await this.save(key);
	}

	/** Somebody saved once more while the question stands: it is about that now. */
	hear(stored: StoredDocument): void {
		const standing = this.conflicts[stored.key];
		if (standing && stored.version > standing.theirs.version) this.ask(stored);
	}

	private ask(theirs: StoredDocument): void {
		this.conflicts = { ...this.conflicts, [theirs.key]: { key: theirs.key, theirs } };
	}

	private answered(key: string): void {
		const { [key]: gone, ...rest } = this.conflicts;
		if (gone) this.conflicts = rest;
	}

	/** Ends it: what is due is sent, and what cannot be sent waits in this browser for the next one. */
	close(): void {
		this.flush();
		this.closed = true;
	}

	/** Sends what is due before the page goes away; drafts hold it should that fail. */
	flush(): void {
		for (const [key, timer] of this.timers) {
			clearTimeout(timer);
			void this.save(key);
		}
	}

	/** Changes that a closed tab or a lost server left in this browser, of documents that are of a kind. */
	async recoverDrafts(isOfKind: (key: string) => boolean): Promise<void> {
		for (const draft of (await this.drafts?.list(this.project)) ?? []) {
			if (!isOfKind(draft.key)) continue;
			const here = this.documents[draft.key];
			const saved = this.saved[draft.key];
			if (!here || !saved || dequal(here, draft.document)) {
				await this.drafts?.drop(this.project, draft.key);
				continue;
			}
			// Saved against the version it began from: when somebody else saved since, the server says so and we ask.
			this.saved = { ...this.saved, [draft.key]: { ...saved, version: draft.base } };
			const name = this.host.nameOf(draft.key);
			this.change(
				`Recover unsaved changes of ${name}`,
				(d) => void (d[draft.key] = draft.document as ImmerDraft<Kept>)
			);
			this.host.say(`Unsaved changes to ${name} were found in this browser and brought back.`);
		}
	}

	private showLabels(): void {
		this.undoLabel = this.history.undoLabel;
		this.redoLabel = this.history.redoLabel;
	}

	/** Shows the history's present; every document that differs is due to be saved, but for those just taken over. */
	private publish(taken?: ReadonlySet<string>): void {
		const before = this.documents;
		this.documents = this.history.present;
		this.showLabels();
		for (const key of taken ?? Object.keys(this.documents)) {
			const document = this.documents[key]!;
			if (before[key] === document) continue;
			this.host.changed(key, document);
			if (taken) continue;
			if (this.keepingOf(key) !== 'conflict') this.setKeeping(key, 'changed');
			this.saveSoon(key, SAVE_AFTER_MS);
		}
	}

	private saveSoon(key: string, after: number): void {
		clearTimeout(this.timers.get(key));
		if (this.closed) return;
		this.timers.set(
			key,
			setTimeout(() => void this.save(key), after)
		);
		if (after === SAVE_AFTER_MS) this.keepDraftSoon(key);
	}

	/** A drag changes a document sixty times a second; its draft follows a little behind. */
	private keepDraftSoon(key: string): void {
		if (this.draftTimers.has(key)) return;
		const keep = (): void => {
			this.draftTimers.delete(key);
			if (this.keepingOf(key) !== 'kept') void this.keepDraft(key);
		};
		this.draftTimers.set(key, setTimeout(keep, DRAFT_AFTER_MS));
	}

	private async keepDraft(key: string): Promise<void> {
		const document = this.documents[key];
		const base = this.saved[key]?.version;
		if (document && base) await this.drafts?.keep({ project: this.project, key, base, document });
	}

	private async save(key: string): Promise<void> {
		this.timers.delete(key);
		const document = this.documents[key];
		const base = this.saved[key]?.version;
		const standing = this.keepingOf(key);
		if (!document || !base || this.conflicts[key]) return;
		if (standing === 'saving') return this.saveSoon(key, 200);
		const away = standing === 'away';
		if (!away) this.setKeeping(key, 'saving');
		const answer = await this.host.send(key, base, document, this.notes.get(key) ?? '');
		if (answer.ok) {
			this.notes.delete(key);
			await this.haveSaved(key, document, answer.value);
			if (away) this.host.say('The server answers again; your changes are kept.');
		} else if (answer.status === 409) await this.meet(key, document, answer.body as { theirs: StoredDocument });
		else if (answer.away) {
			this.setKeeping(key, 'away');
			this.saveSoon(key, RETRY_MS);
		} else {
			this.setKeeping(key, 'refused');
			this.host.say(`${capital(this.host.nameOf(key))} could not be kept: ${answer.message}`);
		}
	}

	private async haveSaved(key: string, document: Kept, at: { version: number; savedAt: string }): Promise<void> {
		const { position } = this.saved[key]!;
		const { version, savedAt } = at;
		this.saved = { ...this.saved, [key]: { version, savedAt, position } };
		this.tabs?.send({ kind: 'saved', tab: this.tabs.id, key, version, savedAt, position, document });
		const changedMeanwhile = this.documents[key] !== document;
		this.setKeeping(key, changedMeanwhile ? 'changed' : 'kept');
		if (changedMeanwhile) this.saveSoon(key, SAVE_AFTER_MS);
		else await this.drafts?.drop(this.project, key);
	}

	/** Somebody saved since: a question, unless it is what is here. A page that was left while it saved meets itself so. */
	private async meet(key: string, mine: Kept, { theirs }: { theirs: StoredDocument }): Promise<void> {
		if (dequal(theirs.document, mine)) return this.haveSaved(key, mine, theirs);
		this.setKeeping(key, 'conflict');
		this.ask({ ...theirs, key, position: this.saved[key]!.position });
	}

	private setKeeping(key: string, keeping: Keeping): void {
		this.keeping = { ...this.keeping, [key]: keeping };
	}
}

const savedOf = ({ version, savedAt, position }: StoredDocument): Saved => ({ version, savedAt, position });
const capital = (text: string): string => text.charAt(0).toUpperCase() + text.slice(1);
