import type { ShakePreset } from 'dinesis-runtime';
import type { MotionCheck } from './types';

/** No cue that is on and no rig plays it. */
export const unused: MotionCheck<ShakePreset> = {
	check: 'unused',
	kind: 'shake',
	why: 'It goes out with the kit, and nothing of the project plays it: only the game could, by its id.',
	find(preset, watched) {
		const { cues, rigs, settings } = watched.kit;
		// Presets by themselves are a set to choose from.
		if (cues.length + rigs.length === 0 || watched.isPlayed(preset)) return [];
		if (settings?.keys.some(({ kind, of }) => kind === 'preset' && of === preset.id)) return [];
		return [{ level: 'note', place: 'id', sentence: 'No cue and no rig plays it.' }];
	}
};
