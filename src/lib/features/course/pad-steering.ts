/** A gamepad that walks: the left stick goes, the right one looks, triggers run and hold on. */
import { BUTTON, type PadLook } from '$lib/ui/pad.svelte';
import type { Wish } from '$lib/world/runner';

/** How fast one looks about with the stick at its end, in degrees a second. */
const LOOK = 150;
const STEEPEST = 85;

export class PadSteering {
	/** Whether a pad moved the body in the frame before: keys and pad do not fight over one that rests. */
	private readonly moved = [false, false];

	/** `dt` in seconds. `end`: the start button was pressed. */
	see({ index, down, up, sticks }: PadLook, wishes: readonly Wish[], dt: number, end: () => void): void {
		const wish = wishes[Math.min(index, wishes.length - 1)];
		if (!wish) return;
		const [x, y, lookX, lookY] = sticks;
		const moves = x !== 0 || y !== 0;
		if (moves || this.moved[index]) {
			wish.right = x;
			wish.ahead = y === 0 ? 0 : -y;
		}
		this.moved[index] = moves;
		// Small ways of the stick look finely.
		const fine = (value: number): number => value * Math.abs(value);
		wish.yaw = (wish.yaw - fine(lookX) * LOOK * dt) % 360;
		wish.pitch = Math.min(STEEPEST, Math.max(-STEEPEST, wish.pitch - fine(lookY) * LOOK * dt));
		for (const button of down) this.turn(wish, button, true);
		for (const button of up) this.turn(wish, button, false);
		if (down.includes(BUTTON.start)) end();
	}

	private turn(wish: Wish, button: number, on: boolean): void {
		if (button === BUTTON.south) wish.jump = on;
		else if (button === BUTTON.east) wish.creep = on;
		else if (button === BUTTON.west) wish.use = on;
		else if (button === BUTTON.leftTrigger) wish.hold = on;
		else if (button === BUTTON.rightTrigger || button === BUTTON.leftStick) wish.run = on;
	}
}
