import { describe, expect, it } from 'vitest';
import fc from 'fast-check';
import { arrangedKeys, byPlace, firstKeys, keyBehind, keysBetween } from './order';

const sortedBy = (keys: ReadonlyMap<string, string>): string[] =>
	[...keys]
		.map(([id, order]) => ({ id, order }))
		.sort(byPlace)
		.map(({ id }) => id);

describe('keys of an order', () => {
	it('rise from the first on, and there is always room behind and between', () => {
		const keys = firstKeys(50);
		expect([...keys].sort()).toEqual(keys);
		let last = keys.at(-1)!;
		for (let i = 0; i < 50; i++) {
			const next = keyBehind(last);
			expect(next > last).toBe(true);
			last = next;
		}
		let [low, high] = [keys[0]!, keys[1]!];
		for (let i = 0; i < 50; i++) {
			const [between] = keysBetween(low, high, 1) as [string];
			expect(low < between && between < high).toBe(true);
			if (i % 2) low = between;
			else high = between;
		}
	});

	it('equal ones are ordered by id, and are told apart once something is put between them', () => {
		const known = new Map([
			['x', 'a0'],
			['y', 'a0']
		]);
		expect([...arrangedKeys(['x', 'y'], known).values()]).toEqual(['a0', 'a0']);
		expect(sortedBy(arrangedKeys(['x', 'new', 'y'], known))).toEqual(['x', 'new', 'y']);
		expect(sortedBy(arrangedKeys(['y', 'x'], known))).toEqual(['y', 'x']);
	});

	it('bring any sequence about, with new ones among them', () => {
		const ids = fc.uniqueArray(fc.stringMatching(/^[a-z]{1,2}$/), { maxLength: 12 });
		fc.assert(
			fc.property(ids, ids, fc.array(fc.nat(2)), (before, wanted, dice) => {
				const keys = firstKeys(before.length);
				const known = new Map(before.map((id, i) => [id, keys[dice[i] === 1 && i > 0 ? i - 1 : i]!]));
				const arranged = arrangedKeys(wanted, known);
				expect(sortedBy(arranged)).toEqual(wanted);
			})
		);
	});

	it('one that is moved gets a new one, and nobody else', () => {
		const keys = firstKeys(6);
		const known = new Map([...'abcdef'].map((id, i) => [id, keys[i]!]));
		const arranged = arrangedKeys([...'aebcdf'], known);
		expect([...arranged].filter(([id, key]) => known.get(id) !== key).map(([id]) => id)).toEqual(['e']);
	});
});
