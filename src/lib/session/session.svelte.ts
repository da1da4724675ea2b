/**
 * The project as this page has it open: documents with undo, saved as ever new versions, with drafts for when the
 * server is away and a question when somebody else saved first. Nothing a user did is lost.
 */
import { getContext, setContext } from 'svelte';
import type { Draft as ImmerDraft } from 'immer';
import { freeId, wiringBeside, type Arrival, type Choice, type Course, type Wiring } from '$lib/documents';
import type { AnyPreset, BobPreset, LagPreset, Rig, ShakePreset } from 'dinesis-runtime';
import {
	newBob,
	newLag,
	newPreset,
	NO_LINKS,
	isBob,
	isLag,
	isShake,
	type Played,
	type View
} from 'dinesis-runtime/tools';
import { rigsAlong, sayBroughtIn, sortOut } from './bring-in';
import { arranged, inOrder, withNew } from './order';
import { MotionWorker } from '../workers/motion';
import { Shelf } from '../workers/shelf';
import * as api from './api';
import { courseKey, Courses, isCourse } from './courses.svelte';
import { Keeper, type Conflict, type Keeping, type Kept, type Saved } from './keeper.svelte';
import { Notices, type Notice } from './notices.svelte';
import { Presence } from './presence.svelte';
import { Tabs, type TabMessage } from './tabs';

export type { Conflict, Keeping, Notice };
type PresetDraft = ImmerDraft<ShakePreset>;
/** Keys of what is kept beside presets: a star is in no id. */
export const WIRING = '*wiring';
const isPreset = (key: string): boolean => !key.startsWith('*');

export class ProjectSession {
	/** Keys of shakes in the project's order. */
	order = $state.raw<readonly string[]>([]);
	/** Keys of head bobs and camera lags, in the project's order. */
	private bodyOrder = $state.raw<readonly string[]>([]);
	/** How many presets are still to come from the server. */
	missing = $state(0);
	readonly notes = new Notices();
	/** Measures, drawings and neighbours, off the page's thread. */
	readonly worker = new MotionWorker();
	readonly shelf = new Shelf(this.worker);
	readonly courses: Courses;
	private readonly keeper: Keeper;
	private readonly presence = new Presence();
	private readonly listeners = new Set<(preset: ShakePreset) => void>();

	constructor(
		readonly project: { readonly id: string; readonly slug: string; readonly name: string; readonly demo?: boolean },
		presets: readonly api.StoredPreset[],
		/** How many there are in all: those that did not come with the page are fetched once it stands. */
		count: number = presets.length,
		wiring: api.StoredWiring = {
			version: 1,
			savedAt: '',
			document: { events: [], parameters: [], cues: [], world: NO_LINKS, rigs: [] }
		}
	) {
		this.keeper = new Keeper(project.slug, [...presets, { ...wiring, key: WIRING, position: '' }], {
			send: (key, base, document, note) => this.send(key, base, document, note),
			nameOf: (key) => this.titleOf(key),
			changed: (key, document) => {
				const preset = isPreset(key) ? (document as AnyPreset) : null;
				if (preset && isShake(preset)) for (const listener of this.listeners) listener(preset);
			},
			say: (text) => this.say(text)
		});
		this.courses = new Courses(project.slug, this.keeper, (text, action) => this.say(text, action));
		const keysOf = (shakes: boolean): string[] =>
			presets.filter((p) => isShake(p.document) === shakes).map((p) => p.key);
		this.order = inOrder(keysOf(true), this.placeOf);
		this.bodyOrder = inOrder(keysOf(false), this.placeOf);
		this.missing = Math.max(0, count - presets.length);
	}

	/** Where the project's pages are: `/` and its part of the address, written as addresses are. */
	get home(): string {
		return `/${encodeURIComponent(this.project.slug)}`;
	}

	/** Begins what needs a browser: drafts, other tabs. Returns what ends it. */
	open(): () => void {
		const tabs = new Tabs(this.project.slug, (message) => this.receive(message));
		this.keeper.open(tabs);
		const alone = this.presence.open(tabs);
		void this.fetchRest().then(() => this.keeper.recoverDrafts((key) => !isCourse(key)));
		const leave = (): void => {
			this.keeper.flush();
			tabs.leave();
		};
		window.addEventListener('pagehide', leave);
		return () => {
			alone();
			window.removeEventListener('pagehide', leave);
			this.keeper.close();
			tabs.close();
			this.worker.close();
		};
	}

	private send(
		key: string,
		base: number,
		document: Kept,
		note: string
	): Promise<api.Answer<{ version: number; savedAt: string }>> {
		const { slug } = this.project;
		if (key === WIRING) return api.saveWiring(slug, base, document as Wiring, note);
		if (isCourse(key)) return api.saveCourse(slug, (document as Course).id, base, document as Course, note);
		return api.savePreset(slug, key, base, document as AnyPreset, note);
	}

	/** What a sentence calls a document. */
	titleOf(key: string): string {
		if (key === WIRING) return 'the events, cues and rigs';
		const document = this.documents[key] as AnyPreset | Course | undefined;
		return `“${document?.name ?? key}”`;
	}

	private get documents(): Record<string, Kept> {
		return this.keeper.documents;
	}

	get undoLabel(): string | null {
		return this.keeper.undoLabel;
	}

	get redoLabel(): string | null {
		return this.keeper.redoLabel;
	}

	/** Documents that were saved elsewhere since this page began to change them, the first one first. */
	get conflicts(): readonly Conflict[] {
		return Object.values(this.keeper.conflicts);
	}

	/** What is here of a document, whatever its kind. */
	document(key: string): Kept | undefined {
		return this.documents[key];
	}

	preset(key: string): ShakePreset | undefined {
		const found = isPreset(key) ? (this.documents[key] as AnyPreset | undefined) : undefined;
		return found && isShake(found) ? found : undefined;
	}

	/** The project's head bobs and camera lags. */
	get bobsAndLags(): (BobPreset | LagPreset)[] {
		return this.bodyOrder.map((key) => this.documents[key] as BobPreset | LagPreset);
	}

	/** All that a run is played with. */
	get played(): Played {
		return { ...this.wiring, presets: [...this.presets, ...this.bobsAndLags] };
	}

	get bobs(): BobPreset[] {
		return this.bobsAndLags.filter(isBob);
	}

	get lags(): LagPreset[] {
		return this.bobsAndLags.filter(isLag);
	}

	get presets(): ShakePreset[] {
		return this.order.map((key) => this.documents[key] as ShakePreset).filter(Boolean);
	}

	savedOf(key: string): Saved | undefined {
		return this.keeper.savedOf(key);
	}

	keepingOf(key: string): Keeping {
		return this.keeper.keepingOf(key);
	}

	/** How many other tabs look at this preset. */
	othersAt(key: string): number {
		return this.presence.at(key);
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
		this.keeper.change(
			`${label} in ${preset.name}`,
			(draft) => {
				const result = recipe(draft[key] as PresetDraft);
				if (result) draft[key] = result as PresetDraft;
			},
			mark === null ? null : `${key} ${mark}`
		);
	}

	/** Changes a head bob or a camera lag as one undoable step; marks as in `change`. */
	changeBody(
		key: string,
		label: string,
		recipe: (preset: BobPreset | LagPreset) => BobPreset | LagPreset,
		mark: string | null = null
	): void {
		const preset = this.bobsAndLags.find((p) => p.id === key);
		if (!preset) return;
		this.keeper.change(
			`${label} in ${preset.name}`,
			(draft) => void (draft[key] = recipe(preset) as ImmerDraft<AnyPreset>),
			mark === null ? null : `${key} ${mark}`
		);
	}

	/** Events, game values and cues. */
	get wiring(): Wiring {
		return this.documents[WIRING] as Wiring;
	}

	/** The cues that play or stop a preset, or put it in the camera's chain, by their place in the list. */
	usesOf(key: string): number[] {
		return this.wiring.cues.flatMap((cue, i) =>
			cue.actions.some(
				(action) =>
					(action.kind === 'play' && action.pick.some((p) => p.preset === key)) ||
					(action.kind === 'stop' &&
						typeof action.what === 'object' &&
						'preset' in action.what &&
						action.what.preset === key) ||
					(action.kind === 'camera' && (action.bob === key || action.lag === key))
			)
				? [i + 1]
				: []
		);
	}

	/** Changes the wiring as one undoable step; marks as in `change`. */
	rewire(label: string, recipe: (wiring: Wiring) => Wiring, mark: string | null = null): void {
		this.keeper.change(
			label,
			(draft) => void (draft[WIRING] = recipe(this.wiring) as ImmerDraft<Wiring>),
			mark === null ? null : `${WIRING} ${mark}`
		);
	}

	/** Ends a gesture. */
	seal(): void {
		this.keeper.seal();
	}

	undo(): string | null {
		return this.keeper.undo();
	}

	redo(): string | null {
		return this.keeper.redo();
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
	async add(document: AnyPreset, note = ''): Promise<string | null> {
		const made = await api.createPreset(this.project.slug, document, note);
		if (!made.ok) {
			this.say(
				made.away
					? 'The server does not answer, so a new preset cannot be made right now. Try again shortly.'
					: made.message
			);
			return null;
		}
		const { key } = made.value;
		this.take(made.value);
		this.noteArrival(`Add “${document.name}”`, [key]);
		return key;
	}

	/** Presets that came are retired by undo, so that nothing is lost by it. */
	private noteArrival(label: string, keys: readonly string[]): void {
		this.keeper.note(label, {
			undo: () => void this.putAway(keys, true),
			redo: () => void this.putAway(keys, false)
		});
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

	/** A new head bob or lag, for space or for a flat picture. */
	newBody(family: 'bob' | 'lag', view: View = 'space'): Promise<string | null> {
		const name = family === 'bob' ? 'New bob' : 'New lag';
		const id = freeId(name, [...this.order, ...this.bodyOrder]);
		return this.add({ ...(family === 'bob' ? newBob(id, name) : newLag(id, name)), view }, 'made new');
	}

	/** A copy of a head bob or a lag. */
	copyBody(key: string): Promise<string | null> {
		const source = this.bobsAndLags.find((preset) => preset.id === key)!;
		const name = `${source.name}, copy`.slice(0, 120);
		const id = freeId(name, [...this.order, ...this.bodyOrder]);
		return this.add({ ...source, id, name }, `copied from ${source.name}`);
	}

	/** Takes presets out of use; undo brings them back. False when the server refused. */
	async retire(...keys: string[]): Promise<boolean> {
		const present = keys.filter((key) => this.order.includes(key) || this.bodyOrder.includes(key));
		const first = this.preset(present[0]!) ?? this.bobsAndLags.find((preset) => preset.id === present[0]);
		const what = present.length === 1 ? `“${first?.name}”` : `${present.length} presets`;
		if (!(await this.putAway(present, true))) return false;
		this.keeper.note(`Retire ${what}`, {
			undo: () => void this.putAway(present, false),
			redo: () => void this.putAway(present, true)
		});
		const cues = new Set(present.flatMap((key) => this.usesOf(key))).size;
		const rigs = this.wiring.rigs.filter((rig) => present.some((key) => rig.bob === key || rig.lag === key)).length;
		const used = [
			cues > 0 ? ` ${cues === 1 ? 'A cue points' : `${cues} cues point`} there and will do nothing.` : '',
			rigs > 0 ? ` ${rigs === 1 ? 'A rig goes' : `${rigs} rigs go`} without it now.` : ''
		].join('');
		this.say(`${what} ${present.length === 1 ? 'is' : 'are'} retired.${used}`, {
			label: 'Bring back',
			run: () => void this.putAway(present, false)
		});
		return true;
	}

	/** Those that were retired, newest order first. */
	async retired(): Promise<api.Answer<api.StoredPreset[]>> {
		return api.fetchPresets(this.project.slug, '', true);
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
		const shakes = keys.filter((key) => this.preset(key));
		const others = keys.filter((key) => !shakes.includes(key));
		this.order = arranged(this.order, shakes, away, this.placeOf);
		this.bodyOrder = arranged(this.bodyOrder, others, away, this.placeOf);
		return true;
	}

	/** Sets one field of several presets as one undoable step. */
	changeMany(keys: readonly string[], label: string, recipe: (preset: ImmerDraft<ShakePreset>) => void): void {
		this.keeper.change(label, (draft) => {
			for (const key of keys) if (draft[key]) recipe(draft[key] as PresetDraft);
		});
	}

	/**
	 * Takes in what a kit brings, by a choice for each preset whose id is taken. What is replaced stays in its list of
	 * versions; undo takes all of it back. Says what came of it; null when the server refused and nothing was done.
	 */
	async bringIn(
		list: readonly Arrival[],
		choiceOf: (id: string) => Choice,
		from: string,
		rigs: readonly Rig[] = []
	): Promise<string | null> {
		const sorted = sortOut(list, choiceOf);
		const { fresh, replaced } = sorted;
		let made: readonly api.StoredPreset[] = [];
		if (fresh.length > 0) {
			const answer = await api.createPresets(this.project.slug, fresh, `brought in from ${from}`.slice(0, 200));
			if (!answer.ok) {
				this.say(answer.message);
				return null;
			}
			made = answer.value;
			this.takeMany(made);
		}
		const keyOf = new Map(fresh.map((preset, i) => [preset.id, made[i]?.key ?? preset.id]));
		const newRigs = rigsAlong(rigs, this.wiring.rigs, keyOf);
		this.keeper.group(`Bring in ${from}`, () => {
			if (made.length > 0)
				this.noteArrival(
					`Bring in ${made.length} presets`,
					made.map((p) => p.key)
				);
			for (const key of replaced.keys()) this.keeper.because(key, `replaced from ${from}`.slice(0, 200));
			this.keeper.change(`Replace ${replaced.size} presets`, (draft) => {
				for (const [key, preset] of replaced) draft[key] = preset as ImmerDraft<ShakePreset>;
			});
			if (newRigs.length > 0)
				this.rewire(`Bring in ${newRigs.length} rigs`, (w) => ({ ...w, rigs: [...w.rigs, ...newRigs] }));
		});
		return sayBroughtIn(sorted, newRigs.length);
	}

	/** Where the server has a document. */
	private pathOf(key: string): string {
		if (key === WIRING) return 'wiring';
		if (isCourse(key)) return `courses/${(this.documents[key] as Course).id}`;
		return `presets/${key}`;
	}

	/** All versions of a preset, of a course, or of the wiring, newest first. */
	versions(key: string): Promise<api.Answer<api.VersionEntry[]>> {
		return api.fetchVersions(this.project.slug, this.pathOf(key));
	}

	/** Puts an earlier version in place; the present one stays in the list, and undo brings it back. */
	async restore(key: string, version: number): Promise<void> {
		const found = await api.fetchVersion(this.project.slug, this.pathOf(key), version);
		if (!found.ok) return this.say(found.message);
		this.keeper.because(key, `restored version ${version}`);
		const label = `Restore version ${version}`;
		if (isPreset(key) && isShake(found.value as AnyPreset)) this.change(key, label, () => found.value as ShakePreset);
		else
			this.keeper.change(
				`${label} of ${this.titleOf(key)}`,
				(draft) => void (draft[key] = found.value as ImmerDraft<Kept>)
			);
	}

	/**
	 * Answers the question about one document. `both` keeps mine as a copy beside theirs and returns the copy's key; events, cues and
	 * rigs are one document, whose entries that differ are copied within it. Until the server has the copy the question stands.
	 */
	async settle(key: string, choice: 'mine' | 'theirs' | 'both'): Promise<string | null> {
		const conflict = this.keeper.conflicts[key];
		if (!conflict) return null;
		if (choice === 'mine') {
			await this.keeper.keepMine(key);
			return null;
		}
		if (choice === 'theirs') {
			this.keeper.takeTheirs(key);
			return null;
		}
		if (key === WIRING) {
			const mine = this.wiring;
			this.keeper.takeInstead(conflict.theirs);
			this.rewire('Keep mine beside theirs', (theirs) => wiringBeside(mine, theirs));
			return null;
		}
		const copy = await this.copyBeside(key);
		if (copy === null) return null;
		this.keeper.takeInstead(this.keeper.conflicts[key]?.theirs ?? conflict.theirs);
		return isCourse(key) ? courseKey(copy) : copy;
	}

	/** A copy of what is here, kept beside what somebody else saved under its name. */
	private copyBeside(key: string): Promise<string | null> {
		const mine = this.documents[key] as AnyPreset | Course;
		const name = `${mine.name}, mine`.slice(0, 120);
		const note = 'kept beside another version';
		if (isCourse(key)) return this.courses.add({ ...(mine as Course), name }, note);
		return this.add({ ...(mine as AnyPreset), id: freeId(name, this.order), name, origin: key } as AnyPreset, note);
	}

	/** Tells other tabs which preset this one shows. */
	look(key: string): void {
		this.presence.look(key);
	}

	say(text: string, action?: Notice['action']): void {
		this.notes.say(text, action);
	}

	dismiss(id: number): void {
		this.notes.dismiss(id);
	}

	get notices(): readonly Notice[] {
		return this.notes.list;
	}

	/** Takes over what the server has, as a change that undo passes by. */
	private take(stored: api.StoredPreset): void {
		this.keeper.takeInstead(stored);
		this.enter([stored.key]);
	}

	private takeMany(list: readonly api.StoredPreset[]): void {
		this.keeper.take(list);
		this.enter(list.map((stored) => stored.key));
	}

	/** Gives keys that are new their place in the order. */
	private enter(keys: readonly string[]): void {
		const known = new Set([...this.order, ...this.bodyOrder]);
		const fresh = keys.filter((key) => !known.has(key));
		const shakes = fresh.filter((key) => isShake(this.documents[key] as AnyPreset));
		const others = fresh.filter((key) => !shakes.includes(key));
		if (shakes.length > 0) this.order = withNew(this.order, shakes, this.placeOf);
		if (others.length > 0) this.bodyOrder = withNew(this.bodyOrder, others, this.placeOf);
	}

	/** Where the server has a preset in the project's order. */
	private readonly placeOf = (key: string): string | undefined => this.keeper.savedOf(key)?.position;

	/** Fetches what did not come with the page, a few hundred at a time: taking them in must not block the page. */
	private async fetchRest(): Promise<void> {
		let after: string | null = '';
		while (this.missing > 0 && after !== null) {
			const answer: api.Answer<api.StoredPreset[]> = await api.fetchPresets(this.project.slug, after);
			if (!answer.ok) return this.say('Not all presets could be fetched; load the page again to try once more.');
			const known = new Set([...this.order, ...this.bodyOrder]);
			const fresh = answer.value.filter((stored) => !known.has(stored.key));
			this.takeMany(fresh);
			this.missing = answer.value.length < api.PAGE ? 0 : Math.max(1, this.missing - fresh.length);
			const last = answer.value.at(-1);
			after = last ? `${last.position} ${last.key}` : null;
		}
	}

	private receive(message: TabMessage): void {
		if (message.kind !== 'saved') return this.presence.hear(message);
		const { key, document } = message;
		this.keeper.hear(message);
		if (this.keepingOf(key) !== 'kept' || (isCourse(key) && !this.documents[key])) return;
		if (isPreset(key)) this.take({ ...message, document: document as AnyPreset });
		else this.keeper.takeInstead(message);
		if (this.presence.isLooking(key)) this.say('Another tab changed this; its version is shown here.');
	}
}

const CONTEXT = Symbol('session');
export const provideSession = (session: ProjectSession): ProjectSession => setContext(CONTEXT, session);
export const useSession = (): ProjectSession => getContext(CONTEXT);
