/** What a shake is checked for: one file each. */
import type { ShakePreset } from 'dinesis-runtime';
import { fadesFit } from './fades-fit';
import { foldedFrequency } from './folded-frequency';
import { noMotion } from './no-motion';
import { standingStill } from './standing-still';
import type { CheckContext, Finding, PresetCheck } from './types';

const PRESET_CHECKS: readonly PresetCheck[] = [noMotion, fadesFit, foldedFrequency, standingStill];
export const LEVELS = { error: 0, warning: 1, note: 2 } as const;

/** Everything found in one preset, errors first. */
export function checkPreset(preset: ShakePreset, context: CheckContext = { pictureRate: 60 }): Finding[] {
	return PRESET_CHECKS.flatMap((check) => check(preset, context)).sort((a, b) => LEVELS[a.level] - LEVELS[b.level]);
}
