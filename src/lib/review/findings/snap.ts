import type { ShakePreset } from 'dinesis-runtime';
import { CHANNEL_COUNT } from 'dinesis-runtime/tools';
import { pictureMovement, sampleShake } from '$lib/analysis';
import { said } from '../written';
import type { MotionCheck, MotionFound } from './types';

/** From one picture to the next this much of the picture's height is a jump that one sees, in percent. */
export const SNAP = 3;
const FPS = 960;
const SEEDS = 5;
/** A fade that is as short as it may be without one. */
const [COMES, GOES] = [0.04, 0.12];

const moved = (preset: ShakePreset, options: Parameters<typeof sampleShake>[1], at: number): number => {
	const track = sampleShake(preset, { ...options, fps: FPS });
	return pictureMovement(track.values, Math.min(track.count - 1, at) * CHANNEL_COUNT, preset.view);
};
/** The middle of five plays. */
function middle(of: (seed: number) => number): number {
	const all = Array.from({ length: SEEDS }, (_, i) => of(i + 1)).sort((a, b) => a - b);
	return all[SEEDS >> 1]!;
}

/** A motion that is there at once, or gone at once. */
export const snap: MotionCheck<ShakePreset> = {
	check: 'snap',
	kind: 'shake',
	why: 'From one picture to the next the whole picture jumps: it reads as a fault, not as motion.',
	find(preset) {
		const { timing } = preset;
		const { mode, delay, duration, fadeIn, fadeOut } = timing;
		const found: MotionFound<ShakePreset>[] = [];
		const first = Math.ceil(delay * FPS) + 1;
		const begins = middle((seed) => moved(preset, { seed, seconds: (first + 1) / FPS }, first));
		if (begins > SNAP)
			found.push({
				level: 'warning',
				place: 'timing.fadeIn.time',
				sentence: `It begins ${said(begins)} % of the picture’s height off its place, from one picture to the next.`,
				fix: {
					label: `Let it come in over ${COMES} s`,
					document: { ...preset, timing: { ...timing, fadeIn: { ...fadeIn, time: COMES } } }
				}
			});
		const faded = { ...preset, timing: { ...timing, fadeOut: { ...fadeOut, time: GOES } } };
		if (mode === 'burst') {
			const last = Math.floor((delay + duration) * FPS) - 1;
			const ends = last <= first ? 0 : middle((seed) => moved(preset, { seed, seconds: (last + 1) / FPS }, last));
			if (ends > SNAP)
				found.push({
					level: 'warning',
					place: 'timing.fadeOut.time',
					sentence: `It ends ${said(ends)} % of the picture’s height off its place, from one picture to the next.`,
					fix: { label: `Let it fade over the last ${GOES} s`, document: faded }
				});
		} else {
			// What goes on may be stopped at any moment: once it has come up in full.
			const stopAt = delay + fadeIn.time + 2;
			const at = Math.floor(stopAt * FPS);
			const before = middle((seed) => moved(preset, { seed, seconds: stopAt + 0.1, stopAt }, at - 1));
			const after = middle((seed) => moved(preset, { seed, seconds: stopAt + 0.1, stopAt }, at + 2));
			if (before - after > SNAP)
				found.push({
					level: 'warning',
					place: 'timing.fadeOut.time',
					sentence: `When it is stopped the picture jumps back by ${said(before - after)} % of its height.`,
					fix: { label: `Let it fade over ${GOES} s`, document: faded }
				});
		}
		return found;
	}
};
