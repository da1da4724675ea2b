/** On the spot, at a speed that one sets: the steps without the way. */
import type { Rig } from 'dinesis-runtime';
import { Frame, type CameraRun, type Played, type Seconds } from 'dinesis-runtime/tools';
import { SPOT } from './loop';

export class Treadmill {
	private standing: { readonly frame: Frame; readonly rig: string | undefined } | null = null;
	/** The rig, its bob, its lag and its own motion as they are trodden with. */
	private parts: readonly unknown[] = [];
	private time: Seconds = 0;

	/** Sets out anew. */
	again(): void {
		this.standing = null;
	}

	/** So many seconds on, at a speed; what is tuned meanwhile goes on from where it stands. */
	step(played: Played, rig: Rig | null, dt: Seconds, speed: number): CameraRun {
		const of = (id: string | null | undefined): unknown => played.presets.find((preset) => preset.id === id);
		const parts = [rig, of(rig?.bob), of(rig?.lag), ...(rig?.motion ?? []).map(({ preset }) => of(preset))];
		const kit = { ...played, cues: [], rigs: rig ? [rig] : [] };
		if (this.standing?.rig !== rig?.id || !this.standing) {
			const frame = new Frame(kit, { rig: rig?.id ?? null, watch: true });
			frame.step(0, 0, [{ pose: SPOT, speed: 0, grounded: true }]);
			this.standing = { frame, rig: rig?.id };
			this.time = 0;
		} else if (parts.some((part, i) => part !== this.parts[i])) this.standing.frame.use(kit);
		this.parts = parts;
		const { frame } = this.standing;
		if (dt > 0) frame.step((this.time += dt), dt, [{ pose: SPOT, speed, grounded: true }]);
		return frame.cameras[0]!;
	}
}
