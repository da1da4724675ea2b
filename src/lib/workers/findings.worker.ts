/** What is found in how a project moves, off the page's thread: the kit is kept here, and what of it changed is sent. */
import { expose } from 'comlink';
import type { AnyDocument, Kit } from '$lib/documents';
import { motionFindings, Watched } from '$lib/review/findings';
import { subjectsOf } from '$lib/review/subject';
import { clearInGrounds, withinGrounds } from '$lib/world/clear';
import type { FindingsDoor, KitParts } from './protocol';

const GROUNDS = { clear: clearInGrounds, within: withinGrounds };
const known = new Map<string, AnyDocument>();
let watched: Watched | undefined;

function kitOf({ name, world, settings, lists }: KitParts): Kit {
	const kit: Record<string, unknown> = { format: 'dinesis-kit', version: 1, name, world, settings };
	for (const [list, { order, changed }] of Object.entries(lists)) {
		for (const document of changed) known.set(`${list} ${document.id}`, document);
		kit[list] = order.map((id) => known.get(`${list} ${id}`)!);
	}
	return kit as unknown as Kit;
}

const door: FindingsDoor = {
	put(parts) {
		watched = new Watched(kitOf(parts), GROUNDS, watched);
		return subjectsOf(watched.kit);
	},
	find: (subject) => (watched ? motionFindings(watched, subject) : [])
};
expose(door);
