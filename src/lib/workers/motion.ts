/** The page's side of the motion worker: one worker, made when it is first needed, one job at a time, the newest wish first. */
import { wrap, type Remote } from 'comlink';
import type { Neighbour, NeighbourOptions } from '$lib/analysis';
import type { ShakePreset } from 'dinesis-runtime';
import type { Card, MotionDoor } from './protocol';

interface Job {
	readonly run: (door: Remote<MotionDoor>) => Promise<void>;
	readonly drop: () => void;
}

export class MotionWorker {
	private worker: Worker | null = null;
	private door: Remote<MotionDoor> | null = null;
	private readonly urgent: Job[] = [];
	private readonly waiting: Job[] = [];
	private busy = false;

	/** Figures and drawing of a preset; `soon`: before those that wait. Rejects when the worker was closed meanwhile. */
	card(preset: ShakePreset, soon = true): Promise<Card> {
		return this.enqueue((door) => door.card(preset), soon);
	}

	neighbours(preset: ShakePreset, options: NeighbourOptions): Promise<Neighbour[]> {
		return this.enqueue((door) => door.neighbours(preset, options), true);
	}

	close(): void {
		this.worker?.terminate();
		this.worker = this.door = null;
		for (const job of [...this.urgent.splice(0), ...this.waiting.splice(0)]) job.drop();
	}

	private enqueue<T>(ask: (door: Remote<MotionDoor>) => Promise<T>, soon: boolean): Promise<T> {
		return new Promise<T>((done, fail) => {
			const job: Job = {
				run: async (door) => {
					try {
						done(await ask(door));
					} catch (error) {
						fail(error instanceof Error ? error : new Error(String(error)));
					}
				},
				drop: () => fail(new Error('The worker was closed.'))
			};
			(soon ? this.urgent : this.waiting).push(job);
			void this.pump();
		});
	}

	private async pump(): Promise<void> {
		if (this.busy) return;
		this.busy = true;
		for (let job = this.next(); job; job = this.next()) {
			if (!this.door) {
				this.worker = new Worker(new URL('./motion.worker.ts', import.meta.url), { type: 'module' });
				this.door = wrap<MotionDoor>(this.worker);
			}
			await job.run(this.door);
		}
		this.busy = false;
	}

	private next(): Job | undefined {
		return this.urgent.pop() ?? this.waiting.shift();
	}
}
