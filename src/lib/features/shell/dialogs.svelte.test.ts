import { fireEvent, render } from '@testing-library/svelte';
import { createRawSnippet } from 'svelte';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import Palette from './Palette.svelte';
import Dialog from '$lib/ui/Dialog.svelte';

// jsdom knows no modal dialogs.
beforeEach(() => {
	HTMLDialogElement.prototype.showModal = function (this: HTMLDialogElement) {
		this.open = true;
	};
	HTMLDialogElement.prototype.close = function (this: HTMLDialogElement) {
		this.open = false;
		this.dispatchEvent(new Event('close'));
	};
});
const children = createRawSnippet(() => ({ render: () => '<p>Inside</p>' }));

describe('a dialog that the browser closed by itself', () => {
	it('is closed for its owner too, and said once', async () => {
		const onclose = vi.fn();
		const { container, rerender } = render(Dialog, { title: 'T', open: true, onclose, children });
		const dialog = container.querySelector('dialog')!;
		dialog.close();
		expect(onclose).toHaveBeenCalledTimes(1);
		await rerender({ open: false });
		await rerender({ open: true });
		expect(dialog.open).toBe(true);
		await rerender({ open: false });
		expect(onclose).toHaveBeenCalledTimes(1);
	});

	it('stays where it needs an answer', () => {
		const { container } = render(Dialog, { title: 'T', open: true, children });
		const dialog = container.querySelector('dialog')!;
		dialog.close();
		expect(dialog.open).toBe(true);
	});

	it('the palette opens again afterwards', async () => {
		const onclose = vi.fn();
		const { container, rerender } = render(Palette, { open: true, commands: () => [], onclose });
		const dialog = container.querySelector('dialog')!;
		await fireEvent(dialog, new Event('cancel', { cancelable: true }));
		dialog.close();
		expect(onclose).toHaveBeenCalledTimes(2);
		await rerender({ open: false });
		await rerender({ open: true });
		expect(dialog.open).toBe(true);
	});
});

describe('Escape', () => {
	const escape = (): KeyboardEvent => new KeyboardEvent('keydown', { key: 'Escape', bubbles: true, cancelable: true });

	it('closes the palette at once, and the browser is kept from doing it later', async () => {
		const onclose = vi.fn();
		const { container } = render(Palette, { open: true, commands: () => [], onclose });
		const event = escape();
		await fireEvent(container.querySelector('input')!, event);
		expect([onclose.mock.calls.length, event.defaultPrevented]).toEqual([1, true]);
	});

	it('closes a dialog at once, but not one that needs an answer, and not where something within took it', async () => {
		const onclose = vi.fn();
		const { container, rerender } = render(Dialog, { title: 'T', open: true, onclose, children });
		const dialog = container.querySelector('dialog')!;
		await fireEvent(dialog, escape());
		expect(onclose).toHaveBeenCalledTimes(1);
		const taken = escape();
		taken.preventDefault();
		await fireEvent(dialog, taken);
		expect(onclose).toHaveBeenCalledTimes(1);
		await rerender({ onclose: undefined });
		const asked = escape();
		await fireEvent(dialog, asked);
		expect([dialog.open, asked.defaultPrevented]).toEqual([true, true]);
	});
});
