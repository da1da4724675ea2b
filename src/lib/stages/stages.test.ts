import { describe, expect, it } from 'vitest';
import { newBob, newLag, newLagAxis } from 'dinesis-runtime/tools';
import { lookFor, rampAnswer, readStep, STEP_AT, stepAnswer, wayAnswer } from './lag-figures';
import { AROUND, speedCurve, strideLines } from './stride';

const bob = newBob('walk', 'Walk');
const lag = newLag('lag', 'Lag');

describe('a stride, drawn', () => {
	it('is lowest where a foot falls, twice a stride; sideways once', () => {
		const lines = strideLines(bob, 1.4);
		expect(lines.map((line) => line.channel)).toEqual(['x', 'y']);
		const [x, y] = lines;
		for (const at of [0, AROUND / 2]) expect(y!.values[at]).toBeCloseTo(-0.012, 6);
		for (const at of [AROUND / 4, (3 * AROUND) / 4]) expect(y!.values[at]).toBeCloseTo(0.012, 6);
		expect(x!.values[AROUND / 4]).toBeCloseTo(0.008, 6);
		expect(x!.values[(3 * AROUND) / 4]).toBeCloseTo(-0.008, 6);
		// The circle closes.
		expect(y!.values[AROUND]).toBeCloseTo(y!.values[0]!, 6);
	});

	it('where one stands there is none', () => expect(strideLines(bob, 0)).toEqual([]));

	it('grows with the speed up to its gait, and stays', () => {
		const curve = speedCurve(bob, 23);
		expect(curve[0]).toEqual({ speed: 0, steps: 0, height: 0, side: 0 });
		const at = (speed: number) =>
			curve.reduce((a, b) => (Math.abs(b.speed - speed) < Math.abs(a.speed - speed) ? b : a));
		expect(at(0.7).height).toBeCloseTo(0.012, 3);
		expect(at(1.4).height).toBeCloseTo(0.024, 3);
		expect(at(1.6).height).toBeCloseTo(0.024, 3);
		expect(at(1.4).steps).toBeCloseTo(1.9, 2);
	});
});

describe('a lag’s answers', () => {
	const spring = { ...newLagAxis(), follow: 'spring' as const, frequency: 1, damping: 0.5 };

	it('a half-life halves the step in just that time and never swings over', () => {
		const axis = { ...newLagAxis(), halfLife: 0.2 };
		const read = readStep(stepAnswer(lag, axis, 1, lookFor(axis)), 0);
		expect(read.half).toBeCloseTo(0.2, 1);
		expect(read.over).toBeNull();
		// log2(50) half-lives to a fiftieth.
		expect(read.settled).toBeCloseTo(0.2 * Math.log2(50), 1);
	});

	it('a spring swings over by e^(−πζ/√(1−ζ²)), half a damped period after the step', () => {
		const read = readStep(stepAnswer(lag, spring, 2, 4), 0);
		expect(read.over!.part).toBeCloseTo(Math.exp((-Math.PI * 0.5) / Math.sqrt(0.75)), 2);
		expect(read.over!.at - STEP_AT).toBeCloseTo(0.5 / Math.sqrt(0.75), 1);
	});

	it('a quiet area is where the step ends', () => {
		const axis = { ...newLagAxis(), halfLife: 0.1, quiet: 0.3 };
		const curve = stepAnswer(lag, axis, 1, 3);
		expect(curve.view.at(-1)).toBeCloseTo(0.7, 6);
		expect(readStep(curve, 0.3).settled).not.toBeNull();
	});

	it('on a ramp it trails by v·h/ln 2, on a recorded way it follows the turn unwound', () => {
		const axis = { ...newLagAxis(), halfLife: 0.1 };
		const ramp = rampAnswer(lag, axis, 3, 4);
		const mid = ramp.times.findIndex((t) => t > 2);
		expect(ramp.body[mid]! - ramp.view[mid]!).toBeCloseTo(0.3 / Math.LN2, 3);
		const turns = Float64Array.from({ length: 6 * 240 }, (_, i) =>
			i % 6 === 4 ? (((i / 6) * 3 + 180) % 360) - 180 : 0
		);
		const way = wayAnswer({ ...lag, axes: { yaw: axis } }, 'yaw', turns, 60);
		expect(way.body.at(-1)! - way.body[0]!).toBeCloseTo(239 * 3, 0);
		expect(way.body.at(-1)! - way.view.at(-1)!).toBeCloseTo((180 * 0.1) / Math.LN2, 0);
	});
});
