import { describe, expect, it } from 'vitest';
import { CHANNEL_COUNT, newPreset } from 'dinesis-runtime/tools';
import type { Track } from '$lib/analysis';
import { channelFigures, settlesIn } from './channels';
import { densityOf, mainFrequency, seenFrequency, shareBetween } from './spectrum';
import { seenOf } from './seen';
import { reviewShake } from './preset';
import { apartOf, likelyAbove, quantile, spreadOf, twoSided } from './spread';

const FPS = 960;
const track = (seconds: number, of: Partial<Record<number, (t: number) => number>>): Track => {
	const count = Math.round(seconds * FPS);
	const values = new Float64Array(count * CHANNEL_COUNT);
	for (let i = 0; i < count; i++)
		for (let c = 0; c < CHANNEL_COUNT; c++) values[i * CHANNEL_COUNT + c] = of[c]?.(i / FPS) ?? 0;
	return { fps: FPS, count, values };
};
const sine = (amplitude: number, hertz: number) => (t: number) => amplitude * Math.sin(2 * Math.PI * hertz * t);
/** Relatively. */
const near = (value: number, wanted: number, within = 1e-6): void =>
	expect(Math.abs(value - wanted)).toBeLessThan(within * Math.max(1, Math.abs(wanted)));

describe('a channel', () => {
	it('of a sine: its amplitude, ÷ √2, · 2πf, · (2πf)²', () => {
		const [x, y] = channelFigures(track(4, { 1: sine(0.3, 5) }));
		expect(x).toEqual({ peak: 0, rms: 0, speed: 0, acceleration: 0 });
		// 960 samples a second meet the crest of 5 Hz.
		near(y!.peak, 0.3);
		near(y!.rms, 0.3 / Math.SQRT2);
		near(y!.speed, 0.3 * 2 * Math.PI * 5);
		near(y!.acceleration, 0.3 * (2 * Math.PI * 5) ** 2);
	});

	it('settles where a ramp has come down to a share of it', () => {
		const ramp = Array.from({ length: 1001 }, (_, i) => 1 - i / 1000);
		near(settlesIn(ramp, 1000, 0.05)!, 0.95);
		expect(settlesIn([...ramp, 0.2], 1000, 0.05)).toBe(null);
		expect(settlesIn([0, 0, 0], 10)).toBe(0);
	});
});

describe('a spectrum', () => {
	it('of a sine has half its squared amplitude, at its frequency', () => {
		const signal = Array.from({ length: 8192 }, (_, i) => sine(0.4, 7.5)(i / 960));
		// A frequency that meets a bin: 960 ÷ 2048 · 16.
		const density = densityOf(signal, 960);
		near(density.step, 960 / 2048);
		near(density.values.reduce((sum, v) => sum + v, 0) * density.step, (0.4 * 0.4) / 2);
		near(mainFrequency(density), 7.5);
		near(shareBetween(density, 6.5, 8.5), 1, 1e-9);
		expect(shareBetween(density, 0.1, 0.5)).toBeLessThan(1e-9);
	});

	it('of two sines shares by their squares, and of rest is none', () => {
		const signal = Array.from({ length: 8192 }, (_, i) => sine(3, 7.5)(i / 960) + sine(1, 30)(i / 960));
		near(shareBetween(densityOf(signal, 960), 20, 40), 0.1);
		const rest = densityOf(new Float64Array(500).fill(2), 960);
		expect([mainFrequency(rest), shareBetween(rest, 0, 480)]).toEqual([0, 0]);
	});

	it('of a blow that dies away is highest just below its frequency, though it is over within a segment', () => {
		// e^(−at) sin(2πft): highest where (2πf′)² = (2πf)² − a².
		const [a, f] = [12, 8];
		const blow = Array.from({ length: 480 }, (_, i) => Math.exp((-a * i) / 960) * sine(1, f)(i / 960));
		const wanted = Math.sqrt((2 * Math.PI * f) ** 2 - a * a) / (2 * Math.PI);
		const filled = [...blow, ...Array<number>(8192 - 480).fill(0)];
		near(mainFrequency(densityOf(filled, 960, { once: true })), wanted, 0.01);
		// All of its energy is in it: its squares by its length.
		const density = densityOf(filled, 960, { once: true });
		near(
			density.values.reduce((sum, v) => sum + v, 0) * density.step,
			blow.reduce((sum, v) => sum + v * v, 0) / 8192,
			1e-5
		);
	});

	it('is folded where a display is slower', () => {
		expect([12, 30, 40, 61, 90].map((f) => seenFrequency(f, 60))).toEqual([12, 30, 20, 1, 30]);
	});
});

/** Half a picture's height, a metre away. */
const HALF = Math.tan(Math.PI / 6);

describe('a motion as it is seen', () => {
	it('a turn moves the centre by tan ψ ÷ tan 30°, at every distance alike', () => {
		const turned = track(0.1, { 4: () => 2 });
		const wanted = (Math.tan((2 * Math.PI) / 180) / HALF) * 540;
		for (const distance of [1, 5, 20, 100]) near(seenOf(turned, 'space', { distance }).farthest, wanted);
		near(seenOf(turned, 'space').percent, wanted / 10.8);
	});

	it('a step aside moves it by x ÷ (d tan 30°): less the farther', () => {
		const aside = track(0.1, { 0: () => 0.2 });
		for (const distance of [1, 5, 20, 100])
			near(seenOf(aside, 'space', { distance }).farthest, (0.2 / distance / HALF) * 540);
	});

	it('a flat picture moves by its pixels, at its own size', () => {
		near(seenOf(track(0.1, { 0: () => 27 }), 'flat', { pixels: 2160 }).farthest, 54);
	});

	it('how fast, how long out of place, and its path while the shutter is open', () => {
		// Sixty pixels a second to the right, from rest at 0.
		const drift = track(1, { 0: (t) => 60 * t });
		const seen = seenOf(drift, 'flat', { share: 0.02, pictures: 60 });
		near(seen.fastest, 60);
		near(seen.smear, 60 / 120);
		// Two percent of 1080 are 21.6 px: from 0.36 s on.
		expect(seen.outOfPlace).toBeCloseTo(0.64, 2);
		expect(seen.offPicture).toBe(0);
		expect(seenOf(track(1, { 0: () => 400 }), 'flat', { at: [-0.9, 0] }).offPicture).toBe(1);
	});
});

describe('a shake', () => {
	it('that turns the camera once is told as it is seen, with the same for each seed', () => {
		const base = newPreset('turn', 'Turn');
		const none = { time: 0, ease: 'linear' } as const;
		const still = {
			...base,
			timing: { ...base.timing, mode: 'burst' as const, duration: 1, fadeIn: none, fadeOut: none },
			layers: [
				{
					...base.layers[0]!,
					pattern: { kind: 'wave' as const, shape: 'square' as const },
					channels: { yaw: { amplitude: 2, frequency: 0, start: 'zero' as const } }
				}
			]
		};
		const { spread, plays, settles } = reviewShake(still, { seeds: 3 })!;
		near(spread.percent.median, (Math.tan((2 * Math.PI) / 180) / HALF) * 50);
		near(spread.near.worst, spread.percent.worst);
		expect(plays).toHaveLength(3);
		expect(new Set(plays.map((p) => p.percent)).size).toBe(1);
		// Three percent of the height, for its whole second.
		expect(spread.outOfPlace.median).toBeCloseTo(1, 2);
		expect(settles).toBeCloseTo(1, 2);
		expect(reviewShake(still, { seeds: 3, going: (part) => part < 0.5 })).toBe(null);
	});
});

describe('a spread', () => {
	it('is told by its quantiles, and which play was which', () => {
		expect(quantile([1, 2, 3, 4], 0.5)).toBe(2.5);
		const spread = spreadOf([5, 1, 3]);
		expect([spread.order, spread.mildest, spread.median, spread.worst]).toEqual([[1, 2, 0], 1, 3, 5]);
	});

	it('a limit that was never passed in ten plays may be, in up to 28 of 100', () => {
		const z2 = 1.959963984540054 ** 2;
		const none = likelyAbove(Array<number>(10).fill(1), 2);
		expect([none.share, none.from]).toEqual([0, 0]);
		near(none.to, z2 / (10 + z2));
		// By hand: p = 0.3, n = 10.
		const some = likelyAbove([3, 3, 3, 1, 1, 1, 1, 1, 1, 1], 2);
		near(some.from, 0.10779126740630192);
		near(some.to, 0.6032218525388546);
	});

	it('two that never overlap are apart; two alike are not', () => {
		const low = Array.from({ length: 20 }, (_, i) => i);
		const high = low.map((v) => v + 100);
		const apart = apartOf(low, high);
		expect([apart.more, apart.by]).toEqual([1, 100]);
		expect(apart.chance).toBeLessThan(1e-6);
		const alike = apartOf(low, low);
		expect([alike.more, alike.by]).toEqual([0.5, 0]);
		expect(alike.chance).toBeGreaterThan(0.98);
		expect(apartOf([1, 1], [1, 1]).chance).toBeCloseTo(1, 6);
		near(twoSided(1.959963984540054), 0.05, 1e-6);
	});
});
