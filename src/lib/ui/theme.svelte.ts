/** Day (paper) or night (lamp room). Remembered in this browser; at first what the system prefers. */
export type Theme = 'day' | 'night';
const NAME = 'dinesis:theme';

class ThemeState {
	now = $state<Theme>('day');

	/** Reads what was chosen, and puts it on the page. In the browser only. */
	recall(): void {
		let kept: string | null = null;
		try {
			kept = localStorage.getItem(NAME);
		} catch {
			// Storage is forbidden: the system decides each time.
		}
		const dark = matchMedia('(prefers-color-scheme: dark)').matches;
		this.now = kept === 'night' || kept === 'day' ? kept : dark ? 'night' : 'day';
	}

	turn(): void {
		this.now = this.now === 'day' ? 'night' : 'day';
		try {
			localStorage.setItem(NAME, this.now);
		} catch {
			// Then it is chosen again next time.
		}
	}
}

export const theme = new ThemeState();
