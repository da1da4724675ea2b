/** What the number keys fire: what somebody gave them; the others what comes first in the project, eighteen presets in all. */
import { KEY_IDS, type KeyTarget } from '$lib/documents';
import type { ProjectSession } from '$lib/session/session.svelte';

export interface KeyCap extends KeyTarget {
	/** `1` … `9`, `shift-1` … `shift-9`. */
	readonly id: string;
	/** As it is written: `3`, `⇧3`. */
	readonly written: string;
	readonly name: string;
	/** Somebody gave it this; else it stands there by its place. */
	readonly given: boolean;
}

type Known = Pick<ProjectSession, 'order' | 'preset' | 'wiring' | 'settings'>;

export const writtenKey = (id: string): string => id.replace('shift-', '⇧');

/** The id of a key by its code and whether Shift is held; empty: it is none of them. */
export function keyIdOf(code: string, shift: boolean): string {
	const digit = /^(?:Digit|Numpad)([1-9])$/.exec(code)?.[1];
	return digit === undefined ? '' : `${shift ? 'shift-' : ''}${digit}`;
}

function nameOf(session: Known, { kind, of }: KeyTarget): string | undefined {
	return kind === 'preset' ? session.preset(of)?.name : session.wiring.events.find((event) => event.id === of)?.name;
}

/** What a key fires; undefined: nothing. What was given to it and is gone makes way for what stands in its place. */
export function capOf(session: Known, id: string): KeyCap | undefined {
	const given = session.settings.onKey(id);
	const name = given && nameOf(session, given);
	if (given && name !== undefined)
		return { id, written: writtenKey(id), kind: given.kind, of: given.of, name, given: true };
	const of = session.order[KEY_IDS.indexOf(id)];
	const preset = of === undefined ? undefined : session.preset(of);
	return preset && { id, written: writtenKey(id), kind: 'preset', of: preset.id, name: preset.name, given: false };
}

/** The first key that fires something; empty: none does. */
export const keyFor = (session: Known, { kind, of }: KeyTarget): string =>
	KEY_IDS.find((id) => {
		const cap = capOf(session, id);
		return cap?.kind === kind && cap.of === of;
	}) ?? '';
