/**
 * The project as this page has it open, in the words of the rooms: presets, wiring and courses, changed as whole documents by recipes. Beneath,
 * each change is one by fields, in this window's own copy (`working-copy`), which the outbox sends. Nothing a user did is lost.
 */
import { getContext, setContext } from 'svelte';
import { produce, type Draft as ImmerDraft } from 'immer';
import {
	creation,
	fieldsTowards,
	freeId,
	newUuid,
	partsTowards,
	shownOfHeld,
	WIRING_KINDS,
	wiringOf,
	type AnyDocument,
	type Arrival,
	type ChangePart,
	type Choice,
	type Course,
	type Held,
	type KindName,
	type MadeChange,
	type Stub,
	type Wiring
} from '$lib/documents';
import type { AnyPreset, BobPreset, LagPreset, Rig, ShakePreset } from 'dinesis-runtime';
import { newBob, newLag, newPreset, isBob, isLag, type Played, type View } from 'dinesis-runtime/tools';
import { MotionWorker } from '../workers/motion';
import { Shelf } from '../workers/shelf';
import * as api from './api';
import { rigsAlong, sayBroughtIn, sortOut } from './bring-in';
import { courseId, courseKey, Courses, isCourse } from './courses.svelte';
import { takeEarlierDrafts } from './earlier-drafts';
import { listenToChanges } from './live';
import { Notices, type Notice } from './notices.svelte';
import { Outbox } from './outbox.svelte';
import { People } from './people.svelte';
import { personName } from './person';
import { Presence } from './presence.svelte';
import { BrowserShelter, windowName } from './shelter';
import { fieldName, type Fields } from './steps';
import { Tabs } from './tabs';
import { WorkingCopy, type Refused } from './working-copy.svelte';

export type { Notice, Refused };
/** The key of events, game values, cues and rigs beside presets: a star is in no id. */
export const WIRING = '*wiring';
const PRESETS = ['shake', 'bob', 'lag'] as const satisfies readonly KindName[];
const isWiringKind = (kind: KindName): boolean => (WIRING_KINDS as readonly KindName[]).includes(kind);

/** How a document stands with the server. */
export type Keeping = 'kept' | 'changed' | 'saving' | 'away' | 'refused';

export interface Saved {
	readonly version: number;
	readonly savedAt: string;
}

/** What a page opens a project with. */
export interface Opened {
	readonly project: { readonly id: string; readonly slug: string; readonly name: string; readonly demo?: boolean };
	/** The project's last number when its documents were read. */
	readonly number: number;
	readonly documents: readonly Held[];
	/** How often its wiring was changed, and when last. */
	readonly wiring?: Saved;
	/** What of its wiring is out of use. */
	readonly stubs?: readonly Stub[];
	/** How many presets there are in all: those that did not come with the page are fetched once it stands. */
	readonly count?: number;
}

export class ProjectSession {
	/** How many presets are still to come from the server. */
	missing = $state(0);
	readonly project: Opened['project'];
	readonly notes = new Notices();
	/** Measures, drawings and neighbours, off the page's thread. */
	readonly worker = new MotionWorker();
	readonly shelf = new Shelf(this.worker);
	readonly courses: Courses;
	readonly people: People;
	private readonly work: WorkingCopy;
	private readonly outbox: Outbox;
	private readonly presence = new Presence();
	private readonly listeners = new Set<(preset: ShakePreset) => void>();
	private wiringSaved = $state.raw<Saved>({ version: 1, savedAt: '' });
	private readonly stubs = new Map<string, Stub>();
	private readonly controls = new Map<string, string>();

	/** Keys of shakes in the project's order. */
	readonly order = $derived.by((): readonly string[] => this.work.list('shake').map(({ id }) => id));
	readonly presets = $derived.by(() => this.work.list('shake').map((held) => shownOfHeld(held) as ShakePreset));
	/** The project's head bobs and camera lags. */
	readonly bobsAndLags = $derived.by(() => {
		const held = [...this.work.list('bob'), ...this.work.list('lag')];
		return held
			.sort((a, b) => (a.order < b.order ? -1 : a.order > b.order ? 1 : 0))
			.map((one) => shownOfHeld(one) as BobPreset | LagPreset);
	});
	/** Events, game values and cues. */
	readonly wiring = $derived.by((): Wiring => wiringOf(this.wiringHeld));

	constructor(opened: Opened) {
		const { project, number, documents, stubs = [], count, wiring } = opened;
		if (wiring) this.wiringSaved = wiring;
		this.project = project;
		this.people = new People(project.slug);
		for (const stub of stubs) this.stubs.set(stub.uuid, stub);
		this.work = new WorkingCopy(newUuid(), documents, number, {
			changed: (held) => this.shown(held),
			made: (change) => this.countWiring(change),
			stirred: () => this.outbox?.stirred()
		});
		this.outbox = new Outbox(
			this.work,
			{
				send: (change) => api.sendChange(project.slug, change),
				since: (after) => api.changesSince(project.slug, after)
			},
			{
				who: personName,
				say: (text) => this.say(text),
				nameOf: (held) => this.nameOf(held)
			}
		);
		this.courses = new Courses(this.work, {
			project: project.slug,
			make: (label, kind, document, note) => this.make(label, kind, document, note),
			say: (text, action) => this.say(text, action)
		});
		const here = documents.filter(({ kind }) => (PRESETS as readonly KindName[]).includes(kind)).length;
		this.missing = Math.max(0, (count ?? here) - here);
	}

	private get wiringHeld(): Held[] {
		return WIRING_KINDS.flatMap((kind) => this.work.list(kind));
	}

	/** Where the project's pages are: `/` and its part of the address, written as addresses are. */
	get home(): string {
		return `/${encodeURIComponent(this.project.slug)}`;
	}

	/** Begins what needs a browser: what was left in it, other tabs, what others change. Returns what ends it. */
	open(): () => void {
		const tabs = new Tabs(this.project.slug, (message) => this.presence.hear(message));
		const alone = this.presence.open(tabs);
		let deaf = (): void => undefined;
		let closed = false;
		void windowName(newUuid).then(async ({ name, release }) => {
			if (closed) return release();
			this.work.goesBy(name);
			await this.outbox.open(new BrowserShelter(this.project.slug, name, release));
			this.outbox.takeOver(await takeEarlierDrafts(this.project.slug, (key, document) => this.towards(key, document)));
			if (closed) return;
			const gone = this.people.open(name);
			const quiet = listenToChanges(this.project.id, {
				changed: (number) => this.outbox.heardOf(number),
				people: () => void this.people.refresh()
			});
			deaf = () => {
				quiet();
				gone();
			};
		});
		void this.fetchRest();
		const leave = (): void => {
			this.outbox.flush();
			this.people.leave();
			tabs.leave();
		};
		window.addEventListener('pagehide', leave);
		return () => {
			closed = true;
			deaf();
			alone();
			window.removeEventListener('pagehide', leave);
			this.outbox.close();
			tabs.close();
			this.worker.close();
		};
	}

	/** What makes what is here of a key into another document of its kind. */
	private towards(key: string, document: AnyDocument | Wiring): readonly ChangePart[] {
		if (key === WIRING) return partsTowards(this.wiringHeld, [...this.stubs.values()], document as Wiring);
		const [held] = this.heldOf(key);
		if (!held) return [];
		const fields = fieldsTowards(held, document as AnyDocument);
		return fields.length > 0 ? [{ document: held.uuid, on: held.version, fields }] : [];
	}

	private shown(held: Held): void {
		if (isWiringKind(held.kind)) {
			if (held.retired) this.stubs.set(held.uuid, held);
			else this.stubs.delete(held.uuid);
		}
		if (held.kind !== 'shake') return;
		const preset = shownOfHeld(held) as ShakePreset;
		for (const listener of this.listeners) listener(preset);
	}

	/** The versions of the wiring are the changes of any of its documents. */
	private countWiring({ parts, savedAt }: MadeChange): void {
		const ofWiring = parts.some(({ document }) => isWiringKind(this.work.get(document)?.kind ?? 'shake'));
		if (ofWiring) this.wiringSaved = { version: this.wiringSaved.version + 1, savedAt };
	}

	private nameOf(held: Held): string {
		return isWiringKind(held.kind)
			? 'the events, cues and rigs'
			: `“${(shownOfHeld(held) as AnyDocument).name ?? held.id}”`;
	}

	/** What is held of the document or documents of a key. */
	private heldOf(key: string): readonly Held[] {
		if (key === WIRING) return this.wiringHeld;
		const held = isCourse(key) ? this.work.find(['course'], courseId(key)) : this.work.find(PRESETS, key);
		return held ? [held] : [];
	}

	get undoLabel(): string | null {
		return this.work.undoLabel;
	}

	get redoLabel(): string | null {
		return this.work.redoLabel;
	}

	/** Fields whose value here was refused: each waits until it is taken or dropped. */
	get refused(): readonly Refused[] {
		return this.work.refused;
	}

	/** What everybody has in such a field, and what it is called. */
	standing(refused: Refused): { readonly name: string; readonly field: string; readonly theirs: unknown } {
		const held = this.work.get(refused.document);
		return {
			name: held ? ((shownOfHeld(held) as AnyDocument).name ?? held.id) : 'a document',
			field: fieldName(refused.path),
			theirs: this.work.ackedValue(refused)
		};
	}

	/** The key of the document that a refused field is in. */
	keyOf({ document }: Refused): string {
		const held = this.work.get(document);
		if (!held || isWiringKind(held.kind)) return WIRING;
		return held.kind === 'course' ? courseKey(held.id) : held.id;
	}

	/** What the control is called that a change came from; undefined where nobody knows. */
	controlOf(label: string): string | undefined {
		return this.controls.get(label);
	}

	/** The control that has the focus is where a change comes from: a note about its value stands there. */
	private noteControl(label: string): void {
		const active = typeof document === 'undefined' ? null : document.activeElement;
		// A number that is typed stands in for its control only while it is.
		const control = active?.closest('.field')?.querySelector('[role="spinbutton"]') ?? active;
		const name = control?.getAttribute('aria-label');
		if (name) this.controls.set(label, name);
	}

	/** Puts what was refused in the place of what everybody has. */
	takeRefused(id: string): void {
		if (!this.work.takeRefused(id)) this.say('What it was a part of is not there any more; nothing was changed.');
	}

	/** Lets go of what was refused. */
	dropRefused(id: string): void {
		this.work.leaveRefused(id);
	}

	preset(key: string): ShakePreset | undefined {
		const held = this.work.find(['shake'], key);
		return held && !held.retired ? (shownOfHeld(held) as ShakePreset) : undefined;
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

	/** Where a document of the key stands with the server. */
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

	/** How many other tabs look at this preset. */
	othersAt(key: string): number {
		return this.presence.at(key);
	}

	/** Calls back with every shake that changes, however it came about. */
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
		const held = this.work.find(['shake'], key);
		if (!held) return;
		const preset = shownOfHeld(held) as ShakePreset;
		const next = produce(preset, (draft) => recipe(draft) as ImmerDraft<ShakePreset> | void);
		this.put(held, `${label} in ${preset.name}`, next, mark === null ? null : `${key} ${mark}`);
	}

	/** Changes a head bob or a camera lag as one undoable step; marks as in `change`. */
	changeBody(
		key: string,
		label: string,
		recipe: (preset: BobPreset | LagPreset) => BobPreset | LagPreset,
		mark: string | null = null
	): void {
		const held = this.work.find(['bob', 'lag'], key);
		if (!held) return;
		const preset = shownOfHeld(held) as BobPreset | LagPreset;
		this.put(held, `${label} in ${preset.name}`, recipe(preset), mark === null ? null : `${key} ${mark}`);
	}

	private put(held: Held, label: string, next: AnyDocument, mark: string | null, note = ''): void {
		this.noteControl(label);
		this.work.change(label, [{ document: held.uuid, fields: fieldsTowards(held, next) }], mark, note);
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
	rewire(label: string, recipe: (wiring: Wiring) => Wiring, mark: string | null = null, note = ''): void {
		this.noteControl(label);
		const parts = partsTowards(this.wiringHeld, [...this.stubs.values()], recipe(this.wiring));
		this.work.change(label, parts, mark === null ? null : `${WIRING} ${mark}`, note);
	}

	/** Ends a gesture. */
	seal(): void {
		this.work.seal();
	}

	undo(): string | null {
		return this.turn('undo');
	}

	redo(): string | null {
		return this.turn('redo');
	}

	private turn(way: 'undo' | 'redo'): string | null {
		const done = this.work.turn(way);
		if (!done) return null;
		if (done.stayed.length > 0)
			this.say(
				done.failed
					? `“${done.label}” is not ${way === 'undo' ? 'undone' : 'done again'}: somebody else has changed ${done.stayed.join(', ')} since.`
					: `Somebody else has changed ${done.stayed.join(', ')} since; that stays.`
			);
		else if (done.failed) this.say(`“${done.label}” cannot be ${way === 'undo' ? 'undone' : 'done again'} any more.`);
		return done.failed ? null : done.label;
	}

	/** Undo, and says what was undone. */
	goBack(): void {
		if (this.undoLabel === null) return this.say('There is nothing to undo.');
		const label = this.undo();
		if (label !== null) this.say(`Undone: ${label}`);
	}

	/** Redo, and says what was done again. */
	goForward(): void {
		if (this.redoLabel === null) return this.say('There is nothing to redo.');
		const label = this.redo();
		if (label !== null) this.say(`Done again: ${label}`);
	}

	/** Makes documents at once, as one step; null when the server did not take them. */
	private async makeMany(
		label: string,
		list: readonly { readonly kind: KindName; readonly document: AnyDocument }[],
		note: string
	): Promise<readonly Held[] | null> {
		const parts = list.map(({ kind, document }) => ({ document: newUuid(), fields: [creation(kind, document, '')] }));
		const made = await this.outbox.make(note.slice(0, 200), parts);
		if (!made.ok) {
			this.say(
				made.away
					? 'The server does not answer, so nothing new can be made right now. Try again shortly.'
					: made.message
			);
			return null;
		}
		this.work.noteMade(
			label,
			made.value.map(({ uuid }) => uuid)
		);
		return made.value;
	}

	/** Makes one document and returns its id. */
	private async make(label: string, kind: KindName, document: AnyDocument, note: string): Promise<string | null> {
		return (await this.makeMany(label, [{ kind, document }], note))?.[0]?.id ?? null;
	}

	/** Adds a preset and returns its key; null when the server refused. */
	add(document: AnyPreset, note = ''): Promise<string | null> {
		return this.make(`Add “${document.name}”`, document.family, document, note);
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
		const id = this.freePresetId(name);
		return this.add({ ...(family === 'bob' ? newBob(id, name) : newLag(id, name)), view }, 'made new');
	}

	/** A copy of a head bob or a lag. */
	copyBody(key: string): Promise<string | null> {
		const source = this.bobsAndLags.find((preset) => preset.id === key)!;
		const name = `${source.name}, copy`.slice(0, 120);
		return this.add({ ...source, id: this.freePresetId(name), name }, `copied from ${source.name}`);
	}

	private freePresetId(name: string): string {
		return freeId(name, [...this.order, ...this.bobsAndLags.map(({ id }) => id)]);
	}

	/** Takes presets out of use; undo brings them back. */
	async retire(...keys: string[]): Promise<boolean> {
		const present = keys.flatMap((key) => this.work.find(PRESETS, key) ?? []).filter((held) => !held.retired);
		if (present.length === 0) return false;
		const ids = present.map(({ id }) => id);
		const what = present.length === 1 ? this.nameOf(present[0]!) : `${present.length} presets`;
		const cues = new Set(ids.flatMap((key) => this.usesOf(key))).size;
		const rigs = this.wiring.rigs.filter((rig) => ids.some((key) => rig.bob === key || rig.lag === key)).length;
		this.putAway(`Retire ${what}`, present, true);
		const used = [
			cues > 0 ? ` ${cues === 1 ? 'A cue points' : `${cues} cues point`} there and will do nothing.` : '',
			rigs > 0 ? ` ${rigs === 1 ? 'A rig goes' : `${rigs} rigs go`} without it now.` : ''
		].join('');
		this.say(`${what} ${present.length === 1 ? 'is' : 'are'} retired.${used}`, {
			label: 'Bring back',
			run: () => this.putAway(`Bring back ${what}`, present, false)
		});
		return Promise.resolve(true);
	}

	private putAway(label: string, list: readonly Held[], away: boolean): void {
		this.work.change(
			label,
			list.map(({ uuid }) => ({ document: uuid, fields: [{ path: ['retired'], to: away }] }))
		);
	}

	/** Those that were retired, in their order. */
	retired(): Promise<api.Answer<Held[]>> {
		return api.fetchDocuments(this.project.slug, { kinds: PRESETS, retired: true });
	}

	/** Brings a retired preset back into use. */
	bringBack(held: Held): void {
		this.work.take([held]);
		this.putAway(`Bring back ${this.nameOf(held)}`, [held], false);
	}

	/** Sets one field of several presets as one undoable step. */
	changeMany(keys: readonly string[], label: string, recipe: (preset: ImmerDraft<ShakePreset>) => void): void {
		const fields = keys.flatMap((key): Fields[] => {
			const held = this.work.find(['shake'], key);
			if (!held) return [];
			const next = produce(shownOfHeld(held) as ShakePreset, (draft) => void recipe(draft));
			return [{ document: held.uuid, fields: fieldsTowards(held, next) }];
		});
		this.work.change(label, fields);
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
		let made: readonly Held[] = [];
		if (fresh.length > 0) {
			const parts = fresh.map((document) => ({
				document: newUuid(),
				fields: [creation(document.family, document, '')]
			}));
			const answer = await this.outbox.make(`brought in from ${from}`.slice(0, 200), parts);
			if (!answer.ok) {
				this.say(answer.message);
				return null;
			}
			made = answer.value;
		}
		const keyOf = new Map(fresh.map((preset, i) => [preset.id, made[i]?.id ?? preset.id]));
		const newRigs = rigsAlong(rigs, this.wiring.rigs, keyOf);
		this.work.group(`Bring in ${from}`, () => {
			if (made.length > 0)
				this.work.noteMade(
					`Bring in ${made.length} presets`,
					made.map(({ uuid }) => uuid)
				);
			const fields = [...replaced].flatMap(([key, preset]): Fields[] => {
				const held = this.work.find(PRESETS, key);
				return held ? [{ document: held.uuid, fields: fieldsTowards(held, preset) }] : [];
			});
			this.work.change(`Replace ${replaced.size} presets`, fields, null, `replaced from ${from}`.slice(0, 200));
			if (newRigs.length > 0)
				this.rewire(`Bring in ${newRigs.length} rigs`, (w) => ({ ...w, rigs: [...w.rigs, ...newRigs] }));
		});
		return sayBroughtIn(sorted, newRigs.length);
	}

	/** Where the server has the versions of a document. */
	private pathOf(key: string): string {
		if (key === WIRING) return 'wiring';
		return isCourse(key) ? `courses/${courseId(key)}` : `presets/${key}`;
	}

	/** All versions of a preset, of a course, or of the wiring, newest first. */
	versions(key: string): Promise<api.Answer<api.VersionEntry[]>> {
		return api.fetchVersions(this.project.slug, this.pathOf(key));
	}

	/** Puts an earlier version in place; the present one stays in the list, and undo brings it back. */
	async restore(key: string, version: number): Promise<void> {
		const found = await api.fetchVersion(this.project.slug, this.pathOf(key), version);
		if (!found.ok) return this.say(found.message);
		const label = `Restore version ${version}`;
		const note = `restored version ${version}`;
		if (key === WIRING)
			return this.rewire(`${label} of the events, cues and rigs`, () => found.value as Wiring, null, note);
		const [held] = this.heldOf(key);
		if (held) this.put(held, `${label} in ${this.nameOf(held)}`, found.value as AnyPreset | Course, null, note);
	}

	/** What a sentence says of where somebody is. */
	placeName(key: string): string {
		if (key === '') return 'is here';
		const [held] = this.heldOf(key);
		if (key === WIRING || !held) return 'is at the events, cues and rigs';
		return `is at ${this.nameOf(held)}`;
	}

	/** Tells other tabs, and other people, which document this one shows. */
	look(key: string): void {
		this.presence.look(key);
		this.people.look(key);
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

	/** Fetches what did not come with the page, some at a time: taking them in must not block the page. */
	private async fetchRest(): Promise<void> {
		let after = '';
		const known = new Set(
			this.work
				.list('shake')
				.concat(this.work.list('bob'), this.work.list('lag'))
				.map((h) => h.uuid)
		);
		while (this.missing > 0) {
			const answer = await api.fetchDocuments(this.project.slug, { kinds: PRESETS, after, limit: api.PAGE });
			if (!answer.ok) return this.say('Not all presets could be fetched; load the page again to try once more.');
			const fresh = answer.value.filter((held) => !known.has(held.uuid));
			this.work.take(fresh);
			this.missing = answer.value.length < api.PAGE ? 0 : Math.max(1, this.missing - fresh.length);
			const last = answer.value.at(-1);
			if (!last) return void (this.missing = 0);
			after = `${last.order} ${last.id}`;
		}
	}
}

const CONTEXT = Symbol('session');
export const provideSession = (session: ProjectSession): ProjectSession => setContext(CONTEXT, session);
export const useSession = (): ProjectSession => getContext(CONTEXT);
