import { describe, expect, it } from 'vitest';
import { rove, TypeAhead, typedTo } from './roving';

const key = (key: string, timeStamp: number, rest: { ctrlKey?: boolean } = {}) => ({
	key,
	timeStamp,
	ctrlKey: false,
	metaKey: false,
	altKey: false,
	...rest
});

describe('going through a row by keys', () => {
	it('arrows of its direction, round at the ends; Home and End', () => {
		expect(rove('ArrowDown', 2, 3, 'down')).toBe(0);
		expect(rove('ArrowUp', 0, 3, 'down')).toBe(2);
		expect(rove('ArrowRight', 0, 3, 'down')).toBeNull();
		expect(rove('ArrowRight', 0, 3, 'across')).toBe(1);
		expect(rove('ArrowDown', 0, 3, 'across')).toBeNull();
		expect([rove('ArrowDown', 0, 3, 'both'), rove('ArrowLeft', 0, 3, 'both')]).toEqual([1, 2]);
		expect([rove('Home', 2, 3, 'down'), rove('End', 0, 3, 'down')]).toEqual([0, 2]);
	});

	it('from nowhere to an end; in nothing nowhere', () => {
		expect([rove('ArrowDown', -1, 3, 'down'), rove('ArrowUp', -1, 3, 'down')]).toEqual([0, 2]);
		expect(rove('ArrowDown', -1, 0, 'down')).toBeNull();
		expect(rove('x', 0, 3, 'down')).toBeNull();
	});

	it('letters lead to the next name that begins so, and round', () => {
		const names = ['Shakes', 'Bell', 'Wave', 'Bob', 'Beam'];
		expect([typedTo(names, 0, 'b'), typedTo(names, 1, 'b'), typedTo(names, 4, 'b')]).toEqual([1, 3, 1]);
		expect([typedTo(names, 1, 'be'), typedTo(names, 3, 'be'), typedTo(names, 2, 'x')]).toEqual([1, 4, 2]);
	});

	it('letters that follow soon are one word, later ones begin another; a space belongs to a word that has begun', () => {
		const names = ['Bell', 'Beam', 'Big wave', 'Big tide', 'Tide'];
		const ahead = new TypeAhead();
		expect(ahead.to(key('b', 0), names, 4)).toBe(0);
		expect(ahead.to(key('i', 200), names, 0)).toBe(2);
		expect(ahead.to(key('g', 400), names, 2)).toBe(2);
		expect(ahead.to(key(' ', 600), names, 2)).toBe(2);
		expect(ahead.to(key('t', 800), names, 2)).toBe(3);
		expect(ahead.to(key('t', 3000), names, 3)).toBe(4);
		expect(ahead.to(key(' ', 9000), names, 4)).toBeNull();
		expect(ahead.to(key('b', 9100, { ctrlKey: true }), names, 4)).toBeNull();
		expect(ahead.to(key('Tab', 9200), names, 4)).toBeNull();
	});
});
