/**
 * A course at any moment: it is played on from the nearest checkpoint before, so that scrubbing is immediate and shows exactly
 * what playing would have shown.
 *
 *     const replay = new Replay(kit, course);
 *     replay.at(34.2).director.viewers[0].player.offset;
 *     replay.at(3); // backwards as well
 */
import type { Seconds, Played } from 'dinesis-runtime/tools';
import { CourseRun, type RunOptions } from './run';
import type { Course } from '../documents';

/** A long course has no more checkpoints than this. */
const MOST_CHECKPOINTS = 240;
const LEAST_APART: Seconds = 1;

export class Replay {
	/** Runs that stand still, the earliest first, each a step of the grid. */
	private readonly checkpoints: CourseRun[];
	private readonly apart: Seconds;
	private run: CourseRun;

	constructor(kit: Played, course: Course, options: RunOptions = {}) {
		this.apart = Math.max(LEAST_APART, course.seconds / MOST_CHECKPOINTS);
		this.run = new CourseRun(kit, course, options);
		this.checkpoints = [this.run.fork()];
	}

	/** The run as it stands at a time. Valid until the next call. */
	at(time: Seconds): CourseRun {
		const wanted = this.run.stepBefore(Math.max(0, time));
		const checkpoint = this.before(wanted);
		if (this.run.now > wanted + 1e-9 || checkpoint.now > this.run.now) this.run = checkpoint.fork();
		for (;;) {
			const due = this.checkpoints.length * this.apart;
			if (due > wanted || this.run.now > due) break;
			this.run.advanceTo(due);
			// At its end a course stands still.
			if (this.run.now < this.run.stepBefore(due) - 1e-9) break;
			this.checkpoints.push(this.run.fork());
		}
		this.run.advanceTo(wanted);
		return this.run;
	}

	private before(time: Seconds): CourseRun {
		const i = Math.min(this.checkpoints.length - 1, Math.floor(time / this.apart));
		return this.checkpoints[this.checkpoints[i]!.now <= time + 1e-9 ? i : i - 1]!;
	}
}
