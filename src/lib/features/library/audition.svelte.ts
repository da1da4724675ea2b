/** Plays what is pointed at, in a window of its own. */
import { createPlayer, type ShakePreset } from 'dinesis-runtime';
import type { Play, Player } from 'dinesis-runtime/tools';

/** A continuous motion is let go after so long, so that one also sees how it ends. */
const HOLD_S = 3;

export class Audition {
	readonly player: Player = createPlayer([], { seed: 20, distance: false });
	preset = $state.raw<ShakePreset | null>(null);
	sceneTime = 0;
	private play: Play | null = null;
	private stopAt = Infinity;

	/** Plays a preset; what played before fades out on its own. */
	start(preset: ShakePreset): void {
		if (this.preset && this.preset.id !== preset.id) this.player.stopAll();
		this.preset = preset;
		this.player.setPreset(preset);
		this.play = this.player.fire(preset.id, { at: [-3.5, 1.6, -4] });
		const { mode, fadeIn, growth } = preset.timing;
		this.stopAt =
			mode === 'continuous' ? this.player.now + fadeIn.time + Math.min(growth?.over ?? 0, 8) + HOLD_S : Infinity;
	}

	stop(): void {
		this.player.stopAll();
	}

	/** One frame, `dt` seconds on. */
	frame(dt: number): Float64Array {
		this.sceneTime += dt;
		if (this.player.now >= this.stopAt) {
			this.play?.stop(this.player.now);
			this.stopAt = Infinity;
		}
		return this.player.advance(dt);
	}
}
