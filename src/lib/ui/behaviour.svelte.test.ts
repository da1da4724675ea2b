import { cleanup, fireEvent, render, screen } from '@testing-library/svelte';
import { createRawSnippet, tick } from 'svelte';
import { afterEach, beforeAll, beforeEach, describe, expect, it, vi } from 'vitest';
import Dialog from './Dialog.svelte';
import Menu from './Menu.svelte';
import NumberField from './NumberField.svelte';
import { numberReader } from './number-reader.svelte';
import PickList from './PickList.svelte';
import RadioGroup from './RadioGroup.svelte';
import Tabs from './Tabs.svelte';

const text = (html: string) => createRawSnippet(() => ({ render: () => html }));
/** Presses a key where the focus is. */
async function press(...keys: string[]): Promise<void> {
	for (const key of keys) await fireEvent.keyDown(document.activeElement!, { key, code: key });
	await tick();
}
beforeEach(() => {
	// jsdom has no dialogs of its own.
	HTMLDialogElement.prototype.showModal = function () {
		this.open = true;
	};
	HTMLDialogElement.prototype.close = function () {
		this.open = false;
	};
});
afterEach(cleanup);

describe('choices of which one is taken', () => {
	const options = ['Noise', 'Wave', 'Jumps', 'Keys'].map((label) => ({ value: label.toLowerCase(), label }));

	it('are one stop of the Tab key; arrows and ends take another one; letters are left to the page', async () => {
		const taken: string[] = [];
		render(RadioGroup<string>, { label: 'Pattern', options, value: 'wave', onchange: (v) => taken.push(v) });
		const stops = screen.getAllByRole('radio').map((radio) => radio.tabIndex);
		expect(stops).toEqual([-1, 0, -1, -1]);
		screen.getByRole('radio', { name: 'Wave' }).focus();
		await press('ArrowRight', 'ArrowUp', 'End', 'Home', 'End', 'w');
		// The value stays where it is given: each key starts from Wave.
		expect(taken).toEqual(['jumps', 'noise', 'keys', 'noise', 'keys']);
		expect(document.activeElement).toBe(screen.getByRole('radio', { name: 'Keys' }));
	});

	it('none taken: the first one is the stop', () => {
		render(RadioGroup<string>, { label: 'Pattern', options, value: null, onchange: () => undefined });
		expect(screen.getAllByRole('radio').map((radio) => radio.tabIndex)).toEqual([0, -1, -1, -1]);
	});
});

describe('tabs', () => {
	it('are one stop; arrows and ends open another one, which has the focus then', async () => {
		const opened: string[] = [];
		const tabs = [{ id: 'x' }, { id: 'y', off: true }, { id: 'yaw' }];
		render(Tabs, { label: 'Axes', tabs, open: 'yaw', onopen: (id: string) => opened.push(id) });
		expect(screen.getAllByRole('tab').map((tab) => tab.tabIndex)).toEqual([-1, -1, 0]);
		screen.getByRole('tab', { name: 'yaw' }).focus();
		await press('ArrowRight', 'ArrowLeft', 'Home', 'ArrowDown');
		expect(opened).toEqual(['x', 'y', 'x']);
		expect(document.activeElement).toBe(screen.getByRole('tab', { name: 'x' }));
	});
});

describe('a list that one finds something in', () => {
	const entries = ['Bell', 'Beam', 'Cask set down', 'Wave'].map((label) => ({ id: label.toLowerCase(), label }));
	const groups = [{ entries: [...entries, { id: 'gust', label: 'Gust', about: 'wind', words: 'storm' }] }];
	const open = (props: Record<string, unknown> = {}) => {
		const picked: string[] = [];
		render(PickList, { label: 'Find', groups, here: 'beam', onpick: (id: string) => picked.push(id), ...props });
		return picked;
	};
	const selected = (): string[] =>
		screen
			.getAllByRole('option')
			.filter((option) => option.getAttribute('aria-selected') === 'true')
			.map((option) => option.querySelector('span')!.textContent);

	it('what is open is pointed at; arrows go on from there; Enter takes it', async () => {
		const picked = open();
		const field = screen.getByRole('combobox');
		field.focus();
		expect(selected()).toEqual(['Beam']);
		await press('ArrowDown');
		expect(field.getAttribute('aria-activedescendant')).toBe(screen.getAllByRole('option')[2]!.id);
		await press('Enter');
		expect(picked).toEqual(['cask set down']);
	});

	it('Enter takes the match of what is typed, also by what is not shown; without a match nothing', async () => {
		const picked = open();
		const field = screen.getByRole<HTMLInputElement>('combobox');
		field.focus();
		await fireEvent.input(field, { target: { value: 'storm' } });
		expect(screen.getAllByRole('option')).toHaveLength(1);
		await press('Enter');
		await fireEvent.input(field, { target: { value: 'nothing of it' } });
		await press('Enter');
		expect(picked).toEqual(['gust']);
		expect(screen.getByText('Nothing here is called so.')).toBeTruthy();
	});

	it('a short one has no field: the list has the focus, and letters find', async () => {
		const picked = open({ few: 8 });
		expect(screen.queryByRole('combobox')).toBeNull();
		expect(document.activeElement).toBe(screen.getByRole('listbox'));
		await press('w', ' ');
		expect(picked).toEqual(['wave']);
		await press('Home', 'Enter');
		expect(picked).toEqual(['wave', 'bell']);
	});

	it('of very many it lists some, and says how many more there are', async () => {
		const many = Array.from({ length: 230 }, (_, i) => ({ id: `p-${i}`, label: `Preset ${i}` }));
		open({ groups: [{ entries: many }], here: undefined });
		expect(screen.getAllByRole('option')).toHaveLength(200);
		expect(screen.getByText('and 30 more: type to find them')).toBeTruthy();
		// 22, 122 and 220 to 229.
		await fireEvent.input(screen.getByRole('combobox'), { target: { value: 'set 22' } });
		expect(screen.getAllByRole('option')).toHaveLength(12);
		expect(screen.queryByText(/more: type/)).toBeNull();
	});

	it('of several the taken ones are said', () => {
		open({ taken: new Set(['bell', 'gust']) });
		expect(screen.getByRole('listbox').getAttribute('aria-multiselectable')).toBe('true');
		expect(selected()).toEqual(['Bell', 'Gust']);
	});
});

describe('a menu', () => {
	const open = async () => {
		const done: string[] = [];
		const item = (label: string, disabled = false) => ({ label, disabled, run: () => void done.push(label) });
		render(Menu, {
			label: 'Say more',
			button: text('<b>+</b>'),
			groups: [
				{ title: 'Only', items: [item('once'), item('with a chance', true)] },
				{ items: [item('stop something')] }
			]
		});
		const button = screen.getByRole('button', { name: 'Say more' });
		button.focus();
		await press('ArrowDown');
		return { done, button };
	};

	it('opens by an arrow with the focus on its first item, goes round, and says what it is', async () => {
		const { button } = await open();
		expect(button.getAttribute('aria-haspopup')).toBe('menu');
		const names: string[] = [];
		for (const key of ['', 'ArrowDown', 'End', 'ArrowDown', 's']) {
			if (key) await press(key);
			names.push(document.activeElement!.textContent!.trim());
		}
		expect(names).toEqual(['once', 'with a chance', 'stop something', 'once', 'stop something']);
	});

	it('a press does it and closes; Escape only closes; the focus goes back to the button', async () => {
		const { done, button } = await open();
		await fireEvent.click(screen.getByRole('menuitem', { name: 'with a chance', hidden: true }));
		expect(done).toEqual([]);
		await fireEvent.click(screen.getByRole('menuitem', { name: 'once', hidden: true }));
		expect(done).toEqual(['once']);
		expect(screen.queryByRole('menu', { hidden: true })).toBeNull();
		expect(document.activeElement).toBe(button);
		await press('ArrowDown', 'Escape');
		expect(screen.queryByRole('menu', { hidden: true })).toBeNull();
		expect(document.activeElement).toBe(button);
	});
});

describe('a number field', () => {
	it('is stepped by arrows and pages, set to its ends, and closed as one step when the key comes up', async () => {
		const said: [number, boolean][] = [];
		render(NumberField, {
			label: 'rate',
			value: 2,
			min: 0,
			max: 8,
			step: 0.05,
			onchange: (v, done) => said.push([v, done])
		});
		const field = screen.getByRole('spinbutton', { name: 'rate' });
		field.focus();
		await press('ArrowUp', 'PageDown', 'Home', 'End');
		// The value stays where it is given: each key starts from 2.
		expect(said).toEqual([
			[2.1, false],
			[1, false],
			[0, true],
			[8, true]
		]);
		await fireEvent.keyUp(field, { key: 'PageDown' });
		expect(said.at(-1)).toEqual([2, true]);
	});
});

describe('a number whose 0 is no number', () => {
	it('says what it means, on the page and aloud', async () => {
		const props = { label: 'at most', unit: 'm', value: 0, min: 0, max: 9, step: 0.1, zero: 'no limit' };
		const { rerender } = render(NumberField, { ...props, onchange: () => undefined });
		const field = screen.getByRole('spinbutton');
		expect([field.getAttribute('aria-valuetext'), field.querySelector('.value')!.textContent]).toEqual([
			'no limit',
			'no limit'
		]);
		await rerender({ value: 0.5 });
		expect(field.getAttribute('aria-valuetext')).toBe('0.50 m');
	});
});

describe('a dialog', () => {
	it('has the focus itself when it opens, not its closing button; what asks for it has it', async () => {
		render(Dialog, { title: 'Shortcuts', open: true, onclose: () => undefined, children: text('<p>x</p>') });
		await tick();
		expect(document.activeElement).toBe(screen.getByRole('dialog'));
		cleanup();
		render(Dialog, { title: 'Name', open: true, onclose: () => undefined, children: text('<input autofocus />') });
		await tick();
		expect(document.activeElement).not.toBe(screen.getByRole('dialog'));
	});

	it('that leaves the page with what it was part of gives the focus back to where it was', async () => {
		const button = document.body.appendChild(document.createElement('button'));
		button.focus();
		const { unmount } = render(Dialog, { title: 'T', open: true, children: text('<p>x</p>') });
		await tick();
		expect(document.activeElement).toBe(screen.getByRole('dialog'));
		unmount();
		await vi.waitFor(() => expect(document.activeElement).toBe(button));
		button.remove();
	});

	it('Escape asks for its end at once; no key gets behind it', async () => {
		const close = vi.fn();
		const behind = vi.fn();
		window.addEventListener('keydown', behind);
		render(Dialog, { title: 'Shortcuts', open: true, onclose: close, children: text('<p>x</p>') });
		await tick();
		await press('Escape', 'x');
		window.removeEventListener('keydown', behind);
		expect(close).toHaveBeenCalledOnce();
		expect(behind).not.toHaveBeenCalled();
	});
});

describe('a number that is typed', () => {
	beforeAll(() => numberReader.fetch());
	function begin(props: Record<string, unknown> = {}) {
		const said: [number, boolean][] = [];
		render(NumberField, {
			label: 'rise',
			unit: 'm',
			value: 0.07,
			min: 0,
			max: 2,
			step: 0.01,
			onchange: (v: number, done: boolean) => said.push([v, done]),
			...props
		});
		const field = screen.getByRole('spinbutton');
		const type = async (text: string) => {
			field.focus();
			await press('Enter');
			await fireEvent.input(screen.getByRole('textbox'), { target: { value: text } });
		};
		const note = () => screen.queryByRole('status', { hidden: true })?.textContent ?? null;
		return { said, field, type, note };
	}

	it('may have a unit or be a sum: what it comes to is said before it is taken', async () => {
		const { said, type, note, field } = begin();
		await type('5cm');
		expect(note()).toBe('= 0.05 m');
		expect(said).toEqual([]);
		await fireEvent.keyDown(screen.getByRole('textbox'), { key: 'Enter' });
		expect(said).toEqual([[0.05, true]]);
		expect(document.activeElement).toBe(field);
		await type('+10%');
		expect(note()).toBe('= 0.077 m');
		await type('0.5');
		expect(note()).toBeNull();
	});

	it('that is beyond a bound says what it becomes', async () => {
		const { said, type, note } = begin();
		await type('3');
		expect(note()).toBe('2 m: it is no more');
		await fireEvent.keyDown(screen.getByRole('textbox'), { key: 'Enter' });
		expect(said).toEqual([[2, true]]);
	});

	it('that is not understood is said, and stays to be mended; left so, the old one stays, and that is said', async () => {
		const { said, type, note } = begin();
		await type('5 furlongs');
		await fireEvent.keyDown(screen.getByRole('textbox'), { key: 'Enter' });
		const entry = screen.getByRole<HTMLInputElement>('textbox');
		expect([entry.value, entry.getAttribute('aria-invalid')]).toEqual(['5 furlongs', 'true']);
		await fireEvent.blur(entry);
		expect(screen.queryByRole('textbox')).toBeNull();
		expect(note()).toBe('“furlongs” is no unit that is known here. It stays 0.070 m');
		expect(said).toEqual([]);
	});

	it('Escape takes nothing and says nothing', async () => {
		const { said, type, note } = begin();
		await type('5cm');
		await fireEvent.keyDown(screen.getByRole('textbox'), { key: 'Escape' });
		expect([said, note(), screen.queryByRole('textbox')]).toEqual([[], null, null]);
	});

	it('frames are turned into seconds', async () => {
		const { type, note } = begin({ unit: 's' });
		await type('12f');
		expect(note()).toBe('= 0.2 s, at 60 frames a second');
	});
});
