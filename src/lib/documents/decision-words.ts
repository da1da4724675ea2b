/** What became of a cue's answer, in words: why nothing was felt, or how much of it. */
import type { Decision } from 'dinesis-runtime/tools';

/** A number as it is said: no more digits than are told apart. */
const said = (value: number): string => (Number.isFinite(value) ? String(Number(value.toPrecision(3))) : 'nothing');

const OUTCOMES: Readonly<Record<(Decision & { kind: 'played' })['outcome'], string>> = {
	started: '',
	replaced: 'another one gave way, at its limit',
	restarted: 'started over',
	extended: 'goes on for longer',
	ignored: 'ignored while it plays',
	unknown: 'no such preset',
	'other-view': 'made for the other view, not felt here',
	'out-of-reach': 'out of reach',
	'too-weak': 'too weak to be felt',
	'held-back': 'not let through by the camera',
	ducked: 'ducked by something more important'
};

/** Whether something of it is felt. */
export const isFelt = (decision: Decision): boolean =>
	decision.kind === 'played' && ['started', 'replaced', 'restarted', 'extended', 'ducked'].includes(decision.outcome);

/** Why, or how: “out of reach”, “cooling down, 0.4 s to go”; empty: as it was asked for. */
export function decisionWords(decision: Decision): string {
	if (decision.kind === 'played') return OUTCOMES[decision.outcome];
	const { why, of, is } = decision;
	if (why === 'spent') return 'only once, and it was';
	if (why === 'cooling-down') return `cooling down, ${said(is)} s to go`;
	if (why === 'not-tagged') return `not tagged ${of}`;
	if (why === 'value') return Number.isFinite(is) ? `${of} was ${said(is)}` : `carries no ${of}`;
	if (why === 'parameter') return Number.isFinite(is) ? `${of} is ${said(is)}` : `no game value ${of}`;
	if (why === 'chance') return `by chance, ${said(is * 100)} % answer`;
	return 'nothing to pick: no preset has a weight';
}
