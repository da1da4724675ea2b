import { describe, expect, it } from 'vitest';
import type { BobPreset } from 'dinesis-runtime';
import { newBob } from 'dinesis-runtime/tools';
import { readKit } from '../documents';
import { bobNeighboursOf, bobSize, withMotionOf, type BobFreedom } from './bob-neighbours';

const fresh = newBob('walk', 'Walk');
const bob: BobPreset = {
	...fresh,
	gaits: [
		...fresh.gaits,
		{
			id: 'run',
			speed: 4,
			steps: 2.8,
			channels: {
				y: { amplitude: 0.03, phase: 0.75, shape: 'sine' },
				roll: { amplitude: 0.6, phase: 0, shape: 'sine' }
			}
		}
	],
	landing: { dip: 0.01, most: 0.1, nod: 10, frequency: 2, damping: 0.5 }
};
const ALL: BobFreedom = { size: true, pace: true, balance: true, character: true };
const NONE: BobFreedom = { size: false, pace: false, balance: false, character: false };
const six = (free: BobFreedom, seed = 1, step = 0.6) => bobNeighboursOf(bob, { seed, step, free });

describe('the size of a bob', () => {
	it('is proportional to its amount for a motion along the picture', () => {
		const up: BobPreset = {
			...bob,
			gaits: [{ id: 'g', speed: 1.4, steps: 2, channels: { y: { amplitude: 0.02, phase: 0, shape: 'sine' } } }]
		};
		// 2 cm up at 5 m, of a picture that is 60° high there: 2 · tan 30° · 5 m.
		expect(bobSize(up)).toBeCloseTo((0.02 / (2 * Math.tan(Math.PI / 6) * 5)) * 100, 3);
		expect(bobSize({ ...up, amount: 3 })).toBeCloseTo(3 * bobSize(up), 6);
		expect(bobSize({ ...up, gaits: [] })).toBe(0);
	});
});

describe('six neighbours of a bob', () => {
	it('are all as far away, each toward another side, and sound', () => {
		const found = six(ALL);
		expect(found).toHaveLength(6);
		for (const { size, pace, preset } of found) {
			expect(Math.hypot(Math.log2(size), Math.log2(pace))).toBeCloseTo(0.6, 1);
			const kit = { format: 'dinesis-kit', version: 1, name: 'K', presets: [preset] };
			expect(readKit(JSON.stringify(kit)).ok).toBe(true);
			expect(preset.gaits.map((g) => [g.id, g.speed])).toEqual(bob.gaits.map((g) => [g.id, g.speed]));
		}
		const sides = found.map(({ size, pace }) => Math.atan2(Math.log2(pace), Math.log2(size)));
		for (let i = 1; i < 6; i++) expect(Math.cos(sides[i]! - sides[i - 1]!)).toBeLessThan(0.75);
	});

	it('the same seed gives the same six, another one others', () => {
		expect(six(ALL)).toEqual(six(ALL));
		expect(six(ALL, 2)[0]!.preset).not.toEqual(six(ALL)[0]!.preset);
	});

	it('what is locked stays, to the last digit', () => {
		for (const { preset } of six(NONE)) expect(preset).toEqual(bob);
		const crooked = { ...bob, amount: 0.98765, gaits: bob.gaits.map((g) => ({ ...g, steps: 1.23456 })) };
		for (const { preset } of bobNeighboursOf(crooked, { seed: 1, step: 1, free: NONE }))
			expect(preset).toEqual(crooked);
		for (const { preset, pace } of six({ ...NONE, size: true })) {
			expect({ ...preset, amount: bob.amount }).toEqual(bob);
			expect(pace).toBe(1);
		}
		for (const { preset, size } of six({ ...NONE, pace: true })) {
			expect(preset.gaits.map((g) => g.channels)).toEqual(bob.gaits.map((g) => g.channels));
			expect(size).toBeCloseTo(1, 1);
		}
		for (const { preset } of six({ ...NONE, balance: true })) expect(preset.landing).toEqual(bob.landing);
		for (const { preset } of six({ ...NONE, character: true })) {
			expect(preset.gaits[1]!.channels.y).toEqual(bob.gaits[1]!.channels.y);
			expect(preset.settleTime).not.toBe(bob.settleTime);
		}
	});

	it('balance changes a channel alike in all gaits, and keeps the size', () => {
		for (const { preset, size } of six({ ...NONE, balance: true })) {
			const by = (g: number): number => preset.gaits[g]!.channels.y!.amplitude / bob.gaits[g]!.channels.y!.amplitude;
			expect(by(0)).toBeCloseTo(by(1), 1);
			expect(size).toBeCloseTo(1, 1);
		}
	});

	it('one that is taken keeps its name, its words and its chance', () => {
		const mine = { ...bob, id: 'mine', name: 'Mine', about: 'About', tags: ['a'], seededBy: 'was' };
		const taken = withMotionOf(mine, six(ALL)[0]!.preset);
		expect(taken).toMatchObject({ id: 'mine', name: 'Mine', about: 'About', tags: ['a'], seededBy: 'was' });
		expect(taken.amount).toBe(six(ALL)[0]!.preset.amount);
	});
});
