import { describe, expect, it } from 'vitest';
import { newBob, newLagAxis } from 'dinesis-runtime/tools';
import { eyePath, lagAnswer } from './body-figures';

describe('the eye’s path', () => {
	it('is as wide and high as the bob’s peak to peak, fits its box, and a foot falls twice a stride', () => {
		const path = eyePath(newBob('b', 'B'), 1.4, 240, 74);
		expect(path.width).toBeCloseTo(0.016, 4);
		expect(path.height).toBeCloseTo(0.024, 4);
		expect(path.feet).toHaveLength(2);
		const numbers = path.d.match(/[\d.]+ [\d.]+/g)!.map((pair) => pair.split(' ').map(Number));
		for (const [x, y] of numbers) {
			expect(x!).toBeGreaterThanOrEqual(0);
			expect(x!).toBeLessThanOrEqual(240);
			expect(y!).toBeGreaterThanOrEqual(9);
			expect(y!).toBeLessThanOrEqual(65);
		}
		// Lowest when a foot falls: at the box's foot.
		for (const foot of path.feet) expect(foot.y).toBeGreaterThan(60);
	});
});

describe('the answer of a lag', () => {
	it('trails by v·h/ln 2, has settled after log₂ 20 half-lives, and does not overshoot', () => {
		const answer = lagAnswer({ ...newLagAxis(), halfLife: 0.2 }, 'm', 240, 74);
		expect(answer.trails.map((t) => t.by)).toEqual([(1.6 * 0.2) / Math.LN2, (4.2 * 0.2) / Math.LN2]);
		expect(answer.settled!).toBeCloseTo(0.2 * Math.log2(20), 1);
		expect(answer.over).toBeLessThan(1e-6);
	});

	it('a loose spring swings past: once the body stands it moves as a free spring', () => {
		const loose = { ...newLagAxis(), follow: 'spring' as const, frequency: 3, damping: 0.3 };
		const answer = lagAnswer(loose, 'm', 240, 74);
		expect(answer.over).toBeGreaterThan(0.3);
		expect(answer.settled!).toBeGreaterThan(0.3);
		expect(lagAnswer({ ...loose, frequency: 0.1 }, 'm', 240, 74).settled).toBeNull();
	});

	it('one that goes along at once trails by nothing', () => {
		const answer = lagAnswer({ ...newLagAxis(), follow: 'none' }, '°', 240, 74);
		expect([answer.trails[1]!.by, answer.settled, answer.over]).toEqual([0, 0, 0]);
	});
});
