/** The page's side of the review's worker: looking at one play has a worker that stays, each long wish one of its own. */
import { proxy, wrap, type Remote } from 'comlink';
import type { Share } from 'dinesis-runtime/tools';
import type { Kit } from '$lib/documents';
import type { Reviewed, Subject } from '$lib/review';
import { askOnce, type Making } from './in-worker';
import type { AllRow, ForPlayer, LookedAt, ReviewDoor, Sent, VerdictWish } from './protocol';

export type { AllRow, ForPlayer, LookedAt, Making, Sent };

const worker = (): Worker => new Worker(new URL('./review.worker.ts', import.meta.url), { type: 'module' });

export class Looker {
	private worker: Worker | null = null;
	private door: Remote<ReviewDoor> | null = null;

	/** Fails with what is not there. */
	look(asked: Sent, seed: number): Promise<LookedAt> {
		this.worker ??= worker();
		this.door ??= wrap<ReviewDoor>(this.worker);
		return this.door.look(asked, seed);
	}

	end(): void {
		this.worker?.terminate();
		this.worker = this.door = null;
	}
}

export const manyInWorker = (asked: Sent, seeds: number, progress: (part: number) => void): Making<Reviewed> =>
	askOnce<ReviewDoor, Reviewed>(worker(), (door) => door.many(asked, seeds, proxy(progress)));

export const playersInWorker = (asked: Sent, shares: readonly Share[], seed: number): Making<readonly ForPlayer[]> =>
	askOnce<ReviewDoor, readonly ForPlayer[]>(worker(), (door) => door.players(asked, shares, seed));

export const verdictInWorker = (
	kit: Kit,
	wish: VerdictWish,
	progress: (part: number) => void
): Making<{ readonly json: string; readonly html: string }> =>
	askOnce<ReviewDoor, { readonly json: string; readonly html: string }>(worker(), (door) =>
		door.verdict(kit, wish, proxy(progress))
	);

export const allInWorker = (
	kit: Kit,
	subjects: readonly Subject[],
	progress: (part: number) => void
): Making<readonly AllRow[]> =>
	askOnce<ReviewDoor, readonly AllRow[]>(worker(), (door) => door.all(kit, subjects, proxy(progress)));
