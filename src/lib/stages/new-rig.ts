/** Rigs made and taken out, each one undo step. */
import type { Rig } from 'dinesis-runtime';
import { newRig, viewOf, type ViewKind } from 'dinesis-runtime/tools';
import { freeId } from '$lib/documents';
import type { ProjectSession } from '$lib/session/session.svelte';

function add(session: ProjectSession, label: string, made: Omit<Rig, 'id'>): string {
	const id = freeId(
		made.name,
		session.wiring.rigs.map((rig) => rig.id)
	);
	session.rewire(label, (w) => ({ ...w, rigs: [...w.rigs, { ...made, id }] }));
	session.seal();
	return id;
}

/** One with the first head bob of its view; gives its id. */
export function addRig(session: ProjectSession, kind: ViewKind = 'eyes'): string {
	const name = `Rig ${session.wiring.rigs.length + 1}`;
	const id = add(session, 'New rig', made(session, name, kind));
	session.fresh = id;
	return id;
}

function made(session: ProjectSession, name: string, kind: ViewKind): Omit<Rig, 'id'> {
	const rig = newRig('', name);
	const bob = session.bobs.find(({ view }) => view === viewOf(kind));
	return { ...rig, view: { ...rig.view, kind }, bob: bob?.id ?? null };
}

export const copyRig = (session: ProjectSession, rig: Rig): string =>
	add(session, 'Copy the rig', { ...rig, name: `${rig.name}, copy`.slice(0, 120) });

export function removeRig(session: ProjectSession, { id }: Rig): void {
	session.rewire('Take the rig out', (w) => ({ ...w, rigs: w.rigs.filter((rig) => rig.id !== id) }));
	session.seal();
}
