/**
 * The project as this page has it open, in the words of the rooms: presets, wiring and courses, changed as whole documents by recipes. Beneath,
 * each change is one by fields, in this window's own copy (`working-copy`), which the outbox sends. Nothing a user did is lost.
 */
import { getContext, setContext } from 'svelte';
import { produce, type Draft as ImmerDraft } from 'immer';
import {
	documentsIn,
	fieldsTowards,
	newUuid,
	partsTowards,
	pointsAt,
	PRESET_KINDS,
	shownOfHeld,
	wholeKit,
	wiringOf,
	type AnyDocument,
	type ChangePart,
	type Held,
	type Kit,
	type KindName,
	type Stub,
	type Told,
	type Wiring
} from '$lib/documents';
import type { BobPreset, Cue, LagPreset, ShakePreset } from 'dinesis-runtime';
import { isBob, isLag, type Played } from 'dinesis-runtime/tools';
import { MotionWorker } from '../workers/motion';
import { Shelf } from '../workers/shelf';
import * as api from './api';
import type { ToPlay } from './beside';
import { BringingIn } from './bring-in';
import { Courses } from './courses.svelte';
import { takeEarlierDrafts } from './earlier-drafts';
import { FieldNotes } from './field-notes';
import { FindingsOf } from './findings.svelte';
import { Histories } from './histories';
import { listenToChanges } from './live';
import { Notices, type Notice } from './notices.svelte';
import { rigKey, WIRING, type Opened } from './opened';
import { Names } from './names';
import { Outbox } from './outbox.svelte';
import { People } from './people.svelte';
import { personName } from './person';
import { Presence } from './presence.svelte';
import { addressOf, placeIn } from './places';
import { PresetActs } from './preset-acts';
import { Settings } from './settings.svelte';
import { BrowserShelter, windowName } from './shelter';
import { isWiringKind, nameOf, Standing } from './standing.svelte';
import { Tabs } from './tabs';
import { Turning } from './turning';
import type { Refused } from './refused';
import type { Wire } from './wire.svelte';
import { WorkingCopy } from './working-copy.svelte';

export { rigKey, WIRING };
export type { Notice, Opened, Refused };

export class ProjectSession {
	/** What was just made here and waits for its name, by its id; empty: nothing does. */
	fresh = $state('');
	/** How many presets are still to come from the server. */
	missing = $state(0);
	/** What is to be played beside what is here, by the room that is opened next. */
	toPlay = $state.raw<ToPlay | null>(null);
	/** Games that run just now; null until it is asked who is there. */
	wire = $state.raw<Wire | null>(null);
	project = $state.raw() as Opened['project'];
	readonly notes = new Notices();
	/** Measures, drawings and neighbours, off the page's thread. */
	readonly worker = new MotionWorker();
	readonly shelf = new Shelf(this.worker);
	readonly courses: Courses;
	readonly people: People;
	/** What is done with presets as wholes. */
	readonly acts: PresetActs;
	/** What looks wrong in it. */
	readonly findings: FindingsOf;
	/** What another kit brings. */
	readonly bringing: BringingIn;
	/** What was done, and back to any of it. */
	readonly histories: Histories;
	/** What waits beside its field because somebody else was first. */
	readonly waiting: FieldNotes;
	/** How each document stands with the server, by its key. */
	readonly standing: Standing;
	readonly names: Names;
	readonly settings: Settings;
	private readonly work: WorkingCopy;
	private readonly outbox: Outbox;
	private readonly turning: Turning;
	private readonly presence = new Presence();
	private readonly listeners = new Set<(preset: ShakePreset) => void>();
	private readonly renamedListeners = new Set<(held: Held, from: string) => void>();
	private readonly stubs = new Map<string, Stub>();

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
	readonly wiring = $derived.by((): Wiring => wiringOf(this.standing.wiring));

	constructor(opened: Opened) {
		const { project, number, documents, stubs = [], count, wiring } = opened;
		this.project = project;
		this.people = new People(project.slug);
		for (const stub of stubs) this.stubs.set(stub.uuid, stub);
		this.work = new WorkingCopy(newUuid(), documents, number, {
			changed: (held, before, own) => {
				this.shown(held);
				if (own) this.wire?.changed(held, before);
			},
			renamed: (held, from) => this.renamedListeners.forEach((listener) => listener(held, from)),
			made: (change) => this.standing.count(change),
			stirred: () => this.outbox?.stirred()
		});
		this.outbox = new Outbox(
			this.work,
			{
				send: (change) => api.sendChange(project.slug, change),
				since: (after) => api.changesSince(project.slug, after),
				named: (uuids) => api.fetchNamed(project.slug, uuids)
			},
			{
				who: personName,
				say: (text) => this.say(text),
				nameOf
			}
		);
		this.turning = new Turning(
			this.work,
			(uuids) => this.outbox.bring(uuids),
			(text) => this.say(text)
		);
		this.settings = new Settings(this.work);
		this.names = new Names(this.work, () => this.stubs.values());
		this.standing = new Standing(this.work, this.outbox, wiring);
		this.acts = new PresetActs(this, this.work, this.outbox);
		this.findings = new FindingsOf(
			() => this.asKit,
			undefined,
			() => this.settings.now.silenced
		);
		this.bringing = new BringingIn(project.slug, this.work, (text) => this.say(text));
		this.histories = new Histories(project.slug, this.work, (text) => this.say(text));
		this.waiting = new FieldNotes(this.work, (text) => this.say(text));
		this.courses = new Courses(this.work, {
			project: project.slug,
			make: (label, kind, document, note) => this.acts.make(label, kind, document, note),
			following: (changes) => this.names.following(changes),
			fresh: (id) => (this.fresh = id),
			say: (text, action) => this.say(text, action)
		});
		const here = documents.filter(({ kind }) => (PRESET_KINDS as readonly KindName[]).includes(kind)).length;
		this.missing = Math.max(0, (count ?? here) - here);
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
		const still = this.findings.open();
		let unwire = (): void => undefined;
		fetchAfter(async () => {
			const { Wire } = await import('./wire.svelte');
			if (closed) return;
			this.wire = new Wire(this.project.slug);
			unwire = this.wire.open();
		});
		// What looks wrong is told once all is here, courses too.
		void this.fetchRest()
			.then(() => !closed && this.courses.fetch())
			.then(() => this.findings.stir());
		const leave = (): void => {
			this.outbox.flush();
			this.people.leave();
			tabs.leave();
		};
		window.addEventListener('pagehide', leave);
		return () => {
			closed = true;
			unwire();
			still();
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
		if (key === WIRING) return partsTowards(this.standing.wiring, [...this.stubs.values()], document as Wiring);
		const [held] = this.standing.heldOf(key);
		if (!held) return [];
		const fields = fieldsTowards(held, document as AnyDocument);
		return fields.length > 0 ? [{ document: held.uuid, on: held.version, fields }] : [];
	}

	private shown(held: Held): void {
		this.findings?.stir();
		if (isWiringKind(held.kind)) {
			if (held.retired) this.stubs.set(held.uuid, held);
			else this.stubs.delete(held.uuid);
		}
		if (held.kind !== 'shake') return;
		const preset = shownOfHeld(held) as ShakePreset;
		for (const listener of this.listeners) listener(preset);
	}

	/** The last number of the project that this page has heard of. */
	get number(): number {
		return this.work.seen;
	}

	get undoLabel(): string | null {
		return this.work.undoLabel;
	}

	get redoLabel(): string | null {
		return this.work.redoLabel;
	}

	preset(key: string): ShakePreset | undefined {
		const held = this.work.find(['shake'], key);
		return held && !held.retired ? (shownOfHeld(held) as ShakePreset) : undefined;
	}

	/** A head bob or a camera lag that is in use, by its id or one that it had here. */
	body(key: string): BobPreset | LagPreset | undefined {
		const held = this.work.find(['bob', 'lag'], key);
		return held && !held.retired ? (shownOfHeld(held) as BobPreset | LagPreset) : undefined;
	}

	/** The project as a kit has it; null while some of it is still to come. */
	get asKit(): Kit | null {
		if (this.missing > 0 || this.courses.order === null) return null;
		const { project, presets, bobsAndLags, wiring, courses, settings } = this;
		return wholeKit(
			project.name,
			[...presets, ...bobsAndLags],
			wiring,
			[...courses.list],
			settings.now,
			settings.players
		);
	}

	/** A kit left the tool: what is in it is known outside by its id. */
	sentOut(kit: Kit): void {
		const out = [...documentsIn(kit)].map(({ kind, document }) => this.work.find([kind], document.id));
		this.names.settle(out.filter((held) => held !== undefined));
	}

	/** Where a document is worked on. */
	addressOf(kind: KindName, id: string): string {
		return addressOf({ slug: this.project.slug, ...placeIn(kind, id) });
	}

	/** Carries out what a finding proposes, as one step. */
	fix({ kind, document, finding }: Told): void {
		const held = this.work.find([kind], document.id);
		if (!held || !finding.fix) return;
		this.work.seal();
		this.put(held, finding.fix.label, finding.fix.apply(shownOfHeld(held)), null);
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

	/** How many other tabs look at this preset. */
	othersAt(key: string): number {
		return this.presence.at(key);
	}

	/** Calls back with every shake that changes, however it came about. */
	onChange(listener: (preset: ShakePreset) => void): () => void {
		this.listeners.add(listener);
		return () => this.listeners.delete(listener);
	}

	/** Calls back with every document that goes by another id, whoever gave it that. */
	onRenamed(listener: (held: Held, from: string) => void): () => void {
		this.renamedListeners.add(listener);
		return () => this.renamedListeners.delete(listener);
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

	private put(held: Held, label: string, next: AnyDocument, mark: string | null): void {
		const changes = this.names.following([{ document: held.uuid, fields: fieldsTowards(held, next) }]);
		this.waiting.noteControl(changes);
		this.work.change(label, changes, mark);
	}

	/** The cues that play or stop a preset, or put it in the camera's chain, by their place in the list. */
	usesOf(key: string): number[] {
		const points = (cue: Cue): boolean =>
			pointsAt('cue', cue).some(({ space, id }) => space === 'preset' && id === key);
		return this.wiring.cues.flatMap((cue, i) => (points(cue) ? [i + 1] : []));
	}

	/** Changes the wiring as one undoable step; marks as in `change`. */
	rewire(label: string, recipe: (wiring: Wiring) => Wiring, mark: string | null = null): void {
		const parts = partsTowards(this.standing.wiring, [...this.stubs.values()], recipe(this.wiring));
		this.waiting.noteControl(parts);
		this.work.change(label, this.names.following(parts), mark === null ? null : `${WIRING} ${mark}`);
	}

	/** Ends a gesture. */
	seal(): void {
		this.work.seal();
	}

	undo(): string | null {
		return this.turning.turn('undo');
	}

	redo(): string | null {
		return this.turning.turn('redo');
	}

	/** Undo, and says what was undone. */
	goBack(): void {
		this.turning.told('undo');
	}

	/** Redo, and says what was done again. */
	goForward(): void {
		this.turning.told('redo');
	}

	/** Resolves once the server has all that was changed here; to false when it does not answer. */
	settled(): Promise<boolean> {
		return this.outbox.settled();
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
		if (this.missing === 0) return;
		const known = new Set(PRESET_KINDS.flatMap((kind) => this.work.list(kind).map(({ uuid }) => uuid)));
		for await (const answer of api.pagesOf(this.project.slug, { kinds: PRESET_KINDS })) {
			if (!answer.ok) return this.say('Not all presets could be fetched; load the page again to try once more.');
			const fresh = answer.value.filter((held) => !known.has(held.uuid));
			this.work.take(fresh);
			this.missing = Math.max(1, this.missing - fresh.length);
		}
		this.missing = 0;
	}
}

/** Once there is time to look who is there. */
const fetchAfter = (work: () => Promise<void>): void => void setTimeout(() => void work(), 400);

const CONTEXT = Symbol('session');
export const provideSession = (session: ProjectSession): ProjectSession => setContext(CONTEXT, session);
export const useSession = (): ProjectSession => getContext(CONTEXT);
