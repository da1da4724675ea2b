import { describe, expect, it } from 'vitest';
import { newBob, newLag, newLagAxis, newLean, type LagAxis } from 'dinesis-runtime/tools';
import { fromHalf, fromSwing, lagChart, type LagDrawing } from './lag-chart';
import { readStep, stepAnswer, STEP_AT } from './lag-figures';
import { leanAnswer, leanChart } from './lean-chart';
import { speedChart } from './speed-chart';

const lag = newLag('heavy', 'Heavy');
function drawing(axis: LagAxis, part: Partial<LagDrawing> = {}) {
	const said: Partial<LagAxis>[] = [];
	const curve = stepAnswer(lag, axis, 1, 3);
	const chart = lagChart({
		mode: 'step',
		curve,
		read: readStep(curve, axis.quiet),
		axis,
		size: 1,
		unit: 'm',
		onaxis: (change) => said.push(change),
		...part
	});
	return { chart, said };
}

describe('the lag’s answer as a chart', () => {
	it('where half of the way lies is the half-life, and taken along it becomes another one', () => {
		const axis = { ...newLagAxis(), follow: 'half-life', halfLife: 0.2, quiet: 0 } as const;
		const { chart, said } = drawing(axis);
		const [grip] = chart.grips!;
		expect(grip!.x - STEP_AT).toBeCloseTo(0.2, 2);
		expect(grip!.y).toBe(0.5);
		grip!.onmove(STEP_AT + 0.35, 0.5, false);
		expect(said).toEqual([{ halfLife: 0.35 }]);
		// Let go where it lies: nothing more is changed.
		grip!.onmove(grip!.x, grip!.y, true);
		expect(said[1]).toEqual({});
	});

	it('what the swing is taken to is what a spring of these numbers does', () => {
		// 25 % over, 0.4 s after the step; the answer of the lag itself says whether it came true.
		const change = fromSwing(0.4, 0.25);
		const axis = { ...newLagAxis(), follow: 'spring', quiet: 0, ...change } as LagAxis;
		const read = readStep(stepAnswer(lag, axis, 1, 4), 0);
		expect(read.over!.part).toBeCloseTo(0.25, 2);
		expect(read.over!.at - STEP_AT).toBeCloseTo(0.4, 2);
		const { chart } = drawing(axis);
		expect(chart.grips!.map(({ id }) => id)).toEqual(['swing']);
		expect(chart.grips![0]!.said).toMatch(/^overshoots 2[45]\.\d % after 0\.4\d s/);
		expect(chart.marks!.some(({ from }) => from?.[0] === chart.grips![0]!.x)).toBe(true);
	});

	it('half of the way of a spring without a swing', () => {
		const axis = { ...newLagAxis(), follow: 'spring', damping: 1, quiet: 0 } as LagAxis;
		const made = { ...axis, ...fromHalf(axis, 0.3) };
		expect(readStep(stepAnswer(lag, made, 1, 4), 0).half).toBeCloseTo(0.3, 2);
	});

	it('only looked at, or along a way, there is nothing to take', () => {
		const axis = { ...newLagAxis(), follow: 'half-life', halfLife: 0.2 } as const;
		expect(drawing(axis, { onaxis: null }).chart.grips).toEqual([]);
		expect(drawing(axis, { mode: 'ramp', read: null }).chart.grips).toEqual([]);
		expect(drawing({ ...axis, follow: 'none' }).chart.grips).toEqual([]);
	});
});

describe('gaits over the speed', () => {
	const bob = newBob('steps', 'Steps');
	it('each gait at its speed, the one that is tried below; both are taken in steps of 5 cm/s', () => {
		const speeds: number[] = [];
		const gaits: [string, number, boolean][] = [];
		const { grips, x } = speedChart({
			bob,
			speed: 1.2,
			onspeed: (v) => speeds.push(v),
			ongait: (gait, v, done) => gaits.push([gait.id, v, done])
		});
		expect(grips!.map((grip) => [grip.id, grip.x])).toEqual([
			...bob.gaits.map((gait) => [`gait ${gait.id}`, gait.speed]),
			['speed', 1.2]
		]);
		grips!.at(-1)!.onmove(1.337, 0, false);
		grips![0]!.onmove(0.01, 0, true);
		expect(speeds).toEqual([1.35]);
		expect(gaits).toEqual([[bob.gaits[0]!.id, 0.05, true]]);
		expect(x.max).toBeGreaterThan(Math.max(...bob.gaits.map((gait) => gait.speed)));
	});

	it('only looked at, no gait can be taken; of a flat one no real heads are said', () => {
		const chart = speedChart({ bob, speed: 1, onspeed: () => undefined, ongait: null });
		expect(chart.grips!.map(({ id }) => id)).toEqual(['speed']);
		expect(chart.areas!.length).toBeGreaterThan(0);
		const flat = speedChart({ bob: { ...bob, view: 'flat' }, speed: 1, onspeed: () => undefined, ongait: null });
		expect([flat.areas!.length, flat.y.title]).toEqual([0, 'px']);
	});
});

describe('the lean’s answer', () => {
	it('comes to what the lean says while one turns and strafes, and goes back to nothing', () => {
		const lean = newLean();
		const { roll, sway, times } = leanAnswer(lean);
		const at = (seconds: number): number => times.findIndex((t) => t >= seconds);
		// 90° a second for a second and a half, then a walk to the right.
		expect(roll[at(1.85)]!).toBeCloseTo(90 * lean.rollByTurn, 2);
		expect(roll[at(4.65)]!).toBeCloseTo(-1.6 * lean.rollByStrafe, 2);
		expect(sway[at(4.65)]!).toBeCloseTo(1.6 * lean.swayByStrafe, 3);
		expect(roll[at(0.3)]).toBe(0);
		expect(Math.abs(roll.at(-1)!)).toBeLessThan(0.02);
		expect(Math.abs(sway.at(-1)!)).toBeLessThan(0.001);
	});

	it('metres are said in centimetres, pixels as they are', () => {
		const answer = leanAnswer(newLean());
		const [metres, pixels] = [leanChart(answer, 'm'), leanChart(answer, 'px')];
		expect(metres.lines![1]!.ys[500]).toBeCloseTo(answer.sway[500]! * 100, 9);
		expect(pixels.lines![1]!.ys[500]).toBe(answer.sway[500]);
		expect([metres.right!.title, pixels.right!.title]).toEqual(['sway, cm (right is up)', 'sway, px (right is up)']);
	});
});
