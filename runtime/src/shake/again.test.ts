import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { newLayer, newPreset } from '../kit/fresh';
import type { Layer, OverlapRule, Reach, ShakePreset } from './types';
import type { FireOptions } from './options';
import { createPlayer } from './create';
import { type Player } from './player';

const none = { time: 0, ease: 'linear' } as const;
const linear = (time: number) => ({ time, ease: 'linear' }) as const;
const flat = (channel: 'x' | 'y', part: Partial<Layer> = {}): Layer => ({
	...newLayer(channel),
	pattern: { kind: 'wave', shape: 'square' },
	channels: { [channel]: { amplitude: 1, frequency: 0, start: 'zero' } },
	...part
});
/** Its motion is its level: 2 s, fade in 0.5 s, fade out 1 s, all straight. */
function level(
	rule: OverlapRule,
	part: Partial<ShakePreset> = {},
	timing: Partial<ShakePreset['timing']> = {}
): ShakePreset {
	const base = newPreset('a', 'a');
	const own = { ...base.timing, duration: 2, fadeIn: linear(0.5), fadeOut: linear(1), ...timing };
	return { ...base, timing: own, overlap: { rule, limit: 8 }, layers: [flat('x')], ...part };
}
const reach = (part: Partial<Reach> = {}): Reach => ({
	full: 0,
	edge: 10,
	falloff: 'linear',
	listener: 'camera',
	travelSpeed: null,
	...part
});
const near = (values: readonly number[], wanted: readonly number[]): void =>
	wanted.forEach((v, i) => expect(values[i]).toBeCloseTo(v, 9));
const x = (player: Player, ...times: number[]): number[] => times.map((t) => player.advanceTo(t)[0]!);
const at = (player: Player, time: number, options: FireOptions = {}) => {
	player.advanceTo(time);
	return player.fire('a', options);
};

describe('played again', () => {
	it('restart takes the new strength, rate, length and place: a hard blow after a soft one is hard', () => {
		const player = createPlayer([level('restart')]);
		at(player, 0, { strength: 0.2 });
		at(player, 1, { strength: 1, length: 3 });
		// From 0.2 up to 1 within the fade in; 3 s from the second one on, of which the last second fades.
		near(x(player, 1, 1.25, 1.5, 3, 3.5, 4), [0.2, 0.6, 1, 1, 0.5, 0]);
		const spun = createPlayer([
			level(
				'restart',
				{ layers: [flat('x', { channels: { x: { amplitude: 1, frequency: 1, start: 'zero' } } })] },
				{ fadeIn: none }
			)
		]);
		at(spun, 0);
		at(spun, 0.25, { rate: 2 });
		// A square of 1 Hz: after a quarter of a cycle it goes on at 2 Hz and turns at 0.375 s.
		near(x(spun, 0.37, 0.38, 0.62, 0.63), [1, -1, -1, 1]);
	});

	it('restart takes the new place by and by, without a jump', () => {
		const player = createPlayer([level('restart', { reach: reach() })]);
		at(player, 0, { at: [2, 0, 0] });
		at(player, 1, { at: [8, 0, 0] });
		// Felt in 0.8 before, in 0.2 after.
		near(x(player, 1, 1.25, 1.5), [0.8, 0.5, 0.2]);
	});

	it('extend: the stronger of both, longer by the event’s length, the place stays', () => {
		const player = createPlayer([level('extend', { reach: reach() })]);
		at(player, 0, { strength: 0.5, at: [5, 0, 0] });
		at(player, 1, { strength: 1, length: 1, at: [0, 0, 0] });
		// 2 + 1 s; from 0.5 · 0.5 to 1 · 0.5; fades in its last second.
		near(x(player, 1, 1.5, 2, 2.5, 3), [0.25, 0.5, 0.5, 0.25, 0]);
	});

	it('a rise is no longer than what is left', () => {
		const player = createPlayer([level('extend', {}, { fadeIn: linear(1), fadeOut: none })]);
		at(player, 0, {});
		at(player, 1.9, { strength: 2, length: 0.5 });
		// 0.6 s are left: within them it rises from 1 to 2.
		near(x(player, 1.9, 2.2, 2.499), [1, 1.5, 2 - 0.001 / 0.6]);
	});

	it('layers that run rise together, whatever their delays; one that has not begun keeps its own', () => {
		const late = flat('y', { delay: 0.8 });
		for (const rule of ['restart', 'extend'] as const) {
			const player = createPlayer([level(rule, { layers: [flat('x'), late] }, { duration: 4 })]);
			at(player, 0, { strength: 0.2 });
			at(player, 2, { strength: 1 });
			const both = [2, 2.25, 2.5].map((t) => [...player.advanceTo(t)].slice(0, 2));
			both.forEach(([a, b], i) => near([a!, b!], [0.2 + 0.4 * i, 0.2 + 0.4 * i]));
		}
		const early = createPlayer([level('restart', { layers: [flat('x'), late] })]);
		at(early, 0);
		at(early, 0.5);
		const y = (t: number): number => early.advanceTo(t)[1]!;
		// Its delay runs from the second one: 0.5 + 0.8 s.
		// Half of its fade in, where the last second has begun to fade: 0.5 · 0.95.
		near([y(1.29), y(1.55)], [0, 0.475]);
	});

	it('what comes from afar waits by itself, and is decided when it arrives', () => {
		const player = createPlayer([level('restart', { reach: reach({ edge: 1000, full: 999, travelSpeed: 10 }) })]);
		at(player, 0, { at: [30, 0, 0], strength: 0.5 }); // arrives at 3
		at(player, 1, { at: [0, 0, 0] }); // is there at once
		near(x(player, 1.5, 2), [1, 1]);
		// At 3 s the first one is over, having met the fade of the one that was there.
		near(x(player, 2.9), [0.1]);
		near(x(player, 3.5, 4.5), [0.5, 0.25]);
	});

	it('a stop or a cut drops what is on its way', () => {
		for (const cut of [false, true]) {
			const player = createPlayer([
				level('restart', { reach: reach({ edge: 1000, full: 999, travelSpeed: 10 }) }, { mode: 'continuous' })
			]);
			at(player, 0, { at: [0, 0, 0] });
			at(player, 1, { at: [20, 0, 0] });
			player.advanceTo(2);
			player.stopAll(cut);
			near(x(player, 4, 60), [0, 0]);
			expect(player.plays).toHaveLength(0);
		}
	});

	it('one that arrives with nothing does nothing', () => {
		const player = createPlayer([level('restart', { reach: reach() })]);
		at(player, 0, { at: [0, 0, 0] });
		expect(at(player, 1.5, { at: [10, 0, 0] })).toBeNull();
		near(x(player, 1.75), [0.25]);
	});

	it('a kick that is played again kicks again: the old one goes, a new one begins', () => {
		const kick: Layer = {
			...newLayer('k'),
			pattern: { kind: 'kick', damping: 0.4 },
			channels: { x: { amplitude: 1, frequency: 4, start: 'zero' } }
		};
		const preset = level('restart', { layers: [kick] }, { duration: 1.5, fadeIn: none, fadeOut: linear(0.2) });
		const player = createPlayer([preset]);
		const first = at(player, 0);
		const second = at(player, 0.9);
		expect(second).not.toBe(first);
		let most = 0;
		for (let t = 0.9; t < 1.4; t += 0.002) most = Math.max(most, player.advanceTo(t)[0]!);
		expect(most).toBeCloseTo(1, 2);
		player.advanceTo(0.96);
		expect(player.plays.map((play) => play.id)).toEqual([second!.id]);
	});

	it('a source in another direction is another play; in the same one it runs on', () => {
		const player = createPlayer([level('restart', { space: 'source' }, { mode: 'continuous' })]);
		const first = at(player, 0, { at: [0, 0, -5] });
		expect(at(player, 1, { at: [0, 0, -5] })).toBe(first);
		const turned = at(player, 2, { at: [5, 0, 0] });
		expect(turned).not.toBe(first);
		player.advanceTo(2.6);
		expect(player.plays.map((play) => play.id)).toEqual([turned!.id]);
	});

	it('counts from the event’s moment, not from the frame that noticed it', () => {
		const ends = [30, 60, 144].map((fps) => {
			const player = createPlayer([level('restart')]);
			player.fire('a');
			const frame = Math.ceil(1.003 * fps) / fps;
			player.advanceTo(frame);
			player.fire('a', { ago: frame - 1.003 });
			return x(player, 2.503)[0]!;
		});
		// Half of its last second, a second and a half after 1.003.
		near(ends, [0.5, 0.5, 0.5]);
	});

	it('a continuous one that is played with a length is over by then, fades that are longer scaled to fit', () => {
		const player = createPlayer([level('stack', {}, { mode: 'continuous' })]);
		player.fire('a', { length: 3 });
		near(x(player, 0.25, 1, 2, 2.5, 3), [0.5, 1, 1, 0.5, 0]);
		expect(player.plays).toHaveLength(0);
		const short = createPlayer([level('stack', {}, { mode: 'continuous' })]);
		short.fire('a', { length: 0.75 });
		// 0.5 and 1 s in 0.75 s: a quarter up, a half down.
		near(x(short, 0.125, 0.25, 0.5, 0.75), [0.5, 1, 0.5, 0]);
	});

	it('a continuous one with a length: restart sets it anew, extend adds', () => {
		const restarted = createPlayer([level('restart', {}, { mode: 'continuous' })]);
		at(restarted, 0, { length: 3 });
		at(restarted, 1, { length: 4 });
		near(x(restarted, 4, 4.5, 5), [1, 0.5, 0]);
		const extended = createPlayer([level('extend', {}, { mode: 'continuous' })]);
		at(extended, 0, { length: 3 });
		at(extended, 1, { length: 2 });
		near(x(extended, 4, 4.5, 5), [1, 0.5, 0]);
	});

	it('loses its strength straight, until nothing is left', () => {
		const player = createPlayer([
			level('stack', {}, { mode: 'continuous', fadeIn: none, life: { decayPerSecond: 0.25 } })
		]);
		player.fire('a');
		near(x(player, 0, 1, 3, 4, 5), [1, 0.75, 0.25, 0, 0]);
	});

	const moment = fc.record({
		at: fc.double({ min: 0, max: 5, noNaN: true }),
		strength: fc.double({ min: 0, max: 2, noNaN: true }),
		length: fc.option(fc.double({ min: 0.4, max: 3, noNaN: true })),
		far: fc.integer({ min: 0, max: 12 }),
		stop: fc.boolean()
	});
	const curved = (rule: OverlapRule, mode: 'burst' | 'continuous', kick: boolean): ShakePreset =>
		level(
			rule,
			{
				reach: reach({ full: 2, edge: 12, travelSpeed: 20 }),
				layers: [flat('x'), flat('y', { delay: 0.3 })].map((layer) => ({
					...layer,
					pattern: kick ? { kind: 'kick', damping: 0.5 } : { kind: 'wave', shape: 'sine' },
					channels: Object.fromEntries(
						Object.entries(layer.channels).map(([c, settings]) => [c, { ...settings, frequency: 1.5 }])
					)
				}))
			},
			{ mode, delay: 0.05, life: mode === 'burst' ? { decayHalfLife: 2 } : null }
		);

	it.each(['stack', 'restart', 'extend', 'ignore'] as const)(
		'%s: whatever happens between whichever frames, the motion is the same at any frame rate and has no jump',
		(rule) => {
			fc.assert(
				fc.property(fc.array(moment, { maxLength: 8 }), fc.boolean(), fc.boolean(), (list, continuous, kick) => {
					const moments = [...list].sort((a, b) => a.at - b.at);
					const run = (fps: number): number[][] => {
						const player = createPlayer([curved(rule, continuous ? 'continuous' : 'burst', kick)]);
						const rows: number[][] = [];
						let next = 0;
						for (let i = 0; i <= 8 * fps; i++) {
							const time = i / fps;
							// As the director does: the player is brought to each moment, then to the frame.
							for (; next < moments.length && moments[next]!.at <= time; next++) {
								const { at, strength, length, far, stop } = moments[next]!;
								player.bringTo(at);
								if (stop) player.stopAll();
								else player.fire('a', { strength, length: length ?? undefined, at: [far, 0, 0] });
							}
							rows.push([...player.advanceTo(time)]);
						}
						return rows;
					};
					const [slow, fast] = [run(20), run(240)];
					let apart = 0;
					slow.forEach((row, i) => row.forEach((v, c) => (apart = Math.max(apart, Math.abs(fast[i * 12]![c]! - v)))));
					expect(apart).toBeLessThan(1e-11);
					// The steepest: eight of strength 2, each a sine of 1.5 Hz or a kick, and a fade of 0.13 s at the least.
					const most = (8 * 2 * (2 * Math.PI * 1.5 * 2 + 8)) / 240;
					let step = 0;
					for (let i = 1; i < fast.length; i++)
						for (let c = 0; c < 7; c++) step = Math.max(step, Math.abs(fast[i]![c]! - fast[i - 1]![c]!));
					expect(step).toBeLessThanOrEqual(most);
				}),
				{ seed: 210, numRuns: 60 }
			);
		}
	);
});
