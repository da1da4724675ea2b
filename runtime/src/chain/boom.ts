/** Where a `chase` camera stands: at the end of a boom from the point that the lag made of the body, nearer where something stands between. */
import { steep } from '../math/angles';
import { lookAlong, putLook, turnBy } from '../math/look';
import { exp2InPlace } from '../math/scalar';
import { DT, type Clock } from '../units/clock';
import type { RigView } from './types';

/**
 * How far it is free from one place towards another, in metres; Infinity where nothing stands between. Both places are x, y, z in
 * metres and are only read; viewers are counted from 0.
 */
export type Clear = (from: Float64Array, to: Float64Array, viewer: number) => number;

const [PITCH, YAW, ROLL] = [3, 4, 5];

export class Boom {
	/** Asked how far it is free; null: the room says so. */
	clear: Clear | null = null;
	/** Whose camera it is, for `clear`. */
	viewer = 0;
	/** Metres that are free from the point on, as the game says; Infinity: nothing stands between. */
	readonly room: Float64Array = Float64Array.of(Infinity);
	/** Seconds since it was last put. */
	readonly elapsed: Float64Array = new Float64Array(1);
	/** How far from its point it is; below 0: it has not been put yet. */
	private readonly far = Float64Array.of(-1);
	private readonly look = Float64Array.of(0, 0, 0, 1);
	private readonly arm = new Float64Array(3);
	private readonly target = new Float64Array(3);
	private readonly from = new Float64Array(3);
	private readonly to = new Float64Array(3);
	private readonly left = new Float64Array(1);

	constructor(private readonly view: RigView) {}

	fork(): Boom {
		const copy = new Boom(this.view);
		copy.takeOver(this);
		return copy;
	}

	takeOver(from: Boom): void {
		this.clear = from.clear;
		this.viewer = from.viewer;
		for (const part of ['room', 'elapsed', 'far'] as const) this[part].set(from[part]);
	}

	/** A frame on, with so many metres free from its point on; left out: nothing stands between. */
	advance(clock: Clock, room: number | undefined): void {
		this.elapsed[0]! += clock[DT]!;
		this.room[0] = Infinity;
		if (room !== undefined) this.room[0] = room;
	}

	/** The body is there at once: so is the boom. */
	snap(room = Infinity): void {
		this.far[0] = -1;
		this.room[0] = room;
		this.elapsed[0] = 0;
	}

	/** Moves a pose, x, y, z, pitch, yaw, roll, from the point that is followed to where the camera stands. */
	put(pose: Float64Array): void {
		const { view, look, arm, target, from, to } = this;
		if (view.ahead !== null) {
			putLook(pose[YAW]!, pose[PITCH]!, look, 0);
			target[0] = target[1] = 0;
			target[2] = -view.ahead;
			turnBy(look, 0, target, 0);
			for (let c = 0; c < 3; c++) target[c]! += pose[c]!;
		}
		pose[PITCH] = steep(pose[PITCH]! - view.down);
		putLook(pose[YAW]!, pose[PITCH]!, look, 0, pose[ROLL]!);
		arm[0] = view.side;
		arm[1] = 0;
		arm[2] = view.back;
		turnBy(look, 0, arm, 0);
		if (view.nearer) {
			for (let c = 0; c < 3; c++) {
				from[c] = pose[c]!;
				to[c] = pose[c]! + arm[c]!;
			}
			this.comeNearer();
		}
		for (let c = 0; c < 3; c++) pose[c]! += arm[c]!;
		if (view.ahead === null) return;
		for (let c = 0; c < 3; c++) target[c]! -= pose[c]!;
		lookAlong(target, pose, PITCH);
	}

	/** Shortens the arm to what is free. */
	private comeNearer(): void {
		const { view, arm, far, left, elapsed, clear } = this;
		const { off, least, comes, goes } = view.nearer!;
		const whole = Math.sqrt(arm[0]! * arm[0]! + arm[1]! * arm[1]! + arm[2]! * arm[2]!);
		if (!(whole > 0)) return;
		let free = clear ? clear(this.from, this.to, this.viewer) : this.room[0]!;
		// What is no number says nothing.
		if (!(free >= 0)) free = Infinity;
		// What was answered is what a recording says in its place.
		this.room[0] = free;
		let meant = free - off;
		if (meant < least) meant = least;
		if (meant > whole) meant = whole;
		const half = meant < far[0]! ? comes : goes;
		if (far[0]! < 0 || !(half > 0)) far[0] = meant;
		else if (elapsed[0]! > 0) {
			left[0] = -elapsed[0]! / half;
			exp2InPlace(left, 0);
			far[0] = meant + (far[0]! - meant) * left[0]!;
		}
		if (far[0]! > whole) far[0] = whole;
		elapsed[0] = 0;
		const share = far[0]! / whole;
		for (let c = 0; c < 3; c++) arm[c]! *= share;
	}
}
