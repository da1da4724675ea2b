import { describe, expect, it } from 'vitest';
import { Replay } from './replay';
import { CourseRun } from './run';
import { newCourse, type Course, type Kit } from '../documents';
import type { Cue, GameEvent, Rig } from 'dinesis-runtime';
import {
	clockOf,
	NO_LINKS,
	newBob,
	newCamera,
	newCue,
	newLag,
	newPreset,
	newRig,
	GameValues,
	CameraRun,
	EYE_HEIGHT,
	EYES,
	type CameraAction,
	type CameraChange
} from 'dinesis-runtime/tools';

const steps = newBob('steps', 'Steps');
const heavy = newLag('heavy', 'Heavy');
const flatThud = { ...newPreset('px', 'Px'), view: 'flat' as const };
const presets = [steps, heavy, newPreset('thud', 'Thud'), flatThud];
const rigs: Rig[] = [
	{ ...newRig('eyes', 'Eyes'), bob: 'steps', lag: 'heavy' },
	{ ...newRig('behind', 'Behind'), view: { ...EYES, kind: 'chase', fov: 50, back: 6, down: 20 } },
	{ ...newRig('side', 'Side'), view: { ...EYES, kind: 'flat' } }
];
const to = (part: Partial<CameraChange>): CameraChange => ({ rig: null, lag: null, bob: null, sizes: {}, ...part });
const DT = 1 / 120;
const still = new Float64Array(7);

/** A camera that walks along −z while one changes it; what it saw of each step. */
function walk(seconds: number, at: (time: number, camera: CameraRun) => void): number[][] {
	const camera = new CameraRun(rigs, presets, 'eyes', new GameValues());
	const body = new Float64Array(5);
	camera.snap(body);
	const seen: number[][] = [];
	for (let i = 1; i <= seconds * 120; i++) {
		at(i * DT, camera);
		body[2]! -= 1.4 * DT;
		body[3]! += 20 * DT;
		camera.advance(clockOf(DT), { pose: body, speed: 1.4, grounded: true });
		camera.sum(still);
		seen.push([...camera.camera, ...camera.offset, camera.fov]);
	}
	return seen;
}
const at =
	(seconds: number): ((time: number) => boolean) =>
	(time) =>
		Math.abs(time - seconds) < DT / 2;
/** The farthest that any number goes from one step to the next. */
const fastest = (seen: number[][], from: number, until: number): number => {
	let most = 0;
	for (let i = Math.round(from * 120); i < Math.round(until * 120); i++)
		for (let c = 0; c < seen[i]!.length; c++) most = Math.max(most, Math.abs(seen[i]![c]! - seen[i - 1]![c]!));
	return most;
};

describe('a camera', () => {
	it('blends from one rig to another and back, in the midst of a blend too, without a jump in anything', () => {
		const [there, back] = [at(1), at(1.4)];
		const seen = walk(4, (time, camera) => {
			if (there(time)) camera.change(to({ rig: 'behind' }), 1, 'state');
			if (back(time)) camera.letGo((owner) => owner === 'state');
		});
		// Six metres and twelve degrees in a second, eased: never more than a tenth of a metre or degree and a half a step.
		expect(fastest(seen, 0.5, 4)).toBeLessThan(0.2);
		expect(seen[118]!.at(-1)).toBe(62);
		expect(Math.min(...seen.map((s) => s.at(-1)!))).toBeLessThan(61);
		expect(seen.at(-1)!.at(-1)).toBe(62);
		expect(seen.at(-1)![1]).toBeCloseTo(EYE_HEIGHT, 9);
	});

	it('arrives: position, turn and lens are those of the other rig', () => {
		const seen = walk(4, (time, camera) => {
			if (at(1)(time)) camera.change(to({ rig: 'behind' }), 1);
		}).at(-1)!;
		expect(seen.at(-1)).toBe(50);
		// Up by 6 m · sin 20°.
		expect(seen[1]).toBeCloseTo(EYE_HEIGHT + 6 * Math.sin(Math.PI / 9), 6);
	});

	it('cuts in one step where no time is given, or where one of both is flat', () => {
		for (const [rig, over] of [
			['behind', 0],
			['side', 2]
		] as const) {
			const camera = new CameraRun(rigs, presets, 'eyes', new GameValues());
			camera.snap(new Float64Array(5));
			camera.change(to({ rig }), over);
			camera.advance(clockOf(DT), { pose: new Float64Array(5), speed: 0, grounded: true });
			expect(camera.blends).toBe(false);
			expect(camera.view).toBe(rig === 'side' ? 'flat' : 'space');
		}
	});

	it('after a cut it is where the other rig puts it, in the same step', () => {
		const body = Float64Array.of(3, 1, -2, 40, 5);
		const [camera, other] = ['eyes', 'behind'].map((id) => {
			const made = new CameraRun(rigs, presets, id, new GameValues());
			made.snap(body);
			return made;
		});
		camera!.change(to({ rig: 'behind' }), 0);
		expect([...camera!.camera]).toEqual([...other!.camera]);
		camera!.use(rigs, presets);
		expect([...camera!.camera]).toEqual([...other!.camera]);
	});

	it('keeps in step when the bob is another, and a larger gait grows within the blend time', () => {
		const height = (sizes: Record<string, number>): number => {
			const seen = walk(5, (time, camera) => {
				if (at(1)(time)) camera.change(to({ sizes }), 0);
			});
			return Math.max(...seen.slice(360).map((s) => Math.abs(s[8]!)));
		};
		expect(height({ walk: 2 })).toBeCloseTo(2 * height({}), 3);
		const seen = walk(3, (time, camera) => {
			if (at(1)(time)) camera.change(to({ sizes: { walk: 3 } }), 0);
			if (at(2)(time)) camera.change(to({}), 0);
		});
		expect(
			fastest(
				seen.map((s) => [s[8]!]),
				0.5,
				3
			)
		).toBeLessThan(0.006);
		expect(Math.max(...seen.slice(320).map((s) => Math.abs(s[8]!)))).toBeLessThan(0.013);
	});

	it('what was held by several owners is given back one by one', () => {
		const camera = new CameraRun(rigs, presets, 'eyes', new GameValues());
		const id = (): string | undefined => camera.run.rig?.id;
		camera.change(to({ rig: 'behind' }), 0, 'a');
		camera.change(to({ rig: 'side' }), 0, 'b');
		camera.letGo((owner) => owner === 'a');
		expect(id()).toBe('side');
		camera.change(to({ rig: 'behind' }), 0);
		camera.letGo((owner) => owner === 'b');
		expect(id()).toBe('behind');
		camera.change(to({}), 0);
		expect(id()).toBe('eyes');
		camera.letGo((owner) => owner === 'never');
		expect(id()).toBe('eyes');
	});
});

describe('a rig that is tuned while one walks', () => {
	it('goes on from where it stands: a slower lag, a larger bob, a stage left out', () => {
		const camera = new CameraRun(rigs, presets, 'eyes', new GameValues());
		const body = new Float64Array(5);
		camera.snap(body);
		const slower = { ...heavy, axes: { ...heavy.axes, z: { ...heavy.axes.z!, halfLife: 0.6 } } };
		const seen: number[][] = [];
		for (let i = 1; i <= 600; i++) {
			body[2]! -= 1.4 * DT;
			if (i === 300) camera.use(rigs, [steps, slower]);
			camera.advance(clockOf(DT), { pose: body, speed: 1.4, grounded: true });
			camera.sum(still);
			seen.push([camera.camera[2]!, camera.offset[1]!]);
		}
		// As far behind as 0.15 s make, then on the way to what 0.6 s make, no step larger than the body's own.
		expect(seen[298]![0]! + 299 * 1.4 * DT).toBeCloseTo((1.4 * 0.15) / Math.LN2, 2);
		expect(seen[599]![0]! + 600 * 1.4 * DT).toBeGreaterThan(0.6);
		expect(fastest(seen, 0.5, 5)).toBeLessThan(1.4 * DT * 1.05);
		camera.use([{ ...rigs[0]!, bypass: ['bob'] }], [steps, slower]);
		camera.sum(still);
		expect(camera.offset[1]).toBe(0);
	});
});

describe('cues and the camera', () => {
	const event = (id: string, kind: GameEvent['kind']): GameEvent => ({
		id,
		name: id,
		kind,
		placed: false,
		tags: [],
		values: []
	});
	const cue = (id: string, on: string, when: Cue['when'], part: Partial<CameraAction>): Cue => ({
		...newCue(id, on, 'thud'),
		when,
		actions: [{ ...newCamera(null), ...part }]
	});
	const kit: Kit = {
		format: 'dinesis-kit',
		version: 1,
		name: 'k',
		events: [event('rows', 'state'), event('scared', 'moment'), event('bang', 'moment')],
		parameters: [],
		presets,
		cues: [
			cue('boat', 'rows', 'lasts', { rig: 'behind', over: 0.5 }),
			cue('fear', 'scared', 'happens', { sizes: { walk: 2 }, over: 0 }),
			{
				...newCue('both', 'bang', 'thud'),
				actions: [...newCue('x', 'bang', 'thud').actions, ...newCue('y', 'bang', 'px').actions]
			}
		],
		rigs,
		courses: [],
		world: NO_LINKS
	};
	const timed = (at: number, id: string, length: number | null = null, who = 0): Course['events'][number] => ({
		at,
		event: id,
		length,
		values: {},
		place: null,
		who
	});
	const course: Course = {
		...newCourse('c', 'C'),
		rig: 'eyes',
		seconds: 8,
		path: [
			{ x: 0, y: 0, z: 0, speed: 1.4, pause: 0 },
			{ x: 0, y: 0, z: -30, speed: 1.4, pause: 0 }
		],
		events: [timed(1, 'rows', 3), timed(2, 'bang'), timed(5, 'scared')]
	};

	it('last as long as the state, for the one it happens to; scrubbing shows what playing shows', () => {
		const second = { path: course.path, trace: null };
		const run = new CourseRun(kit, { ...course, second });
		const ids = (time: number): (string | undefined)[] => {
			run.advanceTo(time);
			return run.bodies.map(({ rig }) => rig.run.rig?.id);
		};
		expect(ids(0.9)).toEqual(['eyes', 'eyes']);
		expect(ids(2)).toEqual(['behind', 'eyes']);
		expect(ids(4.1)).toEqual(['eyes', 'eyes']);
		const replay = new Replay(kit, course);
		for (const time of [6, 1.2, 4.2, 3.3]) {
			const played = new CourseRun(kit, course);
			played.advanceTo(time);
			const { rig } = replay.at(time).bodies[0]!;
			expect([...rig.camera, ...rig.offset, rig.fov]).toEqual(
				((seen) => [...seen.camera, ...seen.offset, seen.fov])(played.bodies[0]!.rig)
			);
		}
	});

	it('a camera in space plays metres, a flat one pixels', () => {
		const played = (rig: string): string[] => {
			const run = new CourseRun(kit, { ...course, rig, events: [timed(1, 'bang')] });
			run.advanceTo(1.2);
			return run.director.viewers[0]!.player.plays.map((play) => play.presetId);
		};
		expect(played('eyes')).toEqual(['thud']);
		expect(played('side')).toEqual(['px']);
	});
});
