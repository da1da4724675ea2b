import { describe, expect, it } from 'vitest';
import { DisplayRate } from './display-rate.svelte';

describe('how many pictures a second a display shows', () => {
	it.each([24, 60, 120, 144])('comes near to %d, and stays there', (rate) => {
		const display = new DisplayRate();
		for (let i = 0; i < 400; i++) display.watch(1 / rate);
		expect(Math.abs(display.now - rate)).toBeLessThanOrEqual(5);
	});

	it('one late picture says nothing, nor does a tab that was away', () => {
		const display = new DisplayRate();
		display.watch(0.03);
		for (const away of [0, -1, 0.3, 60]) for (let i = 0; i < 100; i++) display.watch(away);
		expect(display.now).toBe(60);
	});
});
