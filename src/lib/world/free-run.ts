/**
 * A free run through the grounds: keys and looking in, bodies, happenings and world values out, on the same fixed grid that
 * courses are played on. What it raises comes from the physics: how fast one fell, how hard a cask hit.
 */
import type { Happening } from 'dinesis-runtime/tools';
import { Crane } from './crane';
import { DOOR, SECOND_START, START } from './grounds';
import { Physics, STEP_HZ, type CaskState, type Rapier } from './physics';
import { Runner, SPEEDS, towards, type Wish } from './runner';
import { Skiff } from './skiff';

/** Two impacts of a cask closer together than this are one. */
const IMPACT_PAUSE = 0.15;

export class FreeRun {
	readonly runners: readonly Runner[];
	/** World values, each 0–1. */
	readonly values: Record<string, number> = { exertion: 0, exposure: 0, hold: 0, pace: 0 };
	/** How far the lamp room's door stands open, 1–0. */
	doorOpen = 1;
	private readonly physics: Physics;
	private readonly lastImpact: number[];
	private doorLeft = 0;
	private wasIndoors = true;
	private steps = 0;

	constructor(rapier: Rapier, viewers = 1) {
		this.physics = new Physics(rapier);
		this.runners = [START, SECOND_START]
			.slice(0, viewers)
			.map((start, i) => new Runner(this.physics.addWalker(...start), i, start, new Skiff(), new Crane()));
		this.lastImpact = this.physics.casks.map(() => -Infinity);
	}

	get now(): number {
		return this.steps / STEP_HZ;
	}

	get casks(): readonly CaskState[] {
		return this.physics.casks;
	}

	/** One step of 1/120 s; `tell` hears what happened in it. */
	step(wishes: readonly Wish[], tell: (happening: Happening) => void): void {
		const dt = 1 / STEP_HZ;
		this.steps++;
		this.runners.forEach((runner, i) => runner.step(wishes[i]!, dt, tell));
		this.physics.step();
		this.hearCasks(tell);
		this.swingDoor(dt, tell);
		this.drift(wishes[0]!, dt);
	}

	/** Everything that lasts ends. */
	end(tell: (happening: Happening) => void): void {
		for (const runner of this.runners) runner.rest(tell);
		if (this.doorLeft > 0) tell(this.door('ends'));
		this.physics.free();
	}

	private hearCasks(tell: (happening: Happening) => void): void {
		this.physics.casks.forEach(({ impact, x, y, z }, i) => {
			if (impact === 0 || this.now - this.lastImpact[i]! < IMPACT_PAUSE) return;
			this.lastImpact[i] = this.now;
			tell({ what: 'impact', phase: 'happens', numbers: { speed: impact }, place: [x, y, z], who: 0 });
		});
	}

	/** It falls shut behind whoever comes out, and opens again for whoever comes near. */
	private swingDoor(dt: number, tell: (happening: Happening) => void): void {
		const indoors = this.runners[0]!.isOn('indoors');
		if (this.wasIndoors && !indoors && this.doorLeft <= 0) {
			this.doorLeft = DOOR.seconds;
			tell(this.door('starts'));
		}
		this.wasIndoors = indoors;
		if (this.doorLeft > 0) {
			this.doorLeft -= dt;
			this.doorOpen = Math.max(0, this.doorLeft / DOOR.seconds);
			if (this.doorLeft > 1e-9) return;
			this.doorLeft = 0;
			tell(this.door('ends'));
		} else {
			const [x, , z] = this.runners[0]!.pose;
			const near = Math.hypot(x! - DOOR.at[0], z! - DOOR.at[2]) < 1.3;
			this.doorOpen = towards(this.doorOpen, near || indoors ? 1 : this.doorOpen, dt * 2);
		}
	}

	private door(phase: 'starts' | 'ends'): Happening {
		return { what: 'door', phase, numbers: {}, place: DOOR.at, length: DOOR.seconds, who: 0 };
	}

	private drift(wish: Wish, dt: number): void {
		const { values } = this;
		const [runner] = this.runners;
		const effort = runner!.speed / SPEEDS.run;
		const clamp = (value: number): number => Math.min(1, Math.max(0, value));
		values.exertion = clamp(values.exertion! + dt * (effort > 0.6 ? effort / 12 : -1 / 15));
		const cold = runner!.isOn('indoors') ? -1 / 8 : runner!.isOn('gallery') ? 1 / 20 : 1 / 60;
		values.exposure = clamp(values.exposure! + dt * cold);
		values.hold = towards(values.hold!, wish.hold ? 1 : 0, dt * 4);
		values.pace = clamp(effort);
	}
}
