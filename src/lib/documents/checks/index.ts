import type { ShakePreset } from 'dinesis-runtime';
import { isShake } from 'dinesis-runtime/tools';
import { type Kit } from '../kit';
import { checkCourses } from './course-findings';
import { checkCues } from './cue-findings';
import { fadesFit } from './fades-fit';
import { foldedFrequency } from './folded-frequency';
import { noMotion } from './no-motion';
import { checkRigs } from './rig-findings';
import { standingStill } from './standing-still';
import type { CheckContext, Finding, PresetCheck } from './types';

const PRESET_CHECKS: readonly PresetCheck[] = [noMotion, fadesFit, foldedFrequency, standingStill];

/** Everything found in one preset, errors first. */
export function checkPreset(preset: ShakePreset, context: CheckContext = { pictureRate: 60 }): Finding[] {
	const order = { error: 0, warning: 1, note: 2 };
	return PRESET_CHECKS.flatMap((check) => check(preset, context)).sort((a, b) => order[a.level] - order[b.level]);
}

/** Everything found in a kit; places begin at the kit's root. */
export function checkKit(kit: Kit, context?: CheckContext): Finding[] {
	const presets = kit.presets.flatMap((preset, i): Finding[] =>
		isShake(preset)
			? checkPreset(preset, context).map((finding) => ({ ...finding, place: `presets[${i}].${finding.place}` }))
			: []
	);
	return [...presets, ...checkCues(kit), ...checkCourses(kit), ...checkRigs(kit)];
}

export { checkRig } from './rig-findings';
export { checkCue, checkCues, type CueFinding, type Wired } from './cue-findings';
export type { CheckContext, Finding, Fix, Level } from './types';
