/** A gamepad on the Bench: its buttons are the first eight keys, start fires the open preset, the cross changes strength and preset. */
import { capOf, type KeyCap } from '$lib/room/key-board';
import { Felt } from '$lib/room/rumble';
import type { ProjectSession } from '$lib/session/session.svelte';
import { BUTTON, pads, type PadLook } from '$lib/ui/pad.svelte';
import type { BenchState } from './bench.svelte';
import { pressCap, releaseCap } from './caps';

/** Keys 1–8 by their buttons; 9 is the right stick's. */
const KEYS: readonly number[] = [
	BUTTON.south,
	BUTTON.east,
	BUTTON.west,
	BUTTON.north,
	BUTTON.leftShoulder,
	BUTTON.rightShoulder,
	BUTTON.leftTrigger,
	BUTTON.rightTrigger,
	BUTTON.rightStick
];
const SHIFT = BUTTON.leftStick;

export interface BenchPadParts {
	readonly capOf: (id: string) => KeyCap | undefined;
	readonly press: (cap: KeyCap) => void;
	readonly release: (cap: KeyCap) => void;
	/** The open preset's key. */
	readonly fire: (down: boolean) => void;
	readonly stopAll: () => void;
	/** How hard a press is: by so much more. */
	readonly harder: (by: number) => void;
	/** The next preset, or the one before. */
	readonly turn: (by: 1 | -1) => void;
}

export class BenchPad {
	/** What each button that is down has begun. */
	private readonly begun = new Map<number, KeyCap>();

	constructor(private readonly parts: BenchPadParts) {}

	see({ down, up, pressed }: PadLook): void {
		const { parts, begun } = this;
		for (const button of down) {
			const place = KEYS.indexOf(button);
			if (place >= 0) {
				const cap = parts.capOf(`${pressed(SHIFT) > 0 ? 'shift-' : ''}${place + 1}`);
				if (!cap) continue;
				begun.set(button, cap);
				parts.press(cap);
			} else if (button === BUTTON.start) parts.fire(true);
			else if (button === BUTTON.back) parts.stopAll();
			else if (button === BUTTON.up) parts.harder(0.1);
			else if (button === BUTTON.down) parts.harder(-0.1);
			else if (button === BUTTON.left) parts.turn(-1);
			else if (button === BUTTON.right) parts.turn(1);
		}
		for (const button of up) {
			if (button === BUTTON.start) parts.fire(false);
			const cap = begun.get(button);
			begun.delete(button);
			if (cap) parts.release(cap);
		}
	}
}

/** What is done with the pads in each frame of the Bench, and with what they let one feel. */
export function padFrame(
	session: ProjectSession,
	bench: BenchState,
	open: (key: string) => void
): (dt: number) => void {
	const felt = new Felt(pads);
	const now = (): number => performance.now();
	const pad = new BenchPad({
		capOf: (id) => capOf(session, id),
		press: (cap) => pressCap(bench, cap, now()),
		release: (cap) => releaseCap(bench, cap, now()),
		fire: (down) => (down ? bench.press(bench.open, now()) : bench.release(bench.open, now())),
		stopAll: () => bench.stopAll(),
		harder: (by) => (bench.strength = Math.round(Math.min(2, Math.max(0.1, bench.strength + by)) * 10) / 10),
		turn: (by) => {
			const { order } = session;
			const to = order[(order.indexOf(bench.open) + by + order.length) % order.length];
			if (to) open(to);
		}
	});
	pads.recall();
	return (dt) => {
		pads.look((look) => pad.see(look));
		felt.take(bench.offset, session.preset(bench.open)?.view ?? 'space', dt, now());
	};
}
