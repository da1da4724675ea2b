/** What the window shows beside the picture itself; remembered in this browser. */
const NAME = 'dinesis:window';

export class WindowShows {
	outline = $state(true);
	/** Marks on what stands in the scene, on the posts at set distances, or none. */
	distances = $state<'none' | 'things' | 'posts'>('things');
	outside = $state(false);
	scope = $state(false);

	/** Reads what was chosen last time. In the browser only. */
	recall(): void {
		try {
			const kept = JSON.parse(localStorage.getItem(NAME) ?? '{}') as Partial<Record<keyof WindowShows, unknown>>;
			for (const part of ['outline', 'outside', 'scope'] as const)
				if (typeof kept[part] === 'boolean') this[part] = kept[part];
			if (kept.distances === 'none' || kept.distances === 'things' || kept.distances === 'posts')
				this.distances = kept.distances;
		} catch {
			// Nothing was kept, or storage is forbidden: the usual things are shown.
		}
	}

	keep(): void {
		const { outline, distances, outside, scope } = this;
		try {
			localStorage.setItem(NAME, JSON.stringify({ outline, distances, outside, scope }));
		} catch {
			// Then it is chosen again next time.
		}
	}
}
