/**
 * The project as this page has it open: documents with undo, saved as ever new versions, with drafts for when the
 * server is away and a question when somebody else saved first. Nothing a user did is lost.
 */
import { getContext, setContext } from 'svelte';
import type { Draft as ImmerDraft } from 'immer';
import { freeId, History, newPreset, type Arrival, type Choice, type ShakePreset, type Wiring } from '$lib/core';
import { MotionWorker } from '../workers/motion';
import { Shelf } from '../workers/shelf';
import * as api from './api';
import { Drafts } from './drafts';
import { Tabs, type TabMessage } from './tabs';

/** All that is kept, by key: presets by theirs, and the wiring by one that no preset can have. */
type Documents = Record<string, ShakePreset | Wiring>;
type PresetDraft = ImmerDraft<ShakePreset>;
export const WIRING = '*wiring';

/** How a preset stands with the server. */
export type Keeping = 'kept' | 'changed' | 'saving' | 'away' | 'conflict' | 'refused';

export interface Conflict {
	readonly key: string;
	readonly theirs: api.StoredPreset | api.StoredWiring;
}

export interface Notice {
	readonly id: number;
	readonly text: string;
	readonly action?: { readonly label: string; readonly run: () => void };
}

interface Saved {
	readonly version: number;
	readonly savedAt: string;
	readonly position: number;
}

const SAVE_AFTER_MS = 700;
const DRAFT_AFTER_MS = 150;
const RETRY_MS = 3000;
/** How often a tab says that it is there; one that is silent for three beats is gone. */
const TAB_BEAT_MS = 4000;

export class ProjectSession {
	/** Changes with every change to any document: what depends on documents reads it. */
	private documents = $state.raw<Documents>({});
	private saved = $state.raw<Record<string, Saved>>({});
	private keeping = $state.raw<Record<string, Keeping>>({});
	/** Preset keys in the project's order. */
	order = $state.raw<readonly string[]>([]);
	/** How many presets are still to come from the server. */
	missing = $state(0);
	undoLabel = $state<string | null>(null);
	redoLabel = $state<string | null>(null);
	conflict = $state.raw<Conflict | null>(null);
	notices = $state.raw<readonly Notice[]>([]);
	/** Other tabs by what they look at. */
	private others = $state.raw<Record<string, { readonly key: string; readonly at: number }>>({});
	/** Measures, drawings and neighbours, off the page's thread. */
	readonly worker = new MotionWorker();
	readonly shelf = new Shelf(this.worker);
	private readonly history: History<Documents>;
	private readonly notes = new Map<string, string>();
	private readonly timers = new Map<string, ReturnType<typeof setTimeout>>();
	private readonly draftTimers = new Map<string, ReturnType<typeof setTimeout>>();
	private readonly listeners = new Set<(preset: ShakePreset) => void>();
	private drafts: Drafts | null = null;
	private tabs: Tabs | null = null;
	private looking = '';
	private lastNotice = 0;

	constructor(
		readonly project: { readonly id: string; readonly slug: string; readonly name: string },
		presets: readonly api.StoredPreset[],
		/** How many there are in all: those that did not come with the page are fetched once it stands. */
		count: number = presets.length,
		wiring: api.StoredWiring = { version: 1, savedAt: '', document: { events: [], parameters: [], cues: [] } }
	) {
		this.history = new History<Documents>({
			...Object.fromEntries(presets.map((p) => [p.key, p.document])),
			[WIRING]: wiring.document
		});
		this.documents = this.history.present;
		this.saved = {
			...Object.fromEntries(presets.map((p) => [p.key, savedOf(p)])),
			[WIRING]: { version: wiring.version, savedAt: wiring.savedAt, position: -1 }
		};
		this.order = this.inOrder(presets.map((p) => p.key));
		this.missing = Math.max(0, count - presets.length);
	}

	/** Begins what needs a browser: drafts, other tabs. Returns what ends it. */
	open(): () => void {
		this.drafts = new Drafts();
		this.tabs = new Tabs(this.project.slug, (message) => this.receive(message));
		this.look(this.looking);
		void this.fetchRest().then(() => this.recoverDrafts());
		const leave = (): void => {
			this.flush();
			this.tabs?.leave();
		};
		window.addEventListener('pagehide', leave);
		const beat = setInterval(() => this.beat(), TAB_BEAT_MS);
		return () => {
			clearInterval(beat);
			window.removeEventListener('pagehide', leave);
			this.flush();
			this.tabs?.close();
			this.worker.close();
		};
	}

	preset(key: string): ShakePreset | undefined {
		return key === WIRING ? undefined : (this.documents[key] as ShakePreset | undefined);
	}

	get presets(): ShakePreset[] {
		return this.order.map((key) => this.documents[key] as ShakePreset).filter(Boolean);
	}

	savedOf(key: string): Saved | undefined {
		return this.saved[key];
	}

	keepingOf(key: string): Keeping {
		return this.keeping[key] ?? 'kept';
	}

	/** How many other tabs look at this preset. */
	othersAt(key: string): number {
		return Object.values(this.others).filter((other) => other.key === key).length;
	}

	/** Calls back with every preset that changes, however it came about. */
	onChange(listener: (preset: ShakePreset) => void): () => void {
		this.listeners.add(listener);
		return () => this.listeners.delete(listener);
	}

	/** Changes a preset as one undoable step; changes with the same mark, one after the other, are one step. */
	change(
		key: string,
		label: string,
		recipe: (preset: ImmerDraft<ShakePreset>) => ShakePreset | void,
		mark: string | null = null
	): void {
		const preset = this.preset(key);
		if (!preset) return;
		const changed = this.history.change(
			`${label} in ${preset.name}`,
			(draft) => {
				const result = recipe(draft[key] as PresetDraft);
				if (result) draft[key] = result as PresetDraft;
			},
			mark === null ? null : `${key} ${mark}`
		);
		if (changed) this.publish();
	}

	/** Events, game values and cues. */
	get wiring(): Wiring {
		return this.documents[WIRING] as Wiring;
	}

	/** The cues that play or stop a preset, by their place in the list. */
	usesOf(key: string): number[] {
		return this.wiring.cues.flatMap((cue, i) =>
			cue.actions.some(
				(action) =>
					(action.kind === 'play' && action.pick.some((p) => p.preset === key)) ||
					(action.kind === 'stop' &&
						typeof action.what === 'object' &&
						'preset' in action.what &&
						action.what.preset === key)
			)
				? [i + 1]
				: []
		);
	}

	/** Changes the wiring as one undoable step; marks as in `change`. */
	rewire(label: string, recipe: (wiring: Wiring) => Wiring, mark: string | null = null): void {
		const changed = this.history.change(
			label,
			(draft) => void (draft[WIRING] = recipe(this.wiring) as ImmerDraft<Wiring>),
			mark === null ? null : `${WIRING} ${mark}`
		);
		if (changed) this.publish();
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

	/** Undo, and says what was undone. */
	goBack(): void {
		const label = this.undo();
		this.say(label === null ? 'There is nothing to undo.' : `Undone: ${label}`);
	}

	/** Redo, and says what was done again. */
	goForward(): void {
		const label = this.redo();
		this.say(label === null ? 'There is nothing to redo.' : `Done again: ${label}`);
	}

	/** Adds a preset and returns its key; null when the server refused. */
	async add(document: ShakePreset, note = ''): Promise<string | null> {
		const made = await api.createPreset(this.project.slug, document, note);
		if (!made.ok) {
			this.say(
				made.away
					? 'The server does not answer, so a new preset cannot be made right now. Try again shortly.'
					: made.message
			);
			return null;
		}
		this.take(made.value);
		return made.value.key;
	}

	addNew(): Promise<string | null> {
		const name = 'New shake';
		return this.add(newPreset(freeId(name, this.order), name), 'made new');
	}

	/** A copy that remembers its origin. */
	copy(key: string): Promise<string | null> {
		const source = this.preset(key)!;
		const name = `${source.name}, copy`.slice(0, 120);
		return this.add({ ...source, id: freeId(name, this.order), name, origin: key }, `copied from ${source.name}`);
	}

	/** Takes presets out of use; undo brings them back. False when the server refused. */
	async retire(...keys: string[]): Promise<boolean> {
		const present = keys.filter((key) => this.order.includes(key));
		const what = present.length === 1 ? `“${this.preset(present[0]!)?.name}”` : `${present.length} presets`;
		if (!(await this.putAway(present, true))) return false;
		this.history.note(`Retire ${what}`, {
			undo: () => void this.putAway(present, false),
			redo: () => void this.putAway(present, true)
		});
		this.showLabels();
		const cues = new Set(present.flatMap((key) => this.usesOf(key))).size;
		const used = cues > 0 ? ` ${cues === 1 ? 'A cue points' : `${cues} cues point`} there and will do nothing.` : '';
		this.say(`${what} ${present.length === 1 ? 'is' : 'are'} retired.${used}`, {
			label: 'Bring back',
			run: () => void this.putAway(present, false)
		});
		return true;
	}

	/** Those that were retired, newest order first. */
	async retired(): Promise<api.Answer<api.StoredPreset[]>> {
		return api.fetchPresets(this.project.slug, -1, true);
	}

	/** Brings a retired preset back into use. */
	async bringBack(stored: api.StoredPreset): Promise<boolean> {
		const done = await api.retirePresets(this.project.slug, [stored.key], false);
		if (!done.ok) {
			this.say(done.message);
			return false;
		}
		this.take(stored);
		return true;
	}

	private async putAway(keys: readonly string[], away: boolean): Promise<boolean> {
		const done = await api.retirePresets(this.project.slug, keys, away);
		if (!done.ok) {
			this.say(done.message);
			return false;
		}
		const rest = this.order.filter((key) => !keys.includes(key));
		this.order = away ? rest : this.inOrder([...rest, ...keys]);
		return true;
	}

	/** Sets one field of several presets as one undoable step. */
	changeMany(keys: readonly string[], label: string, recipe: (preset: ImmerDraft<ShakePreset>) => void): void {
		const changed = this.history.change(label, (draft) => {
			for (const key of keys) if (draft[key]) recipe(draft[key] as PresetDraft);
		});
		if (changed) this.publish();
	}

	/**
	 * Takes in what a kit brings, by a choice for each preset whose id is taken. What is replaced stays in its list of
	 * versions; undo takes all of it back. Says what came of it; null when the server refused and nothing was done.
	 */
	async bringIn(list: readonly Arrival[], choiceOf: (id: string) => Choice, from: string): Promise<string | null> {
		const fresh = list.filter(
			(a) => a.standing === 'new' || (a.standing === 'differs' && choiceOf(a.preset.id) === 'both')
		);
		const replaced = list.filter((a) => a.standing === 'differs' && choiceOf(a.preset.id) === 'replace');
		let made: readonly api.StoredPreset[] = [];
		if (fresh.length > 0) {
			const answer = await api.createPresets(
				this.project.slug,
				fresh.map((a) => a.preset),
				`brought in from ${from}`.slice(0, 200)
			);
			if (!answer.ok) {
				this.say(answer.message);
				return null;
			}
			made = answer.value;
			this.takeMany(made);
			const keys = made.map((p) => p.key);
			this.history.note(`Bring in ${keys.length} presets`, {
				undo: () => void this.putAway(keys, true),
				redo: () => void this.putAway(keys, false)
			});
		}
		if (replaced.length > 0) {
			const news = new Map(replaced.map((a) => [a.preset.id, a.preset]));
			for (const key of news.keys()) this.notes.set(key, `replaced from ${from}`.slice(0, 200));
			const changed = this.history.change(`Replace ${replaced.length} presets`, (draft) => {
				for (const [key, preset] of news) draft[key] = preset as ImmerDraft<ShakePreset>;
			});
			if (changed) this.publish();
		}
		this.showLabels();
		const same = list.filter((a) => a.standing === 'same').length;
		const kept = list.length - fresh.length - replaced.length - same;
		return [
			`${made.length} brought in`,
			replaced.length > 0 ? `${replaced.length} replaced` : '',
			kept > 0 ? `${kept} left as they are` : '',
			same > 0 ? `${same} were here already` : ''
		]
			.filter(Boolean)
			.join(', ');
	}

	versions(key: string): Promise<api.Answer<api.VersionEntry[]>> {
		return api.fetchVersions(this.project.slug, key);
	}

	/** Puts an earlier version in place; the present one stays in the list, and undo brings it back. */
	async restore(key: string, version: number): Promise<void> {
		const found = await api.fetchVersion(this.project.slug, key, version);
		if (!found.ok) return this.say(found.message);
		this.notes.set(key, `restored version ${version}`);
		this.change(key, `Restore version ${version}`, () => found.value);
	}

	/** Answers the question that a conflict asks. */
	async settle(choice: 'mine' | 'theirs' | 'both'): Promise<string | null> {
		const conflict = this.conflict;
		if (!conflict) return null;
		const { key, theirs } = conflict;
		this.conflict = null;
		if (choice === 'mine') {
			const { version, savedAt } = theirs;
			this.saved = { ...this.saved, [key]: { ...this.saved[key]!, version, savedAt } };
			this.notes.set(key, `kept over version ${theirs.version}`);
			await this.save(key);
			return null;
		}
		if (key === WIRING) {
			this.takeWiring(theirs as api.StoredWiring);
			return null;
		}
		let copy: string | null = null;
		const mine = this.preset(key)!;
		if (choice === 'both') {
			const name = `${mine.name}, mine`.slice(0, 120);
			copy = await this.add(
				{ ...mine, id: freeId(name, this.order), name, origin: key },
				'kept beside another version'
			);
			if (copy === null) {
				this.conflict = conflict;
				return null;
			}
		}
		this.take(theirs as api.StoredPreset);
		return copy;
	}

	/** Tells other tabs which preset this one shows. */
	look(key: string): void {
		this.looking = key;
		this.tabs?.send({ kind: 'looking', tab: this.tabs.id, key, answer: true });
	}

	private beat(): void {
		this.tabs?.send({ kind: 'looking', tab: this.tabs.id, key: this.looking, answer: false });
		const alive = Object.entries(this.others).filter(([, other]) => Date.now() - other.at < 3 * TAB_BEAT_MS);
		if (alive.length < Object.keys(this.others).length) this.others = Object.fromEntries(alive);
	}

	say(text: string, action?: Notice['action']): void {
		const notice = { id: ++this.lastNotice, text, action };
		this.notices = [...this.notices.slice(-2), notice];
		setTimeout(() => this.dismiss(notice.id), action ? 12000 : 6000);
	}

	dismiss(id: number): void {
		this.notices = this.notices.filter((notice) => notice.id !== id);
	}

	/** Takes over what the server has, as a change that undo passes by. */
	private take(stored: api.StoredPreset): void {
		this.takeMany([stored]);
		this.setKeeping(stored.key, 'kept');
		void this.drafts?.drop(this.project.slug, stored.key);
	}

	private takeWiring(stored: api.StoredWiring): void {
		this.history.accept((draft) => void (draft[WIRING] = stored.document as ImmerDraft<Wiring>));
		const { version, savedAt } = stored;
		this.saved = { ...this.saved, [WIRING]: { version, savedAt, position: -1 } };
		this.publish(new Set([WIRING]));
		this.setKeeping(WIRING, 'kept');
		void this.drafts?.drop(this.project.slug, WIRING);
	}

	private takeMany(list: readonly api.StoredPreset[]): void {
		this.history.accept((draft) => {
			for (const stored of list) draft[stored.key] = stored.document as ImmerDraft<ShakePreset>;
		});
		const taken = new Set(list.map((stored) => stored.key));
		this.saved = { ...this.saved, ...Object.fromEntries(list.map((stored) => [stored.key, savedOf(stored)])) };
		const known = new Set(this.order);
		const fresh = list.filter((stored) => !known.has(stored.key)).map((stored) => stored.key);
		if (fresh.length > 0) this.order = this.behind(fresh);
		this.publish(taken);
	}

	/** The order with new keys in their places: sorted only when they do not simply come last. */
	private behind(fresh: readonly string[]): string[] {
		const place = (key: string | undefined): number =>
			key === undefined ? -1 : (this.saved[key]?.position ?? Infinity);
		const all = [...this.order, ...fresh];
		for (let i = this.order.length; i < all.length; i++)
			if (place(all[i]) < place(all[i - 1])) return this.inOrder(all);
		return all;
	}

	private inOrder(keys: readonly string[]): string[] {
		const place = (key: string): number => this.saved[key]?.position ?? Infinity;
		return [...keys].sort((a, b) => place(a) - place(b) || 0);
	}

	/** Fetches what did not come with the page, a few hundred at a time: taking them in must not block the page. */
	private async fetchRest(): Promise<void> {
		let after = this.missing > 0 ? -1 : Infinity;
		while (this.missing > 0 && after < Infinity) {
			const answer = await api.fetchPresets(this.project.slug, after);
			if (!answer.ok) return this.say('Not all presets could be fetched; load the page again to try once more.');
			const known = new Set(this.order);
			const fresh = answer.value.filter((stored) => !known.has(stored.key));
			this.takeMany(fresh);
			this.missing = answer.value.length < api.PAGE ? 0 : Math.max(1, this.missing - fresh.length);
			after = answer.value.at(-1)?.position ?? Infinity;
		}
	}

	private showLabels(): void {
		this.undoLabel = this.history.undoLabel;
		this.redoLabel = this.history.redoLabel;
	}

	/** Shows the history's present; every document that differs is due to be saved, but for the one just taken over. */
	private publish(taken?: ReadonlySet<string>): void {
		const before = this.documents;
		this.documents = this.history.present;
		this.showLabels();
		for (const key of taken ?? Object.keys(this.documents)) {
			const document = this.documents[key]!;
			if (before[key] === document) continue;
			if (key !== WIRING) for (const listener of this.listeners) listener(document as ShakePreset);
			if (taken) continue;
			if (this.keepingOf(key) !== 'conflict') this.setKeeping(key, 'changed');
			this.saveSoon(key, SAVE_AFTER_MS);
		}
	}

	private saveSoon(key: string, after: number): void {
		clearTimeout(this.timers.get(key));
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
		if (document && base) await this.drafts?.keep({ project: this.project.slug, key, base, document });
	}

	/** Sends what is due before the page goes away; drafts hold it should that fail. */
	private flush(): void {
		for (const [key, timer] of this.timers) {
			clearTimeout(timer);
			void this.save(key);
		}
	}

	private async save(key: string): Promise<void> {
		this.timers.delete(key);
		const document = this.documents[key];
		const base = this.saved[key]?.version;
		const standing = this.keepingOf(key);
		if (!document || !base || this.conflict?.key === key) return;
		if (standing === 'saving') return this.saveSoon(key, 200);
		const away = standing === 'away';
		if (!away) this.setKeeping(key, 'saving');
		const { slug } = this.project;
		const note = this.notes.get(key) ?? '';
		const answer =
			key === WIRING
				? await api.saveWiring(slug, base, document as Wiring, note)
				: await api.savePreset(slug, key, base, document as ShakePreset, note);
		if (answer.ok) {
			this.notes.delete(key);
			const { position } = this.saved[key]!;
			this.saved = { ...this.saved, [key]: { ...answer.value, position } };
			this.tabs?.send({ kind: 'saved', tab: this.tabs.id, key, ...answer.value, position, document });
			const changedMeanwhile = this.documents[key] !== document;
			this.setKeeping(key, changedMeanwhile ? 'changed' : 'kept');
			if (changedMeanwhile) this.saveSoon(key, SAVE_AFTER_MS);
			else await this.drafts?.drop(this.project.slug, key);
			if (away) this.say('The server answers again; your changes are kept.');
		} else if (answer.status === 409) {
			this.setKeeping(key, 'conflict');
			this.conflict = { key, theirs: (answer.body as { theirs: Conflict['theirs'] }).theirs };
		} else if (answer.away) {
			this.setKeeping(key, 'away');
			this.saveSoon(key, RETRY_MS);
		} else {
			this.setKeeping(key, 'refused');
			const name = this.preset(key)?.name;
			this.say(`${name ? `“${name}”` : 'The cues'} could not be kept: ${answer.message}`);
		}
	}

	private setKeeping(key: string, keeping: Keeping): void {
		this.keeping = { ...this.keeping, [key]: keeping };
	}

	/** Changes that a closed tab or a lost server left in this browser. */
	private async recoverDrafts(): Promise<void> {
		for (const draft of (await this.drafts?.list(this.project.slug)) ?? []) {
			const here = this.documents[draft.key];
			const saved = this.saved[draft.key];
			if (!here || !saved || JSON.stringify(here) === JSON.stringify(draft.document)) {
				await this.drafts?.drop(this.project.slug, draft.key);
				continue;
			}
			// Saved against the version it began from: when somebody else saved since, the server says so and we ask.
			this.saved = { ...this.saved, [draft.key]: { ...saved, version: draft.base } };
			if (draft.key === WIRING) this.rewire('Recover unsaved changes', () => draft.document as Wiring);
			else this.change(draft.key, 'Recover unsaved changes', () => draft.document as ShakePreset);
			const name = this.preset(draft.key)?.name;
			this.say(`Unsaved changes to ${name ? `“${name}”` : 'the cues'} were found in this browser and brought back.`);
		}
	}

	private receive(message: TabMessage): void {
		if (message.kind === 'looking') {
			this.others = { ...this.others, [message.tab]: { key: message.key, at: Date.now() } };
			if (message.answer) this.tabs?.send({ kind: 'looking', tab: this.tabs.id, key: this.looking, answer: false });
		} else if (message.kind === 'left') {
			const { [message.tab]: gone, ...rest } = this.others;
			void gone;
			this.others = rest;
		} else if (this.keepingOf(message.key) === 'kept') {
			if (message.key === WIRING) this.takeWiring({ ...message, document: message.document as Wiring });
			else this.take({ ...message, document: message.document as ShakePreset });
			if (message.key === this.looking) this.say('Another tab changed this preset; its version is shown here.');
		}
	}
}

const savedOf = ({ version, savedAt, position }: api.StoredPreset): Saved => ({ version, savedAt, position });

const CONTEXT = Symbol('session');
export const provideSession = (session: ProjectSession): ProjectSession => setContext(CONTEXT, session);
export const useSession = (): ProjectSession => getContext(CONTEXT);
