/**
 * Changes as they travel between a page and its server, and the judgement on one: whether it may be made to a document as it stands now. It
 * is the same for the server, which keeps documents in a database, and for whoever tries it without one.
 */
import { dequal } from 'dequal/lite';
import { changedBy, overlap, valueAt, type FieldChange, type Path } from './fields/changes';
import type { Tree } from './fields/tree';
import { documentOf, openDocument, pointsAt, type AnyDocument, type KindName, type Reference } from './kinds';

/** What one document is within a change: its body and what is said about it. */
export interface Envelope {
	readonly kind: KindName;
	readonly id: string;
	readonly order: string;
	readonly retired: boolean;
	/** Something outside may know its id by now: it does not follow the name any more. Left out: nothing does. */
	readonly settled?: boolean;
	readonly body: Tree;
}

export interface ChangePart {
	/** The document; of one that is made, the uuid that it gets. */
	readonly document: string;
	/** Within the envelope. A new document is one field, the whole: its path is empty. */
	readonly fields: readonly FieldChange[];
	/** The version that it began from; not there for a new one. */
	readonly on?: number;
	/** Only when nothing of the document was changed since; then it is a version of its own even when it changes nothing. */
	readonly alone?: boolean;
}

export interface ChangeRequest {
	/** The change's own name, a uuid: when an answer is lost it is sent again, and made once. */
	readonly change: string;
	readonly note: string;
	/** The window that makes it: it does not collide with itself. Empty: none. */
	readonly window: string;
	readonly who: string;
	/** The drag or run of presses that it is a part of; left out: it stands by itself. */
	readonly gesture?: string;
	/** The last number that its maker had heard of. */
	readonly seen: number;
	readonly parts: readonly ChangePart[];
}

/** A change as everybody hears of it. */
export interface MadeChange {
	/** Rises by one with each change of the project. */
	readonly number: number;
	readonly change: string;
	readonly note: string;
	readonly window: string;
	readonly who: string;
	readonly savedAt: string;
	readonly parts: readonly MadePart[];
}

export interface MadePart {
	readonly document: string;
	/** The version that came of it. */
	readonly version: number;
	readonly fields: readonly FieldChange[];
}

/** A field that could not be changed. */
export interface Refusal {
	readonly document: string;
	readonly path: Path;
	/** `changed`: somebody changed it since; `gone`: it is not there any more; `unsound`: the document would not be sound. */
	readonly reason: 'changed' | 'gone' | 'unsound';
	readonly message: string;
	/** Who changed it since, and when. */
	readonly who?: string;
	readonly savedAt?: string;
}

export const isBodyPath = (path: Path): boolean => path[0] === 'body';

/** The envelope that a new document's one field holds; undefined for a change of one that is there. */
export const newEnvelope = (part: ChangePart): Envelope | undefined =>
	part.fields.find(({ path }) => path.length === 0)?.to as Envelope | undefined;

/** What was done to a document behind the version that a change began from. */
export interface Since {
	readonly window: string;
	readonly who: string;
	readonly savedAt: string;
	readonly fields: readonly FieldChange[];
}

export interface Judged {
	readonly part: ChangePart;
	/** null: it is made. */
	readonly before: Envelope | null;
	/** What is really to be done: what is there already is not. */
	readonly fields: readonly FieldChange[];
	readonly after: Envelope;
}

/** Holds a part against what stands now and what was done since; the result's soundness is another matter. */
export function judgePart(
	{ window }: Pick<ChangeRequest, 'window'>,
	part: ChangePart,
	before: Envelope | null,
	since: readonly Since[]
): Judged | readonly Refusal[] {
	const refuse = (path: Path, reason: Refusal['reason'], message: string): Refusal[] => [
		{ document: part.document, path, reason, message }
	];
	const made = newEnvelope(part);
	if (!before) {
		if (!made) return refuse([], 'gone', 'There is no such document.');
		const after = changedBy(null, part.fields) as Envelope | null;
		if (!after) return refuse([], 'gone', 'A new document was changed where it has nothing.');
		return { part, before, fields: [{ path: [], to: after }], after };
	}
	if (made) return refuse([], 'changed', 'There is a document of that uuid already.');
	if (part.alone && since.length > 0) return refuse(['body'], 'changed', 'Somebody has changed it since.');
	const fields = part.fields.filter(({ path, to }) => !dequal(valueAt(before, path), to));
	const others = since.filter((change) => window === '' || change.window !== window);
	const refusals = fields.flatMap(({ path }): Refusal[] => {
		const other = others.findLast((change) => change.fields.some((field) => overlap(field.path, path)));
		if (!other) return [];
		const message = 'Somebody has changed it since.';
		return [{ document: part.document, path, reason: 'changed', message, who: other.who, savedAt: other.savedAt }];
	});
	if (refusals.length > 0) return refusals;
	const after = changedBy(before, fields) as Envelope | null;
	if (after) return { part, before, fields, after };
	const lost = fields.find(({ path }) => path.length > 1 && valueAt(before, path.slice(0, -1)) === undefined);
	return refuse(lost?.path ?? [], 'gone', 'What it is a part of is not there any more.');
}

/** What keeps the result from being a sound document. */
export function unsound({ part, before, fields, after }: Judged): Refusal[] {
	const touched = fields.map(({ path }) => path);
	const refuse = (message: string): Refusal[] =>
		touched.map((path) => ({ document: part.document, path, reason: 'unsound', message }));
	if (before && before.kind !== after.kind) return refuse('Its kind stays.');
	if (before && before.id !== after.id && after.kind === 'project') return refuse('Its id stays.');
	if (!before || before.id !== after.id || touched.some(isBodyPath)) {
		const shown = documentOf<AnyDocument>(after.kind, after.body);
		const opened = openDocument(after.kind, structuredClone(shown));
		if (!opened.ok)
			return refuse(opened.problems.map(({ place, message }) => `${place || 'It'} ${message}`).join('; '));
		if (shown.id !== after.id) return refuse('Its id is one, outside its body and within it.');
	}
	return [];
}

/** What a kept document points at. Of one that is not sound nobody knows. */
export function referencesOf(kind: KindName, body: Tree): Reference[] {
	const opened = openDocument<AnyDocument>(kind, structuredClone(documentOf(kind, body)));
	return opened.ok ? pointsAt(kind, opened.value) : [];
}
