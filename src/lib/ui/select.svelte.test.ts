import { cleanup, fireEvent, render, screen } from '@testing-library/svelte';
import { afterEach, describe, expect, it } from 'vitest';
import Select from './Select.svelte';

const choices = [
	{ value: '', label: 'nothing' },
	{ value: 'hull', label: 'Hull struck' },
	{ value: 'bell', label: 'Bell' }
];
function begin(value: string) {
	const wishes: string[] = [];
	const { rerender } = render(Select, { label: 'Event', value, choices, onchange: (wish) => void wishes.push(wish) });
	const box = screen.getByRole<HTMLSelectElement>('combobox', { name: 'Event' });
	const options = (): string[] => [...box.options].map((option) => option.label);
	return { wishes, rerender, box, options };
}
afterEach(cleanup);

describe('one of several', () => {
	it('tells the wish, and shows what holds until that is another', async () => {
		const { wishes, rerender, box } = begin('hull');
		await fireEvent.change(box, { target: { value: 'bell' } });
		expect(wishes).toEqual(['bell']);
		// The wish was not granted.
		expect(box.value).toBe('hull');
		await rerender({ value: 'bell' });
		expect(box.value).toBe('bell');
	});

	it('says that what is chosen is gone, as long as it is chosen', async () => {
		const { rerender, box, options } = begin('storm');
		expect(box.selectedOptions[0]!.label).toBe('storm, which is gone');
		expect(options()).toHaveLength(4);
		await rerender({ value: 'hull' });
		expect(options()).toEqual(['nothing', 'Hull struck', 'Bell']);
	});

	it('nothing chosen is never gone', () => {
		render(Select, { label: 'Other', value: '', choices: choices.slice(1), onchange: () => undefined });
		expect(screen.getByRole<HTMLSelectElement>('combobox', { name: 'Other' }).options).toHaveLength(2);
	});
});
