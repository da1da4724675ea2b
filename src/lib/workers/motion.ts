/** The page's side of the motion worker: one worker, made when it is first needed, one job at a time, the newest wish first. */
import { wrap, type Remote } from 'comlink';
import PQueue from 'p-queue';
import type { Neighbour, NeighbourOptions } from '$lib/analysis';
import type { ShakePreset } from 'dinesis-runtime';
import type { Card, MotionDoor } from './protocol';

export class MotionWorker {
	private worker: Worker | null = null;
	private door: Remote<MotionDoor> | null = null;
	private readonly jobs = new PQueue({ concurrency: 1 });
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

	private ask<T>(run: (door: Remote<MotionDoor>) => Promise<T>, soon: boolean): Promise<T> {
		const { signal } = this.closing;
		return this.jobs.add(
			() =>
				new Promise<T>((done, fail) => {
					// A worker that was ended never answers.
					const lost = (): void => fail(signal.reason as Error);
					signal.addEventListener('abort', lost);
					run(this.reach())
						.then(done, fail)
						.finally(() => signal.removeEventListener('abort', lost));
				}),
			{ priority: soon ? ++this.wishes : 0, signal }
		) as Promise<T>;
	}

	private reach(): Remote<MotionDoor> {
		if (!this.door) {
			this.worker = new Worker(new URL('./motion.worker.ts', import.meta.url), { type: 'module' });
			this.door = wrap<MotionDoor>(this.worker);
		}
		return this.door;
	}
}
