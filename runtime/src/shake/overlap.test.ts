import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { newLayer, newPreset } from '../kit/fresh';
import type { OverlapRule, ShakePreset } from './types';
import { createPlayer } from './create';
import { type Player } from './player';

/** A preset whose motion is its gain: a square at 0 Hz on x. */
function level(id: string, part: Partial<ShakePreset> = {}, timing: Partial<ShakePreset['timing']> = {}): ShakePreset {
	const base = newPreset(id, id);
	return {
		...base,
		timing: {
			...base.timing,
			duration: 2,
			fadeIn: { time: 0.5, ease: 'linear' },
			fadeOut: { time: 1, ease: 'linear' },
			...timing
		},
		layers: [
			{
				...newLayer('one'),
				pattern: { kind: 'wave', shape: 'square' },
				channels: { x: { amplitude: 1, frequency: 0, start: 'zero' } }
			}
		],
		...part
	};
}
const rule = (rule: OverlapRule, limit = 8): Partial<ShakePreset> => ({ overlap: { rule, limit } });
const x = (player: Player, ...times: number[]): number[] => times.map((t) => player.advanceTo(t)[0]!);
const close = (values: number[], wanted: number[]): void =>
	wanted.forEach((v, i) => expect(values[i]).toBeCloseTo(v, 9));

describe('played again while it plays', () => {
	it('stack: they add up; at the limit the one with the smallest strength × gain fades out, of equals the oldest', () => {
		const player = createPlayer([level('a', rule('stack', 2))]);
		const first = player.fire('a', { strength: 0.5 })!;
		player.advanceTo(0.5);
		const second = player.fire('a')!;
		expect(player.outcome).toBe('started');
		close(x(player, 0.6), [0.5 + 0.2]);
		// 0.5 × 1 against 1 × 0.2: the second is the quieter one.
		player.fire('a');
		expect(player.outcome).toBe('replaced');
		expect([first.stoppedAt, second.stoppedAt]).toEqual([null, expect.closeTo(0.1, 9)]);
		const equal = createPlayer([level('a', rule('stack', 2))]);
		const plays = [equal.fire('a')!, equal.fire('a')!];
		equal.advanceTo(1);
		equal.fire('a');
		expect(plays.map((p) => p.stoppedAt !== null)).toEqual([true, false]);
	});

	it('ignore: nothing happens while one plays', () => {
		const player = createPlayer([level('a', rule('ignore'))]);
		player.fire('a');
		player.advanceTo(1.9);
		expect(player.fire('a')).toBeNull();
		expect(player.outcome).toBe('ignored');
		player.advanceTo(2.01);
		expect(player.fire('a')).not.toBeNull();
	});

	it('restart: the gain rises from where it is, the length begins anew', () => {
		const player = createPlayer([level('a', rule('restart'))]);
		const play = player.fire('a');
		close(x(player, 1.5), [0.5]);
		expect(player.fire('a')).toBe(play);
		expect(player.outcome).toBe('restarted');
		close(x(player, 1.5, 1.75, 2, 2.4, 3, 3.5), [0.5, 0.75, 1, 1, 0.5, 0]);
		expect(player.plays).toHaveLength(0);
	});

	it('restart revives one that was stopped, without a jump', () => {
		const player = createPlayer([level('a', rule('restart'), { mode: 'continuous' })]);
		player.fire('a');
		player.advanceTo(1);
		player.stopAll();
		close(x(player, 1.4), [0.6]);
		player.fire('a');
		close(x(player, 1.4, 1.65, 1.9, 60), [0.6, 0.8, 1, 1]);
	});

	it('restart: phases run on', () => {
		const wave = level('a', rule('restart'), { fadeIn: { time: 0, ease: 'linear' } });
		const sine: ShakePreset = {
			...wave,
			layers: [
				{
					...wave.layers[0]!,
					pattern: { kind: 'wave', shape: 'sine' },
					channels: { x: { amplitude: 1, frequency: 1.3, start: 'zero' } }
				}
			]
		};
		const player = createPlayer([sine]);
		player.fire('a');
		player.advanceTo(0.3);
		player.fire('a');
		close(x(player, 0.31, 0.9), [Math.sin(2 * Math.PI * 1.3 * 0.31), Math.sin(2 * Math.PI * 1.3 * 0.9)]);
	});

	it('restart of a delayed preset happens after its delay', () => {
		const player = createPlayer([level('a', rule('restart'), { delay: 0.5 })]);
		player.fire('a');
		close(x(player, 2), [0.5]);
		player.fire('a');
		close(x(player, 2.25, 2.5, 2.75, 3), [0.25, 0, 0.5, 1]);
	});

	it('extend: ends later by its length, the gain rises from where it is, life holds meanwhile', () => {
		const none = { time: 0, ease: 'linear' } as const;
		const player = createPlayer([
			level('a', rule('extend'), { fadeIn: none, fadeOut: none, life: { decayHalfLife: 1 } })
		]);
		player.fire('a');
		close(x(player, 1), [0.5]);
		player.fire('a');
		expect(player.outcome).toBe('extended');
		close(x(player, 1, 2, 2.999, 3.5, 3.99), [0.5, 0.5, 0.5, 2 ** -1.5, 2 ** -1.99]);
		expect(x(player, 4)[0]).toBe(0);
		const fading = createPlayer([level('a', rule('extend'))]);
		fading.fire('a');
		fading.advanceTo(1.5);
		fading.fire('a');
		close(x(fading, 1.5, 1.75, 2, 3, 3.5, 4), [0.5, 0.75, 1, 1, 0.5, 0]);
	});

	it.each(['stack', 'restart', 'ignore', 'extend'] as const)(
		'%s: whenever it is fired or stopped, the motion has no jump and ends at 0',
		(which) => {
			const act = fc.record({ at: fc.integer({ min: 0, max: 400 }), stop: fc.boolean() });
			fc.assert(
				fc.property(fc.array(act, { maxLength: 10 }), fc.boolean(), (acts, continuous) => {
					const player = createPlayer([level('a', rule(which, 2), continuous ? { mode: 'continuous' } : {})]);
					let before = 0;
					for (let i = 0; i <= 5000; i++) {
						const now = player.advanceTo(i / 100)[0]!;
						// At most: two rising by 1 in 0.5 s, or as many falling by 1 in 1 s as fade at once.
						expect(Math.abs(now - before)).toBeLessThanOrEqual(0.13);
						before = now;
						for (const { at, stop } of acts) if (at === i) void (stop ? player.stopAll() : player.fire('a'));
						if (i === 600) player.stopAll();
						if (i > 600 && player.plays.length === 0) break;
					}
					expect(player.offset[0]).toBe(0);
				}),
				{ seed: 49, numRuns: 60 }
			);
		}
	);
});

it('a stop cannot outlive the burst', () => {
	const player = createPlayer([level('a', {}, { duration: 2, fadeOut: { time: 1, ease: 'linear' } })]);
	const ends = [1.8, 0.3, null].map((at) => {
		const play = player.fire('a')!;
		if (at !== null) play.stop(player.now + at);
		return play.end;
	});
	expect(ends).toEqual([2, 1.3, 2]);
});

describe('priority', () => {
	const low = level('low', {}, { mode: 'continuous', fadeIn: { time: 0, ease: 'linear' } });
	const high = (part: Partial<ShakePreset> = {}): ShakePreset => {
		const base = level('high', { priority: 5, duck: 0.2, duckTime: 0.5, ...part });
		return {
			...base,
			layers: [{ ...base.layers[0]!, channels: { y: { amplitude: 1, frequency: 0, start: 'zero' } } }]
		};
	};

	it('ducks lower ones linearly, and lets go as it begins to fade', () => {
		const player = createPlayer([low, high()]);
		player.fire('low');
		player.advanceTo(1);
		player.fire('high');
		// The high one fades from 2 to 3; the low one is back half a second after it began to.
		close(x(player, 1, 1.25, 1.5, 2, 2.25, 2.5, 3), [1, 0.6, 0.2, 0.2, 0.6, 1, 1]);
	});

	it('comes back linearly even when the high one is cut', () => {
		const player = createPlayer([low, high()]);
		player.fire('low');
		const play = player.fire('high')!;
		player.advanceTo(0.8);
		play.cut(0.8);
		close(x(player, 0.8, 1.05, 1.3), [0.2, 0.6, 1]);
		expect(player.offset[1]).toBe(0);
	});

	it('takes the smallest duck above, and leaves equals alone', () => {
		const player = createPlayer([
			low,
			high(),
			{ ...high({ duck: 0.6 }), id: 'other' },
			{ ...low, id: 'peer', priority: 5 }
		]);
		for (const id of ['low', 'high', 'other', 'peer']) player.fire(id);
		close(x(player, 0.9), [0.2 + 1]);
	});
});

describe('space', () => {
	const push = (space: ShakePreset['space']): ShakePreset => {
		const base = level('p', { space }, { fadeIn: { time: 0, ease: 'linear' } });
		const on = (amplitude: number) => ({ amplitude, frequency: 0, start: 'zero' as const });
		return { ...base, layers: [{ ...base.layers[0]!, channels: { z: on(-1), y: on(0.5), roll: on(10), fov: on(3) } }] };
	};
	// A camera that looks along +x: yawed by −90°.
	const turned = [0, -Math.SQRT1_2, 0, Math.SQRT1_2] as const;

	it('camera: as it is, however the camera stands', () => {
		const player = createPlayer([push('camera')]);
		player.setRest(3, 1, 2, ...turned);
		player.fire('p');
		close([...player.advanceTo(0.1)], [0, 0.5, -1, 0, 0, 10, 3]);
	});

	it('world: north stays north for a camera that looks east', () => {
		const player = createPlayer([push('world')]);
		player.setRest(3, 1, 2, ...turned);
		player.fire('p');
		// World −z is to the left of a camera looking along +x; a turn about world +z is about its right, so it is pitch.
		close([...player.advanceTo(0.1)], [-1, 0.5, 0, 10, 0, 0, 3]);
	});

	it('source: −z points to where it came from, fixed at the trigger', () => {
		const player = createPlayer([push('source')]);
		player.setRest(0, 0, 0, 0, 0, 0, 1);
		player.fire('p', { at: [8, 0, 0] });
		player.setRest(0, 0, 0, 0, 0, 0, 1);
		// The source is to the right: a push toward it goes along +x; roll about its axis is about camera −x.
		close([...player.advanceTo(0.1)], [1, 0.5, 0, -10, 0, 0, 3]);
	});

	it('source: straight up, or the same point, is the camera’s own frame', () => {
		for (const at of [
			[0, 5, 0],
			[0, 0, 0]
		] as const) {
			const player = createPlayer([push('source')]);
			player.fire('p', { at });
			close([...player.advanceTo(0.1)], [0, 0.5, -1, 0, 0, 10, 3]);
		}
	});
});
