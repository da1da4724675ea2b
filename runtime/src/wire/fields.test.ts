import { describe, expect, it } from 'vitest';
import { combine } from '../random/hash';
import { fieldsBetween, withFields, type FieldSet } from './fields';

const kit = {
	name: 'K',
	presets: [
		{
			id: 'a',
			timing: { length: 1, fade: { time: 0.1 } },
			points: [{ at: 0, v: 1 }],
			layers: [{ id: 'l', amount: 1 }]
		},
		{ id: 'b', timing: { length: 2, fade: { time: 0.2 } }, points: [], layers: [] }
	],
	cues: [
		{ id: 'x', on: true },
		{ id: 'y', on: true },
		{ id: 'z', on: false }
	]
};
type Kit = typeof kit;
const both = (to: unknown): FieldSet[] => {
	const sets = fieldsBetween([], kit, to);
	// Over the wire they are text.
	expect(withFields<unknown>(kit, JSON.parse(JSON.stringify(sets)) as FieldSet[])).toEqual(to);
	return sets;
};
const change = (recipe: (kit: Kit) => void): Kit => {
	const copy = structuredClone(kit);
	recipe(copy);
	return copy;
};

describe('fields between two kits', () => {
	it('name the one number that differs, by the ids on the way', () => {
		expect(both(change((k) => (k.presets[0]!.timing.fade.time = 0.5)))).toEqual([
			[['presets', 'a', 'timing', 'fade', 'time'], 0.5]
		]);
		expect(both(change((k) => (k.presets[0]!.layers[0]!.amount = 3)))).toEqual([
			[['presets', 'a', 'layers', 'l', 'amount'], 3]
		]);
	});

	it('of a list without ids are the whole of it', () => {
		expect(both(change((k) => (k.presets[0]!.points[0]!.v = 2)))).toEqual([
			[['presets', 'a', 'points'], [{ at: 0, v: 2 }]]
		]);
	});

	it('tell what is new at the end and what is gone; another order is the whole list', () => {
		const fresh = { id: 'w', on: true };
		expect(both(change((k) => k.cues.push(fresh)))).toEqual([[['cues', 'w'], fresh]]);
		expect(both(change((k) => k.cues.splice(1, 1)))).toEqual([[['cues', 'y']]]);
		const turned = change((k) => k.cues.reverse());
		expect(both(turned)).toEqual([[['cues'], turned.cues]]);
		expect(both(change((k) => k.cues.splice(1, 0, fresh)))).toHaveLength(1);
	});

	it('are none where nothing differs, and a field may go', () => {
		expect(both(structuredClone(kit))).toEqual([]);
		const without = change((k) => delete (k as { name?: string }).name);
		expect(both(without)).toEqual([[['name']]]);
	});

	it('make any kit into any other', () => {
		for (let seed = 0; seed < 2000; seed++) {
			let count = 0;
			const roll = (below: number): number => (combine(seed, ++count) >>> 0) % below;
			const other = change((k) => {
				for (let i = roll(5); i >= 0; i--) {
					const kind = roll(6);
					if (kind === 0) k.cues.sort(() => roll(3) - 1);
					else if (kind === 1) k.cues.splice(roll(4), roll(2), { id: `n${roll(3)}`, on: roll(2) === 0 });
					else if (kind === 2) k.presets[roll(k.presets.length || 1)]!.timing.length = roll(9);
					else if (kind === 3) k.presets[0]!.points.push({ at: roll(9), v: roll(9) });
					else if (kind === 4) Object.assign(k, { [`extra${roll(2)}`]: roll(2) === 0 ? null : { deep: roll(4) } });
					else k.presets[0]!.layers.unshift({ id: `l${roll(3)}`, amount: roll(9) });
				}
			});
			both(other);
		}
	});
});

describe('setting fields', () => {
	it('leaves every part that nothing was set in as it is', () => {
		const next = withFields(kit, [[['presets', 'a', 'timing', 'length'], 9]]);
		expect(next.presets[1]).toBe(kit.presets[1]);
		expect(next.cues).toBe(kit.cues);
		expect(next.presets[0]!.timing.fade).toBe(kit.presets[0]!.timing.fade);
		expect(kit.presets[0]!.timing.length).toBe(1);
	});

	it('of what is not there says so and changes nothing', () => {
		expect(() => withFields(kit, [[['presets', 'gone', 'timing'], 1]])).toThrow('There is no "gone" at presets.');
		expect(() => withFields(kit, [[['name', 'x'], 1]])).toThrow('There are no fields at name.');
		expect(() => withFields(kit, [[['presets', 'gone']]])).toThrow(RangeError);
		expect(() => withFields(kit, [[['presets', 'a', '__proto__'], 1]])).toThrow(RangeError);
	});
});
