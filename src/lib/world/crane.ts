/** The yard's crane: a trolley on a boom, a rope that is let down and hauled in, and a load that swings on it. */
import { CRANE } from './grounds';

const GRAVITY = 9.81;
/** Metres a second, and each second. */
const TROLLEY = { most: 2.2, push: 2.6 } as const;
const HOIST = { most: 1.7, push: 3 } as const;
/** Swinging dies down by this part a second. */
const CALMS = 0.22;
const LEAST_SET_DOWN = 0.25;
const LEAST_HOISTING = 0.15;

const towards = (from: number, to: number, most: number): number =>
	from < to ? Math.min(to, from + most) : Math.max(to, from - most);

export class Crane {
	/** Of the trolley along the boom. */
	trolley: number = CRANE.starts;
	/** How much rope is out. */
	rope: number = CRANE.rope;
	/** In radians, to the right. */
	swing = 0;
	hoisting = false;
	private drive = 0;
	private winch = 0;
	private swings = 0;
	private stands = false;

	/** Where the load hangs. */
	get x(): number {
		return this.trolley + this.rope * Math.sin(this.swing);
	}
	get y(): number {
		return CRANE.boom - this.rope * Math.cos(this.swing);
	}

	/** `dt` seconds on; right and up are −1 … 1. Tells of the load meeting the quay, with its speed. */
	step(right: number, up: number, dt: number, tell: (speed: number) => void): void {
		const before = this.drive;
		this.drive = towards(this.drive, right * TROLLEY.most, TROLLEY.push * dt);
		this.winch = towards(this.winch, -up * HOIST.most, HOIST.push * dt);
		this.trolley += this.drive * dt;
		if (this.trolley < CRANE.from || this.trolley > CRANE.to) {
			this.trolley = Math.min(CRANE.to, Math.max(CRANE.from, this.trolley));
			this.drive = 0;
		}
		this.rope = Math.min(CRANE.longest, Math.max(CRANE.shortest, this.rope + this.winch * dt));
		this.hoisting = Math.abs(this.winch) > LEAST_HOISTING && this.rope > CRANE.shortest && this.rope < CRANE.longest;
		const pushed = (this.drive - before) / dt;
		const falls = this.winch;
		this.swings +=
			(-(GRAVITY / this.rope) * Math.sin(this.swing) -
				(pushed / this.rope) * Math.cos(this.swing) -
				CALMS * this.swings) *
			dt;
		this.swing += this.swings * dt;
		this.meetGround(falls, tell);
	}

	private meetGround(falls: number, tell: (speed: number) => void): void {
		if (this.y > CRANE.ground) {
			this.stands = false;
			return;
		}
		if (!this.stands && falls > LEAST_SET_DOWN) tell(falls);
		this.stands = true;
		// The rope goes slack no farther than to where the load stands, and what stands does not swing.
		this.rope = (CRANE.boom - CRANE.ground) / Math.cos(this.swing);
		this.swings *= 0.9;
	}
}
