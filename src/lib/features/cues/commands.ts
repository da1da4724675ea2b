/** What can be done in the Cues. */
import type { GameEvent } from 'dinesis-runtime';
import type { CommandTable } from '$lib/ui/commands.svelte';
import { withShift } from '$lib/ui/keys';
import type { CuesState } from './cues.svelte';

const digitOf = (code: string): number => Number(/^(?:Digit|Numpad)([1-9])$/.exec(code)?.[1] ?? 0);
const KEYS = Array.from({ length: 9 }, (_, i) => withShift(`Digit${i + 1}`, `Numpad${i + 1}`)).flat();

export function cuesCommands(desk: CuesState, addCue: () => void, showEvents: () => void): CommandTable {
	/** States that a key holds: let go with it, whatever Shift does meanwhile. */
	const held = new Map<string, GameEvent>();
	return {
		commands: [
			{
				id: 'cues keys',
				label: 'Raise the first eighteen events; hold for a state',
				about: 'cues',
				shown: '1 … 9, Shift 1 … 9',
				keyOnly: true,
				keys: KEYS,
				run: (press) => {
					const event = press && desk.eventOnKey(digitOf(press.code), press.shiftKey);
					if (!event) return;
					if (event.kind === 'moment') return desk.raise(event, 'happens');
					held.set(press.code, event);
					if (!desk.held.has(event.id)) desk.raise(event, 'starts');
				},
				release: (code) => {
					const event = held.get(code);
					held.delete(code);
					if (event && desk.held.has(event.id)) desk.raise(event, 'ends');
				}
			},
			{ id: 'cues new', label: 'New cue', about: 'cues', run: addCue },
			{ id: 'cues events', label: 'Events and game values', about: 'cues', run: showEvents },
			{ id: 'cues stop', label: 'Let everything fade out', about: 'cues', keys: ['x'], run: () => desk.stopAll() }
		],
		gestures: [
			{ shown: 'Press a cue’s key', says: 'Fire its event as it would come from the game; hold it for a state' }
		]
	};
}
