import { beforeAll, describe, expect, it } from 'vitest';
import type { Happening } from 'dinesis-runtime/tools';
import { Crane } from './crane';
import { FreeRun } from './free-run';
import { noWish, SPEEDS, type Wish } from './runner';
import { CRANE, LADDER, SEA_LEVEL, SKIFF } from './grounds';
import { BODY, loadRapier, type Rapier } from './physics';
import { isAground, Skiff } from './skiff';

let rapier: Rapier;
beforeAll(async () => {
	rapier = await loadRapier();
});

/** Holds a wish for so many seconds; what happened meanwhile is told in order. */
function go(run: FreeRun, seconds: number, wish: Partial<Wish>, heard: Happening[] = []): Happening[] {
	const whole = { ...noWish(), ...wish };
	const wishes = run.runners.map((_, i) => (i === 0 ? whole : noWish()));
	for (let i = 0; i < Math.round(seconds * 120); i++) run.step(wishes, (happening) => heard.push(happening));
	return heard;
}
/** Walks to a place on a straight line and stops there. */
function walkTo(run: FreeRun, x: number, z: number, wish: Partial<Wish> = {}, most = 30): Happening[] {
	const heard: Happening[] = [];
	for (let t = 0; t < most; t += 0.1) {
		const [px, , pz] = run.runners[0]!.pose;
		const [dx, dz] = [x - px!, z - pz!];
		if (Math.hypot(dx, dz) < 0.15) break;
		go(run, 0.1, { ahead: 1, yaw: (Math.atan2(-dx, -dz) * 180) / Math.PI, ...wish }, heard);
	}
	go(run, 0.4, {}, heard);
	return heard;
}
const of = (heard: readonly Happening[], what: string): Happening[] => heard.filter((h) => h.what === what);
const place = (run: FreeRun): number[] => [...run.runners[0]!.pose.slice(0, 3)];

/** Down the stairs, and down those that lead from the yard to the quay. */
function toQuay(run: FreeRun): void {
	walkTo(run, 0, 7);
	walkTo(run, 0, 3.5);
	walkTo(run, 12, 3.5);
	walkTo(run, 18, -2);
	walkTo(run, 18, -10);
}
function toStage(run: FreeRun): void {
	toQuay(run);
	walkTo(run, 14, -11);
	go(run, 4.5, { ahead: 1 });
	walkTo(run, 14, -14.4);
}

describe('a free run', () => {
	it('walks at its pace, over the threshold and out; the door falls shut behind, for three seconds', () => {
		const run = new FreeRun(rapier);
		const still = go(run, 0.5, {});
		expect(of(still, 'indoors').map((h) => h.phase)).toEqual(['starts']);
		const heard = walkTo(run, 0.2, 3.5);
		expect(place(run)[2]).toBeCloseTo(3.5, 0);
		expect(of(heard, 'indoors').map((h) => h.phase)).toEqual(['ends']);
		heard.push(...go(run, 3.2, {}));
		expect(of(heard, 'door').map((h) => [h.phase, h.length])).toEqual([
			['starts', 3],
			['ends', 3]
		]);
		expect(run.runners[0]!.grounded && run.runners[0]!.onFoot).toBe(true);
	});

	it('who stands, stands: not a foot falls, whatever is left of the walk', () => {
		const run = new FreeRun(rapier);
		go(run, 1, {});
		expect(run.runners[0]!.speed).toBe(0);
		go(run, 1, { right: 1 });
		expect(run.runners[0]!.speed).toBeGreaterThan(1);
		go(run, 1.5, {});
		expect(run.runners[0]!.speed).toBe(0);
	});

	it('walls hold, and so does the gallery’s rail', () => {
		const run = new FreeRun(rapier);
		go(run, 3, { right: 1 });
		expect(place(run)[0]).toBeLessThan(3.8);
		walkTo(run, 0, 7);
		walkTo(run, 0, 1);
		go(run, 3, { ahead: 1, run: true });
		expect(place(run)[2]).toBeGreaterThan(-1.5);
		expect(place(run)[1]).toBeCloseTo(0, 1);
	});

	it('stairs and slopes are walked, without a landing or a jump in height', () => {
		const run = new FreeRun(rapier);
		walkTo(run, 0, 7);
		walkTo(run, 0, 3.5);
		const down = walkTo(run, 12, 3.5, { run: true });
		expect(place(run)[1]).toBeCloseTo(-3, 1);
		expect(of(down, 'landing')).toEqual([]);
		expect(of(down, 'running').map((h) => h.phase)).toEqual(['starts', 'ends']);
		let steepest = 0;
		let before = place(run)[1]!;
		for (let i = 0; i < 900; i++) {
			go(run, 1 / 120, { ahead: 1, yaw: 90 });
			steepest = Math.max(steepest, Math.abs(place(run)[1]! - before));
			before = place(run)[1]!;
		}
		expect(place(run)[1]).toBeCloseTo(0, 1);
		expect(steepest).toBeLessThan(0.2);
		const slope = walkTo(run, -14, 3.5);
		expect(place(run)[1]).toBeCloseTo(-3, 1);
		expect(of(slope, 'landing')).toEqual([]);
	});

	it('runs down the stairs along the rail without leaving them', () => {
		const run = new FreeRun(rapier);
		walkTo(run, 0, 7);
		walkTo(run, 0.4, 3.7);
		const heard = go(run, 3, { ahead: 1, run: true, yaw: -74.48 });
		expect(place(run)[1]).toBeCloseTo(-3, 1);
		expect(of(heard, 'landing')).toEqual([]);
		expect(of(heard, 'airborne')).toEqual([]);
	});

	it('a fall lands as fast as falling makes it: the square root of 2gh', () => {
		const run = new FreeRun(rapier);
		walkTo(run, 0, 7);
		walkTo(run, 0, 3.5);
		walkTo(run, 12, 3.5);
		walkTo(run, 10.8, -1.5);
		const heard = go(run, 3, { ahead: 1 });
		expect(place(run)[1]).toBeCloseTo(-6, 1);
		const landings = of(heard, 'landing');
		expect(landings).toHaveLength(1);
		// The body's round foot leaves the edge when it has rolled down by up to its radius.
		expect(landings[0]!.numbers.speed!).toBeGreaterThan(Math.sqrt(2 * 9.81 * (3 - BODY.radius)) * 0.98);
		expect(landings[0]!.numbers.speed!).toBeLessThan(Math.sqrt(2 * 9.81 * 3) * 1.02);
		expect(of(heard, 'airborne').map((h) => h.phase)).toEqual(['starts', 'ends']);
		expect(of(heard, 'quay').map((h) => h.phase)).toEqual(['starts']);
	});

	it('jumps once a press, and lands as fast as it left', () => {
		const run = new FreeRun(rapier);
		go(run, 0.3, {});
		const heard = go(run, 2, { jump: true });
		expect(of(heard, 'jump')).toHaveLength(1);
		// It leaves no place by jumping in it.
		expect(of(heard, 'indoors')).toEqual([]);
		expect(of(heard, 'door')).toEqual([]);
		const [landing] = of(heard, 'landing');
		expect(landing!.numbers.speed!).toBeGreaterThan(4.1);
		expect(landing!.numbers.speed!).toBeLessThan(4.5);
	});

	it('casks stand; pushed over the yard’s edge one hits the quay as fast as its fall', () => {
		const run = new FreeRun(rapier);
		expect(of(go(run, 2, {}), 'impact')).toEqual([]);
		walkTo(run, 0, 7);
		walkTo(run, 0, 3.5);
		walkTo(run, 12, 3.5);
		walkTo(run, 13.4, -1);
		const heard = go(run, 5, { ahead: 1 });
		const hits = of(heard, 'impact').map((h) => h.numbers.speed!);
		expect(Math.max(...hits)).toBeGreaterThan(6);
		expect(Math.max(...hits)).toBeLessThan(10);
		const hard = of(heard, 'impact').find((h) => h.numbers.speed! > 6)!;
		expect(hard.place![1]).toBeLessThan(-5);
	});

	it('climbs down the ladder to the landing stage and up again, on its feet', () => {
		const run = new FreeRun(rapier);
		toQuay(run);
		walkTo(run, 14, -11);
		const heard = go(run, 4.5, { ahead: 1 });
		expect(place(run)[1]).toBeCloseTo(LADDER.bottom, 1);
		expect(of(heard, 'climbing').map((h) => h.phase)).toEqual(['starts', 'ends']);
		expect(of(heard, 'landing')).toEqual([]);
		expect(of(heard, 'airborne')).toEqual([]);
		walkTo(run, 14, -13.2);
		const up = go(run, 5, { ahead: 1, yaw: 180 });
		expect(of(up, 'climbing').map((h) => h.phase)).toEqual(['starts', 'ends']);
		expect(place(run)[1]).toBeCloseTo(-6, 1);
	});

	it('rows the skiff with strokes, runs her aground on the rock, and steps out where she belongs', () => {
		const run = new FreeRun(rapier);
		toStage(run);
		expect(run.runners[0]!.near()).toBe('skiff');
		const heard = go(run, 0.1, { use: true });
		go(run, 9, { ahead: 1 }, heard);
		expect(of(heard, 'rowing').map((h) => h.phase)).toEqual(['starts']);
		// One each 1.7 s.
		expect(of(heard, 'stroke')).toHaveLength(6);
		expect(place(run)[1]).toBeCloseTo(SEA_LEVEL + SKIFF.floats, 0);
		expect(Math.hypot(place(run)[0]! - SKIFF.at[0], place(run)[2]! - SKIFF.at[2])).toBeGreaterThan(5);
		expect(run.runners[0]!.near()).toBe('');
		const [x] = place(run);
		go(run, 0.1, { use: true }, heard);
		expect(place(run)[0]).toBeCloseTo(x!, 0);
		// Turned about by 26°/s and more, back towards the rock.
		go(run, 6, { right: 1 }, heard);
		go(run, 25, { ahead: 1, right: 0 }, heard);
		expect(of(heard, 'rowing')).toHaveLength(1);
	});

	it('runs aground where the rock is, as fast as she went', () => {
		const skiff = new Skiff();
		skiff.heading = 180;
		const heard: [string, number][] = [];
		for (let i = 0; i < 120 * 20; i++)
			skiff.step({ pull: 1, turn: 0 }, 1 / 120, (what, speed) => heard.push([what, speed]));
		expect(heard.filter(([what]) => what === 'aground').length).toBeGreaterThan(0);
		expect(isAground(skiff.x, skiff.z)).toBe(false);
		expect(skiff.z).toBeLessThan(-15.2);
	});

	it('works the crane: the load swings as a pendulum does, and is set down as fast as the winch lets it', () => {
		const run = new FreeRun(rapier);
		walkTo(run, 0, 7);
		walkTo(run, 0, 3.5);
		walkTo(run, 12, 3.5);
		walkTo(run, 21.3, -0.9);
		expect(run.runners[0]!.near()).toBe('crane');
		const heard = go(run, 0.1, { use: true });
		expect(place(run)[2]).toBe(CRANE.z);
		go(run, 4, { ahead: -1 }, heard);
		expect(of(heard, 'craning').map((h) => h.phase)).toEqual(['starts']);
		expect(of(heard, 'hoisting').map((h) => h.phase)).toEqual(['starts']);
		const [down] = of(heard, 'set-down');
		expect(down!.numbers.speed!).toBeCloseTo(1.7, 1);
		expect(place(run)[1]).toBeCloseTo(-6, 1);
		go(run, 0.1, { use: true }, heard);
		expect(place(run)[1]).toBeCloseTo(-3, 1);
		expect(of(heard, 'craning').map((h) => h.phase)).toEqual(['starts', 'ends']);
	});

	it('a load left to swing takes 2π√(L/g)', () => {
		const crane = new Crane();
		crane.swing = 0.05;
		const crossings: number[] = [];
		let before = crane.swing;
		for (let i = 0; i < 120 * 20; i++) {
			crane.step(0, 0, 1 / 120, () => undefined);
			if (before < 0 && crane.swing >= 0) crossings.push(i / 120);
			before = crane.swing;
		}
		const period = (crossings.at(-1)! - crossings[0]!) / (crossings.length - 1);
		expect(period).toBeCloseTo(2 * Math.PI * Math.sqrt(CRANE.rope / 9.81), 1);
	});

	it('is the same each time, and ends what lasts', () => {
		const walk = (): { heard: Happening[]; at: number[] } => {
			const run = new FreeRun(rapier, 2);
			const heard = walkTo(run, 0, 3.5, { run: true });
			go(run, 0.2, { hold: true, ahead: 1 }, heard);
			const at = place(run);
			run.end((happening) => heard.push(happening));
			return { heard, at };
		};
		const first = walk();
		expect(walk()).toEqual(first);
		for (const what of new Set(first.heard.filter((h) => h.phase !== 'happens').map((h) => `${h.what} ${h.who}`))) {
			const phases = first.heard.filter((h) => h.phase !== 'happens' && `${h.what} ${h.who}` === what);
			expect(phases.filter((h) => h.phase === 'starts')).toHaveLength(phases.length / 2);
		}
	});

	it('running tires, the gallery is cold, and holding on is 1 while it lasts', () => {
		const run = new FreeRun(rapier);
		walkTo(run, 0, 7);
		walkTo(run, 0, 1);
		go(run, 10, { hold: true });
		expect(run.values.hold).toBe(1);
		// A twentieth a second on the gallery.
		expect(run.values.exposure!).toBeGreaterThan(0.5);
		expect(run.values.exertion).toBe(0);
		expect(SPEEDS.run).toBeGreaterThan(2.8);
	});
});
