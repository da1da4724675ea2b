/**
 * Head bob: follows the steps, not the clock. The phase advances in strides, dφ/dt = steps a second / 2; a channel is
 * A(speed) · shape(h·φ + phase), h = 2 for channels that go with each step, 1 for those that go with the stride.
 *
 *     const bob = new BobRun(compileBob(preset), 1);
 *     bob.advance(1 / 60, { speed: 1.4, grounded: true });
 *     bob.offset; // x, y, z, pitch, yaw, roll, fov
 */
import { addNoise, type NoiseRun } from '../patterns/noise';
import { ELAPSED, LEVEL } from '../patterns/voice';
import { combine, hashText } from '../random/hash';
import { prepareSpring, runSpring, settleSpring, SPRING_NUMBERS } from '../math/spring';
import type { GameValues } from '../drives/drives';
import { CHANNELS, CHANNEL_COUNT } from '../units/channels';
import { DT as CLOCK_DT, type Clock } from '../units/clock';
import type { Seconds } from '../units/quantities';
import { addGroup, bobSteps, bobWeights, noiseFor, ONE_OCTAVE, SAMPLES, steepen, type CompiledBob } from './compile';

const Y = CHANNELS.indexOf('y');
const PITCH = CHANNELS.indexOf('pitch');
/** What is left of another bob, or of the same one tuned, is gone in the blend time, or in this where that is shorter. */
const LEAST_CARRY: Seconds = 0.1;

export interface Walking {
	/** Metres a second: level, on a ladder along it. */
	readonly speed: number;
	/** Whether it stands on something: the ground, a ladder, a boat. */
	readonly grounded: boolean;
}

/** Places of what a step hands to its parts: seconds, metres a second, sizes, rates, steps a second now and a step ago, the speed that the shares of the gaits are of, the step that the spring is prepared for, the most that a size may change. */
const [DT, SPEED, AMOUNT, RATE, CADENCE, CADENCE_WAS, WEIGHED, SPRUNG, MOST] = [0, 1, 2, 3, 4, 5, 6, 7, 8];

export class BobRun {
	/** x, y, z, pitch, yaw, roll, fov. */
	readonly offset: Float64Array = new Float64Array(CHANNEL_COUNT);
	/** In strides; a foot falls at each whole and half. */
	phase = 0;
	/** The bob's own part. */
	private readonly steps = new Float64Array(CHANNEL_COUNT);
	/** What another bob left at its take-over, and how much of that is still there. */
	private readonly carry = new Float64Array(CHANNEL_COUNT);
	private carried = 0;
	/** Sizes when the body stopped or left the ground, how much of them is left, and how fast that goes, in parts a second. */
	private readonly stoodWith: Float64Array;
	private stood = 0;
	private settling = 0;
	private readonly scan = [new Float64Array(CHANNEL_COUNT), new Float64Array(CHANNEL_COUNT)] as const;
	private readonly steepest = new Float64Array(CHANNEL_COUNT);
	private readonly weights: Float64Array;
	private readonly goal: Float64Array;
	/** By gait: how much of it there is at the present speed. */
	private readonly shares: Float64Array;
	/** By gait: what its size is multiplied by. */
	private readonly sizes: Float64Array;
	private readonly noise: readonly (readonly (NoiseRun | null)[])[];
	private readonly idleNoise: NoiseRun | null;
	private readonly landing = new Float64Array(2);
	private readonly driven = new Float64Array(2);
	/** Numbers of this step, for its parts: handed over one by one they would be boxed. */
	private readonly frame = new Float64Array(9);
	private readonly spring = new Float64Array(SPRING_NUMBERS);
	private readonly spare = new Float64Array(1);
	/** How much of the breathing there is, for how long it has gone on, in seconds, and the speed from which on there is none. */
	private readonly breath = new Float64Array(3);
	private speed = 0;

	constructor(
		private readonly bob: CompiledBob,
		private readonly seed = 1,
		private readonly values: GameValues | null = null
	) {
		const { groups, idle, preset } = bob;
		this.weights = new Float64Array(groups.length);
		this.stoodWith = new Float64Array(groups.length);
		this.goal = new Float64Array(groups.length);
		this.shares = new Float64Array(groups.length);
		this.sizes = new Float64Array(groups.length).fill(1);
		this.breath[2] = preset.gaits[0]?.speed ?? 1;
		const own = combine(seed, hashText(preset.seededBy ?? preset.id));
		this.noise = groups.map((list, g) =>
			list.map((group, k) =>
				group.shape === 'noise' ? noiseFor(combine(combine(own, g), k), group.voice.channels.length) : null
			)
		);
		this.idleNoise = idle && noiseFor(combine(own, -1), idle.channels.length);
	}

	/** A bob that stands where this one stands and goes its own way. */
	fork(values: GameValues | null = this.values): BobRun {
		const copy = new BobRun(this.bob, this.seed, values);
		copy.takeOver(this);
		copy.carry.set(this.carry);
		copy.carried = this.carried;
		return copy;
	}

	/** Stands where another run of the same preset stands. */
	takeOver(from: BobRun): void {
		this.offset.set(from.offset);
		this.steps.set(from.steps);
		// By their places: a gait more or less begins at nothing.
		const shared = Math.min(this.weights.length, from.weights.length);
		this.weights.set(from.weights.subarray(0, shared));
		this.sizes.set(from.sizes.subarray(0, shared));
		this.stoodWith.set(from.stoodWith.subarray(0, shared));
		this.stood = from.stood;
		this.settling = from.settling;
		this.landing.set(from.landing);
		this.phase = from.phase;
		this.breath.set(from.breath.subarray(0, 2));
		this.speed = from.speed;
		this.frame.set(from.frame);
		// Of another preset, perhaps: worked out anew.
		this.frame[WEIGHED] = this.frame[SPRUNG] = 0;
		if (this.speed > 0) this.frame[CADENCE] = this.frame[CADENCE_WAS] = bobSteps(this.bob, this.speed);
		// What differs goes by and by, so that tuning while one walks is no jump.
		this.addGaits();
		for (let c = 0; c < CHANNEL_COUNT; c++) this.carry[c] = from.steps[c]! - this.steps[c]!;
		this.carried = this.carry.some((v) => v !== 0) ? 1 : 0;
		this.steps.set(from.steps);
	}

	/** Multiplies the size of a gait, which follows in the blend time; a gait that is not there is passed over. */
	sizeGait(id: string, factor: number): void {
		const g = this.bob.preset.gaits.findIndex((gait) => gait.id === id);
		if (g < 0) return;
		this.sizes[g] = factor;
	}

	/** Feet meet the ground after a fall at so many metres a second. */
	land(fall: number): void {
		const { landing } = this.bob.preset;
		if (!landing || !(fall > 0)) return;
		const dip = Math.min(landing.most, landing.dip * fall);
		this.landing[1]! -= dip / this.bob.pushPeak;
	}

	/** `dt` seconds on. True when a foot fell. */
	advance(dt: Seconds, walking: Walking): boolean {
		this.frame[DT] = dt;
		return this.step(walking);
	}

	/** As `advance`, by a frame's clock. */
	follow(clock: Clock, walking: Walking): boolean {
		this.frame[DT] = clock[CLOCK_DT]!;
		return this.step(walking);
	}

	private step({ speed, grounded }: Walking): boolean {
		const { bob, driven, frame } = this;
		driven[0] = driven[1] = 1;
		if (bob.drives && this.values) this.values.drive(bob.drives, driven);
		frame[SPEED] = speed;
		frame[AMOUNT] = bob.preset.amount * driven[0]!;
		frame[RATE] = driven[1]!;
		const fell = this.walk(grounded);
		this.sizeUp(grounded);
		this.addGaits();
		this.addCarry();
		this.offset.set(this.steps);
		this.addIdle(grounded);
		this.addLanding();
		return fell;
	}

	private walk(grounded: boolean): boolean {
		const { frame } = this;
		const before = Math.floor(this.phase * 2);
		const speed = frame[SPEED]!;
		if (grounded && speed > 0) {
			const was = this.speed;
			if (speed !== was) frame[CADENCE] = bobSteps(this.bob, speed);
			// Between two frames the speed went straight from one to the other.
			this.phase +=
				(((was > 0 ? frame[CADENCE_WAS]! : frame[CADENCE]!) + frame[CADENCE]!) / 4) * frame[RATE]! * frame[DT]!;
			frame[CADENCE_WAS] = frame[CADENCE]!;
		}
		// Two stores: numbers that meet from two ways would be boxed.
		if (grounded) this.speed = speed;
		else this.speed = 0;
		return Math.floor(this.phase * 2) > before;
	}

	private sizeUp(grounded: boolean): void {
		const { weights, goal, bob, frame } = this;
		const speed = frame[SPEED]!;
		const { blendTime, settleTime } = bob.preset;
		const walks = grounded && speed > 0;
		if (walks) {
			if (speed !== frame[WEIGHED]) {
				frame[WEIGHED] = speed;
				bobWeights(bob, speed, this.shares);
			}
			// Two stores: numbers that meet from two ways would be boxed.
			if (blendTime > 0) frame[MOST] = frame[DT]! / blendTime;
			else frame[MOST] = Infinity;
			const most = frame[MOST]!;
			for (let g = 0; g < goal.length; g++) {
				goal[g] = this.shares[g]! * this.sizes[g]!;
				const by = goal[g]! - weights[g]!;
				if (by > most) weights[g]! += most;
				else if (by < -most) weights[g]! -= most;
				else weights[g] = goal[g]!;
			}
			this.stood = 0;
			return;
		}
		if (this.stood === 0) {
			if (weights.every((w) => w === 0)) return;
			this.stoodWith.set(weights);
			this.stood = 1;
			this.settling = Math.min(settleTime > 0 ? 1 / settleTime : Infinity, this.quickest());
		}
		// Straight, whatever the frames; at 0 it has nothing left to settle.
		this.stood = Math.max(0, this.stood - this.settling * frame[DT]!);
		for (let g = 0; g < weights.length; g++) weights[g] = this.stoodWith[g]! * this.stood;
	}

	/**
	 * How fast sizes may fall, in parts a second, so that no channel moves faster than the steepest that the sum of the gaits was, at
	 * the speed, the rate and the sizes that one comes from.
	 */
	private quickest(): number {
		const { bob, weights, scan, steepest, frame, steps } = this;
		const [before, here] = scan;
		steepest.fill(0);
		for (let i = 0; i <= SAMPLES; i++) {
			here.fill(0);
			for (let g = 0; g < weights.length; g++) {
				if (weights[g]! <= 0) continue;
				for (const group of bob.groups[g]!) {
					if (group.shape === 'noise') continue;
					group.voice.now[LEVEL] = weights[g]!;
					group.voice.now[ELAPSED] = i / SAMPLES;
					addGroup(group, null, this.spare, here);
				}
			}
			if (i > 0) steepen(here, before, SAMPLES, steepest);
			before.set(here);
		}
		for (let g = 0; g < weights.length; g++)
			for (let c = 0; c < CHANNEL_COUNT; c++) steepest[c]! += weights[g]! * bob.noises[g]![c]!;
		const strides = (frame[CADENCE]! / 2) * frame[RATE]!;
		const amount = frame[AMOUNT]!;
		let quickest = Infinity;
		for (let c = 0; c < CHANNEL_COUNT; c++) {
			const size = steps[c]! < 0 ? -steps[c]! : steps[c]!;
			const speed = steepest[c]! * strides * (amount < 0 ? -amount : amount);
			if (size > 0 && speed > 0) quickest = Math.min(quickest, speed / size);
		}
		return quickest;
	}

	/** The plain sum of the gaits, bent by nothing. */
	private addGaits(): void {
		const { bob, weights, steps, frame } = this;
		const amount = frame[AMOUNT]!;
		steps.fill(0);
		for (let g = 0; g < weights.length; g++) {
			if (weights[g]! <= 0) continue;
			const groups = bob.groups[g]!;
			for (let k = 0; k < groups.length; k++) {
				const { now } = groups[k]!.voice;
				now[LEVEL] = weights[g]! * amount;
				now[ELAPSED] = this.phase;
				addGroup(groups[k]!, this.noise[g]![k]!, this.spare, steps);
			}
		}
	}

	private addCarry(): void {
		if (this.carried <= 0) return;
		const { steps, carry, frame } = this;
		const { blendTime } = this.bob.preset;
		this.carried -= frame[DT]! / (blendTime > LEAST_CARRY ? blendTime : LEAST_CARRY);
		if (this.carried <= 0) this.carried = 0;
		else for (let c = 0; c < CHANNEL_COUNT; c++) steps[c]! += carry[c]! * this.carried;
	}

	private addIdle(grounded: boolean): void {
		const { frame, breath } = this;
		const { idle, preset } = this.bob;
		if (!idle) return;
		let goal = 0;
		if (grounded && frame[SPEED]! < breath[2]!) goal = 1 - frame[SPEED]! / breath[2]!;
		let most = 1;
		if (preset.blendTime > 0) most = frame[DT]! / preset.blendTime;
		// A store each: numbers that meet from several ways would be boxed.
		if (goal - breath[0]! > most) breath[0]! += most;
		else if (goal - breath[0]! < -most) breath[0]! -= most;
		else breath[0] = goal;
		breath[1]! += frame[DT]!;
		if (breath[0]! <= 0) return;
		idle.now[LEVEL] = breath[0]! * frame[AMOUNT]!;
		idle.now[ELAPSED] = breath[1]!;
		addNoise(ONE_OCTAVE, this.idleNoise!, idle, this.offset);
	}

	private addLanding(): void {
		const { landing } = this.bob.preset;
		const state = this.landing;
		if (!landing || settleSpring(state, 0)) return;
		const { frame } = this;
		if (frame[DT] !== frame[SPRUNG]) {
			frame[SPRUNG] = frame[DT]!;
			prepareSpring(this.spring, 0, landing.frequency, landing.damping, frame[DT]!);
		}
		runSpring(state, 0, this.spring, 0);
		// A landing upon a landing goes no deeper than the deepest.
		if (state[0]! < -landing.most) {
			state[0] = -landing.most;
			if (state[1]! < 0) state[1] = 0;
		}
		if (settleSpring(state, 0)) return;
		this.offset[Y]! += state[0]!;
		this.offset[PITCH]! += state[0]! * landing.nod;
	}
}
