import { beforeAll, describe, expect, it } from 'vitest';
import { createRuntime, type Runtime } from 'dinesis-runtime';
import { combine, isShake, type Frame } from 'dinesis-runtime/tools';
import { momentOf, Replayed, type Called, type Recording } from 'dinesis-runtime/wire';
import { openCourse, type Course } from '../documents';
import { demoKit } from '../documents/testing/demo';
import { trimCourse } from './edit';
import { courseOfRecording, isAsRecorded, recordingOf } from './exact';
import { Replay } from './replay';
import { CourseRun } from './run';

const demo = demoKit();

/** A game whose frames are of any length, recorded from its 70th on. */
function recorded(): { recording: Recording; felt: number[][] } {
	const game: Runtime = createRuntime(demo, { seed: 9, rig: 'keepers-eyes' });
	const frames: number[][] = [];
	const calls: [number, Called][] = [];
	const felt: number[][] = [];
	let recording: Pick<Recording, 'clock' | 'moment'> | null = null;
	game.tap = {
		before: () => undefined,
		called: (called) => recording && calls.push([frames.length, called]),
		after: (dt, [body]) => {
			if (!recording) return;
			const { pose, speed, grounded, onFoot } = body!;
			frames.push([dt, ...pose, speed, (grounded ? 1 : 0) + (onFoot === false ? 0 : 2), -1]);
		}
	};
	for (let i = 0; i < 400; i++) {
		if (i === 70) {
			const { frame } = game as unknown as { frame: Frame };
			recording = { clock: game.now, moment: JSON.parse(JSON.stringify(momentOf(frame, demo))) };
		}
		if (i === 30 || i === 200) game.raise('wave-breaks', { values: { height: 6 }, place: [3, -3, -8] });
		if (i === 40) game.setPlayer({ bob: false, intensity: 0.7 });
		if (i === 60) game.begin('storm');
		if (i === 100) game.begin('lens-turning', { place: [0, 5, 0] });
		if (i === 260) game.end('lens-turning');
		if (i === 300) game.end('storm');
		if (i % 90 === 10) game.set('cold', (i % 7) / 7);
		if (i === 120) game.setPlayer({ gentle: true });
		if (i === 150) game.useRig('under-load', { over: 0.6 });
		if (i === 170) game.play('far-thunder', { strength: 0.5 });
		const dt = [1 / 60, 1 / 144, 0.013, 1 / 30][i % 4]!;
		const up = i % 120 > 100 ? 0.3 : 0;
		const { camera, offset } = game.advance(dt, {
			pose: [i / 100, up, -i / 50, i / 3, 2],
			speed: 1.5,
			grounded: up === 0
		});
		if (recording) felt.push([...camera, ...offset]);
	}
	return { recording: { ...recording!, seed: 9, rig: 'keepers-eyes', viewers: 1, frames, calls }, felt };
}
let recording: Recording;
let felt: number[][];
let course: Course;
const now = (run: CourseRun): number[] => [...run.bodies[0]!.rig.camera, ...run.bodies[0]!.rig.offset];
beforeAll(() => {
	({ recording, felt } = recorded());
	course = courseOfRecording(recording, demo, { id: 'take', name: 'Take', about: '' });
});

describe('a take of a running game', () => {
	it('shows what happened on its timeline: states with their lengths, what was on before it not at all', () => {
		expect(course.events.map(({ event }) => event)).toEqual(['lens-turning', 'wave-breaks']);
		const dts = recording.frames.map(([dt]) => dt!);
		const sum = (from: number, to: number): number => dts.slice(from, to).reduce((a, b) => a + b, 0);
		expect(course.seconds).toBeCloseTo(sum(1, 330), 9);
		expect(course.events[0]!.at).toBeCloseTo(sum(1, 30), 9);
		expect(course.events[0]!.length).toBeCloseTo(sum(30, 190), 9);
		expect(course.values.map((v) => v.parameter)).toEqual(['cold']);
	});

	it('plays what the game felt, to the bit, also out of a file, and wherever one scrubs', () => {
		const read = openCourse(JSON.parse(JSON.stringify(course)));
		if (!read.ok) throw new Error(JSON.stringify(read.problems));
		expect(isAsRecorded(demo, read.value)).toBe(true);
		const run = new CourseRun(demo, read.value);
		const replay = new Replay(demo, read.value);
		const seen = felt.map((_, i) => {
			if (i > 0) run.advanceTo(run.now + recording.frames[i]![0]!);
			return now(run);
		});
		expect(seen).toEqual(felt);
		let time = 0;
		const times = recording.frames.map(([dt], i) => (time += i > 0 ? dt! : 0));
		for (const i of [300, 5, 170, 171, 329, 0, 250]) expect(now(replay.at(times[i]!))).toEqual(felt[i]);
		expect(run.bodies[0]!.speed).toBe(1.5);
	});

	it('is tuned: with another kit it is what the game would have shown', () => {
		const presets = demo.presets.map((p) => (isShake(p) && p.id === 'wave-on-tower' ? { ...p, amount: 0 } : p));
		const tuned = now(new Replay({ ...demo, presets }, course).at(course.seconds * 0.45));
		expect(tuned).not.toEqual(now(new Replay(demo, course).at(course.seconds * 0.45)));
		expect(tuned.every(Number.isFinite)).toBe(true);
	});

	it('that was changed on its timeline is played by the timeline', () => {
		const without = { ...course, events: [] };
		expect(isAsRecorded(demo, without)).toBe(false);
		const run = new CourseRun(demo, without);
		run.advanceTo(2);
		expect(now(run)).not.toEqual(now(new Replay(demo, course).at(2)));
		expect(trimCourse(course, 1, 3)).not.toHaveProperty('recording');
		// A moment that is none does not stand in the way.
		const odd = {
			...course,
			recording: {
				...recording,
				moment: {
					moment: 1,
					seed: 1,
					rig: null,
					viewers: 1,
					state: { o: { director: { o: { viewers: { e: [[0, { o: null }]] } } } } }
				} as never
			}
		};
		expect(() => new CourseRun(demo, odd)).not.toThrow();
	});

	it('broken in any place neither throws nor hangs: what cannot be gone on from is played by the timeline', () => {
		const odd = [
			null,
			0,
			-1,
			1e300,
			-1e300,
			1e-300,
			'',
			'x',
			true,
			[],
			{},
			[[]],
			{ n: 'NaN' },
			{ n: 'Infinity' },
			{ f: [1] },
			{ u: 1 },
			{ a: [] }
		];
		const short = {
			...recording,
			frames: recording.frames.slice(0, 60),
			calls: recording.calls.filter(([at]) => at < 60)
		};
		const text = JSON.stringify(courseOfRecording(short, demo, { id: 'take', name: 'Take', about: '' }));
		let exact = 0;
		for (let seed = 0; seed < 2000; seed++) {
			let count = 0;
			const roll = (below: number): number => (combine(seed, ++count) >>> 0) % below;
			const broken = JSON.parse(text) as Course;
			let here: any = roll(4) === 0 ? broken.recording : broken.recording!.moment!.state;
			for (let depth = 3 + roll(9); depth >= 0; depth--) {
				const keys = Object.keys(here);
				const key = keys[roll(keys.length || 1)];
				if (key === undefined) break;
				if (depth === 0 || typeof here[key] !== 'object' || here[key] === null) {
					here[key] = odd[roll(odd.length)];
					break;
				}
				here = here[key];
			}
			const read = openCourse(broken);
			if (!read.ok) continue;
			const run = new CourseRun(demo, read.value);
			run.advanceTo(0.4);
			run.fork().advanceTo(0.5);
			if (run.now > 0 && now(run).every(Number.isFinite)) exact++;
			else throw new Error(`Mutant ${seed} stands at ${run.now}: ${now(run).join()}`);
		}
		expect(exact).toBeGreaterThan(500);
	}, 120_000);

	it('out of a file that is none is refused, with its place', () => {
		const wrong = (part: object): string[] => {
			const read = openCourse(JSON.parse(JSON.stringify({ ...course, recording: { ...recording, ...part } })));
			return read.ok ? [] : read.problems.map(({ place }) => place);
		};
		expect(wrong({ frames: [[1]] })).toEqual(['recording.frames']);
		expect(wrong({ viewers: 3 })).toEqual(['recording.viewers']);
		expect(wrong({ calls: [[0]] })).toEqual(['recording.calls']);
		expect(wrong({ moment: 4 })).toEqual(['recording.moment']);
	});
});

describe('a course that a game is sent', () => {
	it('is the take that it was, or its way step by step with what its timeline says', () => {
		expect(recordingOf(demo, course)).toBe(recording);
		const walk = {
			...demo.courses.find((c) => c.id === 'first-watch')!,
			seconds: 12,
			rig: 'keepers-eyes',
			steps: true,
			areas: []
		};
		const sent = recordingOf(demo, walk);
		expect(sent.frames).toHaveLength(12 * 120 + 1);
		const runtime = createRuntime(demo, { seed: 1, rig: 'keepers-eyes' });
		const again = new Replayed(runtime, JSON.parse(JSON.stringify(sent)) as Recording);
		const run = new CourseRun(demo, walk);
		let worst = 0;
		let felt = 0;
		for (let i = 0; again.step(); i++) {
			run.advanceTo(i / 120);
			const { offset } = runtime.frameOf(0);
			for (let c = 0; c < 7; c++) {
				worst = Math.max(worst, Math.abs(offset[c]! - run.bodies[0]!.rig.offset[c]!));
				felt = Math.max(felt, Math.abs(offset[c]!));
			}
		}
		expect(runtime.troubles.size).toBe(0);
		expect(felt).toBeGreaterThan(0.3);
		// Clocks that add up steps and those that count them differ in the last bits.
		expect(worst).toBeLessThan(1e-6 * Math.max(1, felt));
	});
});
