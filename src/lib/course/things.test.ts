import { describe, expect, it } from 'vitest';
import { ThingTrack, thingAt, trimThing } from './things';

const DT = 1 / 120;
/** Stands for a second, goes up by 2 m a second for one, stands again. */
const height = (t: number): number => Math.min(2, Math.max(0, (t - 1) * 2));
const recorded = (seconds = 3) => {
	const track = new ThingTrack('cask 1');
	for (let i = 0; i <= seconds * 120; i++) track.at(i * DT, [5, height(i * DT)]);
	return track.finish()!;
};

describe('what else moves in a take', () => {
	it('is where it was at every step, within what one step is', () => {
		const thing = recorded();
		for (let i = 0; i <= 360; i++) {
			const [x, y] = thingAt(thing, i * DT, []);
			expect(x).toBe(5);
			expect(Math.abs(y! - height(i * DT))).toBeLessThan(2 * DT + 1e-3);
		}
		expect(thingAt(thing, 99, [])).toEqual([5, 2]);
		expect(thingAt(thing, -1, [])).toEqual([5, 0]);
	});

	it('keeps thirty moments a second while it moves, and only the ends of where it stands', () => {
		const { times, numbers } = recorded();
		expect(numbers).toHaveLength(times.length * 2);
		expect(times.filter((t) => t < 0.95)).toEqual([0]);
		expect(times.filter((t) => t > 1 && t < 2).length).toBeLessThanOrEqual(31);
		expect(times.filter((t) => t > 2.1)).toEqual([]);
	});

	it('that never moved is none', () => {
		const track = new ThingTrack('cask 1');
		for (let i = 0; i < 100; i++) track.at(i * DT, [1, 2]);
		expect(track.finish()).toBeNull();
	});

	it('a slow push is not lost, and the end is kept', () => {
		const track = new ThingTrack('cask 1');
		for (let i = 0; i <= 1200; i++) track.at(i * DT, [i * 1e-5]);
		const thing = track.finish()!;
		expect(thingAt(thing, 10, [])[0]).toBeCloseTo(1200e-5, 9);
		expect(thingAt(thing, 5, [])[0]).toBeCloseTo(600e-5, 3);
	});

	it('trimmed it begins at 0, where it stood', () => {
		const part = trimThing(recorded(), 1.5, 2.5);
		expect(part.times[0]).toBe(0);
		expect(part.times.at(-1)).toBeCloseTo(1, 9);
		expect(thingAt(part, 0, [])[1]).toBeCloseTo(1, 1);
		expect(thingAt(part, 1, [])[1]).toBeCloseTo(2, 9);
	});
});
