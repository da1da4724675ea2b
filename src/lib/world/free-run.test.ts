import { beforeAll, describe, expect, it } from 'vitest';
import type { Happening } from '$lib/core';
import { FreeRun, noWish, SPEEDS, type Wish } from './free-run';
import { BODY, loadRapier, type Rapier } from './physics';

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
		// Four and a half metres at 1.6 m/s make 2.0 steps a second for not quite three seconds.
		expect(of(heard, 'footfall').length).toBeGreaterThanOrEqual(5);
		expect(of(heard, 'footfall').length).toBeLessThanOrEqual(7);
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
