/** Lean: the head tips into a turn and towards where one strafes, and comes back softly. */
import { clamp } from '../math/scalar';
import { prepareSpring, runSpring, settleSpring, SPRING_NUMBERS } from '../math/spring';
import type { Seconds } from '../units/quantities';
import type { Lean } from './types';

export class LeanRun {
	/** Roll in degrees, sway to the right in metres or pixels. */
	roll = 0;
	sway = 0;
	/** Seconds of the step, degrees a second to the left, metres a second to the right: set before `advance`. */
	readonly step: Float64Array = new Float64Array(3);
	private readonly state = new Float64Array(4);
	private readonly goals = new Float64Array(2);
	private readonly spring = new Float64Array(SPRING_NUMBERS);
	private stepped: Seconds = -1;

	constructor(private readonly lean: Lean) {}

	fork(): LeanRun {
		const copy = new LeanRun(this.lean);
		copy.takeOver(this);
		return copy;
	}

	/** Stands where another one of the same body stands. */
	takeOver(from: LeanRun): void {
		this.state.set(from.state);
		this.roll = from.roll;
		this.sway = from.sway;
	}

	/** A step on, as `step` says. */
	advance(): void {
		const { lean, step, goals } = this;
		const { rollByTurn, rollByStrafe, swayByTurn, swayByStrafe, mostRoll, mostSway } = lean;
		if (step[0] !== this.stepped) {
			this.stepped = step[0]!;
			prepareSpring(this.spring, 0, lean.frequency, lean.damping, step[0]!);
		}
		// Turning left tips the head left, which is positive; so does strafing left.
		goals[0] = clamp(rollByTurn * step[1]! - rollByStrafe * step[2]!, -mostRoll, mostRoll);
		goals[1] = clamp(swayByStrafe * step[2]! - swayByTurn * step[1]!, -mostSway, mostSway);
		this.follow(0);
		this.follow(1);
		this.roll = this.state[0]!;
		this.sway = this.state[2]!;
	}

	private follow(i: number): void {
		const { state, goals, spring } = this;
		const at = 2 * i;
		state[at]! -= goals[i]!;
		runSpring(state, at, spring, 0);
		state[at]! += goals[i]!;
		if (goals[i] === 0) settleSpring(state, at);
	}
}
