import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { GameValues } from '../drives/drives';
import { BobRun } from './bob';
import { bobSteps, bobWeights, compileBob } from './compile';
import type { BobChannel, BobGait, BobPreset } from './types';

const channel = (amplitude: number, part: Partial<BobChannel> = {}): BobChannel => ({
	amplitude,
	phase: 0.75,
	shape: 'sine',
	...part
});
const walk: BobGait = {
	id: 'walk',
	speed: 1.4,
	steps: 2,
	channels: { y: channel(0.02), x: channel(0.015, { phase: 0 }), roll: channel(0.4, { phase: 0 }) }
};
const run: BobGait = { id: 'run', speed: 4, steps: 3, channels: { y: channel(0.05), x: channel(0.02, { phase: 0 }) } };
const bob = (part: Partial<BobPreset> = {}): BobPreset => ({
	id: 'b',
	family: 'bob',
	view: 'space',
	name: 'B',
	about: '',
	tags: [],
	amount: 1,
	gaits: [walk, run],
	blendTime: 0.3,
	settleTime: 0.3,
	landing: null,
	idle: null,
	drives: [],
	...part
});
const [X, Y, PITCH, ROLL] = [0, 1, 3, 5] as const;
const at = (speed: number, grounded = true) => ({ speed, grounded });
/** Walks at a speed until it is in its gait, and on to a whole stride. */
function walking(preset: BobPreset, speed: number): BobRun {
	const one = new BobRun(compileBob(preset));
	for (let i = 0; i < 240; i++) one.advance(1 / 120, at(speed));
	return one;
}

describe('the stride', () => {
	it('is counted by steps: vertical twice a stride, sideways once; a foot falls at each lowest point', () => {
		const one = walking(bob(), 1.4);
		const heights: number[] = [];
		let falls = 0;
		const lows: number[] = [];
		for (let i = 0; i < 1200; i++) {
			if (one.advance(1 / 120, at(1.4))) {
				falls++;
				lows.push(one.offset[Y]!);
			}
			heights.push(one.offset[Y]!);
		}
		// Two steps a second for ten seconds.
		expect(falls).toBe(20);
		lows.forEach((y) => expect(y).toBeCloseTo(-0.02, 3));
		let crossings = 0;
		for (let i = 1; i < heights.length; i++) if (heights[i - 1]! < 0 !== heights[i]! < 0) crossings++;
		expect(crossings).toBe(40);
		expect(Math.max(...heights)).toBeCloseTo(0.02, 4);
	});

	it('is at each phase what the formula says', () => {
		const one = walking(bob(), 1.4);
		for (let i = 0; i < 300; i++) {
			one.advance(1 / 77, at(1.4));
			const p = one.phase;
			expect(one.offset[Y]!).toBeCloseTo(0.02 * Math.sin(2 * Math.PI * (2 * p + 0.75)), 6);
			expect(one.offset[X]!).toBeCloseTo(0.015 * Math.sin(2 * Math.PI * p), 6);
			expect(one.offset[ROLL]!).toBeCloseTo(0.4 * Math.sin(2 * Math.PI * p), 6);
		}
	});

	it('between two gaits size and step rate go straight from one to the other', () => {
		const compiled = compileBob(bob());
		expect([0, 0.7, 1.4, 2.7, 4, 9].map((v) => bobSteps(compiled, v))).toEqual([0, 1.5, 2, 2.5, 3, 3]);
		const weights = new Float64Array(2);
		const of = (v: number): number[] => (bobWeights(compiled, v, weights), [...weights]);
		expect([of(0), of(0.7), of(1.4), of(4), of(9)]).toEqual([
			[0, 0],
			[0.5, 0],
			[1, 0],
			[0, 1],
			[0, 1]
		]);
		of(2.7).forEach((w) => expect(w).toBeCloseTo(0.5, 12));
	});

	it('rectified falls to a point; keys pass through their poses; noise is never the same step twice', () => {
		const keys = [
			{ at: 0, value: -1 },
			{ at: 0.25, value: 1 },
			{ at: 1, value: -1 }
		];
		const shaped = (y: BobChannel): BobRun => walking(bob({ gaits: [{ ...walk, channels: { y } }] }), 1.4);
		const rect = shaped(channel(1, { shape: 'rectified', phase: 0 }));
		for (let i = 0; i < 100; i++) {
			rect.advance(1 / 90, at(1.4));
			expect(rect.offset[Y]!).toBeCloseTo(2 * Math.abs(Math.sin(2 * Math.PI * rect.phase)) - 1, 6);
		}
		const posed = shaped(channel(1, { shape: 'keys', phase: 0, keys }));
		let highest = -1;
		for (let i = 0; i < 400; i++) {
			posed.advance(1 / 400, at(1.4));
			if (posed.offset[Y]! > 0.9999) highest = (posed.phase * 2) % 1;
		}
		expect(highest).toBeCloseTo(0.25, 1);
		const noisy = shaped(channel(1, { shape: 'noise' }));
		const steps: string[] = [];
		for (let i = 0; i < 7; i++) noisy.advance(1 / 100, at(1.4));
		for (let s = 0; s < 6; s++) {
			for (let i = 0; i < 50; i++) noisy.advance(1 / 100, at(1.4));
			steps.push(noisy.offset[Y]!.toFixed(6));
		}
		expect(new Set(steps).size).toBe(6);
	});
});

describe('stopping', () => {
	/** Size and steps a second of a channel at a speed, straight between the gaits: by hand. */
	const mixed = (
		name: 'x' | 'y' | 'roll',
		speed: number,
		gaits: readonly BobGait[]
	): { size: number; steps: number } => {
		const [a, b] = [gaits[0]!, gaits[1]!];
		const t = Math.min(1, Math.max(0, (speed - a.speed) / (b.speed - a.speed)));
		const of = (g: BobGait): number => g.channels[name]?.amplitude ?? 0;
		return { size: of(a) + (of(b) - of(a)) * t, steps: a.steps + (b.steps - a.steps) * t };
	};
	const cycles = { x: 1, y: 2, roll: 1 } as const;
	const numberOf = { x: X, y: Y, roll: ROLL } as const;

	it('at any phase, speed, rate and amount: no frame moves the eye faster than walking did, and it ends at 0', () => {
		const shapes = fc.constantFrom('sine' as const, 'rectified' as const);
		const some = (min: number, max: number) => fc.double({ min, max, noNaN: true });
		fc.assert(
			fc.property(
				some(1.4, 5),
				some(2, 4),
				some(0, 0.4),
				some(0.3, 3),
				shapes,
				fc.constantFrom(20, 60, 144),
				fc.boolean(),
				(speed, walked, settleTime, driven, shape, fps, air) => {
					const gaits = [walk, run].map((g) => ({
						...g,
						channels: { ...g.channels, y: { ...g.channels.y!, shape } }
					}));
					const values = new GameValues([{ id: 'v', name: 'V', min: 0, max: 1, rest: 1 }]);
					const points = [{ at: 0, value: driven }];
					const drives = (['rate', 'amount'] as const).map((to) => ({ parameter: 'v', to, curve: points }));
					const one = new BobRun(compileBob(bob({ gaits, settleTime, drives })), 1, values);
					for (let i = 0; i < walked * fps; i++) one.advance(1 / fps, at(speed));
					const before = new Float64Array(7);
					let over = 0;
					for (let t = 0; t < 4; t += 1 / fps) {
						before.set(one.offset);
						one.advance(1 / fps, air ? at(speed, false) : at(0));
						for (const name of ['x', 'y', 'roll'] as const) {
							const { size, steps } = mixed(name, speed, gaits);
							// A sine and a rectified one are steepest at 2π·size for each cycle.
							const most = size * driven * 2 * Math.PI * cycles[name] * (steps / 2) * driven;
							over = Math.max(over, Math.abs(one.offset[numberOf[name]]! - before[numberOf[name]]!) * fps - most);
						}
					}
					expect(over).toBeLessThan(1e-9);
					expect([...one.offset]).toEqual([0, 0, 0, 0, 0, 0, 0]);
				}
			),
			{ numRuns: 150, seed: 8 }
		);
	});

	it('while one walks it is the formula, bent by no limit: with a driven rate, between a wide slow gait and a small quick one', () => {
		const slow: BobGait = { id: 'slow', speed: 1, steps: 1, channels: { y: channel(0.2) } };
		const quick: BobGait = { id: 'quick', speed: 3, steps: 5, channels: { y: channel(0.01) } };
		const values = new GameValues([{ id: 'v', name: 'V', min: 0, max: 1, rest: 0 }]);
		const drives = [
			{
				parameter: 'v',
				to: 'rate' as const,
				curve: [
					{ at: 0, value: 1 },
					{ at: 1, value: 4 }
				]
			}
		];
		const one = new BobRun(compileBob(bob({ gaits: [slow, quick], drives })), 1, values);
		for (let i = 0; i < 240; i++) one.advance(1 / 120, at(2));
		values.set('v', 1);
		let off = 0;
		for (let i = 0; i < 240; i++) {
			one.advance(1 / 120, at(2));
			// Halfway: 0.105 m; lowest at the footfall.
			off = Math.max(off, Math.abs(one.offset[Y]! - 0.105 * Math.sin(2 * Math.PI * (2 * one.phase + 0.75))));
		}
		expect(off).toBeLessThan(1e-9);
	});

	it('settles straight in its time, from wherever it stands', () => {
		const one = walking(bob({ settleTime: 2 }), 1.4);
		const from = one.offset[ROLL]!;
		for (let i = 1; i <= 240; i++) {
			one.advance(1 / 120, at(0));
			expect(one.offset[ROLL]).toBeCloseTo(from * (1 - i / 240), 9);
		}
	});

	it('another bob, or the same one tuned while one walks, comes by and by', () => {
		const one = walking(bob(), 1.4);
		const tuned = bob({ gaits: [{ ...walk, channels: { ...walk.channels, y: channel(0.2) } }, run] });
		const next = new BobRun(compileBob(tuned));
		next.takeOver(one);
		const before = one.offset[Y]!;
		next.advance(1 / 120, at(1.4));
		// A sine of 2 Hz and 0.2 m, and what is carried over within 0.3 s.
		expect(Math.abs(next.offset[Y]! - before)).toBeLessThan((0.2 * 2 * Math.PI * 2 + 0.22 / 0.3) / 120);
		for (let i = 0; i < 60; i++) next.advance(1 / 120, at(1.4));
		expect(next.offset[Y]).toBeCloseTo(0.2 * Math.sin(2 * Math.PI * (2 * next.phase + 0.75)), 9);
	});

	it('in the air the steps rest, and go on with the other foot', () => {
		const one = walking(bob(), 1.4);
		const { phase } = one;
		for (let i = 0; i < 60; i++) expect(one.advance(1 / 60, at(3, false))).toBe(false);
		expect(one.phase).toBe(phase);
	});
});

describe('landing', () => {
	const landing = { dip: 0.02, most: 0.12, nod: 30, frequency: 2, damping: 0.5 };

	it('dips in proportion to the fall, at most so deep, nods, and comes to rest', () => {
		const deepest = (fall: number): number[] => {
			const one = new BobRun(compileBob(bob({ landing })));
			one.land(fall);
			let [y, pitch] = [0, 0];
			for (let i = 0; i < 1200; i++) {
				one.advance(1 / 240, at(0));
				y = Math.min(y, one.offset[Y]!);
				pitch = Math.min(pitch, one.offset[PITCH]!);
			}
			expect([...one.offset].every((v) => Math.abs(v) < 1e-6)).toBe(true);
			return [y, pitch];
		};
		expect(deepest(2)[0]).toBeCloseTo(-0.04, 4);
		expect(deepest(4)[0]).toBeCloseTo(-0.08, 4);
		expect(deepest(4)[1]).toBeCloseTo(-0.08 * 30, 2);
		expect(deepest(50)[0]).toBeCloseTo(-0.12, 4);
	});

	it('a landing upon a landing goes no deeper either', () => {
		const one = new BobRun(compileBob(bob({ landing })));
		for (let i = 0; i < 240; i++) {
			if (i % 12 === 0) one.land(9);
			one.advance(1 / 120, at(0));
			expect(one.offset[Y]!).toBeGreaterThanOrEqual(-0.12);
		}
	});
});

describe('a bob', () => {
	it('is the same at 20, 30, 60, 144 and jittered frames, within half a percent of its size', () => {
		const speed = (t: number): number => 1.4 + 0.5 * Math.sin(1.3 * t);
		const place = (dts: readonly number[]): { y: number; x: number } => {
			const one = new BobRun(compileBob(bob()));
			let t = 0;
			for (const dt of dts) one.advance(dt, at(speed((t += dt))));
			return { y: one.offset[Y]!, x: one.offset[X]! };
		};
		const even = (fps: number): number[] => Array.from({ length: 8 * fps }, () => 1 / fps);
		const fine = place(even(1920));
		const jittered = Array.from({ length: 160 }, () => [0.02, 0.012, 0.018]).flat();
		for (const dts of [even(20), even(30), even(60), even(144), jittered]) {
			const seen = place(dts);
			expect(Math.abs(seen.y - fine.y)).toBeLessThan(0.005 * 2 * 0.03);
			expect(Math.abs(seen.x - fine.x)).toBeLessThan(0.005 * 2 * 0.02);
		}
	});

	it('breathes where one stands, and not while one walks', () => {
		const idle = { channels: { y: { amplitude: 0.01, frequency: 0.3 } } };
		const one = new BobRun(compileBob(bob({ idle, gaits: [{ ...walk, channels: {} }] })));
		const ys: number[] = [];
		for (let i = 0; i < 1200; i++) {
			one.advance(1 / 60, at(0));
			ys.push(one.offset[Y]!);
		}
		expect(Math.max(...ys.map(Math.abs))).toBeGreaterThan(0.003);
		expect(Math.max(...ys.map(Math.abs))).toBeLessThanOrEqual(0.01);
		for (let i = 0; i < 60; i++) one.advance(1 / 60, at(1.4));
		expect(one.offset[Y]).toBe(0);
	});

	it('is larger when a game value says so', () => {
		const curve = [
			{ at: 0, value: 1 },
			{ at: 1, value: 2 }
		];
		const values = new GameValues([{ id: 'tired', name: 'Tired', min: 0, max: 1, rest: 0 }]);
		const one = new BobRun(compileBob(bob({ drives: [{ parameter: 'tired', to: 'amount', curve }] })), 1, values);
		const most = (): number => {
			let y = 0;
			for (let i = 0; i < 480; i++) {
				one.advance(1 / 240, at(1.4));
				if (i > 240) y = Math.max(y, one.offset[Y]!);
			}
			return y;
		};
		expect(most()).toBeCloseTo(0.02, 4);
		values.set('tired', 1);
		expect(most()).toBeCloseTo(0.04, 4);
	});

	it('a fork goes its own way, the same steps lead to the same motion', () => {
		const one = walking(bob({ landing: { dip: 0.02, most: 0.1, nod: 10, frequency: 2, damping: 0.4 } }), 2);
		one.land(3);
		one.advance(1 / 60, at(2));
		const other = one.fork();
		for (let i = 0; i < 50; i++) one.advance(1 / 60, at(2));
		for (let i = 0; i < 50; i++) other.advance(1 / 60, at(2));
		expect(other.offset).toEqual(one.offset);
		expect(other.phase).toBe(one.phase);
	});
});
