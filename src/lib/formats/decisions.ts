/** What every event came to, as CSV: `time,cue,viewer,preset,felt,strength,why`. */
import papaparse from 'papaparse';
import { decisionWords, isFelt } from '../documents';
import type { Decision } from 'dinesis-runtime/tools';

const COLUMNS = ['time', 'cue', 'viewer', 'preset', 'felt', 'strength', 'why'];

/** A row for each decision: `felt` is what distance and ducking left, 0 where nothing is felt; `strength` as the cue asked for it. */
export function decisionsToCsv(decisions: readonly Decision[]): string {
	const rows = decisions.map((decision) => {
		const { at, cue } = decision;
		const why = decisionWords(decision);
		if (decision.kind === 'missed') return [at, cue, '', '', 0, '', why];
		const { viewer, preset, felt, strength } = decision;
		return [at, cue, viewer, preset, isFelt(decision) ? felt : 0, strength, why];
	});
	return `${papaparse.unparse({ fields: COLUMNS, data: rows }, { newline: '\n' })}\n`;
}
