/** Lean: the head tips into a turn and towards where one strafes, and comes back softly. */
import { prepareSpring, runSpring, settleSpring, SPRING_NUMBERS } from '../math/spring';
import type { Lean } from './types';

export class LeanRun {
	/** Seconds of the step, degrees a second to the left, metres a second to the right: set before `advance`. */
	readonly step: Float64Array = new Float64Array(3);
	private readonly state = new Float64Array(4);
	private readonly goals = new Float64Array(2);
	private readonly spring = new Float64Array(SPRING_NUMBERS);
	/** How long the step is that the spring is prepared for. */
	private readonly stepped = Float64Array.of(-1);

	/** Roll by turning and by strafing, sway by strafing and by turning. */
	private readonly by: Float64Array;
	/** How far it goes: rolled, swayed. */
	private readonly most: Float64Array;

	constructor(private readonly lean: Lean) {
		this.by = Float64Array.of(lean.rollByTurn, lean.rollByStrafe, lean.swayByStrafe, lean.swayByTurn);
		this.most = Float64Array.of(lean.mostRoll, lean.mostSway);
	}

	/** Degrees. */
	get roll(): number {
		return this.state[0]!;
	}

	/** To the right, in metres or pixels. */
	get sway(): number {
		return this.state[2]!;
	}

	fork(): LeanRun {
		const copy = new LeanRun(this.lean);
		copy.takeOver(this);
		return copy;
	}

	/** Stands where another one of the same body stands. */
	takeOver(from: LeanRun): void {
		this.state.set(from.state);
	}

	/** A step on, as `step` says. */
	advance(): void {
		const { step, goals, by } = this;
		if (step[0] !== this.stepped[0]) {
			this.stepped[0] = step[0]!;
			prepareSpring(this.spring, 0, this.lean.frequency, this.lean.damping, step[0]!);
		}
		// Turning left tips the head left, which is positive; so does strafing left.
		goals[0] = by[0]! * step[1]! - by[1]! * step[2]!;
		goals[1] = by[2]! * step[2]! - by[3]! * step[1]!;
		this.follow(0);
		this.follow(1);
	}

	private follow(i: number): void {
		const { state, goals, spring, most } = this;
		const at = 2 * i;
		if (goals[i]! > most[i]!) goals[i] = most[i]!;
		else if (goals[i]! < -most[i]!) goals[i] = -most[i]!;
		state[at]! -= goals[i]!;
		runSpring(state, at, spring, 0);
		state[at]! += goals[i]!;
		if (goals[i] === 0) settleSpring(state, at);
	}
}
