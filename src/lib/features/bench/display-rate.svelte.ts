/** About how many pictures a second this display shows. */
import type { Seconds } from 'dinesis-runtime/tools';

/** A tab that was away tells nothing of the display. */
const AWAY: Seconds = 0.25;

export class DisplayRate {
	now = $state(60);
	private frame: Seconds = 1 / 60;

	/** A frame came, so many seconds after the last. */
	watch(seconds: Seconds): void {
		if (seconds <= 0 || seconds > AWAY) return;
		this.frame += (seconds - this.frame) * 0.04;
		const rate = Math.round(1 / this.frame / 5) * 5;
		if (Math.abs(rate - this.now) > 4) this.now = rate;
	}
}
