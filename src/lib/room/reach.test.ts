import { describe, expect, it } from 'vitest';
import { FRESH_REACH, withReach } from './reach';

describe('a reach as a hand changes it', () => {
	it('is never gone nearer than it is full: the number that is turned is the one that stays', () => {
		expect(withReach(FRESH_REACH, { full: 30 })).toMatchObject({ full: 30, edge: 30 });
		expect(withReach(FRESH_REACH, { edge: 1 })).toMatchObject({ full: 1, edge: 1 });
		expect(withReach(FRESH_REACH, { edge: 40 })).toMatchObject({ full: 3, edge: 40 });
		expect(withReach(FRESH_REACH, { listener: 'body' })).toEqual({ ...FRESH_REACH, listener: 'body' });
	});
});
