import { describe, expect, it } from 'vitest';
import { Boom } from './boom';
import { EYES } from './view';
import type { RigView } from './types';

const boomOf = (view: Partial<RigView>): Boom => new Boom({ ...EYES, kind: 'chase', back: 4, down: 0, ...view });
/** x, y, z, pitch, yaw, roll of a camera whose point is 2 m up and looks along a yaw. */
function put(boom: Boom, yaw = 0, pitch = 0): number[] {
	const pose = Float64Array.of(0, 2, 0, pitch, yaw, 0);
	boom.put(pose);
	return [...pose];
}
const near = (got: number[], wanted: number[]): void =>
	wanted.forEach((value, i) => expect(got[i], `number ${i}`).toBeCloseTo(value, 9));
const inDegrees = (radians: number): number => (radians * 180) / Math.PI;
const NEARER = { off: 0.2, least: 0.5, comes: 0, goes: 0.4 };

describe('a boom', () => {
	it('stands behind and to the side, in the axes of the look', () => {
		near(put(boomOf({ side: 0.5 })), [0.5, 2, 4, 0, 0, 0]);
		// Looking along −x, right is −z and behind is +x.
		near(put(boomOf({ side: 0.5 }), 90), [4, 2, -0.5, 0, 90, 0]);
	});

	it('turns to a point ahead of the body', () => {
		near(put(boomOf({ side: 1, ahead: 10 })), [1, 2, 4, 0, inDegrees(Math.atan2(1, 14)), 0]);
		const [, y, z, pitch] = put(boomOf({ down: 30, ahead: 6 })) as [number, number, number, number];
		expect(pitch).toBeCloseTo(inDegrees(Math.atan2(2 - y, z + 6)), 9);
	});

	it('that turns to the body itself, from straight behind, looks as along its boom', () => {
		near(put(boomOf({ down: 20, ahead: 0 })), put(boomOf({ down: 20 })));
	});

	it('is at once as near as what stands in its way, less what is kept off, but no nearer than the least', () => {
		const boom = boomOf({ nearer: NEARER });
		near(put(boom), [0, 2, 4]);
		boom.elapsed[0] = 1 / 60;
		boom.room[0] = 2;
		near(put(boom), [0, 2, 1.8]);
		boom.room[0] = 0.1;
		near(put(boom), [0, 2, 0.5]);
		boom.room[0] = Number.NaN;
		boom.elapsed[0] = 1000;
		near(put(boom), [0, 2, 4]);
	});

	it.each([1, 7, 60])('goes out again by half of its way in the set time, in %i steps', (steps) => {
		const boom = boomOf({ nearer: NEARER });
		boom.room[0] = 2;
		put(boom);
		boom.room[0] = Infinity;
		let z = 0;
		for (let i = 0; i < steps; i++) {
			boom.elapsed[0]! += 0.4 / steps;
			z = put(boom)[2]!;
		}
		expect(z).toBeCloseTo(1.8 + (4 - 1.8) / 2, 9);
	});

	it('comes nearer in its own time where it is set, and is asked in one frame twice without going on', () => {
		const boom = boomOf({ nearer: { ...NEARER, comes: 0.1 } });
		put(boom);
		boom.room[0] = 2;
		boom.elapsed[0] = 0.1;
		expect(put(boom)[2]).toBeCloseTo(1.8 + (4 - 1.8) / 2, 9);
		expect(put(boom)[2]).toBeCloseTo(2.9, 9);
	});

	it('asks how far it is free between its point and where it would stand', () => {
		const boom = boomOf({ side: 3, nearer: NEARER });
		const asked: number[][] = [];
		boom.viewer = 1;
		boom.clear = (from, to, viewer) => {
			asked.push([...from, ...to, viewer]);
			return 2.7;
		};
		// 5 m long: 2.5 of it are half.
		near(put(boom), [1.5, 2, 2]);
		near(asked[0]!, [0, 2, 0, 3, 2, 4, 1]);
	});

	it('goes its own way once it is forked', () => {
		const boom = boomOf({ nearer: NEARER });
		boom.room[0] = 2;
		put(boom);
		const copy = boom.fork();
		boom.room[0] = 1;
		put(boom);
		near(put(copy), [0, 2, 1.8]);
	});
});
