/** What one wants to hear or see beside what is here, on the way to the room that plays both. */
import { PRESET_KINDS, type AnyDocument, type KindName } from '$lib/documents';
import { RIG, rigKey, WIRING } from './opened';

export interface ToPlay {
	readonly was: AnyDocument;
	readonly kind: KindName;
	/** Where it comes from, in words. */
	readonly from: string;
}

/** Kinds that are played by a bench of their own. */
const OWN: readonly KindName[] = PRESET_KINDS;
/** What sets motion off is played on a course, seen through a rig. */
const ON_A_COURSE: readonly KindName[] = ['cue', 'event', 'value'];

/** Whether the room in which a document of this key is open plays it. */
export function playsHere({ was, kind }: ToPlay, of: string | undefined): boolean {
	if (OWN.includes(kind)) return of === was.id;
	if (kind === 'rig') return of === rigKey(was.id);
	return of !== undefined && (of === WIRING || of.startsWith(RIG));
}

/** The room that plays both, and what is open there; empty: whatever was last; null: nothing plays it. */
export function roomPlaying(kind: KindName, id: string): { readonly room: string; readonly document: string } | null {
	if (OWN.includes(kind)) return { room: 'bench', document: id };
	if (kind === 'rig') return { room: 'rig', document: id };
	return ON_A_COURSE.includes(kind) ? { room: 'rig', document: '' } : null;
}
