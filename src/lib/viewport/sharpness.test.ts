import { describe, expect, it } from 'vitest';
import { Seen, Sharpness } from './sharpness';

/** Moves for so many frames that take as long as `cost` says of the ratio, shown at whole pictures of a 60 Hz display. */
function move(sharpness: Sharpness, frames: number, cost: (ratio: number) => number): number[] {
	const drawn: number[] = [];
	let ms = 1000 / 60;
	for (let i = 0; i < frames; i++) {
		const ratio = sharpness.next(ms, true)!;
		drawn.push(ratio);
		ms = Math.max(1, Math.ceil((cost(ratio) * 60) / 1000 - 1e-9)) * (1000 / 60);
	}
	return drawn;
}
const last = (list: number[]): number => list[list.length - 1]!;

describe('how sharp a picture is drawn', () => {
	it('with room for it: as sharp as the display from the first frame on', () => {
		const drawn = move(new Sharpness(() => 2), 300, () => 4);
		expect(new Set(drawn)).toEqual(new Set([2]));
	});

	it('by pixels that are too slow: lower until it keeps pace, and it stays there', () => {
		// 40 ms at full resolution, by the pixel: 16.7 ms at a ratio of 0.645.
		const drawn = move(new Sharpness(() => 1), 1500, (ratio) => 40 * ratio * ratio);
		const end = drawn.slice(-800);
		expect(Math.max(...end)).toBeLessThan(0.66);
		expect(Math.min(...end)).toBeGreaterThanOrEqual(0.5);
		const turns = end.filter((ratio, i) => i > 0 && ratio !== end[i - 1]).length;
		expect(turns).toBeLessThanOrEqual(2);
	});

	it('slow for another reason: fewer pixels are tried, and given back', () => {
		const drawn = move(new Sharpness(() => 1), 900, () => 33);
		expect(Math.min(...drawn)).toBe(0.5);
		expect(last(drawn)).toBe(1);
	});

	it('what stands still is drawn once as sharp as it gets, then not at all', () => {
		const sharpness = new Sharpness(() => 1);
		const moving = last(move(sharpness, 1500, (ratio) => 40 * ratio * ratio));
		expect(moving).toBeLessThan(0.7);
		const still = Array.from({ length: 20 }, () => sharpness.next(16.7, false));
		expect(still.filter((ratio) => ratio !== null)).toEqual([1]);
		// It goes on as it moved; the slow sharp frame has not counted.
		expect(sharpness.next(200, true)).toBe(moving);
		expect(sharpness.next(16.7, true)).toBe(moving);
	});

	it('a scene that is changed is drawn although nothing in it moves', () => {
		const sharpness = new Sharpness(() => 1);
		for (let i = 0; i < 20; i++) sharpness.next(16.7, false);
		sharpness.touch();
		expect(Array.from({ length: 20 }, () => sharpness.next(16.7, false)).filter(Boolean)).toEqual([1]);
	});

	it('what is seen counts as changed by any number of it, and by more or fewer of them', () => {
		const seen = new Seen();
		const of = (...values: number[]): boolean => seen.begin().all(values).changed();
		expect(of(1, 2)).toBe(true);
		expect(of(1, 2)).toBe(false);
		expect(of(1, 2.1)).toBe(true);
		expect(of(1)).toBe(true);
		expect(of(1)).toBe(false);
		expect(of(1, NaN)).toBe(true);
		expect(of(1, NaN)).toBe(false);
		const many = Array.from({ length: 300 }, (_, i) => i);
		expect(of(...many)).toBe(true);
		expect(of(...many)).toBe(false);
		many[299] = 0;
		expect(of(...many)).toBe(true);
	});
});
