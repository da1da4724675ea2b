/** What findings look at: each motion of a kit, played once however many ask. */
import type { Cue, Rig, ShakePreset } from 'dinesis-runtime';
import { isShake, type Clear, type Seconds } from 'dinesis-runtime/tools';
import { CourseRun, GRID_HZ, presetsOf, surveyCourse, type Survey } from '$lib/course';
import { DEFAULT_SETTINGS, type Course, type Kit } from '$lib/documents';
import { quantile } from '../spread';
import { figuresOf, type FigureName, type FiguresOfPlay } from '../figures';
import { courseFor, playOnce, playShake, type Motion } from '../motion';
import type { Subject } from '../subject';
import { seenOf } from '../seen';

/** A shake is judged over so many plays. */
const SEEDS = 5;

export interface Grounds {
	readonly clear?: Clear;
	/** Whether a place is within something solid, or under the ground; left out: nothing is known of the ground. */
	readonly within?: (x: number, y: number, z: number) => boolean;
}

export interface Watch {
	readonly motion: Motion;
	readonly figures: FiguresOfPlay;
	/** Where the centre is off its place, x and y in percent of the picture's height, sample by sample. */
	readonly trail: Float64Array;
}

export class Watched {
	private readonly shakes: WeakMap<ShakePreset, readonly Watch[]>;
	/** What was found in shakes that are the same still, by what else that hangs on. */
	readonly known: WeakMap<object, { readonly with: string; readonly list: unknown }>;
	private readonly others = new Map<string, Watch>();
	private readonly surveys = new Map<string, Survey>();

	constructor(
		readonly kit: Kit,
		readonly grounds: Grounds = {},
		/** The same kit before something of it changed: what is the same is not played again. */
		before?: Watched
	) {
		this.shakes = before?.shakes ?? new WeakMap();
		this.known = before?.known ?? new WeakMap();
	}

	get settings() {
		return this.kit.settings ?? DEFAULT_SETTINGS;
	}

	/** Plays of a shake with the seeds 1 …, of any that is asked for, in the kit or not. */
	shake(preset: ShakePreset): readonly Watch[] {
		const known = this.shakes.get(preset);
		if (known) return known;
		const plays = Array.from({ length: SEEDS }, (_, i) => watched(playShake(preset, i + 1)));
		this.shakes.set(preset, plays);
		return plays;
	}

	/** A figure of a shake in the play in the middle. */
	median(preset: ShakePreset, of: (watch: Watch) => number): number {
		return quantile(
			this.shake(preset)
				.map(of)
				.sort((a, b) => a - b),
			0.5
		);
	}
	figure(preset: ShakePreset, name: FigureName): number {
		return this.median(preset, ({ figures }) => figures[name]);
	}

	/** A rig on its walk, a course, a cue: played once. */
	one(subject: Subject): Watch {
		const key = `${subject.kind} ${subject.id}`;
		const known = this.others.get(key);
		if (known) return known;
		const made = watched(playOnce({ kit: this.kit, subject, clear: this.grounds.clear }, 1));
		this.others.set(key, made);
		return made;
	}

	/** What is played on a course, or by a cue that is fired once. */
	survey(subject: Subject): Survey {
		const key = `${subject.kind} ${subject.id}`;
		const known = this.surveys.get(key);
		if (known) return known;
		const course = courseFor({ kit: this.kit, subject });
		const made = surveyCourse(this.kit, course, 1, { clear: this.grounds.clear });
		this.surveys.set(key, made);
		return made;
	}

	/** Steps a course and looks at each step. */
	run(course: Course, look: (run: CourseRun, time: Seconds) => void, kit = this.kit): void {
		const run = new CourseRun(kit, course, { clear: this.grounds.clear, watch: true });
		for (let i = 0; i <= Math.floor(course.seconds * GRID_HZ); i++) {
			run.advanceTo(i / GRID_HZ);
			look(run, i / GRID_HZ);
		}
	}

	/** Courses that are seen through a rig, and a walk where there is none. */
	coursesOf(rig: Rig): readonly Course[] {
		const own = this.kit.courses.filter((course) => course.rig === rig.id);
		return own.length > 0 ? own : [courseFor({ kit: this.kit, subject: { kind: 'rig', id: rig.id } })];
	}

	/** Whether a cue that is on, or a rig, plays it. */
	isPlayed(preset: ShakePreset): boolean {
		const { cues, rigs } = this.kit;
		const on = cues.filter((cue: Cue) => cue.on);
		return presetsOf({ cues: on, rigs }, this.kit.presets.filter(isShake)).some(({ id }) => id === preset.id);
	}
}

function watched(motion: Motion): Watch {
	return { motion, figures: figuresOf(motion), trail: seenOf(motion.track, motion.view).trail };
}
