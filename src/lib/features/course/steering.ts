/** Keys that walk: what each of them wishes while it is down. */
import type { Wish } from '$lib/world/runner';

/** What the keys move. */
export interface Steered {
	readonly wishes: readonly [Wish, Wish];
	turning: -1 | 0 | 1;
	jump(down: boolean): void;
}

type Axis = readonly [plus: string, minus: string, set: (steered: Steered, value: -1 | 0 | 1) => void];
/** Axes that two keys share: both at once are none. */
const AXES: readonly Axis[] = [
	['KeyW', 'KeyS', ({ wishes }, v) => (wishes[0].ahead = v)],
	['KeyD', 'KeyA', ({ wishes }, v) => (wishes[0].right = v)],
	['ArrowUp', 'ArrowDown', ({ wishes }, v) => (wishes[1].ahead = v)],
	['ArrowLeft', 'ArrowRight', (steered, v) => (steered.turning = v)]
];
const HELD: Readonly<Record<string, (steered: Steered, down: boolean) => void>> = {
	ShiftLeft: ({ wishes }, down) => (wishes[0].run = down),
	ShiftRight: ({ wishes }, down) => (wishes[0].run = down),
	KeyC: ({ wishes }, down) => (wishes[0].creep = down),
	KeyE: ({ wishes }, down) => (wishes[0].hold = down),
	KeyF: ({ wishes }, down) => (wishes[0].use = down),
	Space: (steered, down) => steered.jump(down)
};

/** Keys by where they lie, without Shift. */
export const STEERING_KEYS: readonly string[] = [
	...AXES.flatMap(([plus, minus]) => [plus, minus]),
	...Object.keys(HELD).filter((code) => !code.startsWith('Shift'))
];

export class Steering {
	private readonly down = new Set<string>();
	constructor(private readonly steered: Steered) {}

	/** A key goes down or comes up, by its code. */
	key(code: string, down: boolean): void {
		if (down) this.down.add(code);
		else this.down.delete(code);
		HELD[code]?.(this.steered, down);
		const axis = AXES.find(([plus, minus]) => code === plus || code === minus);
		if (!axis) return;
		const [plus, minus, set] = axis;
		set(this.steered, ((this.down.has(plus) ? 1 : 0) - (this.down.has(minus) ? 1 : 0)) as -1 | 0 | 1);
	}
}
