import { fireEvent, render, waitFor } from '@testing-library/svelte';
import { createRawSnippet } from 'svelte';
import { describe, expect, it } from 'vitest';
import FileDrop from './FileDrop.svelte';

const taken: { name: string; text: string }[] = [];
const troubles: string[] = [];
function shown(onfile?: (file: { name: string; bytes: Uint8Array }) => unknown): {
	input: HTMLInputElement;
	label: HTMLElement;
} {
	taken.length = troubles.length = 0;
	const { container } = render(FileDrop, {
		label: 'A kit file',
		accept: '.json',
		most: 2 * 1024 * 1024,
		onfile: onfile ?? (({ name, bytes }) => void taken.push({ name, text: new TextDecoder().decode(bytes) })),
		ontrouble: (message: string) => void troubles.push(message),
		children: createRawSnippet(() => ({ render: () => '<span>Choose</span>' }))
	});
	return { input: container.querySelector('input')!, label: container.querySelector('label')! };
}
const file = (name: string, text: string): File => {
	const made = new File([text], name);
	// jsdom's files cannot be read as bytes.
	return Object.assign(made, { arrayBuffer: async () => new TextEncoder().encode(text).buffer });
};

describe('a place for a file', () => {
	it('gives what was chosen, and the same again', async () => {
		const { input } = shown();
		for (let i = 1; i <= 2; i++) {
			await fireEvent.change(input, { target: { files: [file('a.json', '{}')] } });
			await waitFor(() => expect(taken).toHaveLength(i));
		}
		expect(taken[0]).toEqual({ name: 'a.json', text: '{}' });
		expect(input.value).toBe('');
	});

	it('gives what was dropped', async () => {
		const { label } = shown();
		await fireEvent.dragOver(label);
		expect(label.className).toContain('over');
		await fireEvent.drop(label, { dataTransfer: { files: [file('b.json', '[]')] } });
		await waitFor(() => expect(taken).toEqual([{ name: 'b.json', text: '[]' }]));
		expect(label.className).not.toContain('over');
	});

	it('one that is too large is not read, and that is said', async () => {
		const { input } = shown();
		const large = Object.defineProperty(file('c.json', ''), 'size', { value: 30 * 1024 * 1024 });
		await fireEvent.change(input, { target: { files: [large] } });
		await waitFor(() => expect(troubles).toEqual(['c.json has 30 MB; a file here may have up to 2 MB.']));
		expect(taken).toEqual([]);
	});

	it('one that cannot be read, or whose reading fails, is told', async () => {
		const { input } = shown();
		const gone = Object.assign(new File([''], 'gone.json'), {
			arrayBuffer: () => Promise.reject(new Error('it was moved away'))
		});
		await fireEvent.change(input, { target: { files: [gone] } });
		await waitFor(() => expect(troubles).toEqual(['gone.json could not be read: it was moved away']));
		const other = shown(() => Promise.reject(new Error('The worker was closed.')));
		await fireEvent.change(other.input, { target: { files: [file('d.json', '')] } });
		await waitFor(() => expect(troubles).toEqual(['d.json could not be read: The worker was closed.']));
	});
});
