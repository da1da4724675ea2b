import { cleanup, fireEvent, render, screen } from '@testing-library/svelte';
import { afterEach, describe, expect, it, vi } from 'vitest';
import { newBob, newRig } from 'dinesis-runtime/tools';
import type { ProjectSession } from '$lib/session/session.svelte';
import BodySlot from './BodySlot.svelte';

afterEach(cleanup);
function begin(bob: string | null, made: string | null = 'made') {
	const acts = { newBody: vi.fn(() => Promise.resolve(made)), copyBody: vi.fn(() => Promise.resolve(made)) };
	const session = {
		bobs: [newBob('walk', 'Walk'), { ...newBob('hop', 'Hop'), view: 'flat' }],
		lags: [],
		acts
	} as unknown as ProjectSession;
	const said: unknown[] = [];
	render(BodySlot, {
		session,
		rig: { ...newRig('eyes', 'Eyes'), bob },
		slot: 'bob',
		onchange: (label: string, part: object) => void said.push([label, part]),
		onmade: (id: string) => void said.push(id)
	});
	const box = screen.getByRole<HTMLSelectElement>('combobox');
	return { acts, said, box, labels: () => [...box.options].map((o) => o.label) };
}
const choose = (box: HTMLSelectElement, label: string) =>
	fireEvent.change(box, { target: { value: [...box.options].find((o) => o.label === label)!.value } });

describe('which head bob a rig has', () => {
	it('one that is there, with a word where its view is another; a copy only of one that it has', () => {
		expect(begin(null).labels()).toEqual(['none', 'Walk', 'Hop (pixels)', 'a new one']);
		cleanup();
		expect(begin('walk').labels()).toContain('a copy of it');
	});

	it('is taken, or let go', async () => {
		const { said, box } = begin('walk');
		await choose(box, 'Hop (pixels)');
		await choose(box, 'none');
		expect(said).toEqual([
			['Head bob', { bob: 'hop' }],
			['Head bob', { bob: null }]
		]);
	});

	it('a new one, or a copy, is made first and then taken', async () => {
		const { said, box, acts } = begin('walk');
		await choose(box, 'a new one');
		await vi.waitFor(() => expect(said).toHaveLength(2));
		expect(said).toEqual([['Head bob', { bob: 'made' }], 'made']);
		expect(acts.newBody).toHaveBeenCalledWith('bob', 'space');
		await choose(box, 'a copy of it');
		expect(acts.copyBody).toHaveBeenCalledWith('walk');
	});

	it('what could not be made changes nothing', async () => {
		const { said, box, acts } = begin('walk', null);
		await choose(box, 'a new one');
		await vi.waitFor(() => expect(acts.newBody).toHaveBeenCalled());
		await Promise.resolve();
		expect(said).toEqual([]);
		expect(box.value).toBe('walk');
	});

	it('one that is gone is said', () => {
		expect(begin('lost').box.selectedOptions[0]!.label).toBe('lost, which is gone');
	});
});
