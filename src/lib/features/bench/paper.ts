/** The stretch of time that a preset's strip shows. */
import type { ShakePreset } from 'dinesis-runtime';
import type { Seconds } from 'dinesis-runtime/tools';
import { naturalLength } from '$lib/analysis';

/** How much paper a preset needs: its whole length, or for a continuous one its fades, its growth and a stretch between. */
export function paperLength(preset: ShakePreset): { readonly seconds: Seconds; readonly letGoAt: Seconds | undefined } {
	const { timing } = preset;
	if (timing.mode === 'burst') return { seconds: Math.max(0.1, naturalLength(preset) * 1.12), letGoAt: undefined };
	const risen = Math.max(timing.fadeIn.time, Math.min(timing.growth?.over ?? 0, 120));
	const letGoAt = timing.delay + risen + 2.5;
	return { seconds: (letGoAt + timing.fadeOut.time) * 1.08 + 0.2, letGoAt };
}
