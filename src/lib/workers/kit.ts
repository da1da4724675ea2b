/** The page's side of the kit worker: one worker for one file, which is given up when it is not wanted any more. */
import { wrap } from 'comlink';
import type { ReadResult } from 'dinesis-runtime';
import type { Arrival, Held } from '$lib/documents';
import type { KitDoor } from './protocol';

/** Documents that cross at once: the page never stands still for longer than these take. */
const AT_ONCE = 250;

export interface Reading {
	/** null when it was given up. */
	readonly done: Promise<ReadResult<readonly Arrival[]> | null>;
	cancel(): void;
}

/** The door from the other side: each answer comes later. */
export type FarDoor = {
	[K in keyof KitDoor]: (...given: Parameters<KitDoor[K]>) => Promise<Awaited<ReturnType<KitDoor[K]>>>;
};

const start = (): Worker => new Worker(new URL('./kit.worker.ts', import.meta.url), { type: 'module' });

/** Reads a kit and holds it against what the project has; `progress` hears how much is done, 0–1, and of what. */
export function readArrivals(
	bytes: Uint8Array,
	present: () => Promise<readonly Held[] | null>,
	progress: (part: number, of: string) => void
): Reading {
	const worker = start();
	let giveUp: (value: null) => void = () => undefined;
	const cancelled = new Promise<null>((done) => (giveUp = done));
	const work = readWith(wrap<KitDoor>(worker), bytes, present, progress);
	return {
		done: Promise.race([work, cancelled]).finally(() => worker.terminate()),
		cancel: () => giveUp(null)
	};
}

/** The steps of it, with any door. */
export async function readWith(
	door: FarDoor,
	bytes: Uint8Array,
	present: () => Promise<readonly Held[] | null>,
	progress: (part: number, of: string) => void
): Promise<ReadResult<readonly Arrival[]> | null> {
	progress(0, 'reading the file');
	const read = await door.read(bytes);
	if (!read.ok) return read;
	progress(0.3, 'asking what is here');
	const held = await present();
	if (!held) return null;
	for (let i = 0; i < held.length; i += AT_ONCE) {
		progress(0.4 + (0.3 * i) / held.length, 'holding it against what is here');
		await door.here(held.slice(i, i + AT_ONCE));
	}
	const count = await door.compare();
	const arrivals: Arrival[] = [];
	while (arrivals.length < count) {
		progress(0.7 + (0.3 * arrivals.length) / count, 'taking it over');
		arrivals.push(...(await door.take(arrivals.length, AT_ONCE)));
	}
	return { ok: true, value: arrivals };
}
