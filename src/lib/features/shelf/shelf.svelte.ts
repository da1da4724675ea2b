/** The shelf's state: the projects, and what is done with them. Every act says what came of it; a failed one changes nothing. */
import { sayProblem } from '$lib/documents';
import * as api from '$lib/session/api';
import { noteBegun } from '$lib/session/places';
import { Notices } from '$lib/session/notices.svelte';

export class ShelfState {
	list = $state.raw<readonly api.ShelfEntry[]>([]);
	/** Those that were retired; null while nobody asked. */
	retired = $state.raw<readonly api.ShelfEntry[] | null>(null);
	/** What was wrong with the last try to make one. */
	trouble = $state.raw<readonly string[]>([]);
	busy = $state(false);
	readonly notes = new Notices();

	constructor(
		first: readonly api.ShelfEntry[],
		/** Opens a project. */
		private readonly open: (slug: string) => void
	) {
		this.list = first;
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
				return this.open(made.value.slug);
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
			run: () => this.open(made.value.slug)
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
