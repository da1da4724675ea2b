import { describe, expect, it } from 'vitest';
import { rowAfter } from './row-keys';

describe('going through rows by the keys', () => {
	it('goes on, ten at a time, to either end, and not past it', () => {
		const go = (key: string, at: number) => rowAfter(key, at, 25);
		expect(['ArrowDown', 'ArrowUp', 'PageDown', 'PageUp', 'Home', 'End'].map((key) => go(key, 12))).toEqual([
			13, 11, 22, 2, 0, 24
		]);
		expect([go('ArrowDown', 24), go('PageDown', 20), go('ArrowUp', 0), go('PageUp', 3)]).toEqual([24, 24, 0, 0]);
	});

	it('begins at the first where none is pointed at; other keys and an empty list go nowhere', () => {
		expect([rowAfter('ArrowDown', -1, 3), rowAfter('ArrowUp', -1, 3), rowAfter('End', -1, 3)]).toEqual([0, 0, 2]);
		expect([rowAfter('a', 0, 3), rowAfter('ArrowDown', -1, 0)]).toEqual([null, null]);
	});
});
