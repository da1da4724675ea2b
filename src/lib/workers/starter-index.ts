/** The starter sets as an index of words: found by names, tags, descriptions, their kind and their set. */
import { starterSets } from '$lib/starter/sets';
import { WordIndex } from './word-index';

export function indexOfStarters(): WordIndex {
	const index = new WordIndex();
	for (const { name, members } of starterSets())
		index.put(
			members.map(({ kind, document }) => ({
				id: document.id,
				name: document.name ?? '',
				about: document.about,
				tags: [...(document.tags ?? []), kind, name].join(' ')
			}))
		);
	return index;
}
