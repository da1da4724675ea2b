/** A view that trails a body: exact within each step for a target that moves straight, whatever the step's length. */
import { clamp, exp2, LN2 } from '../math/scalar';
import { AT_REST, stepSpring } from '../math/spring';
import type { BodyTrack } from '../formats/body-track';
import type { Seconds } from '../units/quantities';
import { LAG_AXES, type LagAxis, type LagPreset } from './types';

const AXES = LAG_AXES.length;
const PITCH = 3;
/** Beyond this a look up or down has no direction left. */
export const STEEPEST = 89;

/** The shortest way round from one angle to another, in degrees: −180 … 180. */
export function shortestTurn(from: number, to: number): number {
	const by = to - from;
	return by - 360 * Math.floor((by + 180) / 360);
}

/** How far a view with this half-life trails a target at a speed: v·h/ln 2. */
export const halfLifeTrail = (halfLife: Seconds, speed: number): number => (speed * halfLife) / LN2;
/** How far a spring trails a target at a speed: ζv/(πf). */
export const springTrail = (frequency: number, damping: number, speed: number): number =>
	(damping * speed) / (Math.PI * frequency);

/** How far an axis trails a target at a speed in the long run. */
export const trailOf = (axis: LagAxis, speed: number): number => {
	const trail =
		axis.follow === 'none'
			? 0
			: axis.follow === 'half-life'
				? halfLifeTrail(axis.halfLife, speed)
				: springTrail(axis.frequency, axis.damping, speed);
	return (axis.atMost === null ? trail : Math.min(trail, axis.atMost)) + axis.quiet;
};

export class LagRun {
	/** Where the view is: x, y, z, pitch, yaw, roll. */
	readonly out: Float64Array = new Float64Array(AXES);
	/** Where the body was, yaw unwound. */
	private readonly target = new Float64Array(AXES);
	/** Where each axis is pulled to: the body's place but for what the quiet area holds back, and the lead. */
	private readonly pulled = new Float64Array(AXES);
	/** What the quiet area let through. */
	private readonly anchor = new Float64Array(AXES);
	/** Smoothed velocity of the body. */
	private readonly velocity = new Float64Array(AXES);
	/** By axis: how far behind the view is, and how fast that grows. */
	private readonly error = new Float64Array(2 * AXES);
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
		for (const part of ['out', 'target', 'pulled', 'anchor', 'velocity', 'error'] as const) this[part].set(from[part]);
		this.begun = from.begun;
	}

	/** Puts the view where the body is. */
	snap(pose: ArrayLike<number>): void {
		for (let i = 0; i < AXES; i++) {
			this.target[i] = this.pulled[i] = this.anchor[i] = this.out[i] = pose[i]!;
			this.velocity[i] = this.error[2 * i] = this.error[2 * i + 1] = 0;
		}
		this.begun = true;
	}

	/** `dt` seconds on, the body now at `pose` (x, y, z, pitch, yaw, roll). Returns `out`. */
	advance(pose: ArrayLike<number>, dt: Seconds): Float64Array {
		if (!this.begun || this.isMovedThere(pose)) this.snap(pose);
		if (!(dt > 0)) return this.out;
		const { preset } = this;
		for (let i = 0; i < AXES; i++) {
			const before = this.target[i]!;
			const now =
				i < PITCH
					? pose[i]!
					: before + shortestTurn(before, i === PITCH ? clamp(pose[i]!, -STEEPEST, STEEPEST) : pose[i]!);
			this.target[i] = now;
			this.follow(i, now, (now - before) / dt, dt, preset);
		}
		return this.out;
	}

	/** How far an axis of the view is from the body's: 0 where it is there, to the last bit. */
	behind(i: number): number {
		return this.out[i]! - this.target[i]!;
	}

	private isMovedThere(pose: ArrayLike<number>): boolean {
		const { snapsBeyond } = this.preset;
		if (snapsBeyond === null) return false;
		const [dx, dy, dz] = [pose[0]! - this.target[0]!, pose[1]! - this.target[1]!, pose[2]! - this.target[2]!];
		return dx * dx + dy * dy + dz * dz > snapsBeyond * snapsBeyond;
	}

	private follow(i: number, now: number, speed: number, dt: Seconds, preset: LagPreset): void {
		const axis = this.axes[i];
		const at = 2 * i;
		const { error } = this;
		if (!axis || axis.follow === 'none') {
			this.out[i] = now;
			error[at] = error[at + 1] = 0;
			return;
		}
		// The quiet area holds the anchor until the body leaves it, then the body drags it along by its edge.
		const anchored = (this.anchor[i] = clamp(this.anchor[i]!, now - axis.quiet, now + axis.quiet));
		let wanted = anchored;
		if (preset.leadsBy > 0) {
			const kept = preset.leadHalfLife > 0 ? exp2(-dt / preset.leadHalfLife) : 0;
			const smooth = (this.velocity[i] = speed + (this.velocity[i]! - speed) * kept);
			wanted += preset.leadsBy * smooth;
		}
		const v = (wanted - this.pulled[i]!) / dt;
		this.pulled[i] = wanted;
		if (axis.follow === 'half-life') this.halve(axis, at, v, dt);
		else this.spring(axis, at, v, dt);
		if (axis.atMost !== null) this.hold(at, axis.atMost, v);
		if (v === 0) this.rest(at);
		this.out[i] = i === PITCH ? clamp(wanted - error[at]!, -STEEPEST, STEEPEST) : wanted - error[at]!;
	}

	/** e∞ = v·h/ln 2; e(t + dt) = e∞ + (e − e∞)·2^(−dt/h). */
	private halve(axis: LagAxis, at: number, v: number, dt: Seconds): void {
		const { error } = this;
		const e = error[at]!;
		// Catching up while the body draws away, settling once it does not.
		const settles = axis.settle !== null && v * e <= 0;
		const h = settles ? axis.settle! : axis.halfLife;
		if (h <= 0) {
			error[at] = 0;
			return;
		}
		const far = (v * h) / LN2;
		error[at] = far + (e - far) * exp2(-dt / h);
	}

	/** About e∞ = 2ζv/ω = ζv/(πf) the error is a free spring. */
	private spring({ frequency, damping }: LagAxis, at: number, v: number, dt: Seconds): void {
		const { error } = this;
		const far = springTrail(frequency, damping, v);
		// The view's own speed goes on through a change of the body's: kept as the speed of the view, x′ = v − e′.
		error[at] = error[at]! - far;
		error[at + 1] = v - error[at + 1]!;
		stepSpring(error, at, frequency, damping, dt);
		error[at] = error[at]! + far;
		error[at + 1] = v - error[at + 1]!;
	}

	private hold(at: number, most: number, v: number): void {
		const { error } = this;
		const e = error[at]!;
		if (e <= most && e >= -most) return;
		error[at] = e > 0 ? most : -most;
		// At its rope's end the view goes along with the body.
		error[at + 1] = v;
	}

	private rest(at: number): void {
		const { error } = this;
		const [e, v] = [error[at]!, error[at + 1]!];
		if (e < AT_REST && e > -AT_REST && v < AT_REST && v > -AT_REST) error[at] = error[at + 1] = 0;
	}
}

/** Where the view is at each moment of a body's way, beginning where the body begins. */
export function followTrack(preset: LagPreset, { times, poses }: BodyTrack): BodyTrack {
	const run = new LagRun(preset);
	const followed = new Float64Array(poses.length);
	const pose = new Float64Array(AXES);
	for (let i = 0; i < times.length; i++) {
		for (let c = 0; c < AXES; c++) pose[c] = poses[i * AXES + c]!;
		if (i === 0) run.snap(pose);
		else run.advance(pose, times[i]! - times[i - 1]!);
		followed.set(run.out, i * AXES);
	}
	return { times, poses: followed };
}
