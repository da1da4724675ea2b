/** What the history of a document, of a room or of the project is read with. */
import {
	cueWords,
	shownOfHeld,
	sayDifference,
	type AnyDocument,
	type KindName,
	type ToldDocument,
	type ToldStretch
} from '$lib/documents';
import type { ProjectSession } from '$lib/session/session.svelte';
import type { Cue } from 'dinesis-runtime';

/** Plays a document as it was beside what it is. Left out where a room has nothing to play it with. */
export type PlayBeside = (was: AnyDocument, kind: KindName, from: string) => void;

/** Kinds that can be played beside each other. */
export const PLAYED: readonly KindName[] = ['shake', 'bob', 'lag', 'rig'];

const WORD: Readonly<Record<KindName, string>> = {
	shake: '',
	bob: '',
	lag: '',
	rig: 'rig ',
	cue: '',
	event: 'event ',
	value: 'game value ',
	course: 'course ',
	project: ''
};

/** What a cue is called: what it answers, and what it does then. */
export function cueTitle(session: ProjectSession, cue: Cue): string {
	const { events, parameters, rigs } = session.wiring;
	const list = {
		event: events,
		parameter: parameters,
		rig: rigs,
		preset: [...session.presets, ...session.bobsAndLags]
	};
	const names = (kind: keyof typeof list, id: string): string => list[kind].find((one) => one.id === id)?.name ?? id;
	return `cue: ${cueWords(cue, names)}`;
}

/** What a document is called in a history, whether it is still there or not. */
export function titleOf(
	session: ProjectSession,
	{ uuid, kind, id, name }: Pick<ToldDocument, 'uuid' | 'kind' | 'id' | 'name'>
): string {
	if (kind === 'project') return 'The project’s settings, and what the stand-in game raises';
	if (kind !== 'cue') return `${WORD[kind]}${name || id}`;
	const held = session.histories.held(uuid);
	return held ? cueTitle(session, shownOfHeld<Cue>(held)) : `cue ${id}`;
}

const BECAME = { made: 'made', retired: 'taken out of use', back: 'brought back', moved: 'moved' } as const;

/** What a stretch did to a document, line by line. */
export function linesOf({ became, lines, more }: ToldDocument): string[] {
	return [
		...(became ? [BECAME[became]] : []),
		...lines.map((line) => sayDifference({ ...line, from: 0, to: 0 })),
		...(more > 0 ? [`${more} more`] : [])
	];
}

const clock = new Intl.DateTimeFormat(undefined, { hour: '2-digit', minute: '2-digit' });
const exact = new Intl.DateTimeFormat(undefined, { hour: '2-digit', minute: '2-digit', second: '2-digit' });
const day = new Intl.DateTimeFormat(undefined, { weekday: 'long', day: 'numeric', month: 'long' });
const withYear = new Intl.DateTimeFormat(undefined, { day: 'numeric', month: 'long', year: 'numeric' });

/** From when to when: `14:02–14:09`; of one moment its seconds too. */
export function spanOf({ since, until, changes }: Pick<ToldStretch, 'since' | 'until' | 'changes'>): string {
	if (changes === 1) return exact.format(since);
	const [from, to] = [clock.format(since), clock.format(until)];
	return from === to ? from : `${from}–${to}`;
}

/** The day as people say it. */
export function dayOf(at: number, now = Date.now()): string {
	const start = (time: number): number => new Date(time).setHours(0, 0, 0, 0);
	const days = Math.round((start(now) - start(at)) / 86_400_000);
	if (days === 0) return 'Today';
	if (days === 1) return 'Yesterday';
	return new Date(at).getFullYear() === new Date(now).getFullYear() ? day.format(at) : withYear.format(at);
}

/** What going back to the end of a stretch is called. */
export const momentOf = (stretch: Pick<ToldStretch, 'name' | 'until'>): string =>
	stretch.name || exact.format(stretch.until);

/** A moment of the project as one chooses it. */
export const sayMoment = (moment: Pick<ToldStretch, 'name' | 'until'>): string =>
	moment.name ? `${moment.name} (${dayOf(moment.until)})` : `${dayOf(moment.until)}, ${momentOf(moment)}`;

/** What tells a moment from others: that it is marked, or what was done up to it. */
export function aboutMoment({
	starred,
	changes,
	documents
}: Pick<ToldStretch, 'starred' | 'changes' | 'documents'>): string {
	if (starred) return 'marked';
	const [only] = documents;
	return changes === 1 && only ? `${only.name || only.id}: ${linesOf(only).join(', ')}` : `${changes} changes`;
}
