/** Names, tags and descriptions of presets as a searchable index that forgives a wrong letter. */
import MiniSearch from 'minisearch';

export interface Entry {
	readonly id: string;
	readonly name: string;
	readonly about: string;
	readonly tags: string;
}

export class WordIndex {
	private readonly known = new Map<string, Entry>();
	private readonly index = new MiniSearch<Entry>({
		fields: ['name', 'tags', 'about'],
		searchOptions: { prefix: true, fuzzy: 0.25, boost: { name: 4, tags: 2 }, combineWith: 'AND' }
	});

	/** Takes entries in, in place of those with their ids. */
	put(entries: readonly Entry[]): void {
		for (const entry of entries) {
			this.drop([entry.id]);
			this.known.set(entry.id, entry);
			this.index.add(entry);
		}
	}

	drop(ids: readonly string[]): void {
		for (const id of ids) {
			const before = this.known.get(id);
			if (before) this.index.remove(before);
			this.known.delete(id);
		}
	}

	/** Ids of what fits all of the words, best first. */
	find(text: string): string[] {
		return this.index.search(text).map((hit) => hit.id as string);
	}
}
