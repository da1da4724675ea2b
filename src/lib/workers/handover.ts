/** The page's side of the handover's worker: each wish has a worker of its own, so that giving it up is ending that. */
import { proxy, wrap, type Remote } from 'comlink';
import type { Kit } from '$lib/documents';
import type { CurveWish, MadeCurves } from '$lib/handover/curve-file';
import type { HandoverDoor } from './protocol';

export interface Making<T = MadeCurves> {
	/** null: it was given up. Fails with what is not there or cannot be. */
	readonly done: Promise<T | null>;
	cancel(): void;
}

function inWorker<T>(ask: (door: Remote<HandoverDoor>) => Promise<T | null>): Making<T> {
	const worker = new Worker(new URL('./handover.worker.ts', import.meta.url), { type: 'module' });
	let giveUp: (value: null) => void = () => undefined;
	const cancelled = new Promise<null>((done) => (giveUp = done));
	const made = ask(wrap<HandoverDoor>(worker));
	return { done: Promise.race([made, cancelled]).finally(() => worker.terminate()), cancel: () => giveUp(null) };
}

export const makeInWorker = (kit: Kit, wish: CurveWish, progress: (part: number) => void): Making =>
	inWorker((door) => door.curves(kit, wish, proxy(progress)));

export const sheetInWorker = (kit: Kit, as: 'html' | 'md'): Making<string> => inWorker((door) => door.sheet(kit, as));
