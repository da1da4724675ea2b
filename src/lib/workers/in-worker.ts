/** Wishes that have a worker of their own each, so that giving one up is ending that. */
import { wrap, type Remote } from 'comlink';

export interface Making<T> {
	/** null: it was given up. Fails with what is not there or cannot be. */
	readonly done: Promise<T | null>;
	cancel(): void;
}

export function askOnce<Door, T>(worker: Worker, ask: (door: Remote<Door>) => Promise<T | null>): Making<T> {
	let giveUp: (value: null) => void = () => undefined;
	const cancelled = new Promise<null>((done) => (giveUp = done));
	const made = ask(wrap<Door>(worker));
	return { done: Promise.race([made, cancelled]).finally(() => worker.terminate()), cancel: () => giveUp(null) };
}
