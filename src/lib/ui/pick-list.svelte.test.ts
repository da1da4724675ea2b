import { cleanup, fireEvent, render, screen } from '@testing-library/svelte';
import { afterEach, describe, expect, it, vi } from 'vitest';
import PickList from './PickList.svelte';

afterEach(cleanup);
const entries = [
	{ id: 'a', label: 'Gate opens' },
	{ id: 'b', label: 'Gate shuts' }
];
function list(onmake?: (name: string) => void) {
	const onpick = vi.fn();
	render(PickList, { label: 'Find', groups: [{ entries }], onpick, onmake });
	return { onpick, type: (value: string) => fireEvent.input(screen.getByRole('combobox'), { target: { value } }) };
}
const options = (): string[] => screen.getAllByRole('option').map((option) => option.textContent!.trim());

describe('a list to find in', () => {
	it('offers to make what nothing is called, behind what it found', async () => {
		const onmake = vi.fn();
		const { onpick, type } = list(onmake);
		expect(options()).toEqual(['Gate opens', 'Gate shuts']);
		await type(' gate ');
		expect(options()).toEqual(['Gate opens', 'Gate shuts', 'make “gate”']);
		await fireEvent.click(screen.getByText('make “gate”'));
		expect(onmake).toHaveBeenCalledWith('gate');
		expect(onpick).not.toHaveBeenCalled();
	});

	it('does not say that there is none where only nothing fits', async () => {
		render(PickList, { label: 'Find', groups: [{ entries, none: 'No gate yet.' }], onpick: vi.fn() });
		await fireEvent.input(screen.getByRole('combobox'), { target: { value: 'window' } });
		expect(screen.queryByText('No gate yet.')).toBeNull();
		cleanup();
		render(PickList, { label: 'Find', groups: [{ entries: [], none: 'No gate yet.' }], onpick: vi.fn() });
		expect(screen.getByText('No gate yet.')).toBeTruthy();
	});

	it('makes nothing that is there already, whatever its letters, and nothing where it may not', async () => {
		const { type } = list(vi.fn());
		await type('GATE OPENS');
		expect(options()).toEqual(['Gate opens']);
		cleanup();
		const other = list();
		await other.type('gate');
		expect(options()).toEqual(['Gate opens', 'Gate shuts']);
	});
});
