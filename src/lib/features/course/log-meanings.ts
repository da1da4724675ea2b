/** What the names of a game's logs meant the last time, by project: kept in this browser. */
import type { Meanings } from '$lib/formats';

const keyOf = (slug: string): string => `dinesis-log-names ${slug}`;

export function rememberedMeanings(slug: string): Meanings {
	try {
		const kept: unknown = JSON.parse(localStorage.getItem(keyOf(slug)) ?? '{}');
		if (typeof kept !== 'object' || kept === null) return {};
		return Object.fromEntries(Object.entries(kept).filter(([, id]) => typeof id === 'string'));
	} catch {
		// A browser that keeps nothing asks again.
		return {};
	}
}

/** Keeps these beside what other logs said. */
export function rememberMeanings(slug: string, meanings: Meanings): void {
	try {
		localStorage.setItem(keyOf(slug), JSON.stringify({ ...rememberedMeanings(slug), ...meanings }));
	} catch {
		// As above.
	}
}
