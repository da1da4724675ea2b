import { describe, expect, it } from 'vitest';
import type { GameEvent } from 'dinesis-runtime';
import { readEventLog, type EventLog } from './event-log';
import { eventOfLog, namesIn, withMeanings } from './log-names';

const number = (id: string) => ({ id, unit: 'm/s', min: 0, max: 9 });
const event = (id: string, name: string): GameEvent => ({
	id,
	name,
	kind: 'moment',
	placed: false,
	tags: [],
	values: [number('impact-speed')]
});
const known = [event('cask-set-down', 'Cask set down'), event('storm', 'Storm')];
const log = (text: string): EventLog => (readEventLog(text) as { value: EventLog }).value;
const mixed = log(
	'time,event,phase,Impact speed,tags\n1,cask set down ,,4,enemy\n2,cask-set-down,,5,\n3,Gate opens,,,\n4,STORM,starts,,\n6,Gate opens,,,\n'
);

describe('names in a log', () => {
	it('are understood by id and by name, whatever their letters; others mean nothing yet', () => {
		expect(namesIn(mixed, known)).toEqual([
			{ name: 'cask set down', count: 1, means: 'cask-set-down' },
			{ name: 'cask-set-down', count: 1, means: 'cask-set-down' },
			{ name: 'Gate opens', count: 2, means: null },
			{ name: 'STORM', count: 1, means: 'storm' }
		]);
	});

	it('what was said before holds, to leave something out as well, unless it is gone', () => {
		const means = (before: Record<string, string>) => namesIn(mixed, known, before).map((one) => one.means);
		expect(means({ 'Gate opens': 'storm', STORM: '' })).toEqual(['cask-set-down', 'cask-set-down', 'storm', '']);
		expect(means({ 'Gate opens': 'gone' })[2]).toBeNull();
	});

	it('come as the project’s events, columns as its numbers; what means nothing is left out', () => {
		const events = withMeanings(mixed, known, { 'cask set down': 'cask-set-down', STORM: 'storm', 'Gate opens': '' });
		expect(events.map(({ at, event }) => [at, event])).toEqual([
			[1, 'cask-set-down'],
			[4, 'storm']
		]);
		expect(events[0]!.values).toEqual({ 'impact-speed': 4 });
		expect(events[0]!.tags).toEqual(['enemy']);
	});

	it('a state that never ends is told', () => {
		expect(mixed.open).toEqual(['STORM']);
		expect(log('time,event,phase\n1,a,starts\n2,a,ends\n').open).toEqual([]);
	});
});

describe('an event as a log shows it', () => {
	it('has its name, an id that is free, the numbers with their ranges, and the tags that came', () => {
		const made = eventOfLog('cask set down', mixed, ['cask-set-down']);
		expect(made).toMatchObject({ name: 'cask set down', kind: 'moment', placed: false, mayCarry: ['enemy'] });
		expect(made.id).not.toBe('cask-set-down');
		expect(made.values).toEqual([{ id: 'impact-speed', unit: '', min: 0, max: 4 }]);
		// An id alone is made a name.
		expect(eventOfLog('cask-set-down', mixed, []).name).toBe('Cask set down');
	});

	it('lasts where it did, and has a place where it had one', () => {
		const lasting = log('time,event,phase,x,y,z\n1,Gate,starts,1,2,3\n3,Gate,ends,,,\n');
		const open = log('time,event,phase\n1,Storm,starts\n');
		expect(eventOfLog('Storm', open, []).kind).toBe('state');
		expect(eventOfLog('Gate', lasting, [])).toMatchObject({ id: 'gate', kind: 'state', placed: true });
	});
});
