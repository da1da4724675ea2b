import { describe, expect, it } from 'vitest';
import { noWish } from '$lib/world/runner';
import { Steering, type Steered } from './steering';

function walker() {
	const jumps: boolean[] = [];
	const steered: Steered = { wishes: [noWish(), noWish()], turning: 0, jump: (down) => void jumps.push(down) };
	return { steered, jumps, steering: new Steering(steered) };
}

describe('keys that walk', () => {
	it('two keys of an axis take each other away; the one that stays down goes on', () => {
		const { steered, steering } = walker();
		steering.key('KeyW', true);
		expect(steered.wishes[0].ahead).toBe(1);
		steering.key('KeyS', true);
		expect(steered.wishes[0].ahead).toBe(0);
		steering.key('KeyW', false);
		expect(steered.wishes[0].ahead).toBe(-1);
		steering.key('KeyS', false);
		expect(steered.wishes[0].ahead).toBe(0);
	});

	it('the second player has keys of their own', () => {
		const { steered, steering } = walker();
		steering.key('ArrowUp', true);
		steering.key('ArrowRight', true);
		expect(steered.wishes[1].ahead).toBe(1);
		expect(steered.turning).toBe(-1);
		expect(steered.wishes[0]).toEqual(noWish());
	});

	it('what is held is wished as long as it is down', () => {
		const { steered, steering, jumps } = walker();
		for (const code of ['ShiftLeft', 'KeyC', 'KeyE', 'KeyF', 'Space']) steering.key(code, true);
		expect(steered.wishes[0]).toMatchObject({ run: true, creep: true, hold: true, use: true });
		for (const code of ['ShiftLeft', 'KeyC', 'KeyE', 'KeyF', 'Space']) steering.key(code, false);
		expect(steered.wishes[0]).toMatchObject({ run: false, creep: false, hold: false, use: false });
		expect(jumps).toEqual([true, false]);
	});
});
