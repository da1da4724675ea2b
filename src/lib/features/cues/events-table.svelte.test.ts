import 'fake-indexeddb/auto';
import { cleanup, fireEvent, render, screen, within } from '@testing-library/svelte';
import { afterEach, describe, expect, it, vi } from 'vitest';
import type { GameEvent } from 'dinesis-runtime';
import { newCue, newPreset } from 'dinesis-runtime/tools';
import { openSession } from '$lib/session/testing/open-session';
import type { CuesState } from './cues.svelte';
import EventsTable from './EventsTable.svelte';
import LeastMost from './LeastMost.svelte';

const hit: GameEvent = {
	id: 'hit',
	name: 'Hit',
	kind: 'moment',
	placed: true,
	tags: ['blow'],
	values: [{ id: 'speed', unit: 'm/s', min: 0, max: 9 }]
};
function begin() {
	const cue = newCue('c', 'hit', 'thud');
	const { session } = openSession([
		['shake', newPreset('thud', 'Thud')],
		['event', hit],
		['cue', { ...cue, conditions: { ...cue.conditions, values: [{ of: 'speed', from: 2, to: null }] } }]
	]);
	const desk = { session, keyOf: (place: number) => String(place + 1) } as unknown as CuesState;
	render(EventsTable, { desk });
	return { session, event: () => session.wiring.events.find(({ id }) => id === 'hit' || id === 'hull-struck') };
}
afterEach(() => {
	cleanup();
	vi.unstubAllGlobals();
});
const write = async (label: string, value: string) =>
	fireEvent.change(screen.getByLabelText(label), { target: { value } });

describe('the table of events', () => {
	it('shows what the game sends, the test key, and how many cues an event has', () => {
		begin();
		const row = screen.getByDisplayValue('Hit').closest('tr')!;
		expect(screen.getByLabelText<HTMLInputElement>('Id of Hit').value).toBe('hit');
		expect(row.querySelector('kbd')!.textContent).toBe('1');
		expect(row.querySelector('.count')!.textContent).toMatch(/^1 \+ cue/);
	});

	it('names, kinds, places and tags are set, each as one step', async () => {
		const { session, event } = begin();
		await write('Name of the event', '  Hull struck ');
		await write('Tags of Hull struck', 'blow, , hull,blow');
		await fireEvent.click(screen.getByLabelText('Hull struck has a place'));
		await fireEvent.click(screen.getByRole('radio', { name: 'state' }));
		expect(event()).toMatchObject({
			id: 'hull-struck',
			name: 'Hull struck',
			tags: ['blow', 'hull'],
			placed: false,
			kind: 'state'
		});
		session.undo();
		expect(event()).toMatchObject({ kind: 'moment', placed: false });
		session.undo();
		session.undo();
		session.undo();
		expect(event()).toEqual(hit);
	});

	it('an empty name is none: the old one stays', async () => {
		const { event } = begin();
		await write('Name of the event', '   ');
		expect(event()!.name).toBe('Hit');
	});

	it('a number that is renamed is followed by the cues that name it', async () => {
		const { session, event } = begin();
		const field = within(screen.getByDisplayValue('Hit').closest('tr')!).getByDisplayValue('speed');
		await fireEvent.change(field, { target: { value: 'Fall speed' } });
		const [value] = event()!.values;
		expect(value!.id).not.toBe('speed');
		expect(JSON.stringify(session.wiring.cues)).toContain(`"${value!.id}"`);
		expect(JSON.stringify(session.wiring.cues)).not.toContain('"speed"');
		session.undo();
		expect(JSON.stringify(session.wiring.cues)).toContain('"speed"');
	});

	it('an id is set by hand, and the cues go with it; one that cannot be is told and stays', async () => {
		const { session, event } = begin();
		await write('Id of Hit', 'Hull struck');
		expect(screen.getByRole('status', { hidden: true }).textContent).toContain('a–z');
		expect([event()!.id, screen.getByLabelText<HTMLInputElement>('Id of Hit').value]).toEqual(['hit', 'hit']);
		await write('Id of Hit', 'hull-struck');
		expect([event()!.id, session.wiring.cues[0]!.event]).toEqual(['hull-struck', 'hull-struck']);
	});

	it('one that is made new is named at once, and has no place', async () => {
		const { session } = begin();
		await fireEvent.click(screen.getByRole('button', { name: 'event' }));
		const field = screen.getByDisplayValue<HTMLInputElement>('New event');
		expect(document.activeElement).toBe(field);
		expect(field.value.slice(field.selectionStart!, field.selectionEnd!)).toBe('New event');
		expect(session.wiring.events.at(-1)!.placed).toBe(false);
		await fireEvent.change(field, { target: { value: 'Door slams' } });
		expect(session.wiring.events.at(-1)!.id).toBe('door-slams');
		expect(document.activeElement).toBe(screen.getByDisplayValue('Door slams'));
	});

	it('a new event, and one more number, come with ids of their own', async () => {
		const { session, event } = begin();
		await fireEvent.click(screen.getByRole('button', { name: 'event' }));
		await fireEvent.click(screen.getByRole('button', { name: 'event' }));
		expect(new Set(session.wiring.events.map((e) => e.id)).size).toBe(3);
		await fireEvent.click(screen.getAllByRole('button', { name: '+ number' })[0]!);
		expect(new Set(event()!.values.map((v) => v.id)).size).toBe(2);
	});

	it('taken out, its cues stay; undo brings it back', async () => {
		const { session, event } = begin();
		await fireEvent.click(screen.getByRole('button', { name: 'Take Hit out' }));
		expect([event(), session.wiring.cues.length]).toEqual([undefined, 1]);
		session.undo();
		expect(event()).toEqual(hit);
	});
});

describe('from where to where a number goes', () => {
	it('neither end passes the other', async () => {
		const said: object[] = [];
		const range = { min: -100, max: 100 };
		render(LeastMost, {
			of: 'cold',
			least: 2,
			most: 5,
			ranges: { min: range, max: range },
			step: 1,
			onchange: (part: object) => void said.push(part)
		});
		const least = screen.getByRole('spinbutton', { name: 'Least cold' });
		const most = screen.getByRole('spinbutton', { name: 'Most cold' });
		least.focus();
		await fireEvent.keyDown(least, { key: 'End' });
		most.focus();
		await fireEvent.keyDown(most, { key: 'Home' });
		await fireEvent.keyDown(most, { key: 'End' });
		expect(said).toEqual([{ min: 5 }, { max: 2 }, { max: 100 }]);
	});
});
