/** Reading one preset: apart from whole kits, so that the page need not carry what only they need. */
import { bobPreset, lagPreset, shakePreset, isRecord, openAs } from 'dinesis-runtime/tools';
import type { ReadResult, AnyPreset, ShakePreset } from 'dinesis-runtime';

/** Checks one shake preset and fills in what it leaves out. The object is the preset's own from here on. */
export const openPreset = (parsed: unknown): ReadResult<ShakePreset> => openAs(parsed, shakePreset);

/** As `openPreset`, of whatever family it says. */
export function openAnyPreset(parsed: unknown): ReadResult<AnyPreset> {
	const family = isRecord(parsed) ? parsed.family : undefined;
	return openAs(parsed, family === 'bob' ? bobPreset : family === 'lag' ? lagPreset : shakePreset);
}
