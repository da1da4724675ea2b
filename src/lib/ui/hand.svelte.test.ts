import { describe, expect, it } from 'vitest';
import { hand } from './hand';

const at = (type: string, screenX: number, screenY: number): PointerEvent =>
	new MouseEvent(type, { screenX, screenY, bubbles: true }) as PointerEvent;

describe('the hand', () => {
	it('came here when it moved; what slid beneath it as it rested was not pointed at', () => {
		const stop = hand.watch(window);
		expect(hand.cameHere(at('pointerenter', 0, 0))).toBe(true);
		window.dispatchEvent(at('pointermove', 40, 30));
		expect(hand.cameHere(at('pointerenter', 40, 30))).toBe(false);
		expect(hand.cameHere(at('pointerenter', 40, 31))).toBe(true);
		stop();
	});
});
