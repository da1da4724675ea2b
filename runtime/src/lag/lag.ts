/** A view that trails a body: exact within each step for a target that moves straight, whatever the step's length. */
import { clamp, exp2, LN2 } from '../math/scalar';
import { AT_REST, prepareSpring, runSpring, SPRING_NUMBERS } from '../math/spring';
import { STEEPEST } from '../math/angles';
import type { Seconds } from '../units/quantities';
import { springTrail } from './trail';
import { LAG_AXES, type LagAxis, type LagPreset } from './types';

const AXES = LAG_AXES.length;
const PITCH = 3;
export class LagRun {
	/** Where the view is: x, y, z, pitch, yaw, roll. */
	readonly out: Float64Array = new Float64Array(AXES);
	/** By axis: how far the view is from the body: 0 where it is there, to the last bit. */
	readonly behind: Float64Array = new Float64Array(AXES);
	/** Where the body was, yaw unwound. */
	private readonly target = new Float64Array(AXES);
	/** Where each axis is pulled to: the body's place but for what the quiet area holds back, and the lead. */
	private readonly pulled = new Float64Array(AXES);
	/** What the quiet area let through. */
	private readonly anchor = new Float64Array(AXES);
	/** Smoothed velocity of the body. */
	private readonly velocity = new Float64Array(AXES);
	/** By axis: how far behind the view is, and, for a spring, how fast the view goes. */
	private readonly error = new Float64Array(2 * AXES);
	/** By axis: what is left of the error after a step of `stepped` seconds, catching up and settling; and of the velocity. */
	private readonly left = new Float64Array(2 * AXES + 1);
	private readonly springs = new Float64Array(SPRING_NUMBERS * AXES);
	private stepped: Seconds = -1;
	/** By axis: how fast the body goes in this step, then what the view is pulled with. */
	private readonly speeds = new Float64Array(AXES);
	/** By axis: 1 where the body, or what the quiet area lets through of it, stood still in this step. */
	private readonly stands = new Uint8Array(AXES);
	private begun = false;
	private readonly axes: readonly (LagAxis | undefined)[];

	constructor(private readonly preset: LagPreset) {
		this.axes = LAG_AXES.map((name) => preset.axes[name]);
	}

	/** A view that stands where this one stands and goes its own way. */
	fork(): LagRun {
		const copy = new LagRun(this.preset);
		copy.takeOver(this);
		return copy;
	}

	/** Stands where another view of the same body stands. */
	takeOver(from: LagRun): void {
		for (const part of ['out', 'behind', 'target', 'pulled', 'anchor', 'velocity', 'error'] as const)
			this[part].set(from[part]);
		this.begun = from.begun;
	}

	/** Puts the view where the body is. */
	snap(pose: ArrayLike<number>): void {
		for (let i = 0; i < AXES; i++) {
			const here = i === PITCH ? clamp(pose[i]!, -STEEPEST, STEEPEST) : pose[i]!;
			this.target[i] = this.pulled[i] = this.anchor[i] = this.out[i] = here;
			this.velocity[i] = this.error[2 * i] = this.error[2 * i + 1] = this.behind[i] = 0;
		}
		this.begun = true;
	}

	/** Seconds of the step that `go` takes: in an array, so that the call boxes no number. */
	readonly step: Float64Array = new Float64Array(1);

	/** `dt` seconds on, the body now at `pose` (x, y, z, pitch, yaw, roll). Returns `out`. */
	advance(pose: ArrayLike<number>, dt: Seconds): Float64Array {
		this.step[0] = dt;
		return this.go(pose);
	}

	/** As `advance`, by the seconds in `step`. */
	go(pose: ArrayLike<number>): Float64Array {
		const dt = this.step[0]!;
		if (!this.begun || this.isMovedThere(pose)) this.snap(pose);
		if (!(dt > 0)) return this.out;
		if (dt !== this.stepped) this.prepare(dt);
		for (let i = 0; i < AXES; i++) {
			const before = this.target[i]!;
			this.target[i] = pose[i]!;
			if (i >= PITCH) {
				if (i === PITCH && this.target[i]! > STEEPEST) this.target[i] = STEEPEST;
				else if (i === PITCH && this.target[i]! < -STEEPEST) this.target[i] = -STEEPEST;
				// The shortest turn, in place.
				const by = this.target[i]! - before;
				this.target[i] = before + (by - 360 * Math.floor((by + 180) / 360));
			}
			this.speeds[i] = (this.target[i]! - before) / dt;
			this.follow(i);
			this.behind[i] = this.out[i]! - this.target[i]!;
		}
		return this.out;
	}

	/** Works out what each axis keeps of its error over a step: steps are mostly of one length. */
	private prepare(dt: Seconds): void {
		const { left, axes, preset } = this;
		this.stepped = dt;
		for (let i = 0; i < AXES; i++) {
			const axis = axes[i];
			if (axis?.follow === 'spring') prepareSpring(this.springs, SPRING_NUMBERS * i, axis.frequency, axis.damping, dt);
			const settle = axis?.follow === 'half-life' ? (axis.settle ?? axis.halfLife) : 0;
			left[2 * i] = axis && axis.follow === 'half-life' && axis.halfLife > 0 ? exp2(-dt / axis.halfLife) : 0;
			left[2 * i + 1] = settle > 0 ? exp2(-dt / settle) : 0;
		}
		left[2 * AXES] = preset.leadHalfLife > 0 ? exp2(-dt / preset.leadHalfLife) : 0;
	}

	private isMovedThere(pose: ArrayLike<number>): boolean {
		const { snapsBeyond } = this.preset;
		if (snapsBeyond === null) return false;
		const dx = pose[0]! - this.target[0]!;
		const dy = pose[1]! - this.target[1]!;
		const dz = pose[2]! - this.target[2]!;
		return dx * dx + dy * dy + dz * dz > snapsBeyond * snapsBeyond;
	}

	// Numbers go from step to step in arrays: a double that is handed to a call that is not inlined would be boxed.
	private follow(i: number): void {
		const axis = this.axes[i];
		const at = 2 * i;
		const { error, preset, speeds } = this;
		const now = this.target[i]!;
		if (!axis || axis.follow === 'none') {
			this.out[i] = now;
			error[at] = error[at + 1] = 0;
			return;
		}
		// The quiet area holds the anchor until the body leaves it, then the body drags it along by its edge.
		const before = this.anchor[i]!;
		const anchored = (this.anchor[i] = clamp(before, now - axis.quiet, now + axis.quiet));
		this.stands[i] = anchored === before ? 1 : 0;
		let wanted = anchored;
		if (preset.leadsBy > 0) {
			const kept = this.left[2 * AXES]!;
			// Of what the area let through: within it nothing stirs.
			const through = axis.quiet > 0 ? (anchored - before) / this.stepped : speeds[i]!;
			const smooth = (this.velocity[i] = through + (this.velocity[i]! - through) * kept);
			wanted += preset.leadsBy * smooth;
		}
		const v = (speeds[i] = (wanted - this.pulled[i]!) / this.stepped);
		this.pulled[i] = wanted;
		if (axis.follow === 'half-life') this.halve(axis, i);
		else this.spring(axis, i);
		if (axis.atMost !== null) this.clampError(i, axis.atMost);
		if (v === 0) this.rest(at);
		const view = wanted - error[at]!;
		this.out[i] = view;
		if (i === PITCH && (view > STEEPEST || view < -STEEPEST)) this.holdSteep(view > 0 ? 1 : -1);
	}

	/** Looks no steeper than the steepest: the error is held, so that a spring that hits it comes back at once. */
	private holdSteep(side: 1 | -1): void {
		const { error, out } = this;
		const at = 2 * PITCH;
		error[at] = this.pulled[PITCH]! - side * STEEPEST;
		out[PITCH] = side * STEEPEST;
		// A view that goes on outward stands still there.
		if (error[at + 1]! * side > 0) error[at + 1] = 0;
	}

	/** e∞ = v·h/ln 2; e(t + dt) = e∞ + (e − e∞)·2^(−dt/h). */
	private halve(axis: LagAxis, i: number): void {
		const { error } = this;
		const at = 2 * i;
		const v = this.speeds[i]!;
		const e = error[at]!;
		// Catching up while the body moves, settling once it stands.
		const settles = axis.settle !== null && this.stands[i] === 1;
		const h = settles ? axis.settle! : axis.halfLife;
		if (h <= 0) {
			error[at] = 0;
			return;
		}
		const far = (v * h) / LN2;
		error[at] = far + (e - far) * this.left[settles ? at + 1 : at]!;
	}

	/** About e∞ = 2ζv/ω = ζv/(πf) the error is a free spring. */
	private spring({ frequency, damping }: LagAxis, i: number): void {
		const { error } = this;
		const at = 2 * i;
		const v = this.speeds[i]!;
		const far = springTrail(frequency, damping, v);
		// The view's own speed goes on through a change of the body's: kept as the speed of the view, x′ = v − e′.
		error[at] = error[at]! - far;
		error[at + 1] = v - error[at + 1]!;
		runSpring(error, at, this.springs, SPRING_NUMBERS * i);
		error[at] = error[at]! + far;
		error[at + 1] = v - error[at + 1]!;
	}

	private clampError(i: number, most: number): void {
		const { error } = this;
		const at = 2 * i;
		const e = error[at]!;
		if (e <= most && e >= -most) return;
		error[at] = e > 0 ? most : -most;
		// Where it is clamped the view moves as fast as the body.
		error[at + 1] = this.speeds[i]!;
	}

	private rest(at: number): void {
		const { error } = this;
		const e = error[at]!;
		const v = error[at + 1]!;
		if (e < AT_REST && e > -AT_REST && v < AT_REST && v > -AT_REST) error[at] = error[at + 1] = 0;
	}
}
