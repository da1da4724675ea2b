import { describe, expect, it } from 'vitest';
import { measureShake } from './measure';
import { newLayer, newPreset } from 'dinesis-runtime/tools';
import { openPreset } from '../documents';
import type { ShakePreset } from 'dinesis-runtime';
import { distanceOf, neighboursOf, type Freedom } from './neighbours';

const all: Freedom = { size: true, pace: true, length: true, balance: true, character: true };
const preset: ShakePreset = {
	...newPreset('p', 'P'),
	layers: [newLayer('a'), { ...newLayer('b'), pattern: { kind: 'kick', damping: 0.3 } }]
};
const measure = (p: ShakePreset) => measureShake(p, 4);
const six = (free: Partial<Freedom> = {}, step = 0.5, seed = 1) =>
	neighboursOf(preset, { seed, step, free: { ...all, ...free } }, measure);

describe('neighbours', () => {
	it('are six, all at the same measured distance, toward all sides, and no two alike', () => {
		for (const step of [0.25, 0.5, 1]) {
			const found = six({}, step);
			expect(found).toHaveLength(6);
			for (const n of found) expect(Math.abs(distanceOf(n) - step)).toBeLessThan(0.12 * step + 0.03);
			expect(found.filter((n) => n.size > 1).length).toBeGreaterThan(1);
			expect(found.filter((n) => n.pace < 1).length).toBeGreaterThan(1);
			for (let i = 0; i < 6; i++)
				for (let j = 0; j < i; j++) {
					const [s, p] = [found[i]!.size / found[j]!.size, found[i]!.pace / found[j]!.pace].map(Math.log2);
					expect(Math.hypot(s!, p!)).toBeGreaterThan(step * 0.6);
				}
		}
	});

	it('keep to what is locked', () => {
		for (const { preset: p } of six({ size: false, balance: false })) {
			expect(p.amount).toBe(preset.amount);
			expect(p.layers.map((l) => l.channels)).toEqual(preset.layers.map((l) => l.channels));
		}
		for (const { preset: p } of six({ pace: false, length: false, character: false })) {
			expect(p.rate).toBe(preset.rate);
			expect(p.timing).toEqual(preset.timing);
			expect(p.layers.map((l) => l.pattern)).toEqual(preset.layers.map((l) => l.pattern));
		}
		const none = six({ size: false, pace: false, length: false, balance: false, character: false });
		for (const n of none) expect(n.preset).toEqual(preset);
	});

	it('are sound presets, the same again for the same seed, others for another', () => {
		for (const { preset: p } of six({}, 3)) expect(openPreset(structuredClone(p)).ok).toBe(true);
		expect(six()).toEqual(six());
		expect(six({}, 0.5, 2)[0]!.preset).not.toEqual(six()[0]!.preset);
	});

	it('of a preset that does not move are sound too', () => {
		const still = { ...preset, layers: [] };
		const found = neighboursOf(still, { seed: 1, step: 1, free: all }, measure);
		for (const n of found) expect([n.size, n.pace]).toEqual([1, 1]);
	});
});
