import { describe, expect, it } from 'vitest';
import { SINGLE, STRETCHES, stretchesOf, type Noted } from './stretches';

const at = (number: number, minute: number, part: Partial<Noted> = {}): Noted => ({
	number,
	at: minute * 60_000,
	who: 'Ada',
	window: 'w',
	gesture: '',
	note: '',
	documents: 1,
	...part
});
const told = (changes: Noted[], rules = STRETCHES) =>
	stretchesOf(changes, rules).map(({ first, last, changes }) => [first, last, changes]);

describe('stretches of work', () => {
	it('go on while nobody rests for five minutes, and a drag is one change', () => {
		const drag = { gesture: 'g' };
		expect(told([at(1, 0), at(2, 2), at(3, 2.1, drag), at(4, 2.2, drag), at(5, 6), at(6, 11), at(7, 20)])).toEqual([
			[1, 5, 4],
			[6, 6, 1],
			[7, 7, 1]
		]);
	});

	it('of several people at once are one, and name them all', () => {
		const list = [at(1, 0), at(2, 1, { who: 'Bo' }), at(3, 2), at(4, 3, { who: '' }), at(5, 20, { who: '' })];
		expect(stretchesOf(list, STRETCHES).map(({ who }) => who)).toEqual([['Ada', 'Bo'], []]);
	});

	it('are no longer than three quarters of an hour', () => {
		expect(told(Array.from({ length: 20 }, (_, i) => at(i + 1, i * 4)))).toEqual([
			[1, 12, 12],
			[13, 20, 8]
		]);
	});

	it('a change of many documents stands by itself: something came in', () => {
		expect(
			told([at(1, 0, { documents: 120 }), at(2, 1), at(3, 1, { documents: 5 }), at(4, 2, { documents: 6 })])
		).toEqual([
			[1, 1, 1],
			[2, 3, 2],
			[4, 4, 1]
		]);
	});

	it('end where a version has a name, within a drag as well', () => {
		const drag = { gesture: 'g' };
		const rules = { ...STRETCHES, ends: new Set([2]) };
		expect(told([at(1, 0, drag), at(2, 0.1, drag), at(3, 0.2, drag)], rules)).toEqual([
			[1, 2, 1],
			[3, 3, 1]
		]);
	});

	it('one by one each change stands by itself, and a drag is still one', () => {
		const drag = { gesture: 'g' };
		expect(told([at(1, 0), at(2, 0), at(3, 0, drag), at(4, 0, drag)], SINGLE)).toEqual([
			[1, 1, 1],
			[2, 2, 1],
			[3, 4, 1]
		]);
	});

	it('what was said of their changes is said once, and their times are those of the first and last', () => {
		const [one] = stretchesOf([at(1, 0, { note: 'made new' }), at(2, 1), at(3, 2, { note: 'made new' })], STRETCHES);
		expect(one).toMatchObject({
			notes: ['made new'],
			since: 0,
			until: 120_000
		});
		expect(stretchesOf([], STRETCHES)).toEqual([]);
	});
});
