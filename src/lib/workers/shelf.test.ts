import 'fake-indexeddb/auto';
import { describe, expect, it } from 'vitest';
import type { ShakePreset } from 'dinesis-runtime';
import { newPreset } from 'dinesis-runtime/tools';
import type { MotionWorker } from './motion';
import type { Card } from './protocol';
import { contentOf, Shelf } from './shelf';

const thud = newPreset('thud', 'Thud');
const card = (size: number): Card => ({ measure: { size, worst: 2, pace: 3, length: 1 }, outline: [] });
/** A worker that counts what it is asked. */
function worker() {
	const asked: [string, boolean][] = [];
	const door = {
		card: async (preset: ShakePreset, soon: boolean) => {
			asked.push([preset.id, soon]);
			return card(preset.amount);
		}
	};
	return { asked, door: door as unknown as MotionWorker };
}

describe('the shelf', () => {
	it('goes by what moves: names, descriptions and tags are no part of it', () => {
		expect(contentOf({ ...thud, id: 'x', name: 'X', about: 'y', tags: ['z'], origin: 'thud' })).toBe(contentOf(thud));
		expect(contentOf({ ...thud, amount: 2 })).not.toBe(contentOf(thud));
		expect(contentOf({ ...thud, view: 'flat' })).not.toBe(contentOf(thud));
	});

	it('measures once for each content, also when asked twice at once', async () => {
		const { asked, door } = worker();
		const shelf = new Shelf(door);
		const one = { ...thud, amount: 4 };
		const [a, b] = await Promise.all([shelf.card(one, false), shelf.card({ ...one, name: 'Same' }, false)]);
		expect([a, b]).toEqual([card(4), card(4)]);
		expect(asked).toEqual([['thud', false]]);
		expect(shelf.at(contentOf(one))).toEqual(card(4));
		await shelf.card(one);
		expect(asked).toHaveLength(1);
	});

	it('keeps cards in the browser: a new visit does not measure again', async () => {
		const first = worker();
		const one = { ...thud, amount: 7 };
		await new Shelf(first.door).card(one);
		const second = worker();
		expect(await new Shelf(second.door).card(one)).toEqual(card(7));
		expect(second.asked).toEqual([]);
	});
});
