/** The page's side of the motion worker: one worker, made when it is first needed, one job at a time, the newest wish first. */
import { wrap, type Remote } from 'comlink';
import type PQueue from 'p-queue';
import type { Neighbour, NeighbourOptions } from '$lib/analysis';
import type { ShakePreset } from 'dinesis-runtime';
import type { Card, MotionDoor } from './protocol';

export class MotionWorker {
	private worker: Worker | null = null;
	private door: Remote<MotionDoor> | null = null;
	/** Comes with the first wish: nothing is measured before a page is seen. */
	private jobs: Promise<PQueue> | null = null;
	private readonly closing = new AbortController();
	/** Each wish goes before those that were wished earlier. */
	private wishes = 0;

	/** Figures and drawing of a preset; `soon`: before those that wait. Rejects when the worker was closed meanwhile. */
	card(preset: ShakePreset, soon = true): Promise<Card> {
		return this.ask((door) => door.card(preset), soon);
	}

	neighbours(preset: ShakePreset, options: NeighbourOptions): Promise<Neighbour[]> {
		return this.ask((door) => door.neighbours(preset, options), true);
	}

	close(): void {
		this.closing.abort(new Error('The worker was closed.'));
		this.worker?.terminate();
		this.worker = this.door = null;
	}

	private async ask<T>(run: (door: Remote<MotionDoor>) => Promise<T>, soon: boolean): Promise<T> {
		const { signal } = this.closing;
		const priority = soon ? ++this.wishes : 0;
		const jobs = await this.queue();
		signal.throwIfAborted();
		return jobs.add(
			() =>
				new Promise<T>((done, fail) => {
					// A worker that was ended never answers.
					const lost = (): void => fail(signal.reason as Error);
					signal.addEventListener('abort', lost);
					run(this.reach())
						.then(done, fail)
						.finally(() => signal.removeEventListener('abort', lost));
				}),
			{ priority, signal }
		) as Promise<T>;
	}

	private queue(): Promise<PQueue> {
		this.jobs ??= import('p-queue').then(({ default: Queue }) => new Queue({ concurrency: 1 }));
		// Where it could not be fetched the next wish tries again.
		this.jobs.catch(() => (this.jobs = null));
		return this.jobs;
	}

	private reach(): Remote<MotionDoor> {
		if (!this.door) {
			this.worker = new Worker(new URL('./motion.worker.ts', import.meta.url), { type: 'module' });
			this.door = wrap<MotionDoor>(this.worker);
		}
		return this.door;
	}
}
