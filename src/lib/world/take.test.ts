import { readFileSync } from 'node:fs';
import { beforeAll, describe, expect, it } from 'vitest';
import { CourseRun, Recorder } from '$lib/course';
import { Frame, newCue, occurrencesOf, shortestTurn, type Order } from 'dinesis-runtime/tools';
import { readKit, type Course, type Kit } from '$lib/documents';
import { FreeRun } from './free-run';
import { movedAt, thingsOf } from './moving';
import { noWish, type Wish } from './runner';
import { loadRapier, type Rapier } from './physics';

const demo = (
	readKit(readFileSync(new URL('../../../demo/lamp-at-morrowskerry.kit.json', import.meta.url), 'utf8')) as {
		value: Kit;
	}
).value;
/** The demo, in which each footfall and each jump plays something as well. */
const heard = ['footfall', 'jump'] as const;
const kit: Kit = {
	...demo,
	events: [
		...demo.events,
		...heard.map((id) => ({ id, name: id, kind: 'moment' as const, placed: false, tags: [], values: [] }))
	],
	world: {
		...demo.world,
		events: [...demo.world.events, ...heard.map((id) => ({ from: id, event: id, numbers: {} }))]
	},
	cues: [...demo.cues, ...heard.map((id, i) => newCue(id, id, demo.presets[i]!.id))]
};
let rapier: Rapier;
beforeAll(async () => {
	rapier = await loadRapier();
});

/** Where the camera is seen from: its rest with all that moves it. */
interface Seen {
	readonly place: number[];
	readonly angles: number[];
}
interface Played {
	readonly take: Course;
	readonly seen: Seen[];
	readonly orders: Order[];
	readonly feet: number;
}

const seenBy = (camera: Float64Array, offset: Float64Array, facing: Float64Array): Seen => ({
	place: [camera[0]! + offset[0]!, camera[1]! + offset[1]!, camera[2]! + offset[2]!],
	angles: [offset[3]!, facing[3]! + offset[4]!, offset[5]!]
});

/** Walks the grounds by a script, as the Course room does, and records it. */
function walk(script: readonly (readonly [number, Partial<Wish>])[], rig: string): Played {
	const run = new FreeRun(rapier);
	const recorder = new Recorder(1, kit.parameters);
	let feet = 0;
	const frame = new Frame(kit, {
		rig,
		steps: true,
		hear: { happening: () => feet++, raised: (occurrence, at) => recorder.happened(at, occurrence) }
	});
	const { values } = frame.director.viewers[0]!.player;
	const seen: Seen[] = [];
	const orders: Order[] = [];
	const look = (): void => {
		orders.push(...frame.director.done);
		const { camera, offset } = frame.cameras[0]!;
		seen.push(seenBy(camera, offset, run.runners[0]!.pose));
		recorder.at(run.now, run.runners, (id) => values.get(id));
	};
	frame.step(0, 0, run.runners);
	look();
	for (const [seconds, part] of script)
		for (let i = 0; i < seconds * 120; i++) {
			run.step([{ ...noWish(), ...part }], (happening) => {
				for (const occurrence of occurrencesOf(kit.world, kit.events, happening)) {
					frame.director.raise(occurrence, run.now);
					recorder.happened(run.now, occurrence);
				}
			});
			for (const { from, parameter } of kit.world.values) {
				const { min, max } = kit.parameters.find((p) => p.id === parameter)!;
				frame.director.set(parameter, min + (max - min) * run.values[from]!);
			}
			frame.step(run.now, 1 / 120, run.runners);
			look();
		}
	return { take: recorder.finish({ id: 'take', name: 'Take', about: '', rig }), seen, orders, feet };
}

describe('a free run and its take', () => {
	const script = [
		[1, {}],
		[2.5, { ahead: 1, yaw: 180 }],
		[2, { ahead: 1, run: true, yaw: 180 }],
		[0.3, { ahead: 1, run: true, yaw: 180, jump: true }],
		[2, { ahead: 1, yaw: 90 }],
		[1.5, { ahead: 1, creep: true, yaw: -60, hold: true }],
		[2, {}]
	] as const;

	it('played again it raises the same plays in the same order, and stays within a centimetre and a tenth of a degree', () => {
		const { take, seen, orders, feet } = walk(script, kit.rigs[0]!.id);
		expect(feet).toBeGreaterThan(4);
		// A file keeps it as it is.
		const run = new CourseRun(kit, JSON.parse(JSON.stringify(take)) as Course);
		const again: Order[] = [...run.director.done];
		let [far, wide] = [0, 0];
		for (let i = 0; i < seen.length; i++) {
			if (i > 0) {
				run.advanceTo(i / 120);
				again.push(...run.director.done);
			}
			const [body] = run.bodies;
			const { place, angles } = seenBy(body!.rig.camera, body!.rig.offset, body!.pose);
			far = Math.max(far, Math.hypot(...place.map((v, c) => v - seen[i]!.place[c]!)));
			angles.forEach((v, c) => (wide = Math.max(wide, Math.abs(shortestTurn(v, seen[i]!.angles[c]!)))));
		}
		const plays = (list: readonly Order[]) => list.filter((order) => order.kind === 'play');
		expect(plays(orders).length).toBeGreaterThan(3);
		expect(plays(again).map((o) => (o.kind === 'play' ? o.preset : ''))).toEqual(
			plays(orders).map((o) => (o.kind === 'play' ? o.preset : ''))
		);
		plays(orders).forEach((order, i) => expect(Math.abs(plays(again)[i]!.at - order.at)).toBeLessThanOrEqual(1 / 30));
		expect(far).toBeLessThan(0.01);
		expect(wide).toBeLessThan(0.1);
	});

	it('has the casks that were pushed and the door that fell shut, where they were at every step', () => {
		const run = new FreeRun(rapier);
		const recorder = new Recorder(1, kit.parameters);
		const doors: number[] = [];
		const pushed: number[][] = [];
		recorder.at(0, run.runners, () => undefined);
		for (const [id, numbers] of thingsOf(run)) recorder.moved(id, numbers);
		const step = (part: Partial<Wish>): void => {
			run.step([{ ...noWish(), ...part }], () => undefined);
			recorder.at(run.now, run.runners, () => undefined);
			for (const [id, numbers] of thingsOf(run)) recorder.moved(id, numbers);
			doors.push(run.doorOpen);
			pushed.push(run.casks.map(({ z }) => z));
		};
		// Out of the lamp room, down to the yard and into the casks there.
		for (const [x, z] of [
			[0, 7],
			[0, 3.5],
			[12, 3.5],
			[13.4, -1]
		] as const)
			for (let i = 0; i < 12 * 120; i++) {
				const [px, , pz] = run.runners[0]!.pose;
				const [dx, dz] = [x - px!, z - pz!];
				if (Math.hypot(dx, dz) < 0.4) break;
				step({ ahead: 1, yaw: (Math.atan2(-dx, -dz) * 180) / Math.PI });
			}
		for (let i = 0; i < 4 * 120; i++) step(i < 300 ? { ahead: 1 } : {});
		const take = recorder.finish({ id: 'take', name: 'Take', about: '' });
		expect(Math.min(...doors)).toBeLessThan(0.5);
		const farthest = pushed.at(-1)!.map((z, c) => Math.abs(z - pushed[0]![c]!));
		expect(Math.max(...farthest)).toBeGreaterThan(0.3);
		const things = (JSON.parse(JSON.stringify(take)) as Course).things!;
		doors.forEach((open, i) => {
			const seen = movedAt(things, (i + 1) / 120);
			expect(Math.abs(seen.doorOpen - open)).toBeLessThan(0.02);
			seen.casks.forEach(({ z, qx, qy, qz, qw }, c) => {
				expect(Math.abs(z - pushed[i]![c]!)).toBeLessThan(0.05);
				expect(Math.hypot(qx, qy, qz, qw)).toBeCloseTo(1, 9);
			});
		});
		run.end(() => undefined);
	});

	it('on the ladder knows that it climbs: its speed is that along it, and it stands on the rungs', () => {
		const recorder = new Recorder(1, []);
		const body = (y: number, climbing: boolean) => ({
			pose: Float64Array.of(14, y, -12.42, 0, 0),
			speed: climbing ? 0.9 : 0,
			grounded: true,
			climbing
		});
		for (let i = 0; i <= 360; i++)
			recorder.at(i / 120, [body(-6 - Math.max(0, i - 120) * 0.0075, i >= 120)], () => undefined);
		const take = recorder.finish({ id: 'take', name: 'Take', about: '' });
		expect(take.trace!.climbs).toEqual([[1, 3]]);
		// As by hand: without speeds and without air it is told by what is said of it.
		const { speeds, air, ...trace } = take.trace!;
		void [speeds, air];
		const run = new CourseRun(kit, { ...take, trace });
		run.advanceTo(0.5);
		expect(run.bodies[0]!.speed).toBe(0);
		run.advanceTo(2);
		expect(run.bodies[0]!.speed).toBeCloseTo(0.9, 6);
		expect(run.bodies[0]!.grounded).toBe(true);
	});

	it('whoever is carried has no feet that fall, in the take as well', () => {
		const recorder = new Recorder(1, []);
		for (let i = 0; i <= 240; i++)
			recorder.at(
				i / 120,
				[{ pose: Float64Array.of(i / 60, -9, 0, 0, 0), speed: 2, grounded: true, onFoot: i < 60 }],
				() => undefined
			);
		const take = recorder.finish({ id: 'take', name: 'Take', about: '' });
		expect(take.trace!.rides).toEqual([[0.5, 2]]);
		const run = new CourseRun(kit, { ...take, steps: true });
		run.advanceTo(0.25);
		expect(run.bodies[0]!.onFoot).toBe(true);
		run.advanceTo(1);
		expect(run.bodies[0]!.onFoot).toBe(false);
	});

	it('an occurrence keeps the tags that it carried beside those of its event', () => {
		const [event] = kit.events;
		const recorder = new Recorder(1, [], [{ ...event!, tags: ['sea'] }]);
		recorder.happened(0, { event: event!.id, phase: 'happens', tags: ['sea', 'enemy'] });
		recorder.happened(0, { event: event!.id, phase: 'happens', tags: ['sea'] });
		recorder.at(0.2, [], () => undefined);
		const { events } = recorder.finish({ id: 'take', name: 'Take', about: '' });
		expect(events.map((e) => e.tags)).toEqual([['enemy'], undefined]);
	});
});
