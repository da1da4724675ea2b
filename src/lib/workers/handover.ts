/** The page's side of the handover's worker: each wish has a worker of its own, so that giving it up is ending that. */
import { proxy, wrap } from 'comlink';
import type { Kit } from '$lib/documents';
import type { CurveWish, MadeCurves } from '$lib/handover/curve-file';
import type { HandoverDoor } from './protocol';

export interface Making {
	/** null: it was given up. Fails with what is not there or cannot be. */
	readonly done: Promise<MadeCurves | null>;
	cancel(): void;
}

export function makeInWorker(kit: Kit, wish: CurveWish, progress: (part: number) => void): Making {
	const worker = new Worker(new URL('./handover.worker.ts', import.meta.url), { type: 'module' });
	let giveUp: (value: null) => void = () => undefined;
	const cancelled = new Promise<null>((done) => (giveUp = done));
	const made = wrap<HandoverDoor>(worker).curves(kit, wish, proxy(progress));
	return { done: Promise.race([made, cancelled]).finally(() => worker.terminate()), cancel: () => giveUp(null) };
}
