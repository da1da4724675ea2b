import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { arranged, inOrder, withNew } from './order';

const places: Readonly<Record<string, string>> = { a: 'a1', b: 'a2', c: 'a3', d: 'a4' };
const placeOf = (key: string): string | undefined => places[key];

describe('the project’s order', () => {
	it('is that of the positions; what has none comes last, as it came', () => {
		expect(inOrder(['y', 'd', 'x', 'a', 'c'], placeOf)).toEqual(['a', 'c', 'd', 'y', 'x']);
		expect(inOrder([], placeOf)).toEqual([]);
	});

	it('new ones come behind, or in between where they belong', () => {
		expect(withNew(['a', 'b'], ['c', 'd'], placeOf)).toEqual(['a', 'b', 'c', 'd']);
		expect(withNew(['a', 'd'], ['b'], placeOf)).toEqual(['a', 'b', 'd']);
		expect(withNew([], ['d', 'a'], placeOf)).toEqual(['a', 'd']);
		expect(withNew(['d'], ['x'], placeOf)).toEqual(['d', 'x']);
	});

	it('new ones in one go, or one after the other, come to the same', () => {
		const key = fc.constantFrom('a', 'b', 'c', 'd', 'e', 'f');
		const positions = fc.dictionary(key, fc.stringMatching(/^a[0-9]{1,2}$/), { minKeys: 0, maxKeys: 6 });
		fc.assert(
			fc.property(fc.uniqueArray(key), positions, (keys, at) => {
				// Two at one place have no order of their own.
				fc.pre(new Set(Object.values(at)).size === Object.keys(at).length);
				const of = (name: string): string | undefined => at[name];
				const whole = withNew([], keys, of);
				expect(keys.reduce<string[]>((order, one) => withNew(order, [one], of), [])).toEqual(whole);
				expect(whole).toEqual(inOrder(keys, of));
			}),
			{ seed: 4 }
		);
	});

	it('what is taken out comes back to its place', () => {
		expect(arranged(['a', 'b', 'c'], ['b'], true, placeOf)).toEqual(['a', 'c']);
		expect(arranged(['a', 'c'], ['b'], false, placeOf)).toEqual(['a', 'b', 'c']);
		// Brought back twice it stands there once.
		expect(arranged(['a', 'b', 'c'], ['b'], false, placeOf)).toEqual(['a', 'b', 'c']);
	});
});
