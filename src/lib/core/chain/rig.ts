/**
 * A rig: a camera's chain with its settings. Body → lag → head bob → shakes → ceiling; each stage can be left out, and what the
 * camera rests on is where the lag left it: nothing of the motion is ever written back into it.
 */
import { BobRun, compileBob } from '../bob/bob';
import { LagRun } from '../lag/lag';
import { isBob, isLag, type AnyPreset } from '../kit/types';
import { putLook } from '../math/look';
import type { GameValues } from '../shake/drives';
import { CHANNEL_COUNT } from '../units/channels';
import type { Seconds } from '../units/quantities';
import { applyCeilings, compileCeilings, type Ceilings } from './ceiling';

export const RIG_STAGES = ['lag', 'bob', 'shakes', 'ceiling'] as const;
export type RigStage = (typeof RIG_STAGES)[number];

export interface Rig {
	readonly id: string;
	readonly name: string;
	readonly about: string;
	/** A head bob's id; null: none. */
	readonly bob: string | null;
	/** A camera lag's id; null: the view goes along at once. */
	readonly lag: string | null;
	/** The most that each channel may reach, over bob and shakes; null: none. */
	readonly ceiling: Ceilings | null;
	/** Stages that are left out for now. */
	readonly bypass: readonly RigStage[];
}

/** x, y, z of the feet in metres, yaw and pitch of the look in degrees. */
export type BodyPose = Float64Array;

/** One viewer's chain, stepped with its body. */
export class RigRun {
	/** What the camera rests on: x, y, z under it, its orientation as a quaternion x, y, z, w. */
	readonly camera: Float64Array = Float64Array.of(0, 0, 0, 0, 0, 0, 1);
	/** What the chain adds to that: seven channels. */
	readonly offset: Float64Array = new Float64Array(CHANNEL_COUNT);
	private bob: BobRun | null = null;
	private lag: LagRun | null = null;
	private readonly ceilings: Float64Array | null;
	private readonly shakes: boolean;
	private readonly target = new Float64Array(6);

	/** Without a rig the camera is where the body looks from, and its motion is the shakes alone. */
	constructor(
		private readonly rig: Rig | null,
		presets: readonly AnyPreset[],
		values: GameValues,
		seed = 1
	) {
		const on = (stage: RigStage): boolean => rig !== null && !rig.bypass.includes(stage);
		const bob = on('bob') ? presets.find((p) => p.id === rig!.bob) : undefined;
		const lag = on('lag') ? presets.find((p) => p.id === rig!.lag) : undefined;
		if (bob && isBob(bob)) this.bob = new BobRun(compileBob(bob), seed, values);
		if (lag && isLag(lag)) this.lag = new LagRun(lag);
		this.ceilings = on('ceiling') && rig!.ceiling ? compileCeilings(rig!.ceiling) : null;
		this.shakes = rig === null || on('shakes');
	}

	get hasBob(): boolean {
		return this.bob !== null;
	}

	/** A chain that stands where this one stands and goes its own way. */
	fork(values: GameValues): RigRun {
		const copy = new RigRun(null, [], values);
		Object.assign(copy, {
			rig: this.rig,
			bob: this.bob?.fork(values) ?? null,
			lag: this.lag?.fork() ?? null,
			ceilings: this.ceilings,
			shakes: this.shakes
		});
		copy.camera.set(this.camera);
		copy.offset.set(this.offset);
		return copy;
	}

	/** The body is there at once: at the beginning, or after a cut. */
	snap(body: BodyPose): void {
		this.aim(body);
		this.lag?.snap(this.target);
		this.place(body);
	}

	/** `dt` seconds on, with the body's new pose and level speed. True when a foot fell. */
	advance(dt: Seconds, body: BodyPose, speed: number, grounded: boolean): boolean {
		const { camera, lag } = this;
		if (lag) {
			this.aim(body);
			const followed = lag.advance(this.target, dt);
			for (let c = 0; c < 3; c++) camera[c] = followed[c]!;
			putLook(followed[4]!, followed[3]!, camera, 3);
		} else this.place(body);
		return this.bob !== null && this.bob.advance(dt, { speed, grounded });
	}

	/** Feet meet the ground after a fall at so many metres a second. */
	land(fall: number): void {
		this.bob?.land(fall);
	}

	/** Puts the bob and what the shakes came to together, under the ceiling. Returns `offset`. */
	sum(shakes: Float64Array): Float64Array {
		const { offset, bob, ceilings } = this;
		if (this.shakes) offset.set(shakes);
		else offset.fill(0);
		if (bob) for (let c = 0; c < CHANNEL_COUNT; c++) offset[c]! += bob.offset[c]!;
		if (ceilings) applyCeilings(ceilings, offset);
		return offset;
	}

	private aim(body: BodyPose): void {
		const { target } = this;
		for (let c = 0; c < 3; c++) target[c] = body[c]!;
		target[3] = body[4]!;
		target[4] = body[3]!;
		target[5] = 0;
	}

	private place(body: BodyPose): void {
		for (let c = 0; c < 3; c++) this.camera[c] = body[c]!;
		putLook(body[3]!, body[4]!, this.camera, 3);
	}
}
