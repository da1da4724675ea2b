import { afterEach, describe, expect, it, vi } from 'vitest';
import { typedAhead } from './typed-ahead';

const press = (key: string, init: KeyboardEventInit = {}): KeyboardEvent => {
	const event = new KeyboardEvent('keydown', { key, bubbles: true, cancelable: true, ...init });
	document.body.dispatchEvent(event);
	return event;
};
afterEach(() => vi.restoreAllMocks());

describe('letters typed ahead', () => {
	it('are kept from the page and given when it is time; after that the page has its keys again', () => {
		const page = vi.fn();
		document.body.addEventListener('keydown', page);
		const typed = typedAhead(() => undefined);
		for (const key of ['t', 'o', 'x', 'Backspace', 'w', ' ', 'Shift', 'Enter']) press(key);
		expect(page).not.toHaveBeenCalled();
		expect(typed()).toBe('tow ');
		press('g');
		expect(page).toHaveBeenCalledTimes(1);
		document.body.removeEventListener('keydown', page);
	});

	it('Escape calls it off; what is held with Ctrl is the browser’s', () => {
		const cancel = vi.fn();
		const typed = typedAhead(cancel);
		expect(press('l', { ctrlKey: true }).defaultPrevented).toBe(false);
		press('Escape');
		expect(cancel).toHaveBeenCalledTimes(1);
		expect(typed()).toBe('');
	});
});
