/** Findings: one file each. What a kind of document is checked for stands in its row of the table of kinds. */
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

export { checkBob } from './bob-findings';
export { checkCourse, type CourseKit } from './course-findings';
export { checkRig } from './rig-findings';
export { checkCue, type CueFinding, type Wired } from './cue-findings';
export { checkWorld } from './world-findings';
export { eventNeverComes } from './event-never-comes';
export { unknownDrive } from './unknown-drive';
export type { CheckContext, Finding, Fix, Level } from './types';
