import { newPreset } from 'dinesis-runtime/tools';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { planOfKind, treeOf } from '../kinds';
import { between } from './between';
import { changedBy } from './changes';
import type { ShakePreset } from 'dinesis-runtime';
import type { Layer } from 'dinesis-runtime/tools';

const plan = planOfKind('shake');
const layer = (id: string, amount: number): Layer => ({
	...newPreset('p', 'P').layers[0]!,
	id,
	amount
});
const tree = (part: Partial<ShakePreset>) => treeOf('shake', { ...newPreset('p', 'P'), ...part });

describe('what differs between two kept documents', () => {
	it('is nothing between equal ones, though they are two', () => {
		expect(between(plan, tree({ amount: 2 }), tree({ amount: 2 }))).toEqual([]);
	});

	it('is one field each, with both values; entries are known by their ids wherever they stand', () => {
		const from = tree({ amount: 1, layers: [layer('a', 1), layer('b', 1)] });
		const to = tree({ amount: 1.4, layers: [layer('b', 3), layer('c', 1)] });
		const found = between(plan, from, to);
		expect(found.map(({ path }) => path.join(' ')).sort()).toEqual([
			'amount',
			'layers a',
			'layers b is amount',
			'layers b order',
			'layers c'
		]);
		expect(found.find(({ path }) => path.length === 1)).toEqual({ path: ['amount'], from: 1, to: 1.4 });
		expect(found.find(({ path }) => path[1] === 'c')?.from).toBeUndefined();
		expect(found.find(({ path }) => path[1] === 'a')?.to).toBeUndefined();
	});

	it('is the whole where one was not there', () => {
		expect(between(plan, null, { id: 'p' })).toEqual([{ path: [], from: null, to: { id: 'p' } }]);
	});

	it('carried out on the one gives the other, and the other way round', () => {
		const any = fc.record({
			amount: fc.integer({ min: 0, max: 3 }),
			tags: fc.array(fc.constantFrom('near', 'far'), { maxLength: 2 }),
			layers: fc.uniqueArray(
				fc.record({ id: fc.constantFrom('a', 'b', 'c', 'd'), amount: fc.integer({ min: 0, max: 2 }) }),
				{
					selector: ({ id }) => id,
					maxLength: 4
				}
			)
		});
		fc.assert(
			fc.property(any, any, (one, other) => {
				const make = ({ layers, ...rest }: typeof one) =>
					tree({ ...rest, layers: layers.map(({ id, amount }) => layer(id, amount)) });
				const [a, b] = [make(one), make(other)];
				const found = between(plan, a, b);
				expect(changedBy(a, found)).toEqual(b);
				const back = found.map(({ path, from }) => ({ path, to: from })).reverse();
				expect(changedBy(b, back)).toEqual(a);
			})
		);
	});
});
