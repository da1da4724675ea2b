/** What plays on the wall of neighbours: all of them at once, again and again, with the same seed. */
import { createPlayer, type ShakePreset } from 'dinesis-runtime';
import { CHANNEL_COUNT, type Seconds, type Player } from 'dinesis-runtime/tools';

/** Between the end of the longest and the next round. */
const REST: Seconds = 0.5;

export class Wall {
	private readonly offsets: Float64Array[];
	private players: Player[] = [];
	private round: Seconds = 0;
	private began: Seconds = -Infinity;
	private ids: string[] = [];
	private restarts = false;

	constructor(count: number) {
		this.offsets = Array.from({ length: count }, () => new Float64Array(CHANNEL_COUNT));
	}

	show(presets: readonly ShakePreset[]): void {
		this.players = presets.map((preset) =>
			createPlayer([{ ...preset, overlap: { rule: 'stack', limit: 8 } }], { seed: 9 })
		);
		this.ids = presets.map((preset) => preset.id);
		const bursts = presets.map((p) => (p.timing.mode === 'burst' ? p.timing.delay + p.timing.duration : Infinity));
		this.round = Math.min(20, Math.max(...bursts)) + REST;
		this.restarts = bursts.every(Number.isFinite);
		this.began = -Infinity;
	}

	/** Begins a round with the next frame. */
	restart(): void {
		if (this.restarts) this.began = -Infinity;
	}

	/** The offsets at a time that only grows. */
	frame(now: Seconds): readonly Float64Array[] {
		const begins = this.began === -Infinity || (this.restarts && now - this.began > this.round);
		if (begins) this.began = now;
		this.players.forEach((player, i) => {
			player.advanceTo(now);
			if (begins) {
				player.stopAll(true);
				player.fire(this.ids[i]!, { seed: 9 });
			}
			this.offsets[i]!.set(player.offset);
		});
		return this.offsets;
	}
}
