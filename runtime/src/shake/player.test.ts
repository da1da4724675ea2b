import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { newLayer, newPreset } from '../kit/fresh';
import type { ChannelSettings, Pattern, Start } from '../patterns/pattern';
import type { Layer, ShakePreset } from './types';
import { JUMPS_BETWEEN } from '../patterns/jumps';
import { createPlayer } from './create';

const none = { time: 0, ease: 'linear' } as const;
const noise: Pattern = { kind: 'noise', octaves: 3, lacunarity: 2, persistence: 0.5 };
const sine: Pattern = { kind: 'wave', shape: 'sine' };
const PATTERNS: readonly Pattern[] = [
	noise,
	{ kind: 'noise', octaves: 1, lacunarity: 2, persistence: 0.5 },
	...(['sine', 'triangle', 'square', 'sawtooth'] as const).map((shape): Pattern => ({ kind: 'wave', shape })),
	...JUMPS_BETWEEN.map((between): Pattern => ({ kind: 'jumps', within: 'box', between, ease: 'smooth' })),
	{ kind: 'jumps', within: 'ball', between: 'damped', ease: 'smooth' },
	{ kind: 'keys', cycle: 0.4, loop: true },
	{ kind: 'keys', cycle: 2.5, loop: false },
	{ kind: 'kick', damping: 0.25 }
];
const STARTS: readonly Start[] = ['zero', 'random', 0.3];

const channel = (amplitude: number, frequency: number, start: Start = 'random'): ChannelSettings => ({
	amplitude,
	frequency,
	start,
	keys: [
		{ at: 0, value: 0 },
		{ at: 0.3, value: 1 },
		{ at: 0.7, value: -0.6, ease: 'smooth' }
	]
});
const layer = (pattern: Pattern, channels: Layer['channels'], part: Partial<Layer> = {}): Layer => ({
	...newLayer('one'),
	pattern,
	channels,
	...part
});
function preset(timing: Partial<ShakePreset['timing']>, layers: Layer[], part: Partial<ShakePreset> = {}): ShakePreset {
	const base = newPreset('p', 'P');
	return { ...base, ...part, timing: { ...base.timing, ...timing }, layers };
}
const steady = { mode: 'continuous', fadeIn: none, fadeOut: none } as const;

/** One channel at each of `times`, after firing at 0. */
function follow(
	p: ShakePreset,
	times: readonly number[],
	at = 0,
	act?: (player: ReturnType<typeof createPlayer>, time: number) => void
): number[] {
	const player = createPlayer([p], { seed: 5 });
	player.fire('p');
	return times.map((time) => {
		act?.(player, time);
		return player.advanceTo(time)[at]!;
	});
}
const grid = (seconds: number, fps: number): number[] =>
	Array.from({ length: Math.floor(seconds * fps) + 1 }, (_, i) => i / fps);

describe('a play', () => {
	it('is amplitude × amounts × strength × sine × gain, within 1e-9', () => {
		const p = preset(
			{ duration: 2, delay: 0.25, fadeIn: { time: 0.5, ease: 'linear' }, fadeOut: { time: 1, ease: 'linear' } },
			[layer(sine, { pitch: channel(3, 1.7, 0.2) }, { amount: 0.5, rate: 2 })],
			{ amount: 1.5, rate: 0.8 }
		);
		const player = createPlayer([p]);
		player.fire('p', { strength: 0.6 });
		for (const time of [0.1, 0.25, 0.5, 1, 1.9, 2.2, 2.26]) {
			const age = time - 0.25;
			const gain = age < 0 || age >= 2 ? 0 : Math.min(1, age / 0.5) * (1 - Math.max(0, age - 1));
			const wanted = 3 * 1.5 * 0.5 * 0.6 * Math.sin(2 * Math.PI * (1.7 * 0.8 * 2 * age + 0.2)) * gain;
			expect(Math.abs(player.advanceTo(time)[3]! - wanted)).toBeLessThan(1e-9);
		}
	});

	it('adds up layers and plays, each with its own delay', () => {
		const p = preset(steady, [
			layer(sine, { x: channel(1, 1, 'zero') }),
			layer(sine, { x: channel(1, 1, 'zero') }, { id: 'two', delay: 0.5 })
		]);
		const [first, second] = follow(p, [0.25, 0.75]);
		expect(first).toBeCloseTo(1, 12);
		// sin(270°) of the first and sin(90°) of the second cancel out.
		expect(second).toBeCloseTo(0, 12);
		const player = createPlayer([p]);
		player.fire('p');
		player.fire('p');
		expect(player.advanceTo(0.25)[0]).toBeCloseTo(2, 12);
	});

	it('a layer that begins later has its own fade in', () => {
		const p = preset({ ...steady, fadeIn: { time: 1, ease: 'linear' } }, [
			layer({ kind: 'wave', shape: 'square' }, { x: channel(1, 0, 'zero') }, { delay: 2 })
		]);
		expect(follow(p, [1.9, 2, 2.25, 3.5])).toEqual([0, 0, 0.25, 1]);
	});

	it('carries its phase: with nothing changed it is f · age after an hour of frames', () => {
		const p = preset(steady, [layer({ kind: 'wave', shape: 'sawtooth' }, { x: channel(1, 7.3, 'zero') })]);
		const player = createPlayer([p]);
		player.fire('p');
		for (let i = 1; i <= 3600 * 30; i++) player.advanceTo(i / 30);
		const phase = 7.3 * 3600;
		expect(player.offset[0]).toBeCloseTo(2 * (phase - Math.round(phase)), 8);
	});

	it.each(
		PATTERNS.filter(
			(p) =>
				!(p.kind === 'wave' && (p.shape === 'square' || p.shape === 'sawtooth')) &&
				!(p.kind === 'jumps' && p.between === 'hold')
		)
	)('makes no jump when frequency, rate or layer rate change while it plays (%o)', (pattern) => {
		const tuned = (frequency: number, rate: number): ShakePreset =>
			preset(steady, [layer(pattern, { x: channel(1, frequency) })], { rate });
		const values = follow(tuned(3, 1), grid(6, 600), 0, (player, time) => {
			if (time > 1 && time < 2) player.setPreset(tuned(3 + (time - 1) * 8, 1));
			if (time > 3 && time < 4) player.setPreset(tuned(11, 1 - (time - 3) * 0.7));
		});
		let most = 0;
		for (let i = 1; i < values.length; i++) most = Math.max(most, Math.abs(values[i]! - values[i - 1]!));
		// The steepest these patterns get: 4 octave slopes at 11 Hz over one 600th of a second.
		expect(most).toBeLessThan(0.45);
	});

	it('a play of noise depends on layer id and channel, not on their order', () => {
		const a = layer(noise, { x: channel(1, 3) }, { id: 'a' });
		const b = layer(noise, { y: channel(1, 3) }, { id: 'b' });
		expect(follow(preset(steady, [a, b]), grid(1, 20))).toEqual(follow(preset(steady, [b, a]), grid(1, 20)));
		const both = preset(steady, [layer(noise, { x: channel(1, 3), y: channel(1, 3), roll: channel(1, 3) })]);
		const [x, y, roll] = [0, 1, 5].map((c) => follow(both, grid(2, 20), c));
		const alike = (p: number[], q: number[]) => p.reduce((sum, v, i) => sum + v * q[i]!, 0) / p.length;
		expect(Math.abs(alike(x!, y!)) + Math.abs(alike(x!, roll!))).toBeLessThan(0.25);
	});

	it('a pinned seed repeats, otherwise each play differs', () => {
		const free = preset(steady, [layer(noise, { x: channel(1, 3) })]);
		const twice = (p: ShakePreset): number[] => {
			const player = createPlayer([p]);
			player.fire('p');
			player.advanceTo(1);
			player.stopAll(true);
			player.advanceTo(2);
			player.fire('p');
			return [follow(p, [1])[0]!, player.advanceTo(3)[0]!];
		};
		expect(twice({ ...free, seed: 11 })[0]).toBe(twice({ ...free, seed: 11 })[1]);
		expect(twice(free)[0]).not.toBe(twice(free)[1]);
	});
});

describe('stopping', () => {
	const hum = preset(
		{ mode: 'continuous', fadeIn: { time: 1, ease: 'linear' }, fadeOut: { time: 0.5, ease: 'linear' } },
		[layer({ kind: 'wave', shape: 'square' }, { x: channel(1, 0, 'zero') })]
	);

	it('fades from where the gain is, also in the middle of the fade in', () => {
		const player = createPlayer([hum]);
		const play = player.fire('p')!;
		expect(player.advanceTo(0.6)[0]).toBeCloseTo(0.6, 12);
		play.stop(0.6);
		expect(player.advanceTo(0.6)[0]).toBeCloseTo(0.6, 12);
		expect(player.advanceTo(0.85)[0]).toBeCloseTo(0.3, 12);
		play.stop(0.85);
		expect(player.advanceTo(1.05)[0]).toBeCloseTo(0.06, 12);
		expect(player.advanceTo(1.1)[0]).toBe(0);
		expect(player.plays).toHaveLength(0);
	});

	it('a cut ends it at once; a stop during the delay means that it never starts', () => {
		const player = createPlayer([hum]);
		player.fire('p')!.cut(0);
		expect(player.advanceTo(0.5)[0]).toBe(0);
		expect(player.plays).toHaveLength(0);
		const late = createPlayer([{ ...hum, timing: { ...hum.timing, delay: 1 } }]);
		late.fire('p');
		late.advanceTo(0.5);
		late.stopPreset('p');
		expect([0.6, 1.5, 3].map((t) => late.advanceTo(t)[0])).toEqual([0, 0, 0]);
	});

	it('a removed preset fades out, an unknown one does not fire', () => {
		const player = createPlayer([hum]);
		player.fire('p');
		player.advanceTo(1.5);
		player.removePreset('p');
		expect(player.advanceTo(1.75)[0]).toBeCloseTo(0.5, 12);
		expect(player.fire('p')).toBeNull();
	});
});

// The contract that every pattern keeps, whatever it is told.
describe.each(PATTERNS)('contract of %o', (pattern) => {
	const meant =
		(pattern.kind === 'wave' && (pattern.shape === 'square' || pattern.shape === 'sawtooth')) ||
		(pattern.kind === 'jumps' && pattern.between === 'hold');
	const timings: readonly Partial<ShakePreset['timing']>[] = [
		{ duration: 0.8, fadeIn: { time: 0.1, ease: 'sine-out' }, fadeOut: { time: 0.5, ease: 'cubic-out' } },
		{
			duration: 0.8,
			fadeIn: { time: 0.3, ease: 'linear' },
			fadeOut: { time: 0.5, ease: 'smooth' },
			life: { decayHalfLife: 0.3 }
		},
		{
			mode: 'continuous',
			fadeIn: { time: 0.2, ease: 'smooth' },
			fadeOut: { time: 0.3, ease: 'smooth' },
			growth: { from: 1, to: 2, over: 1 }
		}
	];
	const cases = STARTS.flatMap((start) => timings.map((timing) => ({ start, timing })));

	it.each(cases)(
		'begin $start, timing $timing: finite, bounded, deterministic, no jump, zero after the end',
		({ start, timing }) => {
			const p = preset(timing, [layer(pattern, { y: channel(0.5, 3, start) })]);
			const run = (): number[] =>
				follow(p, grid(3, 1000), 1, (player, time) => {
					if (time === 1.2) player.stopAll();
				});
			const values = run();
			expect(values).toEqual(run());
			expect(values.every((v) => Number.isFinite(v) && Math.abs(v) <= 0.5 * 2)).toBe(true);
			expect(values.slice(2000).every((v) => v === 0)).toBe(true);
			expect(values.some((v) => Math.abs(v) > 0.005)).toBe(true);
			expect(values[0]).toBeCloseTo(0, 12);
			if (!meant)
				for (let i = 1; i < values.length; i++) expect(Math.abs(values[i]! - values[i - 1]!)).toBeLessThan(0.08);
		}
	);

	it('is the same at 30 and 144 frames a second', () => {
		const p = preset(timings[0]!, [layer(pattern, { x: channel(1, 4) })]);
		const coarse = follow(p, grid(1, 30));
		const fine = follow(p, grid(1, 144));
		for (const [i, k] of [
			[0, 0],
			[5, 24],
			[10, 48],
			[20, 96],
			[25, 120]
		] as const)
			expect(coarse[i]).toBe(fine[k]);
	});
});

describe('rest', () => {
	it('is exact: whatever was fired, retuned and stopped, in the end every channel is 0', () => {
		const act = fc.record({ at: fc.double({ min: 0, max: 4, noNaN: true }), what: fc.integer({ min: 0, max: 4 }) });
		fc.assert(
			fc.property(fc.array(act, { maxLength: 12 }), (acts) => {
				const p = preset({ duration: 0.7 }, [layer(noise, { x: channel(0.1, 4), roll: channel(2, 3) })]);
				const hum = { ...preset({ mode: 'continuous' }, [layer(sine, { y: channel(0.1, 4) })]), id: 'hum' };
				const player = createPlayer([p, hum]);
				for (const { at, what } of [...acts].sort((a, b) => a.at - b.at)) {
					player.advanceTo(at);
					if (what === 0) player.fire('p');
					else if (what === 1) player.fire('hum');
					else if (what === 2) player.setPreset({ ...p, rate: 1 + at });
					else if (what === 3) player.stopPreset('hum');
					else player.stopAll(at > 2);
				}
				player.stopAll();
				expect([...player.advanceTo(9)]).toEqual([0, 0, 0, 0, 0, 0, 0]);
				expect(player.plays).toHaveLength(0);
			}),
			{ seed: 45 }
		);
	});
});
