/** Gamepads as the browser tells of them: which buttons go down and up between two looks, where the sticks stand; and their rumble. */

/** Buttons by where they lie, in the standard layout of the Gamepad API. */
export const BUTTON = {
	south: 0,
	east: 1,
	west: 2,
	north: 3,
	leftShoulder: 4,
	rightShoulder: 5,
	leftTrigger: 6,
	rightTrigger: 7,
	back: 8,
	start: 9,
	leftStick: 10,
	rightStick: 11,
	up: 12,
	down: 13,
	left: 14,
	right: 15
} as const;

/** A stick that is let go does not come back to the very middle. */
const MIDDLE = 0.15;
/** A trigger counts as pressed from here on. */
const PRESSED = 0.35;
const RUMBLE_KEY = 'dinesis:rumble';
/** Rumble is asked for anew so often, and each time a little longer, so that there is no gap. */
const RUMBLE_MS = 90;
const OVERLAP_MS = 40;
/** Weaker than this is not felt. */
const LEAST = 0.02;

export interface PadLook {
	/** Of several pads, in the order in which they were found. */
	readonly index: number;
	readonly down: readonly number[];
	readonly up: readonly number[];
	/** Left stick, right stick: x to the right, y down, each −1 … 1. */
	readonly sticks: readonly [number, number, number, number];
	/** How far a button or a trigger is pressed, 0–1. */
	pressed(button: number): number;
}

const stick = (value = 0): number => {
	const size = Math.abs(value);
	return size < MIDDLE ? 0 : (Math.sign(value) * (Math.min(1, size) - MIDDLE)) / (1 - MIDDLE);
};

type PadSource = () => readonly (Gamepad | null)[];
const browserPads: PadSource = () => (typeof navigator === 'undefined' ? [] : (navigator.getGamepads?.() ?? []));

export class Pads {
	/** What is connected, by its own name; empty: none that was touched. */
	name = $state('');
	/** Whether rumble follows what is felt. */
	rumbles = $state(false);
	private readonly held = new Map<number, ReadonlySet<number>>();
	private rumbledAt = -Infinity;

	constructor(private readonly source: PadSource = browserPads) {}

	/** Reads what was wished last time. In the browser only. */
	recall(): void {
		try {
			this.rumbles = localStorage.getItem(RUMBLE_KEY) === 'yes';
		} catch {
			// Then it is wished again each time.
		}
	}

	wishRumble(wish: boolean): void {
		this.rumbles = wish;
		try {
			localStorage.setItem(RUMBLE_KEY, wish ? 'yes' : 'no');
		} catch {
			// It holds as long as the page.
		}
	}

	/** Looks at each pad; called once a frame. */
	look(see: (look: PadLook) => void): void {
		let index = 0;
		let name = '';
		for (const pad of this.source()) {
			if (!pad?.connected) continue;
			name ||= pad.id;
			const value = (button: number): number => pad.buttons[button]?.value ?? 0;
			const before = this.held.get(pad.index) ?? new Set<number>();
			const now = new Set(pad.buttons.flatMap(({ pressed, value: far }, i) => (pressed || far >= PRESSED ? [i] : [])));
			this.held.set(pad.index, now);
			const [a, b, c, d] = pad.axes;
			see({
				index: index++,
				down: [...now].filter((button) => !before.has(button)),
				up: [...before].filter((button) => !now.has(button)),
				sticks: [stick(a), stick(b), stick(c), stick(d)],
				pressed: value
			});
		}
		if (name !== this.name) this.name = name;
	}

	/** Lets the first pad rumble, each motor 0–1, when that is wished. `now` in milliseconds. */
	rumble(strong: number, weak: number, now: number): void {
		if (!this.rumbles || now - this.rumbledAt < RUMBLE_MS || Math.max(strong, weak) < LEAST) return;
		const pad = this.source().find((one) => one?.connected && one.vibrationActuator);
		if (!pad) return;
		this.rumbledAt = now;
		void pad.vibrationActuator
			.playEffect('dual-rumble', {
				duration: RUMBLE_MS + OVERLAP_MS,
				strongMagnitude: Math.min(1, strong),
				weakMagnitude: Math.min(1, weak)
			})
			.catch(() => undefined);
	}
}
export const pads = new Pads();
