/** Reading one preset: apart from whole kits, so that the page need not carry what only they need. */
import { shakePreset } from './preset-shape';
import { refuseDangerousKeys, Report, type Problem } from './shape';
import type { ShakePreset } from './types';

export type ReadResult<T> =
	{ readonly ok: true; readonly value: T } | { readonly ok: false; readonly problems: readonly Problem[] };

/** Checks one shake preset and fills in what it leaves out. The object is the preset's own from here on. */
export function openPreset(parsed: unknown): ReadResult<ShakePreset> {
	const report = new Report();
	refuseDangerousKeys(parsed, report);
	if (report.problems.length === 0) shakePreset.check(parsed, report);
	if (report.problems.length > 0) return { ok: false, problems: report.problems };
	return { ok: true, value: parsed as ShakePreset };
}
