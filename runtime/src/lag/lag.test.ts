import { describe, expect, it } from 'vitest';
import { halfLifeTrail, springTrail, trailOf } from './trail';
import { LagRun } from './lag';
import { shortestTurn } from '../math/angles';
import type { LagAxis, LagAxisName, LagPreset } from './types';

const axis = (part: Partial<LagAxis> = {}): LagAxis => ({
	follow: 'half-life',
	halfLife: 0.2,
	settle: null,
	frequency: 2,
	damping: 1,
	atMost: null,
	quiet: 0,
	...part
});
const lag = (axes: Partial<Record<LagAxisName, LagAxis>>, part: Partial<LagPreset> = {}): LagPreset => ({
	id: 'l',
	family: 'lag',
	view: 'space',
	name: 'L',
	about: '',
	tags: [],
	axes,
	leadsBy: 0,
	leadHalfLife: 0.15,
	snapsBeyond: null,
	...part
});
type Path = (t: number) => number[];
/** Where the view is at the end of so many seconds, and at each frame. */
function follow(preset: LagPreset, path: Path, seconds: number, frames: readonly number[] | number): Float64Array[] {
	const run = new LagRun(preset);
	run.snap(path(0));
	const out: Float64Array[] = [];
	const dts =
		typeof frames === 'number' ? Array.from({ length: Math.round(seconds * frames) }, () => 1 / frames) : frames;
	let t = 0;
	for (const dt of dts) out.push(run.advance(path((t += dt)), dt).slice());
	return out;
}
const along =
	(x: (t: number) => number): Path =>
	(t) => [x(t), 0, 0, 0, 0, 0];

describe('a half-life', () => {
	it('halves the error after a step in so many seconds', () => {
		const run = new LagRun(lag({ x: axis() }));
		run.snap([0, 0, 0, 0, 0, 0]);
		// A step within an instant.
		run.advance([1, 0, 0, 0, 0, 0], 1e-12);
		for (let i = 0; i < 3; i++) run.advance([1, 0, 0, 0, 0, 0], 0.2);
		expect(1 - run.out[0]!).toBeCloseTo(1 / 8, 9);
	});

	it('trails a ramp by v·h/ln 2, on its way there as the closed form says', () => {
		const out = follow(
			lag({ x: axis() }),
			along((t) => 3 * t),
			2,
			47
		);
		const far = (3 * 0.2) / Math.LN2;
		out.forEach((pose, i) => {
			const t = (i + 1) / 47;
			expect(3 * t - pose[0]!).toBeCloseTo(far * (1 - 2 ** (-t / 0.2)), 9);
		});
		expect(trailOf(axis(), 3)).toBeCloseTo(far, 12);
		expect(halfLifeTrail(0.2, 3)).toBeCloseTo(far, 12);
	});

	it('fast to catch up, slow to settle: once the body stands another half-life holds', () => {
		const preset = lag({ x: axis({ halfLife: 0.05, settle: 0.4 }) });
		const path = along((t) => Math.min(t, 1) * 2);
		const out = follow(preset, path, 1.4, 100);
		const left = 2 - out[99]![0]!;
		expect(left).toBeCloseTo((2 * 0.05) / Math.LN2, 6);
		expect(2 - out[139]![0]!).toBeCloseTo(left / 2, 6);
	});
});

describe('a spring', () => {
	it.each([0.3, 1, 1.8])('trails a ramp by ζv/(πf) and moves as its equation says, ζ = %s', (damping) => {
		const preset = lag({ x: axis({ follow: 'spring', frequency: 1.5, damping }) });
		const out = follow(
			preset,
			along((t) => 4 * t),
			12,
			60
		);
		expect(4 * 12 - out.at(-1)![0]!).toBeCloseTo((damping * 4) / (Math.PI * 1.5), 9);
		expect(springTrail(1.5, damping, 4)).toBeCloseTo((damping * 4) / (Math.PI * 1.5), 12);
		// A body that runs for half a second and stops: the equation x″ = −2ζωx′ − ω²(x − T), by small steps of Runge and Kutta.
		const w = 2 * Math.PI * 1.5;
		const target = (t: number): number => 2 * Math.min(t, 0.5);
		const pull = (t: number, x: number, v: number): number => -2 * damping * w * v - w * w * (x - target(t));
		let [x, v] = [0, 0];
		const h = 1e-4;
		for (let n = 0; n < 8000; n++) {
			const t = n * h;
			const [k1, l1] = [v, pull(t, x, v)];
			const [k2, l2] = [v + (h / 2) * l1, pull(t + h / 2, x + (h / 2) * k1, v + (h / 2) * l1)];
			const [k3, l3] = [v + (h / 2) * l2, pull(t + h / 2, x + (h / 2) * k2, v + (h / 2) * l2)];
			const [k4, l4] = [v + h * l3, pull(t + h, x + h * k3, v + h * l3)];
			x += (h / 6) * (k1 + 2 * k2 + 2 * k3 + k4);
			v += (h / 6) * (l1 + 2 * l2 + 2 * l3 + l4);
		}
		expect(follow(preset, along(target), 0.8, 20).at(-1)![0]).toBeCloseTo(x, 9);
	});
});

describe('any lag', () => {
	const kinds: [string, LagAxis][] = [
		['half-life', axis({ halfLife: 0.05 })],
		['slow half-life', axis({ halfLife: 0.5 })],
		['loose spring', axis({ follow: 'spring', frequency: 1, damping: 0.4 })],
		['critical spring', axis({ follow: 'spring', frequency: 3, damping: 1 })],
		['stiff spring', axis({ follow: 'spring', frequency: 6, damping: 1.6 })]
	];

	it.each(kinds)('%s: the same path at 20, 30, 60, 144 and jittered frames, within 1 %% of the excursion', (_, one) => {
		const path = along((t) => Math.sin(2 * Math.PI * 0.45 * t) + 0.3 * Math.sin(2 * Math.PI * 0.2 * t));
		const preset = lag({ x: one });
		const fine = follow(preset, path, 6, 2880).filter((_, i) => (i + 1) % 144 === 0);
		const worst = (list: readonly Float64Array[]): number =>
			Math.max(...list.map((pose, i) => Math.abs(pose[0]! - fine[i]![0]!)));
		for (const fps of [20, 60])
			expect(worst(follow(preset, path, 6, fps).filter((_, i) => (i + 1) % (fps / 20) === 0))).toBeLessThan(0.013);
		const jittered: number[] = [];
		for (let k = 0; k < 120; k++) jittered.push(0.05 * 0.2, 0.05 * 0.55, 0.05 * 0.25);
		expect(worst(follow(preset, path, 6, jittered).filter((_, i) => i % 3 === 2))).toBeLessThan(0.013);
		const at144 = follow(preset, path, 6, 144);
		const at30 = follow(preset, path, 6, 30);
		for (let s = 1; s <= 6; s++) expect(Math.abs(at144[s * 144 - 1]![0]! - at30[s * 30 - 1]![0]!)).toBeLessThan(0.013);
	});

	it.each(kinds)('%s: when the body stands the view comes to be exactly there', (_, one) => {
		const run = new LagRun(lag({ x: one, yaw: one }));
		run.snap([0, 0, 0, 0, 0, 0]);
		for (let i = 1; i <= 60; i++) run.advance([i / 30, 0, 0, 0, i * 5, 0], 1 / 60);
		for (let i = 0; i < 3000; i++) run.advance([2, 0, 0, 0, 300, 0], 1 / 60);
		expect(run.out[0]).toBe(2);
		expect(Math.abs(shortestTurn(run.out[4]!, 300))).toBe(0);
	});

	it('trails no farther than at most, in both directions', () => {
		const preset = lag({
			x: axis({ halfLife: 2, atMost: 0.5 }),
			z: axis({ follow: 'spring', frequency: 0.3, atMost: 0.2 })
		});
		const path: Path = (t) => [9 * Math.sin(t), 0, 4 * Math.cos(3 * t), 0, 0, 0];
		for (const [i, pose] of follow(preset, path, 8, 60).entries()) {
			const [x, , z] = path((i + 1) / 60);
			expect(Math.abs(x! - pose[0]!)).toBeLessThan(0.5 + 1e-12);
			expect(Math.abs(z! - pose[2]!)).toBeLessThan(0.2 + 1e-12);
		}
	});

	it('in the quiet area small moves do nothing; beyond it the error counts from its edge', () => {
		const preset = lag({ x: axis({ halfLife: 0.01, quiet: 0.5 }) });
		const small = follow(
			preset,
			along((t) => 0.49 * Math.sin(9 * t)),
			4,
			60
		);
		expect(small.every((pose) => pose[0] === 0)).toBe(true);
		const far = follow(
			preset,
			along((t) => Math.min(2, 2 * t)),
			4,
			60
		);
		expect(far.at(-1)![0]).toBeCloseTo(1.5, 9);
	});

	it('leads by seconds of the velocity, and not any more when the body stands', () => {
		const preset = lag({ x: axis({ halfLife: 0.01 }) }, { leadsBy: 0.3, leadHalfLife: 0.1 });
		const moving = follow(
			preset,
			along((t) => 2 * t),
			3,
			60
		);
		expect(moving.at(-1)![0]! - 6).toBeCloseTo(0.6 - halfLifeTrail(0.01, 2), 6);
		const stood = follow(
			preset,
			along((t) => Math.min(2, 2 * t)),
			5,
			60
		);
		expect(stood.at(-1)![0]).toBeCloseTo(2, 6);
	});

	it('goes along at once when the body was moved somewhere else', () => {
		const run = new LagRun(lag({ x: axis({ halfLife: 1 }) }, { snapsBeyond: 5 }));
		run.snap([0, 0, 0, 0, 0, 0]);
		run.advance([4, 0, 0, 0, 0, 0], 1 / 60);
		expect(run.out[0]).toBeLessThan(1);
		run.advance([14, 0, 0, 0, 0, 0], 1 / 60);
		expect(run.out[0]).toBe(14);
	});

	it('turns the shorter way round, and looks no steeper than 89 degrees', () => {
		const run = new LagRun(lag({ yaw: axis({ halfLife: 0.1 }), pitch: axis({ halfLife: 0.1 }) }));
		run.snap([0, 0, 0, 0, 170, 0]);
		run.advance([0, 0, 0, 120, -170, 0], 1 / 60);
		expect(run.out[4]).toBeGreaterThan(170);
		expect(run.out[4]).toBeLessThan(190);
		for (let i = 0; i < 900; i++) run.advance([0, 0, 0, 120, -170, 0], 1 / 60);
		expect(run.out[4]).toBeCloseTo(190, 6);
		expect(run.out[3]).toBe(89);
	});
});

describe('what holds in every case', () => {
	it('settling acts once the body stands: not in its first moving step, nor while it comes back', () => {
		const preset = lag({ x: axis({ halfLife: 0.2, settle: 2 }) });
		const run = new LagRun(preset);
		run.snap(along(() => 0)(0));
		const to = (x: number, dt: number): number => {
			run.advance([x, 0, 0, 0, 0, 0], dt);
			return run.behind[0]!;
		};
		// The first step, straight on at 2.5 m/s: e∞·(1 − 2^(−dt/h)).
		const far = (2.5 * 0.2) / Math.LN2;
		const first = to(0.25, 0.1);
		expect(first).toBeCloseTo(-far * (1 - 2 ** -0.5), 12);
		// It turns about: catching up, as its error is of the other sign.
		const back = to(0, 0.1);
		expect(back).toBeCloseTo(far + (first - far) * 2 ** -0.5, 12);
		// It stands: settling.
		expect(to(0, 0.2)).toBeCloseTo(back * 2 ** -0.1, 12);
	});

	it('within the quiet area nothing stirs, though it leads', () => {
		const preset = lag({ x: axis({ quiet: 0.5 }) }, { leadsBy: 0.4 });
		for (const out of follow(
			preset,
			along((t) => 0.4 * Math.sin(9 * t)),
			3,
			60
		))
			expect(out[0]).toBe(0);
		// Beyond it leads by what goes on past the edge.
		const run = follow(
			preset,
			along((t) => 2 * t),
			6,
			120
		);
		expect(run.at(-1)![0]).toBeCloseTo(12 - 0.5 + 0.4 * 2 - (2 * 0.2) / Math.LN2, 3);
	});

	it('pitch stays within 89° from the first frame on, and a spring that hits that comes back at once', () => {
		const steep: Path = () => [0, 0, 0, 95, 0, 0];
		const preset = lag({ pitch: axis({ follow: 'spring', frequency: 1, damping: 0.1 }) });
		const run = new LagRun(preset);
		run.snap(steep(0));
		expect(run.out[3]).toBe(89);
		// Thrown upward by a spring that overshoots, then the look goes down: the view leaves the edge with it.
		const up = new LagRun(preset);
		up.snap([0, 0, 0, 0, 0, 0]);
		let hit = -1;
		for (let i = 0; i < 120 && hit < 0; i++) {
			up.advance([0, 0, 0, 85, 0, 0], 1 / 60);
			if (up.out[3]! >= 89) hit = i;
		}
		expect(hit).toBeGreaterThan(0);
		const seen: number[] = [];
		for (let i = 0; i < 12; i++) seen.push(up.advance([0, 0, 0, 85, 0, 0], 1 / 60)[3]!);
		expect(Math.max(...seen)).toBeLessThanOrEqual(89);
		// At the edge it stands still; from there the spring pulls it back: within a fifth of a second it is well below.
		expect(seen.at(-1)!).toBeLessThan(88.5);
	});
});
