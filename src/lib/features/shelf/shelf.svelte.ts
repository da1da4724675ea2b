/** The shelf's state: the projects, and what is done with them. Every act says what came of it; a failed one changes nothing. */
import { sayProblem } from '$lib/documents';
import * as api from '$lib/session/api';
import { noteBegun, seenIn } from '$lib/session/places';
import { fetchWorkers } from '$lib/session/project-api';
import { sayNews } from './words';
import { Notices } from '$lib/session/notices.svelte';

/** Of so many projects it is asked what changed: each is a question to the server. */
const MOST_NEWS = 30;
export type ShelfSort = 'changed' | 'name' | 'size';
const SORT_KEY = 'dinesis:shelf';

const sizeOf = ({ counts }: api.ShelfEntry): number => Object.values(counts).reduce((sum, n) => sum + n, 0);
const inWords = new Intl.Collator(undefined, { numeric: true, sensitivity: 'base' });

/** In an order; within it, the last changed first. */
export function sorted(list: readonly api.ShelfEntry[], by: ShelfSort): readonly api.ShelfEntry[] {
	const changed = [...list].sort((a, b) => (a.changedAt < b.changedAt ? 1 : a.changedAt > b.changedAt ? -1 : 0));
	if (by === 'changed') return changed;
	return changed.sort((a, b) => (by === 'name' ? inWords.compare(a.name, b.name) : sizeOf(b) - sizeOf(a)));
}

export class ShelfState {
	list = $state.raw<readonly api.ShelfEntry[]>([]);
	/** Those that were retired; null while nobody asked. */
	retired = $state.raw<readonly api.ShelfEntry[] | null>(null);
	/** What was wrong with the last try to make one. */
	trouble = $state.raw<readonly string[]>([]);
	busy = $state(false);
	readonly notes = new Notices();
	/** What the list is searched for. */
	typed = $state('');
	sort = $state<ShelfSort>('changed');
	/** What changed in projects since one was there, in words; asked for once. */
	news = $state.raw<Readonly<Record<string, string>>>({});

	/** Those that fit what is typed, in the order that is wished. */
	readonly shown = $derived.by((): readonly api.ShelfEntry[] => {
		const words = this.typed.trim().toLowerCase().split(/\s+/).filter(Boolean);
		const fits = ({ name }: api.ShelfEntry): boolean => words.every((word) => name.toLowerCase().includes(word));
		return sorted(this.list.filter(fits), this.sort);
	});

	constructor(
		first: readonly api.ShelfEntry[],
		/** Opens a project. */
		private readonly goTo: (slug: string) => void
	) {
		this.list = first;
	}

	/** Reads what was wished last time, and asks what changed since one was in each. In the browser only. */
	async open(): Promise<void> {
		try {
			const kept = localStorage.getItem(SORT_KEY);
			if (kept === 'changed' || kept === 'name' || kept === 'size') this.sort = kept;
		} catch {
			// Then the last changed come first.
		}
		const stale = this.list.filter(({ slug, number }) => number > (seenIn(slug) ?? number)).slice(0, MOST_NEWS);
		for (const { slug, number } of stale) {
			const seen = seenIn(slug)!;
			const answer = await fetchWorkers(slug, seen);
			if (answer.ok) this.news = { ...this.news, [slug]: sayNews(number - seen, answer.value) };
		}
	}

	sortBy(by: ShelfSort): void {
		this.sort = by;
		try {
			localStorage.setItem(SORT_KEY, by);
		} catch {
			// It holds as long as the page.
		}
	}

	makeEmpty(name: string): Promise<void> {
		return this.make(() => api.createProject(name));
	}

	async makeFrom({ name, bytes }: { readonly name: string; readonly bytes: Uint8Array<ArrayBuffer> }): Promise<void> {
		await this.make(() => api.createFromKit(bytes), name);
	}

	private async make(work: () => Promise<api.Made>, from = ''): Promise<void> {
		if (this.busy) return;
		this.busy = true;
		this.trouble = [];
		try {
			const made = await work();
			if (made.ok) {
				noteBegun();
				return this.goTo(made.value.slug);
			}
			const problems = api.problemsOf(made).slice(0, 8).map(sayProblem);
			this.trouble = [from ? `${from}: ${made.message}` : made.message, ...problems];
		} catch {
			this.trouble = [`${from || 'It'} could not be read.`];
		} finally {
			this.busy = false;
		}
	}

	async copy(entry: api.ShelfEntry): Promise<void> {
		const made = await api.copyProject(entry.slug, [...`${entry.name}, copy`].slice(0, 120).join(''));
		if (!made.ok) return this.notes.say(made.message);
		noteBegun();
		await this.refresh();
		this.notes.say(`“${made.value.name}” is made, with everything that is in use.`, {
			label: 'Open it',
			run: () => this.goTo(made.value.slug)
		});
	}

	/** False when the name was refused: then the old one stays. */
	async rename(entry: api.ShelfEntry, name: string): Promise<boolean> {
		if (name.trim() === entry.name) return true;
		const done = await api.changeProject(entry.slug, { name });
		if (!done.ok) {
			this.notes.say(done.message);
			return false;
		}
		this.list = this.list.map((each) => (each.slug === entry.slug ? { ...each, name: done.value.name } : each));
		return true;
	}

	async retire(entry: api.ShelfEntry): Promise<void> {
		if (!(await this.put(entry, true))) return;
		this.notes.say(`“${entry.name}” is retired; nothing of it is deleted.`, {
			label: 'Bring back',
			run: () => void this.bringBack(entry)
		});
	}

	async bringBack(entry: api.ShelfEntry): Promise<void> {
		if (await this.put(entry, false)) this.notes.say(`“${entry.name}” is back.`);
	}

	private async put(entry: api.ShelfEntry, retired: boolean): Promise<boolean> {
		const done = await api.changeProject(entry.slug, { retired });
		if (!done.ok) {
			this.notes.say(done.message);
			return false;
		}
		await this.refresh();
		if (this.retired) await this.showRetired();
		return true;
	}

	async showRetired(): Promise<void> {
		const answer = await api.fetchShelf(true);
		if (answer.ok) this.retired = answer.value;
		else this.notes.say(answer.message);
	}

	private async refresh(): Promise<void> {
		const answer = await api.fetchShelf();
		if (answer.ok) this.list = answer.value;
	}
}
