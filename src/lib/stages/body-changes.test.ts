import { newBob, newLag } from 'dinesis-runtime/tools';
import { describe, expect, it } from 'vitest';
import { nearestGait, turned, withGaitSpeed, withLagAxis } from './body-changes';

const walk = newBob('b', 'B').gaits[0]!;
const bob = { ...newBob('b', 'B'), gaits: [walk, { ...walk, id: 'run', speed: 4 }] };

describe('a head bob on its drawing', () => {
	it('the gait nearest to a speed is meant; of two alike the first', () => {
		expect([0, 1.4, 2.6, 2.8, 99].map((speed) => nearestGait(bob, speed)!.id)).toEqual([
			'walk',
			'walk',
			'walk',
			'run',
			'run'
		]);
		const [slow, fast] = [
			{ ...walk, speed: 1 },
			{ ...walk, id: 'run', speed: 3 }
		];
		expect(nearestGait({ ...bob, gaits: [slow, fast] }, 2)!.id).toBe('walk');
		expect(nearestGait({ ...bob, gaits: [] }, 1)).toBeUndefined();
	});

	it('a gait is made for another speed, the others stay', () => {
		const changed = withGaitSpeed(bob, 'run', 5);
		expect(changed.gaits.map((gait) => gait.speed)).toEqual([1.4, 5]);
		expect(changed.gaits[0]).toBe(bob.gaits[0]);
		expect(withGaitSpeed(bob, 'nobody', 5).gaits).toEqual(bob.gaits);
	});

	it('a channel is turned round the stride, always within it', () => {
		const phaseOf = (by: number): number => turned(bob, 'walk', 'y', by).gaits[0]!.channels.y!.phase;
		// It stands at 0.75.
		expect([0.1, 0.25, 0.5, -1, -0.8, 3.0004].map(phaseOf)).toEqual([0.85, 0, 0.25, 0.75, 0.95, 0.75]);
		expect(turned(bob, 'walk', 'y', 0.1).gaits[1]).toBe(bob.gaits[1]);
		expect(turned(bob, 'walk', 'fov', 0.1)).toEqual(bob);
	});
});

describe('a lag on its drawing', () => {
	it('one axis changes in part; one that is not there stays so', () => {
		const lag = newLag('l', 'L');
		const changed = withLagAxis(lag, 'x', { halfLife: 0.3 });
		expect(changed.axes.x).toEqual({ ...lag.axes.x, halfLife: 0.3 });
		expect(changed.axes.y).toBe(lag.axes.y);
		expect(withLagAxis(lag, 'roll', { halfLife: 0.3 })).toBe(lag);
	});
});
