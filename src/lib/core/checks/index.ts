import { isShake, type Kit, type ShakePreset } from '../kit/types';
import { fadesFit } from './fades-fit';
import { foldedFrequency } from './folded-frequency';
import { noMotion } from './no-motion';
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
	return kit.presets.flatMap((preset, i) =>
		isShake(preset)
			? checkPreset(preset, context).map((finding) => ({ ...finding, place: `presets[${i}].${finding.place}` }))
			: []
	);
}

export type { CheckContext, Finding, Fix, Level } from './types';
