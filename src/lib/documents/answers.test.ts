import { describe, expect, it } from 'vitest';
import type { GameEvent } from 'dinesis-runtime';
import { NO_LINKS } from 'dinesis-runtime/tools';
import { withAnswer, withNewEvent } from './answers';
import type { Wiring } from './read-wiring';

const hit: GameEvent = { id: 'hit', name: 'Hit', kind: 'moment', placed: true, tags: [], values: [] };
const wiring: Wiring = { events: [hit], parameters: [], cues: [], world: NO_LINKS, rigs: [] };

describe('a cue made from one of its ends', () => {
	it('is made of the event’s own id; with a state it lasts', () => {
		const made = withAnswer(wiring, hit, 'thud');
		expect(made.wiring.cues.at(-1)).toMatchObject({ id: made.id, event: 'hit', when: 'happens', on: true });
		expect(made.id).toBe('hit');
		const again = withAnswer(made.wiring, { ...hit, kind: 'state' }, 'thud');
		expect(again.id).not.toBe('hit');
		expect(again.wiring.cues.at(-1)!.when).toBe('lasts');
	});

	it('makes the event that it answers: a moment, or a state for what goes on', () => {
		const { wiring: made } = withNewEvent(wiring, 'Hit', 'thud', false);
		expect(made.events.map(({ id, kind }) => [id, kind])).toEqual([
			['hit', 'moment'],
			['hit-2', 'moment']
		]);
		expect(made.cues[0]).toMatchObject({ event: 'hit-2', when: 'happens' });
		const { wiring: state } = withNewEvent(wiring, 'Storm', 'wind', true);
		expect(state.events[1]).toMatchObject({ id: 'storm', name: 'Storm', kind: 'state' });
		expect(state.cues[0]).toMatchObject({ event: 'storm', when: 'lasts' });
		expect(wiring.events).toHaveLength(1);
	});
});
