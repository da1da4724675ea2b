import { describe, expect, it } from 'vitest';
import { newBob, newLag, newLagAxis } from 'dinesis-runtime/tools';
import { BodyAudition } from './body-audition.svelte';

const frames = (audition: BodyAudition, seconds: number): Float64Array => {
	let last = new Float64Array(7) as Float64Array;
	for (let i = 0; i < Math.round(seconds * 120); i++) last = audition.frame(1 / 120);
	return last;
};

describe('a head bob or a lag that is pointed at', () => {
	it('plays nothing before', () => {
		const audition = new BodyAudition();
		expect(audition.plays).toBe(false);
		expect([...frames(audition, 1)]).toEqual([0, 0, 0, 0, 0, 0, 0]);
	});

	it('a bob walks at the gait nearest to a walk, and stands still in between', () => {
		const audition = new BodyAudition();
		audition.start(newBob('b', 'B'));
		expect(audition.walks).toBe(1.4);
		let most = 0;
		for (let i = 0; i < 190; i++) most = Math.max(most, Math.abs(audition.frame(1 / 120)[1]!));
		expect(most).toBeCloseTo(0.012, 3);
		// Gone 1.6 s, stood 1.8 s: settled long ago.
		expect([...frames(audition, 1.7)]).toEqual([0, 0, 0, 0, 0, 0, 0]);
	});

	it('a lag trails what goes ahead and turns left, by v·h/ln 2, and comes home', () => {
		const audition = new BodyAudition();
		const axis = { ...newLagAxis(), halfLife: 0.1 };
		audition.start({ ...newLag('l', 'L'), axes: { z: axis, yaw: axis } });
		const offset = frames(audition, 1.59);
		expect(offset[2]).toBeCloseTo((1.6 * 0.1) / Math.LN2, 2);
		expect(offset[4]).toBeCloseTo((-40 * 0.1) / Math.LN2, 1);
		expect(frames(audition, 1.75)[2]).toBeCloseTo(0, 4);
	});

	it('a flat one trails in pixels; another one begins anew', () => {
		const audition = new BodyAudition();
		const axis = { ...newLagAxis(), halfLife: 0.1 };
		audition.start({ ...newLag('f', 'F'), view: 'flat', axes: { x: axis } });
		expect(frames(audition, 1.59)[0]).toBeCloseTo((-180 * 0.1) / Math.LN2, 0);
		audition.start(newBob('b', 'B'));
		expect(audition.frame(0)[0]).toBe(0);
	});
});
