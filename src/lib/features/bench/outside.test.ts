import { describe, expect, it } from 'vitest';
import { heldSource, roundPlace, spotIn } from './outside';

describe('places in the outside view', () => {
	const box = { left: 100, top: 50, width: 200, height: 100 } as DOMRect;

	it('go from −1 to 1, upward from the bottom', () => {
		expect(spotIn(box, 200, 100)).toEqual({ x: 0, y: 0 });
		expect(spotIn(box, 100, 150)).toEqual({ x: -1, y: -1 });
		expect(spotIn(box, 300, 50)).toEqual({ x: 1, y: 1 });
	});

	it('the source is held within 36 half-pixels of it, whatever the view’s shape', () => {
		// Half a width is one: 0.17 of 200 is 34, 0.19 of 200 is 38.
		expect(heldSource({ x: 0, y: 0 }, { x: 0.17, y: 0 }, 200, 100)).toBe(true);
		expect(heldSource({ x: 0, y: 0 }, { x: 0.19, y: 0 }, 200, 100)).toBe(false);
		expect(heldSource({ x: 0, y: 0 }, { x: 0, y: 0.35 }, 200, 100)).toBe(true);
		// 24 and 28 make 36.9.
		expect(heldSource({ x: 0, y: 0 }, { x: 0.12, y: 0.28 }, 200, 100)).toBe(false);
	});

	it('are rounded to five centimetres', () => {
		expect([1.02, 1.03, -0.024].map(roundPlace)).toEqual([1, 1.05, -0]);
	});
});
