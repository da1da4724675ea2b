import { describe, expect, it } from 'vitest';
import { newBob, newLag, newLagAxis } from 'dinesis-runtime/tools';
import { bodyRow } from './body-rows';

describe('head bobs and lags as rows', () => {
	it('a bob says how far a walk moves the eye, in centimetres or pixels, and sorts by it', () => {
		const bob = newBob('steps', 'Steps');
		const row = bodyRow(bob, ['Eyes']);
		const [gait] = bob.gaits;
		// Up and down by its amplitude, both ways.
		expect(row.size).toBeCloseTo(2 * gait!.channels.y!.amplitude, 2);
		expect(row.says).toMatch(/^[\d.]+ cm up, [\d.]+ cm aside$/);
		expect(row.more).toBe(`${gait!.steps} steps a second at ${gait!.speed} m/s`);
		expect(row.rigs).toBe('Eyes');
		expect(bodyRow({ ...bob, view: 'flat' }, []).says).toMatch(/px up/);
		expect(bodyRow({ ...bob, gaits: [] }, [])).toMatchObject({ says: 'no gait', size: 0, rigs: 'in no rig' });
	});

	it('a lag says how far a walk is trailed on the axis that moves most', () => {
		const axis = { ...newLagAxis(), follow: 'half-life', halfLife: 0.2, quiet: 0, most: null } as const;
		const lag = { ...newLag('heavy', 'Heavy'), axes: { x: axis } };
		// A half-life of 0.2 s trails a speed by 0.2 / ln 2 of it.
		const row = bodyRow(lag as never, []);
		const speed = Number(/walking|at ([\d.]+)/.exec(row.says)?.[1] ?? 1.6);
		expect(row.size).toBeCloseTo((speed * 0.2) / Math.LN2, 1);
		expect(row.drawn).toMatch(/^M/);
		expect(bodyRow({ ...lag, axes: {} } as never, [])).toMatchObject({ says: 'at once', size: 0 });
	});
});
