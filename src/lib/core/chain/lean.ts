/** Lean: the head tips into a turn and towards where one strafes, and comes back softly. */
import { clamp } from '../math/scalar';
import { settleSpring, stepSpring } from '../math/spring';
import type { Seconds } from '../units/quantities';
import type { Lean } from './types';

export class LeanRun {
	/** Roll in degrees, sway to the right in metres or pixels. */
	roll = 0;
	sway = 0;
	private readonly state = new Float64Array(4);

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

	/** `dt` seconds on, turning left by so many degrees a second and moving right by so many metres a second. */
	advance(dt: Seconds, turning: number, strafing: number): void {
		const { rollByTurn, rollByStrafe, swayByTurn, swayByStrafe, mostRoll, mostSway } = this.lean;
		// Turning left tips the head left, which is positive; so does strafing left.
		this.roll = this.follow(0, clamp(rollByTurn * turning - rollByStrafe * strafing, -mostRoll, mostRoll), dt);
		this.sway = this.follow(2, clamp(swayByStrafe * strafing - swayByTurn * turning, -mostSway, mostSway), dt);
	}

	private follow(at: number, goal: number, dt: Seconds): number {
		const { state, lean } = this;
		state[at]! -= goal;
		stepSpring(state, at, lean.frequency, lean.damping, dt);
		state[at]! += goal;
		if (goal === 0) settleSpring(state, at);
		return state[at]!;
	}
}
