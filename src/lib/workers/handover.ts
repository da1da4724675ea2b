/** The page's side of the handover's worker. */
import { proxy } from 'comlink';
import type { Kit } from '$lib/documents';
import type { CurveWish, MadeCurves } from '$lib/handover/curve-file';
import { askOnce, type Making as Any } from './in-worker';
import type { HandoverDoor } from './protocol';

export type Making<T = MadeCurves> = Any<T>;

const worker = (): Worker => new Worker(new URL('./handover.worker.ts', import.meta.url), { type: 'module' });

export const makeInWorker = (kit: Kit, wish: CurveWish, progress: (part: number) => void): Making =>
	askOnce<HandoverDoor, MadeCurves>(worker(), (door) => door.curves(kit, wish, proxy(progress)));

export const sheetInWorker = (kit: Kit, as: 'html' | 'md'): Making<string> =>
	askOnce<HandoverDoor, string>(worker(), (door) => door.sheet(kit, as));
