import { beforeEach, describe, expect, it } from 'vitest';
import { BUTTON, Pads, type PadLook } from './pad.svelte';

/** A simulated pad in the standard layout. */
function simulated(index = 0) {
	const played: { strongMagnitude?: number; weakMagnitude?: number; duration?: number }[] = [];
	const pad = {
		id: `Simulated pad ${index}`,
		index,
		connected: true,
		buttons: Array.from({ length: 17 }, () => ({ pressed: false, value: 0 })),
		axes: [0, 0, 0, 0],
		vibrationActuator: {
			playEffect: (_: string, how: object) => {
				played.push(how);
				return Promise.resolve('complete');
			}
		}
	};
	const press = (button: number, value = 1): void => void (pad.buttons[button] = { pressed: value === 1, value });
	return { pad: pad as unknown as Gamepad, axes: pad.axes, press, played };
}
function seen(pads: Pads): PadLook[] {
	const looks: PadLook[] = [];
	pads.look((look) => looks.push(look));
	return looks;
}
beforeEach(() => localStorage.clear());

describe('gamepads', () => {
	it('buttons go down once and come up once, triggers from about a third on', () => {
		const { pad, press } = simulated();
		const pads = new Pads(() => [null, pad]);
		expect(pads.name).toBe('');
		press(BUTTON.south);
		press(BUTTON.rightTrigger, 0.3);
		expect(seen(pads)).toMatchObject([{ index: 0, down: [BUTTON.south], up: [] }]);
		expect(pads.name).toBe('Simulated pad 0');
		press(BUTTON.rightTrigger, 0.5);
		expect(seen(pads)).toMatchObject([{ down: [BUTTON.rightTrigger], up: [] }]);
		press(BUTTON.south, 0);
		expect(seen(pads)[0]).toMatchObject({ down: [], up: [BUTTON.south] });
		expect(seen(pads)[0]!.pressed(BUTTON.rightTrigger)).toBe(0.5);
	});

	it('a stick near its middle rests; from there to its end it goes from 0 to 1', () => {
		const { pad, axes } = simulated();
		const pads = new Pads(() => [pad]);
		axes.splice(0, 4, 0.14, -1, 0.575, -0.15);
		const [look] = seen(pads);
		expect(look!.sticks[0]).toBe(0);
		expect(look!.sticks[1]).toBe(-1);
		// 0.575 is half of the way from 0.15 to 1.
		expect(look!.sticks[2]).toBeCloseTo(0.5, 12);
		expect(look!.sticks[3]).toBeCloseTo(0, 12);
	});

	it('one that was pulled out is gone, another one is told apart', () => {
		const [one, two] = [simulated(0), simulated(1)];
		const there: (Gamepad | null)[] = [one.pad, two.pad];
		const pads = new Pads(() => there);
		two.press(BUTTON.start);
		expect(seen(pads).map(({ index, down }) => [index, down])).toEqual([
			[0, []],
			[1, [BUTTON.start]]
		]);
		there[0] = null;
		expect(seen(pads).map(({ index }) => index)).toEqual([0]);
		there[1] = null;
		seen(pads);
		expect(pads.name).toBe('');
	});

	it('rumbles only when that is wished, without a gap, and never beyond full', () => {
		const { pad, played } = simulated();
		const pads = new Pads(() => [pad]);
		pads.recall();
		pads.rumble(1, 1, 0);
		expect(played).toEqual([]);
		pads.wishRumble(true);
		for (let now = 0; now < 1000; now += 10) pads.rumble(3, 0.5, now);
		expect(played[0]).toMatchObject({ strongMagnitude: 1, weakMagnitude: 0.5 });
		// Each lasts at least until the next one is asked for.
		expect(1000 / played.length).toBeLessThanOrEqual(played[0]!.duration!);
		const before = played.length;
		pads.rumble(0.001, 0, 5000);
		expect(played.length).toBe(before);
		const again = new Pads(() => []);
		again.recall();
		expect(again.rumbles).toBe(true);
	});
});
