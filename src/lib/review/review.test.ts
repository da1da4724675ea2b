import { describe, expect, it } from 'vitest';
import { CHANNEL_COUNT, newBob, newLag, newPreset, newRig } from 'dinesis-runtime/tools';
import type { Track } from '$lib/analysis';
import { newCourse, wholeKit, type Course, type Kit } from '$lib/documents';
import { channelFigures, settlesIn, speedOf } from './channels';
import { comfortOf } from './comfort';
import { densityOf, mainFrequency, seenFrequency, shareBetween } from './spectrum';
import { seenOf, seenOfAll, EYES } from './seen';
import { detailOf, figuresOf } from './figures';
import { playMany, seedOf } from './many';
import { courseFor, neededFor, playOnce, type Motion } from './motion';
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
		// By octave the bins beside it, which a window fills, weigh 17 and 15 parts of 16: a hundredth of a bin.
		near(mainFrequency(density), 7.5, 0.003);
		near(shareBetween(density, 6.5, 8.5), 1, 1e-9);
		expect(shareBetween(density, 0.1, 0.5)).toBeLessThan(1e-9);
	});

	it('of two sines shares by their squares, and of rest is none', () => {
		const signal = Array.from({ length: 8192 }, (_, i) => sine(3, 7.5)(i / 960) + sine(1, 30)(i / 960));
		near(shareBetween(densityOf(signal, 960), 20, 40), 0.1);
		const rest = densityOf(new Float64Array(500).fill(2), 960);
		expect([mainFrequency(rest), shareBetween(rest, 0, 480)]).toEqual([0, 0]);
	});

	it('of a blow that dies away is highest where its formula is, though it is over within a segment', () => {
		// e^(−at) sin(2πft), power ∝ u^½ ÷ ((W − u)² + 4a²u) by octave, u = (2πf′)², W = (2πf)² + a²: 3u² − (2W − 4a²)u − W² = 0.
		const [a, f] = [12, 8];
		const blow = Array.from({ length: 480 }, (_, i) => Math.exp((-a * i) / 960) * sine(1, f)(i / 960));
		const w = (2 * Math.PI * f) ** 2 + a * a;
		const half = 2 * w - 4 * a * a;
		const wanted = Math.sqrt((half + Math.sqrt(half * half + 12 * w * w)) / 6) / (2 * Math.PI);
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
		near(seenOf(track(0.1, { 0: () => 27 }), 'flat', {}, { pixels: 2160 }).farthest, 54);
	});

	it('how fast, how long out of place, and its path while the shutter is open', () => {
		// Sixty pixels a second to the right, from rest at 0.
		const drift = track(1, { 0: (t) => 60 * t });
		const seen = seenOf(drift, 'flat', {}, { share: 0.02, pictures: 60 });
		near(seen.fastest, 60);
		near(seen.smear, 60 / 120);
		// Two percent of 1080 are 21.6 px: from 0.36 s on.
		expect(seen.outOfPlace).toBeCloseTo(0.64, 2);
		expect(seen.offPicture).toBe(0);
		expect(seenOf(track(1, { 0: () => 400 }), 'flat', { at: [-0.9, 0] }).offPicture).toBe(1);
	});
});

describe('several things at once', () => {
	it('are told as each by itself; the trail is where the centre is off its place', () => {
		const moved = track(0.5, { 0: sine(0.2, 3), 4: sine(1, 5), 5: sine(4, 2) });
		const things = [
			{ distance: 5, at: [0, 0] },
			{ distance: 2, at: [0.5, -0.5] }
		] as const;
		const both = seenOfAll(moved, 'space', things, EYES);
		things.forEach((thing, k) => expect(both[k]).toEqual(seenOf(moved, 'space', thing)));
		const aside = seenOf(track(0.1, { 0: () => 0.2 }), 'space');
		// A step aside of 1 m/s goes by in 1 ÷ (d tan 30°) half heights a second: less the farther.
		const goes = figuresOf({ ...at120(1, { 0: (t) => t }) });
		const speed = (d: number): number => (1 / d / HALF) * 50;
		near(goes.nearFast, speed(1));
		near(goes.fastest, speed(5));
		near(goes.middleFast, speed(20));
		near(goes.distantFast, speed(100));
		// To the right: what stands still goes to the left.
		near(aside.trail[20]!, (-0.2 / 5 / HALF) * 50);
		near(aside.degrees, (Math.atan(0.2 / 5) / Math.PI) * 180);
	});

	it('how long the path within a picture is too long to make anything out', () => {
		// 2,400 px a second for half of it: 20 px while the shutter is open, 12 are the most.
		const rush = track(1, { 0: (t) => (t < 0.5 ? 2400 * t : 1200) });
		expect(seenOf(rush, 'flat').smeared).toBeCloseTo(0.5, 2);
		expect(seenOf(track(1, { 0: (t) => 1300 * t }), 'flat').smeared).toBe(0);
	});
});

const at120 = (seconds: number, of: Partial<Record<number, (t: number) => number>>): Motion => {
	const count = Math.round(seconds * 120);
	const values = new Float64Array(count * CHANNEL_COUNT);
	for (let i = 0; i < count; i++)
		for (let c = 0; c < CHANNEL_COUNT; c++) values[i * CHANNEL_COUNT + c] = of[c]?.(i / 120) ?? 0;
	return { view: 'space', track: { fps: 120, count, values }, ends: false, path: null };
};
const comfort = (motion: Motion) => comfortOf(motion, seenOf(motion.track, motion.view), 1080);

describe('comfort', () => {
	it('roll and turning of a sine: its amplitude, and · 2πf', () => {
		const { roll, turning } = comfort(at120(10, { 5: sine(3, 1) }));
		near(roll, 3);
		near(turning, 3 * 2 * Math.PI);
		near(speedOf(at120(10, { 3: sine(2, 1) }).track, 3), 4 * Math.PI);
	});

	it('slow sway and heave: only what lies between 0.1 and 0.5 Hz, root mean square', () => {
		// 120 ÷ 2048 · 4: within the band, and meets a bin.
		const slow = (120 / 2048) * 4;
		const { sway, heave } = comfort(at120((2048 * 4) / 120, { 1: sine(0.1, slow) }));
		near(heave, 10 / Math.SQRT2, 1e-6);
		// The centre 5 m away: x ÷ (5 tan 30°), in percent of the height.
		near(sway, ((0.1 / 5 / HALF) * 50) / Math.SQRT2, 1e-6);
		const fast = comfort(at120((2048 * 4) / 120, { 1: sine(0.1, slow * 16) }));
		expect([fast.sway < 1e-6, fast.heave < 1e-6]).toEqual([true, true]);
		// What is shorter than five seconds holds none that one could tell.
		expect(comfort(at120(4.9, { 1: sine(0.1, slow) })).heave).toBe(0);
	});

	it('lens pumping is the largest swing within a second', () => {
		near(comfort(at120(10, { 6: sine(4, 2) })).pumping, 8);
		// A ramp of 2° a second: 2° in each.
		near(comfort(at120(10, { 6: (t) => 2 * t })).pumping, 2, 1e-3);
	});

	it('load is the way of the centre by the time it took', () => {
		// A step aside of 1 m/s, 5 m away.
		near(comfort(at120(4, { 0: (t) => t })).load, (1 / 5 / HALF) * 50, 1e-6);
	});

	it('large motions are counted by the minute: each begins beyond 5 % and is over below half of that', () => {
		// 10 % for a second, every ten seconds.
		const far = 0.1 * 2 * 5 * HALF;
		const blows = at120(125, { 0: (t) => (t % 10 < 1 ? far : 0) });
		expect(comfort(blows).large).toBe(6);
		// Down to 3 % only it is the same one.
		expect(comfort(at120(125, { 0: (t) => (t % 10 < 1 ? far : far * 0.3) })).large).toBe(1);
		expect(comfort(at120(125, { 0: () => far * 0.45 })).large).toBe(0);
	});
});

const square = (id: string, channels: Record<string, number>) => {
	const base = newPreset(id, id);
	const none = { time: 0, ease: 'linear' } as const;
	return {
		...base,
		timing: { ...base.timing, mode: 'burst' as const, duration: 1, fadeIn: none, fadeOut: none },
		layers: [
			{
				...base.layers[0]!,
				pattern: { kind: 'wave' as const, shape: 'square' as const },
				channels: Object.fromEntries(
					Object.entries(channels).map(([name, amplitude]) => [
						name,
						{ amplitude, frequency: 0, start: 'zero' as const }
					])
				)
			}
		]
	};
};
const nothing = { events: [], parameters: [], cues: [], rigs: [], world: { events: [], values: [] } };
const kitWith = (parts: Partial<Kit>): Kit => ({ ...wholeKit('K', [], nothing as never, []), ...parts });
const walk = (rig: string | null, more: Partial<Course> = {}): Course => ({
	...newCourse('walk', 'Walk'),
	seconds: 6,
	steps: false,
	rig,
	path: [
		{ x: 0, y: 0, z: 0, speed: 2, pause: 1 },
		{ x: 0, y: 0, z: -8, speed: 2, pause: 3 }
	],
	...more
});

describe('what is under review', () => {
	const kit = kitWith({ presets: [square('turn', { yaw: 2 }), square('tilt', { roll: 3 })] });

	it('a shake that turns the camera once is told as it is seen, the same for each seed', () => {
		const asked = { kit, subject: { kind: 'shake', id: 'turn' } } as const;
		const { spread, plays } = playMany(asked, { seeds: 3 })!;
		near(spread.percent.median, (Math.tan((2 * Math.PI) / 180) / HALF) * 50);
		near(spread.near.worst, spread.percent.worst);
		expect(plays).toHaveLength(3);
		expect(new Set(plays.map((p) => p.percent)).size).toBe(1);
		// Three percent of the height, for its whole second.
		expect(spread.outOfPlace.median).toBeCloseTo(1, 2);
		expect(detailOf(playOnce(asked, 1)).settles).toBeCloseTo(1, 2);
		expect(playMany(asked, { seeds: 3, going: (part) => part < 0.5 })).toBe(null);
		expect(seedOf(spread.percent, 'worst')).toBeLessThanOrEqual(3);
		// Half as strong is half as far.
		near(figuresOf(playOnce({ ...asked, strength: 0.5 }, 1)).turning, figuresOf(playOnce(asked, 1)).turning / 2);
	});

	it('a cue fires its event once, with the numbers as high as they go, and is told with what it plays', () => {
		const cue = {
			id: 'c',
			on: true,
			event: 'hit',
			when: 'happens',
			conditions: { tags: [], values: [], parameters: [], chance: 1, coolDown: 0, once: false },
			actions: [
				{
					id: '1',
					kind: 'play',
					pick: [{ preset: 'tilt', weight: 1 }],
					strength: {
						by: 'v',
						curve: [
							{ at: 0, value: 0 },
							{ at: 1, value: 1 }
						]
					},
					length: null,
					rate: 1,
					delay: 0,
					fromPlace: false,
					buildUp: null
				}
			],
			feltBy: 'one'
		};
		const events = [
			{
				id: 'hit',
				name: 'Hit',
				kind: 'moment',
				placed: false,
				tags: [],
				values: [{ id: 'v', unit: '', min: 2, max: 6 }]
			}
		];
		const wired = kitWith({ presets: kit.presets, cues: [cue] as never, events: events as never });
		const of = (strength: number) =>
			figuresOf(playOnce({ kit: wired, subject: { kind: 'cue', id: 'c' }, strength }, 1)).roll;
		near(of(1), 3);
		// Half way the curve is half as high.
		near(of(0.5), 1.5);
		expect(courseFor({ kit: wired, subject: { kind: 'cue', id: 'c' }, strength: 0.25 }).events[0]!.values).toEqual({
			v: 3
		});
	});

	it('what only follows is no motion of the picture, and a lag that catches up turns no faster than the player did', () => {
		const lag = newLag('lag', 'Lag');
		const rigs = [{ ...newRig('eyes', 'Eyes'), lag: 'lag', bob: null }];
		const followed = kitWith({ presets: [lag], rigs: rigs as never });
		const motion = playOnce(
			{ kit: { ...followed, courses: [walk('eyes')] }, subject: { kind: 'course', id: 'walk' } },
			1
		);
		const { percent, roll, turning } = figuresOf(motion);
		expect([percent, roll, turning]).toEqual([0, 0, 0]);
		// The camera itself goes the way: eight metres forward at eye height.
		expect(motion.path!.places.at(-1)).toBeCloseTo(-8, 2);
	});

	it('a head bob is in the path: it heaves as high as it says, and what moves is told at the rate of the steps', () => {
		const bob = newBob('bob', 'Bob');
		const rigs = [{ ...newRig('eyes', 'Eyes'), bob: 'bob', lag: null }];
		const bobbed = kitWith({ presets: [bob], rigs: rigs as never, courses: [walk('eyes')] });
		const motion = playOnce({ kit: bobbed, subject: { kind: 'course', id: 'walk' } }, 1);
		const most = Math.max(...motion.path!.heave.map(Math.abs));
		const { peak } = channelFigures(motion.track)[1]!;
		expect(peak).toBeGreaterThan(0.001);
		near(most, peak, 1e-6);
	});

	it('of a kit only what is needed goes along, and what is not there is said', () => {
		const needed = neededFor({ ...kit, courses: [walk(null)] }, { kind: 'shake', id: 'tilt' });
		expect([needed.presets.map(({ id }) => id), needed.courses]).toEqual([['tilt'], []]);
		for (const kind of ['shake', 'cue', 'rig', 'course'] as const)
			expect(() => playOnce({ kit, subject: { kind, id: 'gone' } }, 1)).toThrow('“gone”');
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
