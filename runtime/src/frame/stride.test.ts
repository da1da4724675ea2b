import { describe, expect, it } from 'vitest';
import { clockOf } from '../units/clock';
import { gaitOf, stepsPerSecond, Stride } from './stride';

describe('gaits', () => {
	it('are told by the speed', () => {
		expect([0, 0.05, 0.6, 1.4, 2.2, 3.5, 9].map(gaitOf)).toEqual([
			'stand',
			'stand',
			'creep',
			'walk',
			'walk',
			'run',
			'run'
		]);
	});

	it('steps grow with the speed, as people walk and run, and never jump', () => {
		expect(stepsPerSecond(0)).toBe(0);
		expect(stepsPerSecond(1.4)).toBeGreaterThanOrEqual(1.8);
		expect(stepsPerSecond(1.4)).toBeLessThanOrEqual(2.2);
		expect(stepsPerSecond(3.5)).toBeGreaterThanOrEqual(2.6);
		expect(stepsPerSecond(3.5)).toBeLessThanOrEqual(3.2);
		for (let v = 0.1; v < 9; v += 0.01) {
			const grown = stepsPerSecond(v + 0.01) - stepsPerSecond(v);
			expect(grown).toBeGreaterThanOrEqual(0);
			expect(grown).toBeLessThan(0.02);
		}
	});

	it('feet fall in turn, as often as the steps a second say, and not while one stands', () => {
		const stride = new Stride();
		const feet: number[] = [];
		for (let i = 0; i < 1205; i++) if (stride.advance(clockOf(1 / 120), { speed: 1.4 })) feet.push(stride.foot);
		expect(feet).toHaveLength(19);
		expect(feet.every((foot, i) => i === 0 || foot !== feet[i - 1])).toBe(true);
		const { phase } = stride;
		expect(stride.advance(clockOf(5), { speed: 0 })).toBe(false);
		expect(stride.phase).toBe(phase);
	});
});
