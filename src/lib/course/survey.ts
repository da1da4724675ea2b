/** A whole course at a glance: how strongly the camera moves when, and which plays the cues began. */
import type { Decision, Played, Seconds } from 'dinesis-runtime/tools';
import type { ShakePreset, Cue, Rig } from 'dinesis-runtime';
import { CourseRun, GRID_HZ, type RunOptions } from './run';
import type { Course } from '../documents';

export interface SurveyPlay {
	readonly at: Seconds;
	/** When it was over; the course's end for one that still ran. */
	readonly until: Seconds;
	readonly preset: string;
	readonly cue: string;
	readonly strength: number;
	/** 0 the first viewer, 1 the second. */
	readonly who: number;
}

export interface Survey {
	/** Equal parts of the course. */
	readonly columns: number;
	/** By viewer: the largest distance in each column, in metres. */
	readonly position: readonly Float32Array[];
	/** By viewer: the largest angle in each column, in degrees. */
	readonly rotation: readonly Float32Array[];
	readonly plays: readonly SurveyPlay[];
	/** What became of each cue that was asked, in the order in which it fell: up to so many that one could read them. */
	readonly decisions: readonly Decision[];
	/** Chains that were cut, by cue. */
	readonly cutChains: readonly string[];
}

const LOOKS_HZ = 60;
const MOST_DECISIONS = 5000;

/** What of a project's presets its cues and rigs can play: the rest need not come along. */
export function presetsOf(
	{ cues, rigs }: { readonly cues: readonly Cue[]; readonly rigs: readonly Rig[] },
	presets: readonly ShakePreset[]
): ShakePreset[] {
	const used = new Set(
		cues.flatMap((cue) => cue.actions.flatMap((a) => (a.kind === 'play' ? a.pick.map((p) => p.preset) : [])))
	);
	for (const rig of rigs) for (const { preset } of rig.motion) used.add(preset);
	return presets.filter((preset) => used.has(preset.id));
}

export function surveyCourse(kit: Played, course: Course, columns: number, options: RunOptions = {}): Survey {
	const run = new CourseRun(kit, course, options);
	const viewers = run.director.viewers;
	const position = viewers.map(() => new Float32Array(columns));
	const rotation = viewers.map(() => new Float32Array(columns));
	const plays: (SurveyPlay & { until: Seconds })[] = [];
	const known = viewers.map(() => new Map<number, number>());
	const decisions: Decision[] = [];
	run.director.explain((decision) => {
		if (decisions.length < MOST_DECISIONS) decisions.push(decision);
	});
	const steps = Math.floor(course.seconds * GRID_HZ);
	for (let step = 0; step <= steps; step++) {
		const time = step / GRID_HZ;
		run.advanceTo(time);
		if (run.director.done.length > 0 || step % (GRID_HZ / LOOKS_HZ) === 0)
			viewers.forEach(({ player }, who) => {
				const column = Math.min(columns - 1, Math.floor((time / course.seconds) * columns));
				const o = run.bodies[who]!.rig.offset;
				const far = Math.sqrt(o[0]! * o[0]! + o[1]! * o[1]! + o[2]! * o[2]!);
				const wide = Math.sqrt(o[3]! * o[3]! + o[4]! * o[4]! + o[5]! * o[5]!);
				if (far > position[who]![column]!) position[who]![column] = far;
				if (wide > rotation[who]![column]!) rotation[who]![column] = wide;
				for (const play of player.plays) {
					let at = known[who]!.get(play.id);
					if (at === undefined) {
						const order = run.director.done.find((o) => o.kind === 'play' && o.preset === play.presetId);
						at = plays.length;
						known[who]!.set(play.id, at);
						const { presetId: preset, strength, trigger } = play;
						plays.push({ at: Math.max(0, trigger), until: time, preset, cue: order?.cue ?? '', strength, who });
					}
					plays[at] = { ...plays[at]!, until: time };
				}
			});
	}
	return { columns, position, rotation, plays, decisions, cutChains: [...run.director.engine.cutChains.keys()] };
}
