/** Reading one preset: apart from whole kits, so that the page need not carry what only they need. */
import { bobPreset } from './bob-shape';
import { lagPreset } from './lag-shape';
import { shakePreset } from './preset-shape';
import { isRecord, refuseDangerous, Report, type Problem, type Shape } from './shape';
import type { AnyPreset, ShakePreset } from './types';

export type ReadResult<T> =
	{ readonly ok: true; readonly value: T } | { readonly ok: false; readonly problems: readonly Problem[] };

function open<T>(parsed: unknown, shape: Shape): ReadResult<T> {
	const report = new Report();
	refuseDangerous(parsed, report);
	if (report.problems.length === 0) shape.check(parsed, report);
	if (report.problems.length > 0) return { ok: false, problems: report.problems };
	return { ok: true, value: parsed as T };
}

/** Checks one shake preset and fills in what it leaves out. The object is the preset's own from here on. */
export const openPreset = (parsed: unknown): ReadResult<ShakePreset> => open(parsed, shakePreset);

/** As `openPreset`, of whatever family it says. */
export function openAnyPreset(parsed: unknown): ReadResult<AnyPreset> {
	const family = isRecord(parsed) ? parsed.family : undefined;
	return open(parsed, family === 'bob' ? bobPreset : family === 'lag' ? lagPreset : shakePreset);
}
