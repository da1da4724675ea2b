import { describe, expect, it } from 'vitest';
import { newCourse, type Course, type CourseEvent, type Trace, type Way } from '../documents';
import { compileCurve, runCurve } from 'dinesis-runtime/tools';
import { takeToCourse, traceToPath, trimCourse } from './edit';
import { Recorder } from './record';
import { compileWay, poseAt, speedAt, traceAt } from './way';

const event = (at: number, name: string, length: number | null = null): CourseEvent => ({
	at,
	event: name,
	length,
	values: {},
	place: null,
	who: 0
});
const point = (x: number, z: number, speed = 2, pause = 0) => ({ x, y: 0, z, speed, pause });
const placeAt = (way: Way, time: number): number[] => [...poseAtOf(way, time).slice(0, 3)];
const poseAtOf = (way: Way, time: number): Float64Array => {
	const out = new Float64Array(5);
	poseAt(compileWay(way), time, out);
	return out;
};
const long: Course = {
	...newCourse('c', 'C'),
	seconds: 20,
	// There at 4 s, on at 7 s, there at 10 s.
	path: [point(0, 0), point(8, 0, 1, 3), point(8, -3)],
	events: [event(1, 'early'), event(2, 'on', 6), event(5, 'mid'), event(9, 'over', 9), event(15, 'late')],
	values: [
		{
			parameter: 'cold',
			points: [
				{ at: 0, value: 0 },
				{ at: 10, value: 1 }
			]
		}
	]
};

const at = (pose: Float64Array) => ({ pose, speed: 0, grounded: true });

describe('trimming', () => {
	const part = trimCourse(long, 3, 12);

	it('keeps what happens within, counts from the cut, and lets what is on go on', () => {
		expect(part.seconds).toBe(9);
		expect(part.events.map((e) => [e.event, e.at, e.length])).toEqual([
			['on', 0, 5],
			['mid', 2, null],
			['over', 6, 9]
		]);
	});

	it('one is where one was, at every moment, stands and all; also when the cut is in a stand', () => {
		for (const [from, to] of [
			[3, 12],
			[5, 8],
			[0, 4],
			[11, 19]
		] as const) {
			const cut = trimCourse(long, from, to);
			for (let t = 0; t <= to - from; t += 0.25) {
				const [was, is] = [placeAt(long, from + t), placeAt(cut, t)];
				was.forEach((v, i) => expect(is[i]!).toBeCloseTo(v, 9));
			}
		}
	});

	it('game values begin and end where the curve was', () => {
		const [value] = part.values;
		expect(value!.points[0]).toMatchObject({ at: 0 });
		expect(value!.points.at(-1)!.value).toBeCloseTo(1, 9);
		// Hermite between level ends: 3t² − 2t³ at 0.3.
		expect(value!.points[0]!.value).toBeCloseTo(0.216, 9);
	});

	it('a recorded way keeps its poses', () => {
		const trace: Trace = { hz: 10, poses: Array.from({ length: 101 }, (_, i) => [i, 0, -i, i % 360, 0]).flat() };
		const cut = trimCourse({ ...long, path: [], trace, seconds: 10 }, 2.55, 7);
		const [a, b] = [new Float64Array(5), new Float64Array(5)];
		for (let t = 0; t <= 4.4; t += 0.1) {
			traceAt(trace, 2.55 + t, a);
			traceAt(cut.trace!, t, b);
			a.forEach((v, i) => expect(b[i]!).toBeCloseTo(v, 9));
		}
	});
});

describe('a recorded way made into places', () => {
	const walked: Way = { path: [point(0, 0, 1.5), point(6, 0, 1.5, 2), point(6, -9, 3), point(0, -9, 3)], trace: null };
	const recorded: Trace = {
		hz: 30,
		poses: Array.from({ length: 30 * 15 }, (_, i) => {
			const [x, y, z] = placeAt(walked, i / 30);
			return [x!, y!, z!, 0, 0];
		}).flat()
	};
	const path = traceToPath(recorded);

	it('has few of them, stands included, and is never far from what was recorded', () => {
		expect(path.length).toBeLessThan(12);
		const worst = Array.from({ length: 140 }, (_, i) => {
			const [a, b] = [placeAt(walked, i / 10), placeAt({ path, trace: null }, i / 10)];
			return Math.hypot(a[0]! - b[0]!, a[2]! - b[2]!);
		});
		expect(Math.max(...worst)).toBeLessThan(0.35);
		expect(path.some((p) => Math.abs(p.pause - 2) < 0.3)).toBe(true);
	});

	it('a take becomes a course with the same events', () => {
		const take = { ...long, path: [], trace: recorded };
		const made = takeToCourse(take);
		expect(made.trace).toBeNull();
		expect(made.path.length).toBeGreaterThan(2);
		expect(made.events).toBe(take.events);
	});
});

describe('recording', () => {
	const cold = { id: 'cold', name: 'Cold', min: 0, max: 10, rest: 0 };

	it('keeps poses, events, states with their lengths, and game values as few points', () => {
		const recorder = new Recorder(1, [cold]);
		const pose = new Float64Array(5);
		for (let i = 0; i <= 600; i++) {
			const time = i / 120;
			pose[0] = time * 2;
			pose[3] = 45;
			if (i === 120) recorder.happened(time, { event: 'run', phase: 'starts', key: 'a', who: 'one' });
			if (i === 180)
				recorder.happened(time, {
					event: 'hit',
					phase: 'happens',
					values: { v: 2.00049 },
					place: [1, 2, 3],
					who: 'two'
				});
			if (i === 360) recorder.happened(time, { event: 'run', phase: 'ends', key: 'a' });
			if (i === 480) recorder.happened(time, { event: 'run', phase: 'starts', key: 'b' });
			recorder.at(time, [at(pose)], () => (time < 2 ? 0 : Math.min(10, (time - 2) * 10)));
		}
		const take = recorder.finish({ id: 't', name: 'Take', about: '' });
		expect(take.seconds).toBe(5);
		expect(take.events.map((e) => [e.event, e.at, e.length, e.who])).toEqual([
			['run', 1, 2, 0],
			['hit', 1.5, null, 1],
			['run', 4, 1, 0]
		]);
		expect(take.events[1]).toMatchObject({ values: { v: 2.00049 }, place: [1, 2, 3] });
		expect(take.trace!.poses).toHaveLength(151 * 5);
		expect(take.trace!.times![1]).toBeCloseTo(1 / 30, 12);
		expect(placeAt(take, 3.3)[0]).toBeCloseTo(6.6, 2);
		const [value] = take.values;
		expect(value!.points.length).toBeLessThan(6);
		const curve = compileCurve(value!.points);
		for (let t = 0; t <= 5; t += 0.1)
			expect(Math.abs(runCurve(curve, t) - (t < 2 ? 0 : Math.min(10, (t - 2) * 10)))).toBeLessThan(1.1);
		expect(runCurve(curve, 1)).toBeCloseTo(0, 2);
		expect(runCurve(curve, 4)).toBeCloseTo(10, 1);
	});

	it('keeps thirty moments a second as they are, and every step where it is not straight in between', () => {
		const recorder = new Recorder(2, []);
		const pose = new Float64Array(5);
		for (let i = 0; i <= 240; i++) {
			pose[0] = i / 70;
			// A flick of the view within one step, at 1 s.
			pose[3] = i < 121 ? 170 : -100;
			recorder.at(
				i / 120,
				[{ pose, speed: 120 / 70, grounded: i < 60 || i > 80 }, at(new Float64Array(5))],
				() => undefined
			);
		}
		const { trace, second } = recorder.finish({ id: 't', name: 'T', about: '' });
		expect(trace!.times).toHaveLength(61 + 3);
		expect(second!.trace!.times).toHaveLength(61);
		expect(trace!.poses.slice(5, 6)).toEqual([4 / 70]);
		expect(trace!.air).toEqual([[60 / 120, 81 / 120]]);
		const seen = new Float64Array(5);
		for (let i = 0; i <= 240; i++) {
			traceAt(trace!, i / 120, seen);
			expect(seen[0]).toBeCloseTo(i / 70, 9);
			expect(seen[3]).toBeCloseTo(i < 121 ? 170 : -100, 9);
		}
	});

	it('trimmed, it is the same between the cuts', () => {
		const recorder = new Recorder(1, []);
		const pose = new Float64Array(5);
		for (let i = 0; i <= 240; i++) {
			pose[1] = Math.sin(i / 9);
			recorder.at(i / 120, [{ pose, speed: i / 100, grounded: i < 100 || i > 140 }], () => undefined);
		}
		const take = recorder.finish({ id: 't', name: 'T', about: '' });
		const cut = trimCourse(take, 0.503, 1.7);
		expect(cut.trace!.air![0]![0]).toBeCloseTo(100 / 120 - 0.503, 9);
		const [a, b] = [new Float64Array(5), new Float64Array(5)];
		for (let t = 0; t < 1.19; t += 0.01) {
			traceAt(take.trace!, 0.503 + t, a);
			traceAt(cut.trace!, t, b);
			expect(b[1]).toBeCloseTo(a[1]!, 9);
			expect(speedAt(cut.trace!, t)).toBeCloseTo(speedAt(take.trace!, 0.503 + t), 9);
		}
	});
});
