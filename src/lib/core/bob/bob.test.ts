import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { GameValues } from '../shake/drives';
import { BobRun, bobSteps, bobWeights, compileBob } from './bob';
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
	it('at any phase and from any gait: no frame moves the eye faster than the bob’s own fastest, and it ends at 0', () => {
		const shapes = fc.constantFrom('sine' as const, 'rectified' as const, 'noise' as const);
		fc.assert(
			fc.property(
				fc.double({ min: 0.2, max: 5, noNaN: true }),
				fc.double({ min: 0, max: 2, noNaN: true }),
				fc.double({ min: 0, max: 0.4, noNaN: true }),
				shapes,
				fc.constantFrom(20, 60, 144),
				fc.boolean(),
				(speed, walked, settleTime, shape, fps, jumps) => {
					const gaits = [walk, run].map((g) => ({
						...g,
						channels: Object.fromEntries(
							Object.entries(g.channels).map(([name, c]) => [name, { ...c, shape: name === 'y' ? shape : c.shape }])
						)
					}));
					const compiled = compileBob(bob({ gaits, settleTime }));
					const one = new BobRun(compiled);
					const before = new Float64Array(7);
					const frame = (walking: { speed: number; grounded: boolean }): void => {
						before.set(one.offset);
						one.advance(1 / fps, walking);
						for (let c = 0; c < 7; c++)
							expect(Math.abs(one.offset[c]! - before[c]!)).toBeLessThanOrEqual(compiled.fastest[c]! / fps + 1e-12);
					};
					for (let t = 0; t < walked; t += 1 / fps) frame(at(speed));
					for (let t = 0; t < 2; t += 1 / fps) frame(jumps ? at(speed, false) : at(0));
					expect([...one.offset]).toEqual([0, 0, 0, 0, 0, 0, 0]);
				}
			),
			{ numRuns: 150 }
		);
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
