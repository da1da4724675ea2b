import { describe, expect, it } from 'vitest';
import { arrowsIn } from './arrows';

describe('arrows in a list', () => {
	const list = document.createElement('div');
	list.innerHTML = '<input /><button>a</button><button disabled>b</button><button>c</button>';
	document.body.append(list);
	list.addEventListener('keydown', (event) => arrowsIn(event as KeyboardEvent & { currentTarget: HTMLElement }));
	const press = (key: string): string => {
		const event = new KeyboardEvent('keydown', { key, bubbles: true, cancelable: true });
		document.activeElement!.dispatchEvent(event);
		return `${document.activeElement!.textContent} ${event.defaultPrevented}`;
	};

	it('go from the field into the list, past what is disabled, and round', () => {
		list.querySelector('input')!.focus();
		expect(['ArrowDown', 'ArrowDown', 'ArrowDown', 'ArrowUp'].map(press)).toEqual([
			'a true',
			'c true',
			' true',
			'c true'
		]);
	});

	it('other keys are left alone', () => {
		list.querySelectorAll('button')[0]!.focus();
		expect(press('x')).toBe('a false');
	});
});
