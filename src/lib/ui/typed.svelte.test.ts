import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { keepTyped, labelOf, leftIn, letGo } from './typed';

let root: HTMLElement;
let end: () => void;
const page = (html: string): void => {
	document.body.innerHTML = `<div class="page">${html}</div>`;
	root = document.querySelector('.page')!;
};
const field = (): HTMLInputElement => root.querySelector('input')!;
const type = (text: string, into: HTMLInputElement | HTMLTextAreaElement = field()): void => {
	into.value = text;
	into.dispatchEvent(new Event('input', { bubbles: true }));
};
const press = (key: string): boolean => field().dispatchEvent(new KeyboardEvent('keydown', { key, bubbles: true }));

beforeEach(() => {
	localStorage.clear();
	page('<input aria-label="Name" value="Thud" />');
	end = keepTyped(root, () => '/quay/bench/thud');
});
afterEach(() => end());

/** The page once more, as after a reload. */
const again = async (html = '<input aria-label="Name" value="Thud" />', place = '/quay/bench/thud'): Promise<void> => {
	end();
	page(html);
	end = keepTyped(root, () => place);
	await Promise.resolve();
};

describe('what is typed and not confirmed', () => {
	it('is there again, unconfirmed, and is confirmed by Enter or by leaving the field', async () => {
		type('Thump');
		await again();
		expect(field().value).toBe('Thump');
		expect(field().hasAttribute('data-unconfirmed')).toBe(true);
		const changed = vi.fn();
		field().addEventListener('change', changed);
		press('Enter');
		expect(changed).toHaveBeenCalledOnce();
		expect(leftIn('/quay/bench/thud', 'Name')).toBeNull();
		type('Thumps');
		await again();
		field().addEventListener('change', changed);
		field().dispatchEvent(new FocusEvent('focusout', { bubbles: true }));
		expect(changed).toHaveBeenCalledTimes(2);
		expect(leftIn('/quay/bench/thud', 'Name')).toBeNull();
	});

	it('is let go of when it is confirmed, or given up with Escape', () => {
		type('Thump');
		field().dispatchEvent(new Event('change', { bubbles: true }));
		expect(leftIn('/quay/bench/thud', 'Name')).toBeNull();
		type('Thumps');
		press('Escape');
		expect(leftIn('/quay/bench/thud', 'Name')).toBeNull();
	});

	it('belongs to its page, and waits for its field to come', async () => {
		type('Thump');
		await again(undefined, '/quay/bench/hum');
		expect(field().value).toBe('Thud');
		await again('<p>loading</p>');
		root.innerHTML = '<label>Name <input value="Thud" /></label>';
		await new Promise((done) => setTimeout(done));
		expect(field().value).toBe('Thump');
	});

	it('is told to the field’s own code as if it were typed', async () => {
		type('Thump');
		end();
		page('<input aria-label="Name" value="Thud" />');
		const heard: string[] = [];
		field().addEventListener('input', () => heard.push(field().value));
		end = keepTyped(root, () => '/quay/bench/thud');
		await Promise.resolve();
		expect(heard).toEqual(['Thump']);
	});

	it('of a search, a slider or a switch is nothing to keep', () => {
		for (const html of ['type="search"', 'type="range"', 'type="checkbox"', 'role="combobox"']) {
			page(`<input aria-label="Find" ${html} />`);
			const stop = keepTyped(root, () => '/p');
			type('1');
			expect(leftIn('/p', 'Find'), html).toBeNull();
			stop();
		}
	});

	it('of long ago goes first; what cannot be read is nothing', () => {
		for (let i = 0; i < 70; i++) {
			field().setAttribute('aria-label', `F${i}`);
			type(`t${i}`);
		}
		expect([leftIn('/quay/bench/thud', 'F9'), leftIn('/quay/bench/thud', 'F69')]).toEqual([null, 't69']);
		localStorage.setItem('dinesis:typed', '{nonsense');
		expect(leftIn('/quay/bench/thud', 'F69')).toBeNull();
		letGo('/quay/bench/thud', 'F69');
	});

	it('a field is called by its label, spoken or written', () => {
		page('<label>what   for <textarea></textarea></label>');
		expect(labelOf(root.querySelector('textarea')!)).toBe('what for');
	});
});
