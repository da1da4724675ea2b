/**
 * Names, tags and descriptions as an index that is asked in ordinary words: it forgives a wrong letter, knows words by their stems (“falls”,
 * “falling”), and knows which words mean the same (`starter/words.json`: adding some is editing that file).
 */
import MiniSearch, { type Query, type SearchOptions } from 'minisearch';
import { stemmer } from 'stemmer';
import words from '../../../starter/words.json';

export interface Entry {
	readonly id: string;
	readonly name: string;
	readonly about: string;
	readonly tags: string;
}

const FORGIVING: SearchOptions = { prefix: true, fuzzy: 0.25 };
const HALF_TYPED: SearchOptions = { prefix: true, fuzzy: false };
const EXACT: SearchOptions = { prefix: false, fuzzy: false };
/** A word that only means the same counts for less than the one that was typed. */
const SAME_COUNTS = 0.65;
/** And what means the same as a word that was perhaps meant, for less again. */
const GUESSED_COUNTS = 0.2;
/** From so many letters on, what is typed may be the beginning of a word that others mean the same as. */
const TELLING = 4;
const LONGEST_PHRASE = 3;
/** What comes to less than this part of the best is not near. */
const WORTH_SHOWING = 0.1;
const MOST_NEAR = 16;
/** What all words fit, but by chance rather than by what it is, comes to less than this part of the best. */
const WORTH_LISTING = 0.05;

const split = MiniSearch.getDefault('tokenize') as (text: string) => string[];
const lower = (text: string): string[] => split(text.toLowerCase()).filter(Boolean);
const asIs = (word: string): string => word;
/** A word stands in the index as it is, for what is half typed or mistyped, and by its stem. */
const bothOf = (word: string): string[] => {
	const own = word.toLowerCase();
	const stem = stemmer(own);
	return stem === own ? [own] : [own, stem];
};
const leftOut = new Set(words.leaveOut);

/** Phrases that mean the same, by each of them: as stems, joined by a space. */
const same = new Map<string, Set<string>>();
/** Single words of them as they are written, for one that is typed a little wrong. */
const known = new MiniSearch<{ id: string }>({ fields: ['id'], searchOptions: FORGIVING });
const phraseOf = (typed: readonly string[]): string => typed.map(stemmer).join(' ');
for (const group of words.same)
	for (const phrase of group) {
		const key = phraseOf(lower(phrase));
		const others = same.get(key) ?? new Set<string>();
		for (const other of group) if (other !== phrase) others.add(phraseOf(lower(other)));
		if (lower(phrase).length === 1 && !known.has(phrase)) known.add({ id: phrase });
		same.set(key, others);
	}

/** Phrases that mean the same as what is typed; `forgiving`: as the word that it comes nearest to. */
function sameAs(typed: readonly string[], forgiving: boolean): readonly string[] {
	const exact = same.get(phraseOf(typed));
	if (exact) return [...exact];
	const [word] = typed;
	if (!forgiving || typed.length > 1 || word === undefined || word.length < TELLING) return [];
	const [nearest] = known.search(word);
	if (!nearest) return [];
	const phrase = phraseOf([nearest.id as string]);
	return [phrase, ...(same.get(phrase) ?? [])];
}

/** A question's phrases: those that are known stay together, other small words are left out, unless there is nothing else. */
function phrasesOf(text: string): string[][] {
	const all = lower(text);
	const phrases: string[][] = [];
	for (let at = 0; at < all.length;) {
		let long = Math.min(LONGEST_PHRASE, all.length - at);
		while (long > 1 && !same.has(phraseOf(all.slice(at, at + long)))) long--;
		if (long > 1 || !leftOut.has(all[at]!)) phrases.push(all.slice(at, at + long));
		at += long;
	}
	return phrases.length > 0 ? phrases : all.map((word) => [word]);
}

/** What a phrase asks for: its words, what begins with them and what means the same; `forgiving`: also what is spelled a little differently. */
const asQuery = (typed: readonly string[], forgiving: boolean): Query => ({
	combineWith: 'OR',
	queries: [
		{
			combineWith: 'AND',
			queries: typed.map((word) => ({
				combineWith: 'OR' as const,
				queries: [
					{ ...(forgiving ? FORGIVING : HALF_TYPED), queries: [word] },
					{ ...EXACT, queries: [stemmer(word)] }
				]
			}))
		},
		...sameAs(typed, forgiving).map((other) => ({
			...EXACT,
			boostTerm: () => (forgiving ? GUESSED_COUNTS : SAME_COUNTS),
			combineWith: 'AND' as const,
			queries: other.split(' ')
		}))
	]
});

export class WordIndex {
	private readonly known = new Map<string, Entry>();
	private readonly index = new MiniSearch<Entry>({
		fields: ['name', 'tags', 'about'],
		processTerm: bothOf,
		searchOptions: { boost: { name: 4, tags: 2 }, processTerm: asIs }
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
		const queries = phrasesOf(text).map((phrase) => this.asked(phrase));
		if (queries.length === 0) return [];
		const hits = this.index.search({ combineWith: 'AND', queries });
		const least = (hits[0]?.score ?? 0) * WORTH_LISTING;
		return hits.filter(({ score }) => score >= least).map((hit) => hit.id as string);
	}

	/** What comes nearest to a wish, best first: what fits more of its words counts for more; what fits much less than the best is left out. */
	nearest(text: string): Entry[] {
		const phrases = phrasesOf(text);
		const scores = new Map<string, { sum: number; fits: number }>();
		for (const phrase of phrases)
			for (const { id, score } of this.index.search(this.asked(phrase))) {
				const so = scores.get(id as string) ?? { sum: 0, fits: 0 };
				scores.set(id as string, { sum: so.sum + score, fits: so.fits + 1 });
			}
		const ranked = [...scores].map(([id, { sum, fits }]) => ({ id, score: (sum * fits) / phrases.length }));
		ranked.sort((a, b) => b.score - a.score);
		const least = (ranked[0]?.score ?? 0) * WORTH_SHOWING;
		const near = ranked.filter(({ score }) => score >= least).slice(0, MOST_NEAR);
		return near.flatMap(({ id }) => this.known.get(id) ?? []);
	}

	/** A wrong letter is forgiven where nothing fits as it is spelled. */
	private asked(phrase: readonly string[]): Query {
		const strict = asQuery(phrase, false);
		return this.index.search(strict).length > 0 ? strict : asQuery(phrase, true);
	}
}
