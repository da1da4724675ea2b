/**
 * The crane of Morrowskerry, seen flat from the side: a trolley on a jib, a load that swings on its rope, crates, a barge on the swell, the
 * sea. A few lines of physics on a fixed step; no picture, no camera, no clock of its own.
 */
export const STEP = 1 / 120;

export interface Wish {
	/** −1 left, 1 right. */
	readonly along: number;
	/** −1 down, 1 up. */
	readonly lift: number;
	/** Takes hold, or lets go: in the step in which it is pressed. */
	readonly grab: boolean;
}

/** What happens is told with where it happened. */
export interface Told {
	landed(impact: number, x: number, y: number): void;
	splashed(x: number): void;
	wave(height: number, x: number): void;
	engine(runs: boolean): void;
}

export interface Crate {
	x: number;
	/** Of its bottom. */
	y: number;
	vx: number;
	vy: number;
	rests: boolean;
	readonly size: number;
	readonly tone: number;
}

export const JIB = 8;
export const MAST = -7;
export const QUAY = { from: -12, to: 4.5, top: 0 } as const;
export const BARGE = { from: 6.5, to: 12.5 } as const;
export const SEA = -1.6;
const [LEAST, MOST] = [-5.5, 12];
const ROPE = { least: 1.2, most: 9 } as const;
const G = 9.81;

export class World {
	time = 0;
	trolley = -2;
	speed = 0;
	rope = 4;
	winding = 0;
	/** Of the rope from upright, in radians. */
	swing = 0;
	turning = 0;
	held: Crate | null = null;
	runs = false;
	readonly crates: Crate[] = [];
	private idle = 0;
	private nextWave = 2.5;
	private dice: number;

	constructor(seed = 1) {
		this.dice = seed >>> 0 || 1;
		for (let i = 0; i < 6; i++) {
			const size = 0.9 + this.chance() * 0.5;
			this.crates.push({
				x: -4.5 + (i % 4) * 2.1,
				y: i < 4 ? 0 : 3,
				vx: 0,
				vy: 0,
				rests: i < 4,
				size,
				tone: this.chance()
			});
		}
	}

	/** The same numbers for the same seed on every machine. */
	private chance(): number {
		this.dice ^= this.dice << 13;
		this.dice ^= this.dice >>> 17;
		this.dice ^= this.dice << 5;
		return (this.dice >>> 0) / 4294967296;
	}

	/** Where the barge's deck is. */
	get deck(): number {
		return SEA + 0.9 + 0.22 * Math.sin(this.time * 0.9);
	}
	get hookX(): number {
		return this.trolley + this.rope * Math.sin(this.swing);
	}
	get hookY(): number {
		return JIB - this.rope * Math.cos(this.swing);
	}
	/** Metres a second of the hook. */
	get hookSpeed(): number {
		return Math.hypot(this.speed + this.rope * this.turning * Math.cos(this.swing), this.winding);
	}

	/** What something of a width would stand on; −Infinity: water. */
	private ground(x: number, but: Crate | null): number {
		let top = -Infinity;
		if (x > QUAY.from && x < QUAY.to) top = QUAY.top;
		if (x > BARGE.from && x < BARGE.to) top = this.deck;
		for (const crate of this.crates)
			if (crate !== but && crate.rests && Math.abs(crate.x - x) < crate.size * 0.8)
				top = Math.max(top, crate.y + crate.size);
		return top;
	}

	step(wish: Wish, told: Told): void {
		this.time += STEP;
		this.move(wish, told);
		if (wish.grab) this.grab(told);
		if (this.held) this.carry(told);
		for (const crate of this.crates) if (crate !== this.held) this.fall(crate, told);
		this.nextWave -= STEP;
		if (this.nextWave > 0) return;
		this.nextWave = 4 + this.chance() * 5;
		told.wave(1.5 + this.chance() * 6.5, QUAY.to);
	}

	private move({ along, lift }: Wish, told: Told): void {
		const before = this.speed;
		const wanted = along * 4;
		this.speed += Math.max(-6 * STEP, Math.min(6 * STEP, wanted - this.speed));
		this.trolley += this.speed * STEP;
		if (this.trolley < LEAST || this.trolley > MOST) {
			this.trolley = Math.max(LEAST, Math.min(MOST, this.trolley));
			this.speed = 0;
		}
		const pulled = (this.speed - before) / STEP;
		const winds = -lift * 2.2;
		this.winding += Math.max(-8 * STEP, Math.min(8 * STEP, winds - this.winding));
		const rope = this.rope + this.winding * STEP;
		if (rope < ROPE.least || rope > ROPE.most) this.winding = 0;
		this.rope = Math.max(ROPE.least, Math.min(ROPE.most, rope));
		const [sin, cos] = [Math.sin(this.swing), Math.cos(this.swing)];
		this.turning +=
			((-G * sin - pulled * cos - 2 * this.winding * this.turning) / this.rope - 0.35 * this.turning) * STEP;
		this.swing += this.turning * STEP;
		const works = Math.abs(this.speed) > 0.05 || Math.abs(this.winding) > 0.05;
		this.idle = works ? 0 : this.idle + STEP;
		const runs = works || (this.runs && this.idle < 0.5);
		if (runs === this.runs) return;
		this.runs = runs;
		told.engine(runs);
	}

	private grab(told: Told): void {
		if (this.held) {
			const crate = this.held;
			this.held = null;
			crate.vx = this.speed + this.rope * this.turning * Math.cos(this.swing);
			crate.vy = -this.winding;
			crate.rests = false;
			return;
		}
		const near = this.crates
			.filter((c) => Math.abs(c.x - this.hookX) < c.size && Math.abs(c.y + c.size - this.hookY) < 0.7)
			.sort((a, b) => Math.abs(a.x - this.hookX) - Math.abs(b.x - this.hookX))[0];
		if (!near) return;
		this.held = near;
		near.rests = false;
		// What stood on it comes down.
		for (const crate of this.crates) if (crate.y > near.y) crate.rests = false;
		void told;
	}

	/** A load that is lowered onto something stands there. */
	private carry(told: Told): void {
		const crate = this.held!;
		const y = this.hookY - crate.size;
		const ground = this.ground(this.hookX, crate);
		if (y < ground) {
			const impact = Math.max(0, this.winding) + Math.abs(this.turning) * this.rope * 0.3;
			this.held = null;
			Object.assign(crate, { x: this.hookX, y: ground, vx: 0, vy: 0, rests: true });
			told.landed(impact, crate.x, crate.y);
			return;
		}
		crate.x = this.hookX;
		crate.y = y;
	}

	private fall(crate: Crate, told: Told): void {
		const ground = this.ground(crate.x, crate);
		if (crate.rests) {
			if (crate.x > BARGE.from && crate.x < BARGE.to) crate.y = Math.max(ground, crate.y - 4 * STEP);
			return;
		}
		crate.vy -= G * STEP;
		crate.x += crate.vx * STEP;
		crate.y += crate.vy * STEP;
		if (crate.y <= ground) {
			told.landed(-crate.vy, crate.x, ground);
			Object.assign(crate, { y: ground, vx: 0, vy: 0, rests: true });
		} else if (crate.y < SEA - 1) {
			told.splashed(crate.x);
			Object.assign(crate, { x: -10 + this.chance() * 3, y: 6, vx: 0, vy: 0 });
		}
	}
}
