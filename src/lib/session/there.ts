/** Whether a room can open what was open there once: it may be gone meanwhile. */
import type { KindName } from '$lib/documents';
import { placeIn } from './places';
import type { ProjectSession } from './session.svelte';

interface Named {
	readonly id: string;
}
/** What of a project tells that. */
export interface Shown extends Pick<ProjectSession, 'order' | 'missing'> {
	readonly bobsAndLags: readonly Named[];
	readonly wiring: { readonly rigs: readonly Named[]; readonly cues: readonly Named[] };
	readonly courses: { readonly order: readonly string[] | null };
}

export function isThere(shown: Shown, room: string, document: string): boolean {
	const { order, bobsAndLags, wiring, courses, missing } = shown;
	const isIn = (list: readonly Named[], id: string): boolean => list.some((one) => one.id === id);
	switch (room) {
		case 'bench':
			// Until all presets are here, the room finds out itself.
			return missing > 0 || order.includes(document) || isIn(bobsAndLags, document);
		case 'rig':
			return isIn(wiring.rigs, document);
		case 'cues':
			return isIn(wiring.cues, document);
		case 'course':
			// They come when something first asks for them.
			return courses.order?.includes(document) ?? true;
		case 'review': {
			const [kind, id = ''] = document.split(':') as [KindName, string?];
			// Bobs and lags are on the Bench too, and nothing to look at alone.
			if (kind === 'shake' && isIn(bobsAndLags, id)) return false;
			return isThere(shown, placeIn(kind, id).room, id);
		}
		default:
			return false;
	}
}
