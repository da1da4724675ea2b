/** Courses in golden vectors: the demo's, and small ones for each kind of way. Motion alone has its own (`runtime/vectors`). */
import { cue, play, presets, scene, writeDown, type Vector } from 'dinesis-runtime/vectors';
import { openKit, type Kit } from '../../documents';
import { CourseRun, GRID_HZ } from '../run';

export type CourseVector = Omit<Vector, 'inputs'> & {
	readonly inputs: { readonly kind: 'course'; readonly course: string; readonly seed: number };
};
type Case = Omit<CourseVector, 'rows' | 'hash'>;

const runs = (name: string, course: object, part: object = {}): Case => ({
	name,
	kit: {
		...scene,
		presets,
		rigs: [{ id: 'r', name: 'R', bob: 'bob' }],
		cues: [
			cue([play()]),
			cue([play({ pick: [{ preset: 'b' }], length: 'event' })], { id: 'p', event: 'hum', when: 'starts' }),
			cue([play()], { id: 's', event: 'foot' })
		],
		courses: [
			{
				id: 'w',
				name: 'W',
				seconds: 3,
				rig: 'r',
				path: [
					{ x: 0, z: 0, pause: 0.3 },
					{ x: 1, z: -2, speed: 2 },
					{ x: 3, z: -2 }
				],
				...course
			}
		],
		...part
	},
	inputs: { kind: 'course', course: 'w', seed: 2 },
	every: 40
});
const poses = Array.from({ length: 40 }, (_, i) => [
	i / 20,
	i > 20 && i < 30 ? (i - 20) * (30 - i) * -0.01 : 0,
	-i / 15,
	i * 2,
	i
]).flat();
const courses: readonly Case[] = [
	runs('course: a path, events between steps, a state, steps', {
		steps: true,
		events: [
			{ at: 0.501, event: 'hit', values: { v: 4 } },
			{ at: 1.2, event: 'hum', length: 0.7 },
			{ at: 2, event: 'hit', place: [5, 0, 0] }
		]
	}),
	runs('course: an area and a game value', {
		areas: [{ event: 'hum', x: 1, z: -2, radius: 0.8 }],
		values: [
			{
				parameter: 'cold',
				points: [
					{ at: 0, value: 0 },
					{ at: 3, value: 1 }
				]
			}
		]
	}),
	runs('course: two players', {
		second: {
			path: [
				{ x: 4, z: 0 },
				{ x: 4, z: -5 }
			]
		},
		events: [
			{ at: 0.5, event: 'hit', who: 1 },
			{ at: 1.5, event: 'hit' }
		]
	}),
	runs('course: a recorded way', { trace: { hz: 15, poses } }),
	runs('course: a recorded way with speeds and air, at moments of its own', {
		trace: {
			times: Array.from({ length: 40 }, (_, i) => (i * i) / 600),
			poses,
			speeds: Array.from({ length: 40 }, (_, i) => i / 20),
			air: [[0.8, 1.3]]
		}
	})
];

/** By file. */
export const courseCasesOf = (demo: Kit): Readonly<Record<string, readonly Case[]>> => ({
	demo: demo.courses.map((c) => ({
		name: `course ${c.id}`,
		kit: 'demo',
		inputs: { kind: 'course', course: c.id, seed: 1 },
		every: 240
	})),
	courses
});

/** What a course's vector gives. Throws an Error when its kit cannot be read. */
export function playCourseVector({ kit, inputs, every }: Case, demo: Kit): Pick<Vector, 'rows' | 'hash'> {
	let opened = demo;
	if (kit !== 'demo') {
		const read = openKit(JSON.parse(JSON.stringify({ format: 'dinesis-kit', version: 1, name: 'Vector', ...kit })));
		if (!read.ok) throw new Error(`The vector's kit cannot be read: ${JSON.stringify(read.problems)}`);
		opened = read.value;
	}
	const run = new CourseRun(
		opened,
		opened.courses.find((c) => c.id === inputs.course)!,
		{ seed: inputs.seed }
	);
	return writeDown(every, (give) => {
		for (let i = 0; i <= Math.floor(run.course.seconds * GRID_HZ + 1e-6); i++) {
			run.advanceTo(i / GRID_HZ);
			give(run.bodies.flatMap(({ rig }) => [...rig.camera, ...rig.offset, rig.fov]));
		}
	});
}
