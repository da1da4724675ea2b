import { describe, expect, it } from 'vitest';
import type { KeyCap } from '$lib/room/key-board';
import { BUTTON, type PadLook } from '$lib/ui/pad.svelte';
import { BenchPad } from './bench-pad';

function bench() {
	const did: string[] = [];
	const note =
		(what: string) =>
		(with_: unknown): void =>
			void did.push(`${what} ${typeof with_ === 'object' ? (with_ as KeyCap).of : String(with_)}`);
	const pad = new BenchPad({
		capOf: (id) => (id === '9' ? undefined : ({ id, kind: 'preset', of: `on ${id}` } as KeyCap)),
		press: note('press'),
		release: note('release'),
		fire: note('fire'),
		stopAll: () => void did.push('stop'),
		harder: note('harder'),
		turn: note('turn')
	});
	const see = (down: number[], up: number[] = [], shift = 0): void =>
		pad.see({
			index: 0,
			down,
			up,
			sticks: [0, 0, 0, 0],
			pressed: (b) => (b === BUTTON.leftStick ? shift : 0)
		} as PadLook);
	return { did, see };
}

describe('a gamepad on the Bench', () => {
	it('presses the keys, with the left stick held those with Shift, and lets go of what it pressed', () => {
		const { did, see } = bench();
		see([BUTTON.south]);
		see([BUTTON.rightTrigger], [], 1);
		// The stick is let go before the trigger.
		see([], [BUTTON.south, BUTTON.rightTrigger]);
		see([BUTTON.rightStick], [BUTTON.rightStick]);
		expect(did).toEqual(['press on 1', 'press on shift-8', 'release on 1', 'release on shift-8']);
	});

	it('fires the open preset, stops all, changes strength and preset', () => {
		const { did, see } = bench();
		see([BUTTON.start]);
		see([BUTTON.back, BUTTON.up, BUTTON.down, BUTTON.left, BUTTON.right], [BUTTON.start]);
		expect(did).toEqual(['fire true', 'stop', 'harder 0.1', 'harder -0.1', 'turn -1', 'turn 1', 'fire false']);
	});
});
