/**
 * One camera's chain, stepped with its body: by default lag → limits → head bob → lean → shakes → ceiling. What lag and limits
 * make of the body's pose is where the camera rests; what the others add is its offset, never written back into that.
 *
 *     const run = new RigRun(rig, presets, values);
 *     run.snap(body);
 *     run.advance(clock, body);
 *     run.sum(shakes);
 *     run.camera; // where it rests: x, y, z, and its orientation as a quaternion
 *     run.offset; // what the motion adds: seven channels
 */
import { BobRun, type Walking } from '../bob/bob';
import { compileBob } from '../bob/compile';
import { LagRun } from '../lag/lag';
import { shortestTurn, STEEPEST } from '../math/angles';
import { isBob } from '../bob/types';
import { isLag } from '../lag/types';
import { type AnyPreset } from '../kit/types';
import { anglesOf, putLook, timesQuaternion, turnBy } from '../math/look';
import { sinTurnsInPlace } from '../math/scalar';
import type { GameValues } from '../drives/drives';
import { CHANNEL_COUNT } from '../units/channels';
import { DT, type Clock } from '../units/clock';
import { applyCeilings, compileCeilings } from '../chain/ceiling';
import { LeanRun } from '../chain/lean';
import { Boom, type Clear } from '../chain/boom';
import { aimFixed, EYES } from '../chain/view';
import { compileLets, type CompiledLets } from './lets';
import { applyLimits, compileLimits, type CompiledLimits } from '../chain/limits';
import { RIG_STAGES, viewOf, type Rig, type RigStage, type RigView } from '../chain/types';
import { OwnMotion } from './motion';

/** x, y, z of the feet in metres, yaw and pitch of the look in degrees. */
export type BodyPose = Float64Array;

/** A body that walks: handed on as it is, as numbers that are handed over one by one may be boxed. */
export interface WalkingBody extends Walking {
	readonly pose: BodyPose;
	/** Metres that are free from what a `chase` camera looks at on its way to it; left out: nothing stands between. */
	readonly room?: number;
}

/** Stages that add to where the camera rests. */
const MOTION: readonly RigStage[] = ['bob', 'lean', 'shakes'];
const STILL = new Float64Array(CHANNEL_COUNT);
const POSE = 6;
const [PITCH, YAW, ROLL] = [3, 4, 5];

export class RigRun {
	/** What the camera rests on: x, y, z, and its orientation as a quaternion x, y, z, w. */
	readonly camera: Float64Array = Float64Array.of(0, 0, 0, 0, 0, 0, 1);
	/** What the chain adds to that: seven channels. */
	readonly offset: Float64Array = new Float64Array(CHANNEL_COUNT);
	/**
	 * Once watched, what each stage does, seven numbers a stage in the order of `RIG_STAGES`: for lag and limits how far they
	 * move the pose (x, y, z in metres of the world, pitch, yaw, roll), for the others what they add to the channels.
	 */
	done: Float64Array | null = null;
	readonly view: RigView;
	private bob: BobRun | null = null;
	/** Whether the head bob is seen: a player may do without. */
	bobs = true;
	private readonly lag: LagRun | null = null;
	/** Of a `chase` view. */
	private readonly boom: Boom | null = null;
	private motion: OwnMotion | null = null;
	/** What of the shakes is seen through it; null: all. */
	readonly lets: CompiledLets | null = null;
	private readonly limits: CompiledLimits | null = null;
	private readonly lean: LeanRun | null = null;
	private readonly ceilings: Float64Array | null = null;
	/** Stages that are in, in their order, by their number in `RIG_STAGES`, and where among them the shakes come. */
	private readonly stages: readonly number[];
	private readonly shakesAt: number;
	private readonly lagAt: number;
	/** x, y, z, pitch, yaw, roll: as far as the chain has come. */
	private readonly pose = new Float64Array(POSE);
	/** Where the camera would be without a chain. */
	private readonly aimed = new Float64Array(POSE);
	private readonly poseBefore = new Float64Array(POSE);
	private readonly offsetBefore = new Float64Array(CHANNEL_COUNT);
	private shakes: Float64Array = new Float64Array(CHANNEL_COUNT);
	private readonly was = new Float64Array(CHANNEL_COUNT);
	private readonly look = Float64Array.of(0, 0, 0, 1);
	private readonly turn = Float64Array.of(0, 0, 0, 1);
	private readonly spot = new Float64Array(POSE);
	private readonly free = new Float64Array(3);
	/** Where motion comes before lag or limits: the same chain without it, and so where the camera rests. */
	private readonly plain: RigRun | null = null;
	private readonly whole = Float64Array.of(0, 0, 0, 0, 0, 0, 1);
	/** The body a step ago. */
	private readonly bodyWas = new Float64Array(POSE);
	/** Seconds since the lag was last stepped. */
	private readonly elapsed = new Float64Array(1);

	/** Without a rig the camera is in the body's eyes, and its motion is the shakes alone. */
	constructor(
		readonly rig: Rig | null,
		presets: readonly AnyPreset[],
		private readonly values: GameValues,
		seed = 1
	) {
		this.view = rig?.view ?? EYES;
		const order = rig?.order ?? RIG_STAGES;
		const left = rig?.bypass ?? [];
		const on = (stage: RigStage): boolean => rig !== null && !left.includes(stage);
		// The camera is put where its view stands even where it goes along at once.
		const has = (s: RigStage): boolean => s === 'lag' || (rig === null ? s === 'shakes' : on(s));
		this.stages = order.filter(has).map((s) => RIG_STAGES.indexOf(s));
		const shakesAt = this.stages.indexOf(RIG_STAGES.indexOf('shakes'));
		this.shakesAt = shakesAt < 0 ? this.stages.length : shakesAt;
		this.lagAt = this.stages.indexOf(RIG_STAGES.indexOf('lag'));
		const bob = on('bob') ? presets.find((p) => p.id === rig!.bob) : undefined;
		const lag = on('lag') ? presets.find((p) => p.id === rig!.lag) : undefined;
		if (bob && isBob(bob)) this.bob = new BobRun(compileBob(bob), seed, values);
		if (lag && isLag(lag)) this.lag = new LagRun(lag);
		if (this.view.kind === 'chase') this.boom = new Boom(this.view);
		if (on('shakes') && rig!.motion.length > 0)
			this.motion = new OwnMotion(rig!.motion, presets, viewOf(this.view.kind), values, seed);
		if (on('shakes') && rig!.lets) this.lets = compileLets(rig!.lets, presets);
		if (on('limits') && rig!.limits) this.limits = compileLimits(rig!.limits);
		if (on('lean') && rig!.lean) this.lean = new LeanRun(rig!.lean);
		if (on('ceiling') && rig!.ceiling) this.ceilings = compileCeilings(rig!.ceiling);
		const limitsAt = this.limits ? this.stages.indexOf(RIG_STAGES.indexOf('limits')) : 0;
		const early = this.stages.slice(0, Math.max(0, this.lagAt, limitsAt)).map((s) => RIG_STAGES[s]!);
		if (rig && early.some((stage) => MOTION.includes(stage)))
			this.plain = new RigRun({ ...rig, bypass: [...rig.bypass, ...MOTION] }, presets, values, seed);
	}

	/** Of the head bob, in strides; 0 without one. */
	get phase(): number {
		return this.bob?.phase ?? 0;
	}

	get hasBob(): boolean {
		return this.bob !== null;
	}

	/** Whether the shakes come before the lag, which then follows them: `sum` is needed in every step. */
	get followsShakes(): boolean {
		return this.shakesAt < this.lagAt;
	}

	/** Whether its own motion is made of this preset. */
	plays(presetId: string): boolean {
		return this.motion !== null && this.rig!.motion.some((m) => m.preset === presetId);
	}

	/** Asks how far it is free behind what it looks at, for this viewer. */
	ask(clear: Clear | null, viewer: number): void {
		if (this.boom) Object.assign(this.boom, { clear, viewer });
		this.plain?.ask(clear, viewer);
	}

	/** Keeps account of what each stage does from now on. */
	watch(): void {
		this.done ??= new Float64Array(RIG_STAGES.length * CHANNEL_COUNT);
	}

	/** A chain that stands where this one stands and goes its own way. */
	fork(values: GameValues): RigRun {
		const copy = new RigRun(null, [], values);
		Object.assign(copy, {
			rig: this.rig,
			view: this.view,
			bob: this.bob?.fork(values) ?? null,
			bobs: this.bobs,
			lag: this.lag?.fork() ?? null,
			boom: this.boom?.fork() ?? null,
			motion: this.motion?.fork(values) ?? null,
			lets: this.lets,
			limits: this.limits,
			lean: this.lean?.fork() ?? null,
			ceilings: this.ceilings,
			stages: this.stages,
			shakesAt: this.shakesAt,
			lagAt: this.lagAt,
			plain: this.plain?.fork(values) ?? null,
			done: this.done?.slice() ?? null
		});
		for (const part of [
			'camera',
			'offset',
			'aimed',
			'pose',
			'poseBefore',
			'offsetBefore',
			'bodyWas',
			'elapsed'
		] as const)
			copy[part].set(this[part]);
		return copy;
	}

	/** Goes on from where another chain of the same body stands, in what they have in common; steps stay in step. */
	takeOver(from: RigRun): void {
		if (this.bob && from.bob) {
			if (this.rig?.bob === from.rig?.bob) this.bob.takeOver(from.bob);
			else this.bob.phase = from.bob.phase;
		}
		const sameView = this.view.kind === from.view.kind && this.view.pixelsPerMetre === from.view.pixelsPerMetre;
		if (this.lag && from.lag && sameView) this.lag.takeOver(from.lag);
		if (this.lean && from.lean && sameView) this.lean.takeOver(from.lean);
		const sameRig = this.rig?.id === from.rig?.id;
		if (this.boom && from.boom && sameRig) this.boom.takeOver(from.boom);
		if (viewOf(this.view.kind) === viewOf(from.view.kind)) this.takeOverMotion(from, sameRig);
		if (this.plain) this.plain.takeOver(from.plain ?? from);
		this.begin();
	}

	/** What both play runs on; what is changed about a rig while one looks through it fades. */
	private takeOverMotion({ motion }: RigRun, sameRig: boolean): void {
		if (this.motion && motion) this.motion.takeOver(motion, sameRig);
		else if (sameRig && this.motion) this.motion.comeUp();
		else if (sameRig && motion && !this.rig!.bypass.includes('shakes')) this.motion = motion.leaving(this.values);
	}

	/** Multiplies the size of a gait of the head bob; the size follows in the bob's blend time. */
	sizeGait(gait: string, factor: number): void {
		this.bob?.sizeGait(gait, factor);
	}

	/** The body is there at once: at the beginning, or after a cut. */
	snap(body: BodyPose, room?: number): void {
		this.bodyWas.set(body.subarray(0, 5));
		this.aim(body);
		this.lag?.snap(this.scaled(this.aimed));
		this.elapsed[0] = 0;
		this.boom?.snap(room);
		this.plain?.snap(body, room);
		this.begin();
		if (this.followsShakes) this.sum(STILL);
	}

	/** A frame on, with the body as it is now. True when a foot fell. */
	advance(clock: Clock, body: WalkingBody): boolean {
		const fell = this.bob !== null && this.bob.follow(clock, body);
		if (this.lean) this.leanWith(clock, body.pose);
		this.elapsed[0]! += clock[DT]!;
		if (this.motion !== null || this.boom !== null) this.advanceOwn(clock, body);
		this.plain?.advance(clock, body);
		this.aim(body.pose);
		this.begin();
		return fell;
	}

	/** Apart from the rest, as most rigs have neither: what is not called costs nothing. */
	private advanceOwn(clock: Clock, body: WalkingBody): void {
		this.motion?.advance(clock);
		this.boom?.advance(clock, body.room);
	}

	/** Feet meet the ground after a fall at so many metres a second. */
	land(fall: number): void {
		this.bob?.land(fall);
	}

	/** The rest of the chain, from what the shakes came to. Returns `offset`. */
	sum(shakes: Float64Array): Float64Array {
		this.pose.set(this.poseBefore);
		this.offset.set(this.offsetBefore);
		this.shakes = shakes;
		this.run(this.shakesAt, this.stages.length);
		if (this.plain) {
			this.plain.sum(STILL);
			this.relate(this.plain.camera);
		}
		return this.offset;
	}

	/** What comes before the shakes. */
	private begin(): void {
		this.pose.set(this.aimed);
		this.offset.fill(0);
		this.run(0, this.shakesAt);
		this.poseBefore.set(this.pose);
		this.offsetBefore.set(this.offset);
		if (this.plain) this.camera.set(this.plain.camera);
		else this.putCamera(this.camera);
	}

	/**
	 * Motion that came before the lag is in the pose: what is seen is told as the motion that leads there from where the camera rests.
	 */
	private relate(rest: Float64Array): void {
		const { camera, whole, offset, look, turn, spot, view } = this;
		camera.set(rest);
		this.putCamera(whole);
		let apart = false;
		for (let c = 0; c < whole.length; c++) if (whole[c] !== rest[c]) apart = true;
		if (!apart) return;
		const per = view.kind === 'flat' ? view.pixelsPerMetre : 1;
		// The motion that stands behind the lag, in the world, onto the place; its turn onto the look.
		spot.set(offset.subarray(0, 3));
		turnBy(whole, 3, spot, 0);
		for (let c = 0; c < 3; c++) spot[c] = whole[c]! + spot[c]! / per - rest[c]!;
		turnBy(rest, 3, spot, 0, true);
		for (let c = 0; c < 3; c++) offset[c] = spot[c]! * per;
		putLook(offset[YAW]!, offset[PITCH]!, turn, 0, offset[ROLL]!);
		timesQuaternion(whole, 3, turn, look, false);
		timesQuaternion(rest, 3, look, turn, true);
		anglesOf(turn, 0, offset, PITCH);
	}

	private leanWith(clock: Clock, body: BodyPose): void {
		const { bodyWas } = this;
		if (!(clock[DT]! > 0)) return;
		const { step } = this.lean!;
		const { spot } = this;
		const flat = this.view.kind === 'flat';
		step[0] = clock[DT]!;
		// Sine and cosine of the yaw, and the shortest turn, in place: numbers that meet from two ways would be boxed.
		if (flat) spot[0] = step[1] = 0;
		else {
			spot[0] = body[3]! / 360;
			step[1] = body[3]! - bodyWas[3]!;
			step[1] = (step[1]! - 360 * Math.floor((step[1]! + 180) / 360)) / step[0]!;
		}
		spot[1] = spot[0]! + 0.25;
		sinTurnsInPlace(spot, 0);
		sinTurnsInPlace(spot, 1);
		step[2] = ((body[0]! - bodyWas[0]!) * spot[1]! - (body[2]! - bodyWas[2]!) * spot[0]!) / step[0]!;
		this.lean!.advance();
		for (let c = 0; c < 5; c++) bodyWas[c] = body[c]!;
	}

	/** Where the camera would be without a chain, before its view's own place: what the lag follows. */
	private aim(body: BodyPose): void {
		const { aimed: pose, view } = this;
		for (let c = 0; c < 3; c++) pose[c] = body[c]!;
		pose[1]! += view.height;
		pose[PITCH] = body[4]!;
		pose[YAW] = body[3]!;
		pose[ROLL] = 0;
		if (view.kind === 'flat') pose[PITCH] = pose[YAW] = 0;
		else if (view.kind === 'fixed') aimFixed(view, pose, PITCH, YAW);
	}

	private run(from: number, to: number): void {
		const { stages, offset, done } = this;
		for (let i = from; i < to; i++) {
			const stage = stages[i]!;
			if (done) this.was.set(stage < 2 ? this.pose : offset);
			// By number, as of RIG_STAGES: lag, limits, bob, lean, shakes, ceiling.
			if (stage === 0) this.follow();
			else if (stage === 1) this.clampToLimits();
			else if (stage === 2) this.add(this.bobs ? this.bob?.offset : undefined);
			else if (stage === 3) this.addLean();
			else if (stage === 4) this.addShakes();
			else if (this.ceilings) applyCeilings(this.ceilings, offset);
			if (done) this.note(stage, done);
			if (stage === 0) this.boom?.put(this.pose);
		}
	}

	private add(moved: Float64Array | undefined): void {
		if (moved) for (let c = 0; c < CHANNEL_COUNT; c++) this.offset[c]! += moved[c]!;
	}

	private addShakes(): void {
		const { lets, shakes, offset } = this;
		if (!lets) this.add(shakes);
		else for (let c = 0; c < CHANNEL_COUNT; c++) offset[c]! += shakes[c]! * lets.shares[c]!;
		if (this.motion) this.add(this.motion.sum(this.camera));
	}

	private addLean(): void {
		if (!this.lean) return;
		this.offset[0]! += this.lean.sway;
		this.offset[ROLL]! += this.lean.roll;
	}

	private note(stage: number, done: Float64Array): void {
		const at = stage * CHANNEL_COUNT;
		const now = stage < 2 ? this.pose : this.offset;
		for (let c = 0; c < now.length; c++) {
			const by = now[c]! - this.was[c]!;
			done[at + c] = stage < 2 && c >= PITCH ? shortestTurn(0, by) : by;
		}
	}

	/** A pose as the lag counts it: pixels in a flat view. */
	private scaled(pose: Float64Array): Float64Array {
		const { spot, view } = this;
		spot.set(pose);
		if (view.kind === 'flat') for (let c = 0; c < 3; c++) spot[c]! *= view.pixelsPerMetre;
		return spot;
	}

	private follow(): void {
		const { lag, pose, view } = this;
		if (this.lagAt > 0) this.fold();
		if (!lag) return;
		lag.step[0] = this.elapsed[0]!;
		lag.go(this.scaled(pose));
		this.elapsed[0] = 0;
		const per = view.kind === 'flat' ? view.pixelsPerMetre : 1;
		// How far behind is added: what is not behind stays as it was given, to the last bit.
		for (let c = 0; c < POSE; c++) {
			const moves = view.kind === 'flat' ? c < 2 : view.kind === 'fixed' ? c >= PITCH : true;
			if (moves) pose[c]! += lag.behind[c]! / per;
		}
		// Written out: a number that a call returns may be boxed.
		if (pose[PITCH]! > STEEPEST) pose[PITCH] = STEEPEST;
		else if (pose[PITCH]! < -STEEPEST) pose[PITCH] = -STEEPEST;
	}

	/** Before the lag: what was added so far becomes part of the pose that it follows. */
	private fold(): void {
		const { offset, pose, look, turn, spot, whole } = this;
		let moved = false;
		for (let c = 0; c < POSE; c++) if (offset[c] !== 0) moved = true;
		if (!moved) return;
		this.lookOf(pose, look);
		spot.set(offset.subarray(0, 3));
		turnBy(look, 0, spot, 0);
		const per = this.view.kind === 'flat' ? this.view.pixelsPerMetre : 1;
		for (let c = 0; c < 3; c++) pose[c]! += spot[c]! / per;
		putLook(offset[YAW]!, offset[PITCH]!, turn, 0, offset[ROLL]!);
		timesQuaternion(look, 0, turn, whole, false);
		anglesOf(whole, 0, pose, PITCH);
		for (let c = 0; c < POSE; c++) offset[c] = 0;
	}

	/** Holds the pose within the limits; where motion came before, what is beyond them is taken off the motion. */
	private clampToLimits(): void {
		const { limits, pose, offset, look, spot, free, view } = this;
		if (!limits) return;
		for (let c = 0; c < 3; c++) free[c] = pose[c]!;
		applyLimits(limits, pose);
		if (offset[0] === 0 && offset[1] === 0 && offset[2] === 0) return;
		const per = view.kind === 'flat' ? view.pixelsPerMetre : 1;
		this.lookOf(pose, look);
		for (let c = 0; c < 3; c++) spot[c] = offset[c]! / per;
		turnBy(look, 0, spot, 0);
		// Both at once from where it would be without limits: held back twice, the least motion would be a jump.
		for (let c = 0; c < 3; c++) spot[c]! += free[c]!;
		applyLimits(limits, spot);
		for (let c = 0; c < 3; c++) spot[c]! -= pose[c]!;
		turnBy(look, 0, spot, 0, true);
		for (let c = 0; c < 3; c++) offset[c] = spot[c]! * per;
	}

	private lookOf(pose: Float64Array, out: Float64Array): void {
		putLook(pose[YAW]!, pose[PITCH]!, out, 0, pose[ROLL]!);
	}

	private putCamera(camera: Float64Array): void {
		const { pose } = this;
		for (let c = 0; c < 3; c++) camera[c] = pose[c]!;
		putLook(pose[YAW]!, pose[PITCH]!, camera, 3, pose[ROLL]!);
	}
}
