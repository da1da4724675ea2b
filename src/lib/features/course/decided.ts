/** What became of an event's cues, in words. */
import { decisionWords } from '$lib/documents';
import type { Decision } from 'dinesis-runtime/tools';

type NameOf = (id: string) => string;

/** One decision: “Far thunder at 0.98, 0.87 of it felt”, or “wave-wets: height was 2.5”. */
export function decidedWords(decision: Decision, presetName: NameOf): string {
	const words = decisionWords(decision);
	if (decision.kind === 'missed') return `${decision.cue}: ${words}`;
	const play = `${presetName(decision.preset)} at ${decision.strength.toFixed(2)}`;
	if (words !== '') return `${play}, ${words}`;
	return decision.felt < 0.995 ? `${play}, ${decision.felt.toFixed(2)} of it felt` : play;
}

/** How far apart a moment of the timeline and that of its answer may be: a step of the grid. */
const STEP = 1 / 120 + 1e-6;

/** What came of an event at a time: the answers of its own cues, at once or after their delays. `cues`: those that ask for it. */
export function decidedOf(
	decisions: readonly Decision[],
	at: number,
	cues: ReadonlyMap<string, readonly number[]>
): readonly Decision[] {
	return decisions.filter((decision) => {
		const delays = cues.get(decision.cue);
		if (!delays) return false;
		const after = decision.kind === 'missed' ? [0] : delays;
		return after.some((delay) => Math.abs(decision.at - at - delay) <= STEP);
	});
}
