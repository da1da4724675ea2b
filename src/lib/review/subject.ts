/** What can be under review: a document of a kit that moves the camera. */
import { isShake } from 'dinesis-runtime/tools';
import { cueWords, type AnyDocument, type Kit } from '$lib/documents';
import type { Cue } from 'dinesis-runtime';

export const SUBJECT_KINDS = ['shake', 'cue', 'rig', 'course'] as const;
export type SubjectKind = (typeof SUBJECT_KINDS)[number];
export interface Subject {
	readonly kind: SubjectKind;
	readonly id: string;
}

const LISTS: Readonly<Record<SubjectKind, (kit: Kit) => readonly AnyDocument[]>> = {
	shake: ({ presets }) => presets.filter(isShake),
	cue: ({ cues }) => cues,
	rig: ({ rigs }) => rigs,
	course: ({ courses }) => courses
};

/** All that can be looked at, by kind, in the kit's order. */
export const subjectsOf = (kit: Kit): Subject[] =>
	SUBJECT_KINDS.flatMap((kind) => LISTS[kind](kit).map(({ id }) => ({ kind, id })));

/** The document itself; undefined: it is not there. */
export const subjectIn = <T extends object = AnyDocument>(kit: Kit, { kind, id }: Subject): T | undefined =>
	LISTS[kind](kit).find((one) => one.id === id) as unknown as T | undefined;

/** What people call it: a cue by its sentence. */
export function nameIn(kit: Kit, subject: Subject): string {
	const document = subjectIn(kit, subject);
	if (!document) return subject.id;
	if (subject.kind !== 'cue') return document.name ?? document.id;
	const lists = { event: kit.events, parameter: kit.parameters, rig: kit.rigs, preset: kit.presets };
	return cueWords(
		document as unknown as Cue,
		(of, wanted) => lists[of].find((one) => one.id === wanted)?.name ?? wanted
	);
}
