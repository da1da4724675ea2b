/** The Library's state: what is listed, chosen and pointed at, and the figures as they come in. */
import { wrap, type Remote } from 'comlink';
import type { Measure } from '$lib/analysis';
import type { AnyPreset, ShakePreset } from 'dinesis-runtime';
import type { Card, Near, SearchDoor } from '$lib/workers/protocol';
import type { Entry } from '$lib/workers/word-index';
import type { ProjectSession } from '$lib/session/session.svelte';
import { between, NO_FILTER, passes, sorted, tagCounts, type Column, type Filter, type Sort } from './list';

/** Figures are shown in batches: each one alone would lay the table out again. In a large project less often. */
const BATCH_MS = 160;
const LARGE_BATCH_MS = 700;
const LARGE = 1000;
/** How many presets are handed to the search at a time. */
const CHUNK = 500;
const MOST_TAG_LETTERS = 40;
const MOST_TAGS = 40;

export type Family = 'shake' | 'bob' | 'lag';
/** Whose motions are listed: the project's, or those of the starter sets. */
export type Source = 'yours' | 'starter';

const entryOf = (p: AnyPreset): Entry => ({ id: p.id, name: p.name, about: p.about, tags: p.tags.join(' ') });

export class LibraryState {
	filter = $state.raw<Filter>(NO_FILTER);
	sort = $state.raw<Sort>({ by: 'order', down: false });
	chosen = $state.raw<ReadonlySet<string>>(new Set());
	/** The row that is pointed at or focused: it is auditioned. */
	pointed = $state('');
	/** Counted up when figures came in. */
	private figures = $state(0);
	/** How many presets have no figures yet. */
	unmeasured = $state(0);
	/** What the last search found, best first; null: nothing is searched. */
	private hits = $state.raw<readonly string[] | null>(null);
	/** What of the starter sets comes nearest to the words, best first; null: nothing is searched. */
	starters = $state.raw<readonly Near[] | null>(null);
	private readonly cards = new WeakMap<ShakePreset, Card>();
	private readonly known = new Map<string, AnyPreset>();
	private searcher: Worker | null = null;
	private words: Remote<SearchDoor> | null = null;
	private asked = '';
	private lastChosen = '';
	private closed = false;
	/** A newer round ends the one before. */
	private runs = 0;
	private batch: ReturnType<typeof setTimeout> | null = null;

	constructor(readonly session: ProjectSession) {}

	/** Whether what is searched fits a preset of whatever family. */
	fits(id: string): boolean {
		return this.hits === null || this.hits.includes(id);
	}

	/** Every preset in use. */
	readonly all = $derived.by(() => this.session.presets);
	private readonly inUse = $derived.by(() => new Map(this.all.map((p) => [p.id, p])));
	readonly tags = $derived.by(() => tagCounts(this.all));
	private readonly found = $derived.by(() => {
		if (this.hits === null) return this.all.filter((p) => passes(p, this.filter));
		// In the order of how well they fit.
		return this.hits.flatMap((id) => {
			const preset = this.inUse.get(id);
			return preset && passes(preset, this.filter) ? [preset] : [];
		});
	});
	readonly rows = $derived.by(() => {
		if (this.sort.by === 'size' || this.sort.by === 'pace') void this.figures;
		return sorted(this.found, this.sort, (p) => this.cards.get(p)?.measure);
	});

	/** Figures and drawing of a preset, when they are at hand. */
	card(preset: ShakePreset): Card | undefined {
		void this.figures;
		return this.cards.get(preset);
	}

	/** All that is measured, for the chart. */
	measured(): { readonly preset: ShakePreset; readonly measure: Measure }[] {
		void this.figures;
		return this.found.flatMap((preset) => {
			const card = this.cards.get(preset);
			return card && card.measure.size > 0 ? [{ preset, measure: card.measure }] : [];
		});
	}

	/** Gives those chosen a tag, as one step. False when there is no word to give. */
	tagChosen(typed: string): boolean {
		const word = typed.trim().slice(0, MOST_TAG_LETTERS);
		if (!word) return false;
		const keys = this.acted.map((preset) => preset.id);
		this.session.acts.changeMany(keys, `Tag ${keys.length} presets “${word}”`, (preset) => {
			if (!preset.tags.includes(word) && preset.tags.length < MOST_TAGS) preset.tags.push(word);
		});
		return true;
	}

	/** Looks for words; empty: everything is listed again. */
	async search(text: string): Promise<void> {
		this.asked = text.trim();
		if (this.asked === '' || !this.words) return void (this.hits = this.starters = null);
		const { words } = this;
		const found = await words.find(this.asked);
		// A later question has been asked meanwhile.
		if (this.asked !== text.trim()) return;
		this.hits = found;
		const near = await words.starters(this.asked);
		if (this.asked === text.trim()) this.starters = near;
	}

	/** Begins what needs a browser. Returns what ends it. */
	open(): () => void {
		this.searcher = new Worker(new URL('../../workers/search.worker.ts', import.meta.url), { type: 'module' });
		this.words = wrap<SearchDoor>(this.searcher);
		return () => {
			this.closed = true;
			if (this.batch) clearTimeout(this.batch);
			this.searcher?.terminate();
		};
	}

	/** Takes in what is new or changed: the search in chunks, the figures one after the other. */
	async keepUp(presets: readonly ShakePreset[]): Promise<void> {
		const run = ++this.runs;
		await this.takeIn([...presets, ...this.session.bobsAndLags]);
		const waiting = presets.filter((p) => !this.cards.has(p));
		this.unmeasured = waiting.length;
		for (const preset of waiting) {
			if (this.closed || run !== this.runs) return;
			await this.measure(preset, false);
		}
	}

	/** Measures a row that is on the screen before those that are not. */
	want(preset: ShakePreset): void {
		if (!this.cards.has(preset)) void this.measure(preset, true);
	}

	sortBy(by: Column): void {
		// Figures are most asked for from the largest down.
		const first = by === 'size' || by === 'pace' || by === 'length';
		this.sort = this.sort.by === by ? { by, down: !this.sort.down } : { by, down: first };
	}

	toggleTag(tag: string): void {
		const tags = new Set(this.filter.tags);
		if (!tags.delete(tag)) tags.add(tag);
		this.filter = { ...this.filter, tags };
	}

	/** Chooses a row or lets it go; with Shift all rows from the last one chosen. */
	choose(key: string, range: boolean): void {
		const next = new Set(this.chosen);
		if (range && this.lastChosen) for (const each of between(this.rows, this.lastChosen, key)) next.add(each);
		else if (!next.delete(key)) next.add(key);
		this.lastChosen = key;
		this.chosen = next;
	}

	chooseAll(): void {
		this.chosen = new Set(this.chosen.size < this.rows.length ? this.rows.map((p) => p.id) : []);
	}

	/** What the buttons act on: the chosen rows that are still there, in the order of the list. */
	get acted(): ShakePreset[] {
		return this.all.filter((p) => this.chosen.has(p.id));
	}

	private async measure(preset: ShakePreset, soon: boolean): Promise<void> {
		try {
			const card = await this.session.shelf.card(preset, soon);
			if (!this.cards.has(preset)) this.unmeasured = Math.max(0, this.unmeasured - 1);
			this.cards.set(preset, card);
			this.batch ??= setTimeout(
				() => {
					this.batch = null;
					this.figures++;
				},
				this.all.length > LARGE ? LARGE_BATCH_MS : BATCH_MS
			);
		} catch {
			// The worker was closed: the page is going away.
		}
	}

	private async takeIn(presets: readonly AnyPreset[]): Promise<void> {
		const { words } = this;
		if (!words) return;
		const keys = new Set(presets.map((p) => p.id));
		const gone = [...this.known.keys()].filter((key) => !keys.has(key));
		const fresh = presets.filter((p) => this.known.get(p.id) !== p);
		if (gone.length === 0 && fresh.length === 0) return;
		for (const key of gone) this.known.delete(key);
		for (const preset of fresh) this.known.set(preset.id, preset);
		if (gone.length > 0) void words.drop(gone);
		for (let i = 0; i < fresh.length && !this.closed; i += CHUNK)
			await words.put(fresh.slice(i, i + CHUNK).map(entryOf));
		if (this.asked !== '') await this.search(this.asked);
	}
}
