import 'fake-indexeddb/auto';
import { cleanup, fireEvent, render, screen } from '@testing-library/svelte';
import { afterEach, describe, expect, it, vi } from 'vitest';
import type { GameEvent } from 'dinesis-runtime';
import { openSession } from '$lib/session/testing/open-session';
import { HAPPENINGS, WORLD_VALUES } from '$lib/world/happenings';
import WorldTable from './WorldTable.svelte';

const landing: GameEvent = { id: 'thump', name: 'Thump', kind: 'moment', placed: false, tags: [], values: [] };
const afloat: GameEvent = { ...landing, id: 'afloat', name: 'Afloat', kind: 'state' };
const begin = (counted = {}) => {
	const { session } = openSession([
		['event', landing],
		['event', afloat],
		['value', { id: 'cold', name: 'Cold', min: 0, max: 1, rest: 0 }]
	]);
	render(WorldTable, { session, counted });
	return session;
};
afterEach(() => {
	cleanup();
	vi.unstubAllGlobals();
});
const moment = HAPPENINGS.find(({ kind }) => kind === 'moment')!;
const box = (label: string) => screen.getByRole<HTMLSelectElement>('combobox', { name: label });
const choose = (of: HTMLSelectElement, label: string | RegExp) =>
	fireEvent.change(of, {
		target: {
			value: [...of.options].find((o) => (typeof label === 'string' ? o.label === label : label.test(o.label)))!.value
		}
	});

describe('what the stand-in game raises', () => {
	it('has a line for each of its happenings and values; only events of the same kind fit', () => {
		begin();
		expect(screen.getAllByRole('combobox')).toHaveLength(HAPPENINGS.length + WORLD_VALUES.length);
		const labels = [...box(`${moment.name} is`).options].map((o) => o.label);
		expect(labels).toContain('Thump');
		expect(labels).not.toContain('Afloat');
	});

	it('is one of the project’s events, or nothing again', async () => {
		const session = begin();
		await choose(box(`${moment.name} is`), 'Thump');
		expect(session.wiring.world.events).toMatchObject([{ from: moment.id, event: 'thump' }]);
		await choose(box(`${moment.name} is`), '–');
		expect(session.wiring.world.events).toEqual([]);
		session.undo();
		expect(session.wiring.world.events).toHaveLength(1);
	});

	it('is declared with one press, in one step', async () => {
		const session = begin();
		await choose(box(`${moment.name} is`), /^declare/);
		const made = session.wiring.events.at(-1)!;
		expect(made).toMatchObject({ name: moment.name, kind: 'moment' });
		expect(session.wiring.world.events).toMatchObject([{ from: moment.id, event: made.id }]);
		session.undo();
		expect([session.wiring.events.length, session.wiring.world.events.length]).toEqual([2, 0]);
	});

	it('sets game values: one that is there, or one declared for it', async () => {
		const session = begin();
		const [first, second] = WORLD_VALUES;
		await choose(box(`${first!.name} sets`), 'Cold');
		expect(session.wiring.world.values).toEqual([{ from: first!.id, parameter: 'cold' }]);
		if (!second) return;
		await choose(box(`${second.name} sets`), /^declare/);
		expect(session.wiring.parameters).toHaveLength(2);
		expect(session.wiring.parameters[1]).toMatchObject({ name: second.name, min: 0, max: 1, rest: 0 });
	});

	it('says how often it came in this run, and the last number', () => {
		begin({ [moment.id]: { times: 3, last: 4.25 } });
		const row = box(`${moment.name} is`).closest('tr')!;
		expect(row.textContent).toContain('3×');
		expect(row.textContent).toMatch(/4\.[23]/);
	});
});
