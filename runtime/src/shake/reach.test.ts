import { describe, expect, it } from 'vitest';
import { newLayer, newPreset } from '../kit/fresh';
import type { Drive } from '../drives/types';
import type { Reach, ShakePreset } from './types';
import { createPlayer } from './create';
import { fallOff } from './reach';

const none = { time: 0, ease: 'linear' } as const;
const reach: Reach = { full: 2, edge: 10, falloff: 'linear', listener: 'camera', travelSpeed: null };
/** A preset whose motion is its level: a square at 0 Hz on x. */
const level = (part: Partial<ShakePreset> = {}): ShakePreset => {
	const base = newPreset('p', 'P');
	return {
		...base,
		timing: { ...base.timing, mode: 'continuous', fadeIn: none, fadeOut: none },
		layers: [
			{
				...newLayer('one'),
				pattern: { kind: 'wave', shape: 'square' },
				channels: { x: { amplitude: 1, frequency: 0, start: 'zero' } }
			}
		],
		...part
	};
};
const sine = (drives: readonly Drive[]): ShakePreset => {
	const p = level({ drives });
	return {
		...p,
		layers: [
			{
				...p.layers[0]!,
				pattern: { kind: 'wave', shape: 'sine' },
				channels: { x: { amplitude: 1, frequency: 2, start: 'zero' } }
			}
		]
	};
};

describe('reach', () => {
	it('is full near, nothing beyond the edge, and falls by its ease in between', () => {
		expect([0, 2, 6, 10, 99].map((d) => fallOff(reach, d))).toEqual([1, 1, 0.5, 0, 0]);
		// smooth: 1 − (3t² − 2t³) at a quarter of the way.
		expect(fallOff({ ...reach, falloff: 'smooth' }, 4)).toBeCloseTo(1 - (3 / 16 - 2 / 64), 12);
		expect([4.9, 5, 5.1].map((d) => fallOff({ ...reach, full: 5, edge: 5 }, d))).toEqual([1, 1, 0]);
	});

	it('is measured live in each frame, from the camera or from the body', () => {
		const player = createPlayer([level({ reach })]);
		player.fire('p', { at: [0, 0, -6] });
		expect(player.advanceTo(0.1)[0]).toBeCloseTo(0.5, 12);
		player.setRest(0, 0, -5, 0, 0, 0, 1);
		expect(player.advanceTo(0.2)[0]).toBe(1);
		expect(player.plays[0]!.felt).toBe(1);
		const behind = createPlayer([level({ reach: { ...reach, listener: 'body' } })]);
		behind.setRest(0, 3, 8, 0, 0, 0, 1);
		behind.setBody(0, 0, 2);
		behind.fire('p', { at: [0, 0, -4] });
		expect(behind.advanceTo(0.1)[0]).toBeCloseTo(0.5, 12);
	});

	it('what has no place is felt alike everywhere', () => {
		const player = createPlayer([level({ reach })]);
		player.setRest(500, 0, 0, 0, 0, 0, 1);
		player.fire('p');
		expect(player.advanceTo(0.1)[0]).toBe(1);
	});

	it('does not count where a preset is tuned or measured', () => {
		const player = createPlayer([level({ reach: { ...reach, travelSpeed: 1 } })], { distance: false });
		player.fire('p', { at: [0, 0, -9] });
		expect(player.advanceTo(0.1)[0]).toBe(1);
	});

	it('what travels arrives later: the way at the trigger counts', () => {
		const player = createPlayer([level({ reach: { ...reach, full: 1000, edge: 2000, travelSpeed: 340 } })]);
		player.fire('p', { at: [0, 0, -680] });
		player.setRest(0, 0, -600, 0, 0, 0, 1);
		expect(player.advanceTo(1.99)[0]).toBe(0);
		expect(player.advanceTo(2.01)[0]).toBe(1);
	});
});

describe('drives', () => {
	const parameters = [{ id: 'cold', name: 'Cold', min: -10, max: 30, rest: -10 }];
	const curve = [
		{ at: 0, value: 1, out: 2, in: 2 },
		{ at: 1, value: 3, out: 2, in: 2 }
	];

	it('of the amount multiply it, live, over the value’s range', () => {
		const player = createPlayer([level({ drives: [{ parameter: 'cold', to: 'amount', curve }] })], { parameters });
		player.fire('p');
		expect(player.advanceTo(0.1)[0]).toBeCloseTo(1, 12);
		player.values.set('cold', 10);
		expect(player.advanceTo(0.2)[0]).toBeCloseTo(2, 12);
		player.values.set('cold', 9000);
		expect(player.advanceTo(0.3)[0]).toBeCloseTo(3, 12);
		expect(player.values.set('unknown', 1)).toBe(false);
	});

	it('of the rate carry the phase: no jump, and twice as fast from there on', () => {
		const drives: Drive[] = [
			{
				parameter: 'cold',
				to: 'rate',
				curve: [
					{ at: 0, value: 1 },
					{ at: 1, value: 2 }
				]
			}
		];
		const player = createPlayer([sine(drives)], { parameters });
		player.fire('p');
		player.advanceTo(0.3);
		player.values.set('cold', 30);
		// The frame at which the value changes still stands where the phase was.
		const phase = 2 * 0.3;
		expect(player.advanceTo(0.3)[0]).toBeCloseTo(Math.sin(2 * Math.PI * phase), 9);
		expect(player.advanceTo(0.4)[0]).toBeCloseTo(Math.sin(2 * Math.PI * (phase + 2 * 2 * 0.1)), 9);
	});

	it('a use’s own rate multiplies all frequencies', () => {
		const player = createPlayer([sine([])]);
		player.fire('p', { rate: 0.5 });
		expect(player.advanceTo(0.35)[0]).toBeCloseTo(Math.sin(2 * Math.PI * 0.35), 9);
	});
});
