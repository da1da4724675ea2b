import { describe, expect, it } from 'vitest';
import { newBob, newLag } from 'dinesis-runtime/tools';
import { bobAlong, sampleBob, followTrack, type BodyTrack } from '../analysis';
import { bodyTrackToCsv, readBodyTrack } from './body-track';

const read = (text: string): BodyTrack => {
	const track = readBodyTrack(text);
	if (!track.ok) throw new Error(track.problems.map((p) => `${p.place} ${p.message}`).join('; '));
	return track.value;
};
const reasons = (text: string): string[] => {
	const track = readBodyTrack(text);
	return track.ok ? [] : track.problems.map((p) => `${p.place} ${p.message}`);
};

describe('the way of a body', () => {
	it('is read at any time steps, with columns in any order, and written back', () => {
		const track = read('yaw,time,x,z\n10,0,1,2\n20,0.5,3,\n');
		expect([...track.times]).toEqual([0, 0.5]);
		expect([...track.poses]).toEqual([1, 0, 2, 0, 10, 0, 3, 0, 0, 0, 20, 0]);
		expect(read(bodyTrackToCsv(track))).toEqual(track);
	});

	it('what is wrong is told by its row', () => {
		expect(reasons('x,y\n1,2\n')[0]).toMatch(/row 1 has no column "time"/);
		expect(reasons('time,x\n0,1\n0,2\n')).toEqual(['row 3 time is 0, not after 0; times must rise']);
		expect(reasons('time,x\n0,far\n')).toEqual(['row 2 x is "far"; a number is needed']);
		expect(reasons('')[0]).toMatch(/time/);
		expect(reasons('time,x,y\n0,1\n')).toEqual(['row 2 has 2 cells; the header has 3']);
		expect(reasons('time,x\n0,1\n3601,1\n')[0]).toMatch(/^row 3 time is 3601, more than an hour/);
		expect(reasons('time,x\n0,1e999\n')).toEqual(['row 2 x is "1e999"; a number is needed']);
		expect(reasons('time,x\n0,2000000\n')[0]).toMatch(/within ±1000000/);
		expect(reasons(`time,x\n${'0,far\n'.repeat(1_000_000)}`)).toHaveLength(50);
	});

	const walked = (fps: number, speed: number): BodyTrack => {
		const times = Float64Array.from({ length: 4 * fps + 1 }, (_, i) => i / fps);
		const poses = new Float64Array(times.length * 6);
		times.forEach((t, i) => (poses[i * 6 + 2] = -speed * t));
		return { times, poses };
	};

	it('a bob along it is the bob at its speed', () => {
		const preset = newBob('b', 'B');
		const along = bobAlong(preset, walked(60, 1.4), 3);
		const steady = sampleBob(preset, { speed: 1.4, seconds: 4, fps: 60, seed: 3 });
		along.forEach((v, i) => expect(v).toBeCloseTo(steady.values[i]!, 6));
		expect(Math.max(...steady.values)).toBeCloseTo(0.012, 4);
	});

	it('a lag trails it: 0.15 s of half-life at 2 m/s by 0.43 m', () => {
		const followed = followTrack(newLag('l', 'L'), walked(50, 2));
		expect(followed.poses.at(-4)! - -8).toBeCloseTo((2 * 0.15) / Math.LN2, 6);
		expect(followed.poses.slice(0, 6).every((v) => v === 0)).toBe(true);
	});
});
