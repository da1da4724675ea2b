import { describe, expect, it } from 'vitest';
import { newLayer, newPreset } from '../kit/fresh';
import type { ChannelSettings, Pattern } from './pattern';
import type { Layer, ShakePreset } from '../shake/types';
import { shakePreset } from '../kit/preset-shape';
import { openAs } from '../kit/shape';
import { createPlayer } from '../shake/create';
import { compileKick } from './kick';

const none = { time: 0, ease: 'linear' } as const;

/** Values of the channels of one layer at these times, without fades. */
function play(pattern: Pattern, channels: Layer['channels'], times: readonly number[], seed = 9): number[][] {
	const base = newPreset('p', 'P');
	const preset: ShakePreset = {
		...base,
		timing: { ...base.timing, mode: 'continuous', fadeIn: none, fadeOut: none },
		layers: [{ ...newLayer('one'), pattern, channels }]
	};
	const player = createPlayer([preset]);
	player.fire('p', { seed });
	return times.map((t) => [...player.advanceTo(t)]);
}
const times = (seconds: number, fps: number): number[] => Array.from({ length: seconds * fps + 1 }, (_, i) => i / fps);
const at = (
	amplitude: number,
	frequency: number,
	start: ChannelSettings['start'] = 'zero',
	keys?: ChannelSettings['keys']
): ChannelSettings => ({
	amplitude,
	frequency,
	start,
	keys
});
const jumps = (
	between: 'hold' | 'straight' | 'eased' | 'damped',
	within: 'box' | 'disc' | 'ball' = 'box'
): Pattern => ({
	kind: 'jumps',
	within,
	between,
	ease: 'smooth'
});

describe('jumps', () => {
	it('take a new target f times a second and hold it; the first is the centre', () => {
		const x = play(jumps('hold'), { x: at(1, 4) }, times(10, 100)).map((o) => o[0]!);
		expect(x.slice(0, 25).every((v) => v === 0)).toBe(true);
		const steps = x.filter((v, i) => i > 0 && v !== x[i - 1]).length;
		expect(steps).toBe(40);
	});

	it('spread evenly over the box', () => {
		const values = play(jumps('hold'), { x: at(2, 60), roll: at(3, 60) }, times(100, 60)).slice(2);
		for (const [channel, size] of [
			[0, 2],
			[5, 3]
		] as const) {
			const own = values.map((o) => o[channel]!);
			expect(Math.max(...own.map(Math.abs))).toBeLessThanOrEqual(size);
			for (let bin = -4; bin < 4; bin++) {
				const inside = own.filter((v) => v >= (bin * size) / 4 && v < ((bin + 1) * size) / 4).length;
				expect(Math.abs(inside / own.length - 1 / 8)).toBeLessThan(0.02);
			}
		}
	});

	it('go straight, eased or damped between the same targets', () => {
		const when = [0.125, 0.25, 0.375, 0.4375];
		const held = play(jumps('hold'), { x: at(1, 4) }, [0.26, 0.51]).map((o) => o[0]!);
		const [a, b] = [held[0]!, held[1]!];
		const straight = play(jumps('straight'), { x: at(1, 4) }, when).map((o) => o[0]!);
		[a / 2, a, (a + b) / 2, a + 0.75 * (b - a)].forEach((v, i) => expect(straight[i]).toBeCloseTo(v, 12));
		const eased = play(jumps('eased'), { x: at(1, 4) }, [0.3125]).map((o) => o[0]!);
		expect(eased[0]).toBeCloseTo(a + (b - a) * 0.15625, 12);
		// Damped: half of the first step is left an eighth of the interval after it, 2⁻⁸ of it an interval later.
		const damped = play(jumps('damped'), { x: at(1, 4) }, [0.25 + 1 / 32, 0.5, 0.5 + 1 / 32]).map((o) => o[0]!);
		expect(damped[0]).toBeCloseTo(a / 2, 12);
		expect(damped[1]).toBeCloseTo(a - a / 256, 12);
		expect(damped[2]).toBeCloseTo(b - (b - a) / 2 - a / 512, 12);
	});

	it('share one clock and one point in a disc or ball; others keep their own box', () => {
		const channels = { x: at(2, 5, 'random'), y: at(2, 3, 'zero'), z: at(2, 7, 'random'), yaw: at(1, 3, 'random') };
		for (const within of ['disc', 'ball'] as const) {
			const values = play(jumps('hold', within), channels, times(60, 50));
			const radius = values.map(([x, y, z]) => Math.hypot(x!, y!, within === 'ball' ? z! : 0));
			expect(Math.max(...radius)).toBeLessThanOrEqual(2);
			expect(Math.max(...radius)).toBeGreaterThan(1.9);
			const changes = (c: number): number[] =>
				values.flatMap((o, i) => (i > 0 && o[c] !== values[i - 1]![c] ? [i] : []));
			expect(changes(1)).toEqual(changes(0));
			expect(changes(2).length).toBeGreaterThan(within === 'ball' ? 290 : 400);
			// Uniform by area or volume: half of the points lie within radius √½ or ∛½.
			const near = radius.filter((r) => r < 2 * (within === 'disc' ? Math.SQRT1_2 : Math.cbrt(0.5))).length;
			expect(Math.abs(near / radius.length - 0.5)).toBeLessThan(0.1);
		}
	});
});

describe('jumps after uneven times', () => {
	const uneven = (jitter: number, between: 'hold' | 'straight' | 'damped' = 'hold'): Pattern =>
		({ ...jumps(between), jitter }) as Pattern;
	/** When the target changes, to within a thousandth of a second. */
	const moments = (jitter: number, frequency: number): number[] => {
		const when = times(40, 1000);
		const x = play(uneven(jitter), { x: at(1, frequency, 0.5) }, when).map((o) => o[0]!);
		return when.filter((_, i) => i > 0 && x[i] !== x[i - 1]);
	};

	it('come between (1 − j)/f and (1 + j)/f seconds after each other, f times a second on the whole', () => {
		// Between 0.1 and 0.4 s: f = 2/(a + b) = 4, j = (b − a)/(a + b) = 0.6.
		const when = moments(0.6, 4);
		const apart = when.slice(1).map((t, i) => t - when[i]!);
		expect(Math.min(...apart)).toBeGreaterThanOrEqual(0.1 - 0.0011);
		expect(Math.max(...apart)).toBeLessThanOrEqual(0.4 + 0.0011);
		expect(Math.min(...apart)).toBeLessThan(0.16);
		expect(Math.max(...apart)).toBeGreaterThan(0.34);
		expect(Math.abs(when.length - 160)).toBeLessThanOrEqual(1);
	});

	it('without jitter come evenly, as ever', () => {
		const when = times(5, 50);
		expect(play(uneven(0), { x: at(1, 4) }, when)).toEqual(play(jumps('hold'), { x: at(1, 4) }, when));
	});

	it('need no history: any moment is the same whenever it is asked for, and nothing jumps in between', () => {
		for (const between of ['straight', 'damped'] as const) {
			const when = times(6, 400);
			const forward = play(uneven(0.9, between), { x: at(1, 3) }, when).map((o) => o[0]!);
			const there = play(uneven(0.9, between), { x: at(1, 3) }, [4.25, 1.5, 5.75]).map((o) => o[0]!);
			[4.25, 1.5, 5.75].forEach((t, i) => expect(there[i]).toBe(forward[t * 400]));
			// The shortest way from one to the next is a tenth of a third of a second; damped it is steepest at the jump: 2·8·ln 2·f.
			const most = between === 'straight' ? 2 / (0.1 / 3) : 2 * 8 * Math.LN2 * 3 * 1.1;
			for (let i = 1; i < forward.length; i++)
				expect(Math.abs(forward[i]! - forward[i - 1]!)).toBeLessThanOrEqual(most / 400 + 1e-12);
		}
	});
});

describe('what a kit need not say', () => {
	const opened = (layer: object): Layer => {
		const { layers, ...rest } = newPreset('p', 'P');
		void layers;
		const read = openAs<ShakePreset>({ ...rest, layers: [layer] }, shakePreset);
		if (!read.ok) throw new Error(JSON.stringify(read.problems));
		return read.value.layers[0]!;
	};

	it('keys begin together at their zero, everything else anywhere', () => {
		const channels = { x: { amplitude: 1 }, y: { amplitude: 1, start: 'random' } };
		const starts = (kind: string) => {
			const layer = opened({ id: 'l', pattern: { kind }, channels: JSON.parse(JSON.stringify(channels)) });
			return [layer.channels.x!.start, layer.channels.y!.start];
		};
		expect(starts('keys')).toEqual(['zero', 'random']);
		for (const kind of ['noise', 'wave', 'jumps', 'kick']) expect(starts(kind)).toEqual(['random', 'random']);
	});
});

it('a pattern that is not there never plays as another one', () => {
	const unknown = { ...newLayer('l'), pattern: { kind: 'waves' } } as unknown as Layer;
	const player = createPlayer([{ ...newPreset('p', 'P'), layers: [unknown] }]);
	expect(() => player.fire('p')).toThrow('There is no pattern "waves"');
});

it('a layer with another id that remembers the one it was plays the same', () => {
	const motion = (layer: Partial<Layer>): number[] => {
		const player = createPlayer([{ ...newPreset('p', 'P'), layers: [{ ...newLayer('was'), ...layer }] }]);
		player.fire('p');
		return [...player.advanceTo(0.3)];
	};
	expect(motion({ id: 'is', seededBy: 'was' })).toEqual(motion({}));
	expect(motion({ id: 'is' })).not.toEqual(motion({}));
});

describe('kick', () => {
	const kick = (damping: number): Pattern => ({ kind: 'kick', damping });

	it.each([0.05, 0.3, 0.7, 0.95])('is the damped spring with a first peak of 1 (ζ = %f)', (damping) => {
		const own = Math.sqrt(1 - damping * damping);
		const w = 2 * Math.PI * 3;
		const peakAt = Math.acos(damping) / (w * own);
		const value = (a: number): number => Math.exp(-damping * w * a) * Math.sin(w * own * a);
		const when = [0, peakAt, 0.05, 0.2, 1];
		const values = play(kick(damping), { pitch: at(2, 3, 'random') }, when).map((o) => o[3]!);
		expect(values[0]).toBe(0);
		expect(values[1]).toBeCloseTo(2, 9);
		when.forEach((a, i) => expect(Math.abs(values[i]! - (2 * value(a)) / value(peakAt))).toBeLessThan(1e-9));
		const fine = play(kick(damping), { pitch: at(1, 3) }, times(2, 500)).map((o) => o[3]!);
		expect(Math.max(...fine)).toBeLessThanOrEqual(1 + 1e-12);
	});

	it('kicks the other way with a negative amplitude, and refuses what does not swing', () => {
		const [there, back] = [1, -1].map((a) => play(kick(0.3), { x: at(a, 5) }, [0.03])[0]![0]!);
		expect(back).toBe(-there!);
		expect(() => compileKick({ kind: 'kick', damping: 1 })).toThrow(/between 0 and 1; it is 1/);
	});
});

describe('keys', () => {
	const poses = [
		{ at: 0.25, value: 1 },
		{ at: 0.5, value: 0.2, ease: 'linear' as const },
		{ at: 0.75, value: -1 }
	];

	it('pass their poses, looped, whatever the cycle', () => {
		for (const cycle of [0.5, 2]) {
			const when = [0.25, 0.5, 0.625, 0.75, 1.25, 7.5].map((t) => t * cycle);
			const values = play({ kind: 'keys', cycle, loop: true }, { y: at(3, 1, 'zero', poses) }, when).map((o) => o[1]!);
			[3, 0.6, -1.2, -3, 3, 0.6].forEach((v, i) => expect(values[i]).toBeCloseTo(v, 9));
		}
	});

	it('have no hitch at the seam: value and slope go on', () => {
		const e = 1e-5;
		for (const keys of [
			poses,
			[
				{ at: 0, value: 0.4 },
				{ at: 0.4, value: -0.3 },
				{ at: 1, value: 0.9 }
			],
			[{ at: 0.5, value: 1 }]
		]) {
			const [a, b, c] = play({ kind: 'keys', cycle: 1, loop: true }, { y: at(1, 1, 'zero', keys) }, [
				3 - e,
				3,
				3 + e
			]).map((o) => o[1]!);
			expect(Math.abs(b! - a!)).toBeLessThan(1e-3);
			expect(Math.abs(c! - b! - (b! - a!)) / e).toBeLessThan(0.01);
		}
	});

	it('once, begin and end at 0 and stay there', () => {
		const values = play(
			{ kind: 'keys', cycle: 1, loop: false },
			{ y: at(1, 1, 'random', poses) },
			[0, 0.25, 0.75, 0.9999, 1, 5]
		).map((o) => o[1]!);
		[0, 1, -1, 0, 0, 0].forEach((v, i) => expect(values[i]).toBeCloseTo(v, 3));
		expect(values[4]).toBe(0);
	});

	it('never overshoot where no slope is given, and none is still', () => {
		const values = play({ kind: 'keys', cycle: 1, loop: true }, { y: at(1, 1, 'zero', poses) }, times(1, 500)).map(
			(o) => o[1]!
		);
		expect(Math.max(...values.map(Math.abs))).toBeLessThanOrEqual(1 + 1e-12);
		expect(play({ kind: 'keys', cycle: 1, loop: true }, { y: at(1, 1) }, [0.3])[0]![1]).toBe(0);
	});
});
