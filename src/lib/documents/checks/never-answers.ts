/** Cues that can never answer: they wait for a phase that their event has not, or for a number that it cannot carry. */
import type { Cue } from 'dinesis-runtime';
import type { CueFinding, Wired } from './cue-findings';

const WAITS = { starts: 'a start', ends: 'an end', lasts: 'an end' } as const;

/** A moment happens; it neither starts nor ends. */
export function wrongPhase(cue: Cue, { events }: Wired): CueFinding[] {
	const event = events.find(({ id }) => id === cue.event);
	if (event?.kind !== 'moment' || cue.when === 'happens') return [];
	return [
		{
			cue: cue.id,
			check: 'wrong-phase',
			level: 'error',
			place: 'when',
			sentence: `“${event.name}” is a moment: it has no start and no end, and this waits for ${WAITS[cue.when]}.`,
			fix: { label: 'Answer when it happens', apply: (c) => ({ ...c, when: 'happens' }) }
		}
	];
}

interface Numbered {
	readonly id: string;
	readonly min: number;
	readonly max: number;
}

/** A threshold beyond what the event's number, or the game value, can ever be. */
export function beyondRange(cue: Cue, { events, parameters }: Wired): CueFinding[] {
	const event = events.find(({ id }) => id === cue.event);
	const look = (list: readonly Numbered[], name: 'values' | 'parameters'): CueFinding[] =>
		cue.conditions[name].flatMap(({ of, from, to }, i): CueFinding[] => {
			const found = list.find(({ id }) => id === of);
			if (!found) return [];
			const never =
				(from ?? -Infinity) > found.max || (to ?? Infinity) < found.min || (from ?? -Infinity) > (to ?? Infinity);
			if (!never) return [];
			const range = `from ${found.min} to ${found.max}`;
			return [
				{
					cue: cue.id,
					check: 'beyond-range',
					level: 'warning',
					place: `conditions.${name}[${i}]`,
					sentence: `“${of}” goes ${range}, so this condition never holds and nothing is ever felt.`,
					fix: {
						label: 'Take the condition out',
						apply: (c) => ({
							...c,
							conditions: { ...c.conditions, [name]: c.conditions[name].filter((_, k) => k !== i) }
						})
					}
				}
			];
		});
	return [...look(event?.values ?? [], 'values'), ...look(parameters, 'parameters')];
}
