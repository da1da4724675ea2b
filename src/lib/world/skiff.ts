/** The skiff: rowed with strokes, slowed by the water, stopped by the rock. Metres, seconds, degrees. */
import { SEA_LEVEL, SKIFF, SOLIDS } from './grounds';

/** From one stroke to the next, and the part of it in which the oars pull. */
const STROKE_S = 1.7;
const PULLS = 0.45;
/** Metres a second, each second. */
const PULL = 3.1;
const DRAG = 0.62;
/** Degrees a second at rest and at speed: moving she answers better. */
const TURN = 26;
/** Of her hull about her middle, for what she runs aground on. */
const HULL = 1.1;
/** Nobody rows farther out than this. */
const FARTHEST = 110;
const LEAST_AGROUND = 0.25;

export interface Rowing {
	/** −1 back … 1 ahead; −1 right … 1 left. */
	readonly pull: number;
	readonly turn: number;
}

/** Whether the rock is under a place of the sea. */
export const isAground = (x: number, z: number): boolean =>
	SOLIDS.some(
		({ at, size, hidden }) =>
			!hidden &&
			at[1] - size[1] / 2 < SEA_LEVEL + 0.3 &&
			at[1] + size[1] / 2 > SEA_LEVEL - 0.6 &&
			Math.abs(x - at[0]) < size[0] / 2 + HULL &&
			Math.abs(z - at[2]) < size[2] / 2 + HULL
	);

export class Skiff {
	x: number = SKIFF.at[0];
	z: number = SKIFF.at[2];
	heading: number = SKIFF.heading;
	speed = 0;
	private inStroke = 0;
	private time = 0;

	/** How high she floats just now. */
	get y(): number {
		return (
			SEA_LEVEL + SKIFF.floats + 0.11 * Math.sin(this.time * 0.9) + 0.06 * Math.sin(this.time * 1.73 + this.x * 0.2)
		);
	}

	/** `dt` seconds on. Tells of a stroke that begins, and of running aground, with her speed. */
	step({ pull, turn }: Rowing, dt: number, tell: (what: 'stroke' | 'aground', speed: number) => void): void {
		this.time += dt;
		if (pull !== 0 || this.inStroke > 0) {
			if (this.inStroke === 0) tell('stroke', Math.abs(this.speed));
			this.inStroke += dt / STROKE_S;
			if (this.inStroke < PULLS)
				this.speed += PULL * (pull < 0 ? -0.6 : pull) * Math.sin((Math.PI * this.inStroke) / PULLS) * dt;
			if (this.inStroke >= 1) this.inStroke = 0;
		}
		this.speed *= Math.exp(-DRAG * dt);
		if (Math.abs(this.speed) < 1e-4) this.speed = 0;
		this.heading += turn * (TURN * (0.55 + Math.min(1, Math.abs(this.speed) / 2))) * dt;
		const ahead = (this.heading * Math.PI) / 180;
		const x = this.x - Math.sin(ahead) * this.speed * dt;
		const z = this.z - Math.cos(ahead) * this.speed * dt;
		const stops = isAground(x, z) && !isAground(this.x, this.z);
		if (stops || Math.hypot(x, z) > FARTHEST) {
			if (stops && Math.abs(this.speed) > LEAST_AGROUND) tell('aground', Math.abs(this.speed));
			// She springs back a little.
			this.speed *= -0.2;
			return;
		}
		this.x = x;
		this.z = z;
	}

	/** Whether one can step between her and the landing stage. */
	get isMoored(): boolean {
		return Math.hypot(this.x - SKIFF.at[0], this.z - SKIFF.at[2]) < SKIFF.reach;
	}

	/** Made fast where she belongs. */
	moor(): void {
		[this.x, this.z, this.heading, this.speed, this.inStroke] = [SKIFF.at[0], SKIFF.at[2], SKIFF.heading, 0, 0];
	}
}
