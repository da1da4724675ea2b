/** The page's side of the course worker. A bake has a worker of its own, so that giving it up is ending that. */
import { proxy, wrap, type Remote } from 'comlink';
import type { Course } from '$lib/documents';
import type { Onsets } from '$lib/analysis';
import type { ReadResult } from 'dinesis-runtime';
import type { Played } from 'dinesis-runtime/tools';
import type { Survey } from '$lib/course';
import type { EventLog } from '$lib/formats';
import type { CourseDoor } from './protocol';

const start = (): Worker => new Worker(new URL('./course.worker.ts', import.meta.url), { type: 'module' });

export interface Bake {
	/** The table as CSV; null when it was given up. */
	readonly done: Promise<string | null>;
	/** Gives it up. */
	cancel(): void;
}

export class CourseWorker {
	private worker: Worker | null = null;
	private door: Remote<CourseDoor> | null = null;
	/** The survey that is asked for next; older wishes are dropped. */
	private wanted: (() => Promise<void>) | null = null;
	private busy = false;

	/** Calls back with a survey unless a newer one was asked for meanwhile. */
	survey(kit: Played, course: Course, columns: number, seed: number, take: (survey: Survey) => void): void {
		const own = async (): Promise<void> => {
			const found = await this.open().survey(kit, course, columns, seed);
			if (this.wanted === null) take(found);
		};
		this.wanted = own;
		void this.pump();
	}

	async readLog(bytes: Uint8Array): Promise<ReadResult<EventLog>> {
		return this.open().readLog(bytes);
	}

	async detectOnsets(bytes: ArrayBuffer, sensitivity: number): Promise<ReadResult<Onsets>> {
		return this.open().detectOnsets(bytes, sensitivity);
	}

	bake(kit: Played, course: Course, fps: number, seed: number, progress: (part: number) => void): Bake {
		const worker = start();
		let giveUp: (value: null) => void = () => undefined;
		const cancelled = new Promise<null>((done) => (giveUp = done));
		const baked = wrap<CourseDoor>(worker).bake(kit, course, fps, seed, proxy(progress));
		const done = Promise.race([baked, cancelled]).finally(() => worker.terminate());
		return { done, cancel: () => giveUp(null) };
	}

	close(): void {
		this.worker?.terminate();
		this.worker = this.door = null;
		this.wanted = null;
	}

	private open(): Remote<CourseDoor> {
		if (!this.door) {
			this.worker = start();
			this.door = wrap<CourseDoor>(this.worker);
		}
		return this.door;
	}

	private async pump(): Promise<void> {
		if (this.busy) return;
		this.busy = true;
		while (this.wanted) {
			const next = this.wanted;
			this.wanted = null;
			await next();
		}
		this.busy = false;
	}
}
