import { readFileSync } from 'node:fs';
import { beforeAll, describe, expect, it } from 'vitest';
import { CourseRun, Recorder } from '$lib/course';
import { Frame, newCue, occurrencesOf, shortestTurn, type Order } from 'dinesis-runtime/tools';
import { readKit, type Course, type Kit } from '$lib/documents';
import { FreeRun } from './free-run';
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
});
