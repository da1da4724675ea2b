import { afterEach, describe, expect, it } from 'vitest';
import { Commands, keysOf, type Command } from './commands.svelte';
import { withShift, written } from './keys';

let leave: (() => void)[] = [];
afterEach(() => {
	for (const stop of leave) stop();
	leave = [];
	document.body.replaceChildren();
});

/** A table of commands with its keys, and what they did. */
function table(...rows: (Partial<Command> & Pick<Command, 'id'>)[]) {
	const did: string[] = [];
	const commands = new Commands();
	const offer = (list: typeof rows): (() => void) =>
		commands.offer({
			commands: list.map((row) => ({ label: row.id, about: '', run: () => did.push(row.id), ...row }))
		});
	offer(rows);
	leave.push(commands.listen(window));
	const press = (key: string, init: KeyboardEventInit = {}, target: EventTarget = window): KeyboardEvent => {
		const code = /^[a-z]$/i.test(key) ? `Key${key.toUpperCase()}` : key === ' ' ? 'Space' : key;
		const event = new KeyboardEvent('keydown', { key, code, bubbles: true, cancelable: true, ...init });
		target.dispatchEvent(event);
		return event;
	};
	const up = (code: string): void => void window.dispatchEvent(new KeyboardEvent('keyup', { code }));
	return { commands, offer, did, press, up };
}
function put(html: string): HTMLElement {
	document.body.innerHTML = html;
	return document.body.firstElementChild as HTMLElement;
}

describe('one table of commands', () => {
	it('a key does what its row says, and nothing else happens with it', () => {
		const { did, press } = table({ id: 'pause', keys: ['p'] });
		expect(press('p').defaultPrevented).toBe(true);
		expect(press('o').defaultPrevented).toBe(false);
		expect(press('p', { ctrlKey: true }).defaultPrevented).toBe(false);
		expect(did).toEqual(['pause']);
	});

	it('two keys one after the other; the second is not taken for another row’s', () => {
		const { did, press } = table({ id: 'scope', keys: ['c'] }, { id: 'cues', keys: ['g c'] });
		press('g');
		press('c');
		press('c');
		expect(did).toEqual(['cues', 'scope']);
		press('g');
		press('x');
		press('c');
		expect(did).toEqual(['cues', 'scope', 'scope']);
	});

	it('where one types, keys are letters; a button that has the focus keeps Space and Enter', () => {
		const { did, press } = table(
			{ id: 'fire', keys: ['Space'] },
			{ id: 'pause', keys: ['p'] },
			{ id: 'palette', keys: ['$mod+k'], whileTyping: true },
			{ id: 'jump', keys: ['Enter'], overButtons: true }
		);
		const input = put('<input />');
		press('p', {}, input);
		press('k', { ctrlKey: true }, input);
		const button = put('<button>x</button>');
		press(' ', {}, button);
		press('p', {}, button);
		press('Enter', {}, button);
		expect(did).toEqual(['palette', 'pause', 'jump']);
	});

	it('a button that a pointer pressed leaves Space to the work; one that the keyboard came to keeps it', () => {
		const { did, press } = table({ id: 'fire', keys: ['Space'] });
		document.body.innerHTML = '<button id="a">a</button><button id="b">b</button>';
		const [a, b] = [...document.querySelectorAll('button')] as unknown as [HTMLElement, HTMLElement];
		const point = (at: HTMLElement): void => {
			at.dispatchEvent(new MouseEvent('pointerdown', { bubbles: true }));
			at.focus();
		};
		point(a);
		expect(press(' ', {}, a).defaultPrevented).toBe(true);
		expect(press('Enter', {}, a).defaultPrevented).toBe(false);
		expect(did).toEqual(['fire']);
		// The keyboard goes on to the next one: that one is meant.
		press('Tab', {}, a);
		b.focus();
		expect(press(' ', {}, b).defaultPrevented).toBe(false);
		// What has the focus by keyboard and is pressed by a pointer leaves it as well.
		point(b);
		press(' ', {}, b);
		expect(did).toEqual(['fire', 'fire']);
	});

	it('a list that a pointer opened gives the keys back once something is chosen; one by keyboard keeps them', () => {
		table({ id: 'fire', keys: ['Space'] });
		document.body.innerHTML = '<select><option>a</option><option>b</option></select>';
		const list = document.querySelector('select')!;
		const choose = (): void => void list.dispatchEvent(new Event('change', { bubbles: true }));
		list.focus();
		choose();
		expect(document.activeElement).toBe(list);
		list.blur();
		list.dispatchEvent(new MouseEvent('pointerdown', { bubbles: true }));
		list.focus();
		choose();
		expect(document.activeElement).toBe(document.body);
	});

	it('a key that is held does it once, or again and again where the row says so; it lets go once', () => {
		const let_go: string[] = [];
		const { did, press, up } = table(
			{ id: 'hold', keys: ['h'], release: (code) => let_go.push(code) },
			{ id: 'step', keys: ['.'], again: true }
		);
		press('h');
		press('h', { repeat: true });
		press('.');
		press('.', { repeat: true });
		up('KeyH');
		up('KeyH');
		expect(did).toEqual(['hold', 'step', 'step']);
		expect(let_go).toEqual(['KeyH']);
		press('h');
		window.dispatchEvent(new Event('blur'));
		expect(let_go).toHaveLength(2);
	});

	it('what a component has taken is not taken again', () => {
		const { did, press } = table({ id: 'on', keys: ['ArrowRight'] });
		const field = put('<div tabindex="0"></div>');
		field.addEventListener('keydown', (event) => event.preventDefault());
		press('ArrowRight', {}, field);
		expect(did).toEqual([]);
	});

	it('the room answers before what is offered everywhere, as long as it is open and as its row allows', () => {
		const { did, offer, press } = table({ id: 'everywhere', keys: ['x'] });
		let may = true;
		const leaveRoom = offer([{ id: 'room', keys: ['x'], when: () => may }]);
		press('x');
		may = false;
		press('x');
		may = true;
		leaveRoom();
		press('x');
		expect(did).toEqual(['room', 'everywhere', 'everywhere']);
	});

	it('also where the room was offered first', () => {
		const { commands, did, press } = table({ id: 'room', keys: ['x'] });
		commands.offer(
			{ commands: [{ id: 'shell', label: '', about: '', keys: ['x'], run: () => did.push('shell') }] },
			true
		);
		press('x');
		expect(did).toEqual(['room']);
		expect(commands.all().map(({ id }) => id)).toEqual(['room', 'shell']);
	});

	it('palette and list are made of the same rows', () => {
		const { commands } = table(
			{ id: 'play', label: 'Play', says: 'Play and pause', keys: ['Space'] },
			{ id: 'hold', keyOnly: true, keys: ['h'], shown: 'H, held' },
			{ id: 'send', label: 'Send out' }
		);
		expect(commands.all().map(({ id }) => id)).toEqual(['play', 'send']);
		expect(commands.shortcuts()).toEqual([
			[
				{ shown: 'Space', says: 'Play and pause' },
				{ shown: 'H, held', says: 'hold' }
			]
		]);
		expect(keysOf({})).toBe('');
	});

	it('keys as people read them', () => {
		expect(written('$mod+Shift+z')).toBe('Ctrl Shift Z');
		expect(written('g b')).toBe('G B');
		expect(written('Digit4')).toBe('4');
		expect(written('Shift+ArrowLeft')).toBe('Shift ←');
		expect(written('+')).toBe('+');
		expect(withShift('KeyW')).toEqual(['KeyW', 'Shift+KeyW']);
	});
});
