import { describe, expect, it } from 'vitest';
import { BUTTON, type PadLook } from '$lib/ui/pad.svelte';
import { noWish } from '$lib/world/runner';
import { PadSteering } from './pad-steering';

const look = (part: Partial<PadLook>): PadLook => ({
	index: 0,
	down: [],
	up: [],
	sticks: [0, 0, 0, 0],
	pressed: () => 0,
	...part
});
const never = (): void => {
	throw new Error('ended');
};

describe('a gamepad in a free run', () => {
	it('walks where the left stick points, and leaves the keys alone while it rests', () => {
		const wish = noWish();
		const pad = new PadSteering();
		wish.ahead = 1;
		pad.see(look({}), [wish], 0.1, never);
		expect(wish.ahead).toBe(1);
		pad.see(look({ sticks: [0.5, -0.25, 0, 0] }), [wish], 0.1, never);
		expect([wish.right, wish.ahead]).toEqual([0.5, 0.25]);
		pad.see(look({}), [wish], 0.1, never);
		expect([wish.right, wish.ahead]).toEqual([0, 0]);
	});

	it('looks with the right stick: to its right is to the right, up is up, and no farther than up', () => {
		const wish = noWish();
		const pad = new PadSteering();
		for (let i = 0; i < 10; i++) pad.see(look({ sticks: [0, 0, 1, 0] }), [wish], 0.1, never);
		// A second at the end of the stick.
		expect(wish.yaw).toBeCloseTo(-150, 9);
		for (let i = 0; i < 20; i++) pad.see(look({ sticks: [0, 0, 0, -1] }), [wish], 0.1, never);
		expect(wish.pitch).toBe(85);
	});

	it('buttons jump, creep, use, hold and run for as long as they are down; start ends it; a second pad is a second player', () => {
		const [one, two] = [noWish(), noWish()];
		const pad = new PadSteering();
		const all = [BUTTON.south, BUTTON.east, BUTTON.west, BUTTON.leftTrigger, BUTTON.rightTrigger];
		pad.see(look({ down: all, index: 1 }), [one, two], 0.1, never);
		expect(two).toMatchObject({ jump: true, creep: true, use: true, hold: true, run: true });
		expect(one).toEqual(noWish());
		pad.see(look({ up: all, index: 1 }), [one, two], 0.1, never);
		expect(two).toEqual(noWish());
		let ended = 0;
		pad.see(look({ down: [BUTTON.start] }), [one], 0.1, () => ended++);
		expect(ended).toBe(1);
	});
});
