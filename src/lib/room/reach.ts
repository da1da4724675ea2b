/** How far a motion is felt, as a hand changes it. */
import type { Reach } from 'dinesis-runtime/tools';

/** What one begins with: close by in full, across a yard no more. */
export const FRESH_REACH: Reach = { full: 3, edge: 20, falloff: 'smooth', listener: 'camera', travelSpeed: null };

/** One with a part of it changed: it is never gone nearer than it is full. What is turned stays what it was turned to. */
export function withReach(reach: Reach, part: Partial<Reach>): Reach {
	const next = { ...reach, ...part };
	if (next.edge >= next.full) return next;
	return part.edge === undefined ? { ...next, edge: next.full } : { ...next, full: next.edge };
}
